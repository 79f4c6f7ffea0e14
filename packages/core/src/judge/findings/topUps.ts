import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { nearRelief } from './dischargePipe';
import { spillsHot } from './spillsHot';
import { has, LITTLE_GAS, OUTFLOW } from '../faultGroups';
import type { FaultId } from '../faults';
import type { Logged } from '../Logged';

/** Of circuits that could feed themselves and are said to be topped up by hand, those whose feed is kept shut, at the least. Common
 *  practice: somebody who counts top-ups mostly makes them. */
const FEED_SHUT = 0.4;
/** Top-ups a month where nobody needs to. */
const NEVER = 0.3;
/** How often what a relief let go hot is made good by hand. Common practice. */
const SPILLS_SEEN = 0.6;
/** Of circuits that have to be topped up, those where it is done daily or nearly. More often than daily says no more. Common practice. */
const OFTEN = 0.15,
  DAILY = 30;
/** How often it is topped up, a month, and how often where it is bad. Common practice. */
interface Rate {
  mean: number;
  oftenMean: number;
}
const LOSES: Rate = { mean: 4, oftenMean: 20 },
  SPILLS_HOT: Rate = { mean: 3, oftenMean: 10 };

/** How often what loses no water at the relief is topped up, a month. */
const keeps = (faults: readonly FaultId[]): Rate => {
  const mean = has(faults, 'fill-pressure-too-high', 'vessel-overcharged', 'boiler-overheating', 'air-in-circuit', 'fill-pressure-too-low')
    ? 0.8
    : NEVER;
  return { mean, oftenMean: mean };
};

/** How likely it is that somebody tops up so often, a month. */
export function topUpsLikelihood(
  toldCount: number,
  faults: readonly FaultId[],
  v: Float64Array,
  c: ResolvedCircuit,
  logged: Logged,
): number {
  // Gamma–Poisson, shape 1: rates differ widely from house to house. Some top up for reasons of their own.
  const count = Math.min(toldCount, DAILY),
    counted = (mean: number) => Math.pow(mean / (1 + mean), count) / (1 + mean),
    at = ({ mean, oftenMean }: Rate) => (1 - OFTEN) * counted(mean) + OFTEN * counted(oftenMean);
  // What feeds itself is topped up by nobody, unless its feed is kept shut.
  const byHand = c.fedByItself ? FEED_SHUT : 1;
  return 0.93 * (byHand * needed() + (1 - byHand) * counted(NEVER)) + 0.07 * counted(4);

  function needed(): number {
    if (has(faults, ...OUTFLOW)) return at(LOSES);
    if (has(faults, ...LITTLE_GAS, 'relief-valve-lifts-early')) {
      const spills = spillsHot(faults, logged, v, c);
      return spills * at(SPILLS_HOT) + (1 - spills) * at(keeps(faults));
    }
    const usualBar = logged.usualPeakGaugeBar;
    // What comes up to its relief whenever it is heated spills there, whatever drives it up, and somebody makes that good.
    const spills = usualBar === null ? 0 : SPILLS_SEEN * nearRelief(faults, usualBar, v, c);
    return (1 - spills) * at(keeps(faults)) + spills * counted(SPILLS_HOT.mean);
  }
}
