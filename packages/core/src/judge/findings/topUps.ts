import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { nearRelief } from './dischargePipe';
import { has, LITTLE_GAS, OUTFLOW } from '../faultGroups';
import type { FaultId } from '../faults';
import type { Logged } from '../Logged';

/** Of circuits that could feed themselves, those whose feed is kept shut and that are topped up by hand. Common practice. */
const FEED_SHUT = 0.4;
/** Top-ups a month where nobody needs to. */
const NEVER = 0.3;
/** Top-ups a month where the relief lifts hot, and how often that is made good by hand. Common practice. */
const SPILLS = 3,
  SPILLS_SEEN = 0.6;
/** Of circuits that have to be topped up, those where it is done daily or nearly. More often than daily says no more. Common practice. */
const OFTEN = 0.15,
  DAILY = 30;
/** How often it is topped up, a month, and how often where it is bad. Common practice. */
function topUpsAMonth(faults: readonly FaultId[]): { mean: number; oftenMean: number } {
  if (has(faults, ...OUTFLOW)) return { mean: 4, oftenMean: 20 };
  if (has(faults, ...LITTLE_GAS, 'relief-valve-lifts-early')) return { mean: 3, oftenMean: 10 };
  const mean = has(faults, 'fill-pressure-too-high', 'vessel-overcharged', 'boiler-overheating', 'air-in-circuit', 'fill-pressure-too-low')
    ? 0.8
    : NEVER;
  return { mean, oftenMean: mean };
}

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
    { mean, oftenMean } = topUpsAMonth(faults);
  // What comes up to its relief whenever it is heated spills there, whatever drives it up, and somebody makes that good.
  const spills = logged.usualPeakGaugeBar === null || mean >= SPILLS ? 0 : SPILLS_SEEN * nearRelief(faults, logged.usualPeakGaugeBar, v, c);
  // What feeds itself is topped up by nobody, unless its feed is kept shut.
  const byHand = c.fedByItself ? FEED_SHUT : 1;
  return (
    0.93 *
      (byHand * ((1 - spills) * ((1 - OFTEN) * counted(mean) + OFTEN * counted(oftenMean)) + spills * counted(SPILLS)) +
        (1 - byHand) * counted(NEVER)) +
    0.07 * counted(4)
  );
}
