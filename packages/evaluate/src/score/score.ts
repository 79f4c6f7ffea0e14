import type { Tier } from '../truth/makeCase';
import { scoreEstimate } from './estimateScore';
import type { Judged } from './Judged';
import { looksAlike } from './lookAlike';
import { median, share } from './statistics';

export interface TierScore {
  tier: Tier | 'all';
  cases: number;
  top1: number;
  top1Alike: number;
  top3Alike: number;
  ruleAlike: number;
  /** Mean −log2 of the probability that the truth and what cannot be told from it were given. */
  logScoreBits: number;
  /** Of cases whose truth has a charge: share with an estimate, coverage of its 90 % interval, median error with content known and not,
   *  bar. */
  chargeGiven: number;
  chargeCovered: number;
  chargeErrorMeasuredBar: number;
  chargeErrorEstimatedBar: number;
  secondsMedian: number;
}

const FLOOR = 1e-4;

export const isRight = (j: Judged, faults: string[]): boolean => looksAlike([...faults].sort(), j.truth.faults, j.testsDone);

export function scoreTier(tier: Tier | 'all', all: Judged[]): TierScore {
  const of = all.filter((j) => tier === 'all' || j.tier === tier);
  const first = (j: Judged, n: number) => j.answer.hypotheses.slice(0, n);
  const charge = (js: Judged[]) => scoreEstimate('prechargeBar', js);
  const measured = (j: Judged) => j.truth.contentMeasured || j.testsDone.includes('draw-off');
  return {
    tier,
    cases: of.length,
    top1: share(of.map((j) => j.answer.hypotheses[0]?.faults.join() === j.truth.faults.join())),
    top1Alike: share(of.map((j) => first(j, 1).some((h) => isRight(j, h.faults)))),
    top3Alike: share(of.map((j) => first(j, 3).some((h) => isRight(j, h.faults)))),
    ruleAlike: share(of.map((j) => isRight(j, j.rule))),
    logScoreBits:
      of.reduce(
        (s, j) =>
          s -
          Math.log2(
            Math.max(
              FLOOR,
              j.answer.hypotheses.filter((h) => isRight(j, h.faults)).reduce((a, h) => a + h.probability, 0),
            ),
          ),
        0,
      ) / Math.max(1, of.length),
    chargeGiven: charge(of).given,
    chargeCovered: charge(of).covered,
    chargeErrorMeasuredBar: charge(of.filter(measured)).error,
    chargeErrorEstimatedBar: charge(of.filter((j) => !measured(j))).error,
    secondsMedian: median(of.map((j) => j.seconds)),
  };
}

export interface Reliability {
  bins: { said: number; was: number; cases: number }[];
  error: number;
  standardError: number;
}

/** How often the first suspect, with all that cannot be told from it, is right when it is given x: pooled over all cases, in ten equal bins
 *  by probability. `error` is the mean distance between said and was, weighted by cases. */
export function reliability(all: Judged[]): Reliability {
  const points = all.map((j) => {
    const lead = j.answer.hypotheses[0]!;
    const said = j.answer.hypotheses
      .filter((h) => looksAlike([...h.faults].sort(), [...lead.faults].sort(), j.testsDone))
      .reduce((a, h) => a + h.probability, 0);
    return { said: Math.min(1, said), was: isRight(j, lead.faults) ? 1 : 0 };
  });
  const bins = Array.from({ length: 10 }, (_, b) => points.filter((p) => Math.min(9, Math.floor(p.said * 10)) === b))
    .filter((b) => b.length > 0)
    .map((b) => ({
      said: b.reduce((s, p) => s + p.said, 0) / b.length,
      was: b.reduce((s, p) => s + p.was, 0) / b.length,
      cases: b.length,
    }));
  const error = bins.reduce((s, b) => s + (b.cases / points.length) * Math.abs(b.said - b.was), 0);
  const variance = bins.reduce((s, b) => s + (b.cases / points.length) ** 2 * ((b.was * (1 - b.was)) / b.cases), 0);
  return { bins, error, standardError: Math.sqrt(variance) };
}

/** What is taken for what: truth and first suspect of the wrong answers, commonest first. */
export function confusions(all: Judged[], most = 15): { truth: string; said: string; cases: number }[] {
  const counts = new Map<string, { truth: string; said: string; cases: number }>();
  for (const j of all) {
    const lead = j.answer.hypotheses[0]!.faults;
    if (isRight(j, lead)) continue;
    const key = `${j.truth.faults.join('+')}|${lead.join('+')}`;
    const at = counts.get(key) ?? { truth: j.truth.faults.join('+'), said: lead.join('+'), cases: 0 };
    at.cases++;
    counts.set(key, at);
  }
  return [...counts.values()].sort((a, b) => b.cases - a.cases).slice(0, most);
}
