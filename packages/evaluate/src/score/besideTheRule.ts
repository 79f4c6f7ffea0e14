import type { Tier } from '../truth/makeCase';
import type { Judged } from './Judged';
import { isRight } from './score';
import { share } from './statistics';

/** How often a careful rule of thumb is right on visits as easy as those that the goals are meant for, by tier. Stated with the goals; the
 *  other tiers have none. */
export const RULE_ON_EASY_VISITS: Partial<Record<Tier, number>> = { hand: 0.82, logger: 0.81, findings: 0.88, pair: 0.62 };

export interface BesideTheRule {
  /** How often the rule of thumb is right, look-alikes with it. */
  rule: number;
  /** How often the judge is, where the rule is right, and where it is wrong; NaN where there is no such visit. */
  whereRight: number;
  whereWrong: number;
  /** How often the judge would be right where the rule is right as often as `RULE_ON_EASY_VISITS`; null for tiers without such a share. */
  weighed: number | null;
}

/** The judge's share of right answers as it would be on easier visits: parted by whether the rule of thumb is right, and weighed so that it
 *  is as often right as on those. @param judged visits of one tier */
export function besideTheRule(tier: Tier, judged: readonly Judged[]): BesideTheRule {
  const both = judged.map((j) => ({ rule: isRight(j, j.rule), judge: isRight(j, j.answer.hypotheses[0]!.faults) })),
    judgeWhere = (ruleIsRight: boolean) => share(both.filter((b) => b.rule === ruleIsRight).map((b) => b.judge));
  const whereRight = judgeWhere(true),
    whereWrong = judgeWhere(false),
    easy = RULE_ON_EASY_VISITS[tier];
  return {
    rule: share(both.map((b) => b.rule)),
    whereRight,
    whereWrong,
    weighed: easy === undefined ? null : easy * whereRight + (1 - easy) * whereWrong,
  };
}
