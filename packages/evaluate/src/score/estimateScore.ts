import type { EstimateName, Judged } from './Judged';
import { median, share } from './statistics';

/** How far one kind of estimate can be trusted. */
export interface EstimateScore {
  estimate: EstimateName;
  /** Visits on which it could be asked for. */
  asked: number;
  /** Share of them on which it was given; share of those whose truth lies in the 90 % interval; median error, in bar or as a share of the
   *  truth. */
  given: number;
  covered: number;
  error: number;
  /** Visits on which it was given though there is nothing of the kind. */
  outOfNothing: number;
}

/** A charge, or a content, can be known only where the plant was warmed. */
const WARMED_K = 20;
const warmed = ({ truth }: Judged) => truth.riseK >= WARMED_K;
const gaugeWasHeld = ({ testsDone }: Judged) => testsDone.includes('second-gauge') || testsDone.includes('gauge-at-zero');
/** A gauge that stands where it got stuck is not off by anything. */
const STUCK_BAR = 0.2;
const sticks = ({ truth }: Judged) => truth.faults.includes('gauge-misreading') && Math.abs(truth.offsetBar) < STUCK_BAR;

/** What is so of each, null where it cannot be asked, and 0 where there is nothing of the kind. */
const TRUTHS: Record<EstimateName, { of: (j: Judged) => number | null; asShare?: true }> = {
  prechargeBar: { of: (j) => (warmed(j) ? j.truth.chargeBar : null) },
  waterVolumeL: { of: (j) => (warmed(j) ? j.truth.contentL : null), asShare: true },
  inflowLPerH: { of: (j) => j.truth.inflowLPerH, asShare: true },
  lossLPerH: { of: (j) => j.truth.lossLPerH, asShare: true },
  gaugeOffsetBar: { of: (j) => (gaugeWasHeld(j) && !sticks(j) ? j.truth.offsetBar : null) },
  // As the gauge shows it; of one that stands still nothing can be said.
  reliefLiftBar: { of: (j) => (sticks(j) ? null : j.truth.liftBar + j.truth.offsetBar) },
};

/** One kind of estimate over judged visits. */
export function scoreEstimate(estimate: EstimateName, judged: readonly Judged[]): EstimateScore {
  const { of, asShare } = TRUTHS[estimate],
    asked = judged.flatMap((j) => {
      const truth = of(j);
      return truth === null ? [] : [{ truth, said: j.answer.estimates[estimate] ?? null }];
    });
  const there = asked.filter(({ truth }) => !asShare || truth > 0),
    given = there.flatMap(({ truth, said }) => (said ? [{ truth, said }] : []));
  return {
    estimate,
    asked: there.length,
    given: given.length / Math.max(1, there.length),
    covered: share(given.map(({ truth, said }) => truth >= said.p05 && truth <= said.p95)),
    error: median(given.map(({ truth, said }) => Math.abs(said.median - truth) / (asShare ? truth : 1))),
    outOfNothing: asked.filter(({ truth, said }) => asShare && truth === 0 && said !== null).length,
  };
}

export const scoreEstimates = (judged: readonly Judged[]): EstimateScore[] =>
  (Object.keys(TRUTHS) as EstimateName[]).map((estimate) => scoreEstimate(estimate, judged));
