import type { Tier } from '../truth/makeCase';
import { isRight, type Judged } from './score';

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
  const ruleRight = judged.filter((j) => isRight(j, j.rule)),
    ruleWrong = judged.filter((j) => !isRight(j, j.rule));
  const rightIn = (of: readonly Judged[]) => of.filter((j) => isRight(j, j.answer.hypotheses[0]!.faults)).length / of.length;
  const whereRight = rightIn(ruleRight),
    whereWrong = rightIn(ruleWrong),
    easy = RULE_ON_EASY_VISITS[tier];
  return {
    rule: ruleRight.length / judged.length,
    whereRight,
    whereWrong,
    weighed: easy === undefined ? null : easy * whereRight + (1 - easy) * whereWrong,
  };
}
