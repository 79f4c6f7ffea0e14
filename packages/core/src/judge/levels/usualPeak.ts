import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { fluidGrowth } from '../../water/fluid';
import { HEATED_K, type CycleFeatures } from '../../log/cycleFeatures';

/** Nearer to the boiler's limit than this a log has shown what it had to, K. */
const SHOWN_K = 4;
/** The gas is pressed harder the less of it is left: the last kelvins raise the pressure by so much more than the first. */
const STEEPENS = 1.2;

/** How high a circuit comes in a run of every day, gauge bar: from the fill wanted, if it was found lower, to the logs' peak, and on from
 *  there as it went so far, up to the boiler's limit and to the relief. Many a log ends before the water is as hot as it gets, many a
 *  circuit is found low, and what a pipe or a neighbour tells is of all the runs before.
 *  @param peakGaugeBar highest that was logged warm; null where it never was
 *  @param features what a person reads off each log */
export function usualPeakBar(peakGaugeBar: number | null, features: readonly CycleFeatures[], c: ResolvedCircuit): number | null {
  if (peakGaugeBar === null) return null;
  const goesOnTo = features.map(({ coldBar, hotBar, coldC, hottestC }) => {
    if (
      coldBar === null ||
      hotBar === null ||
      coldC === null ||
      hottestC === null ||
      hottestC - coldC < HEATED_K ||
      c.maxFlowC - hottestC < SHOWN_K ||
      hotBar <= coldBar
    )
      return -Infinity;
    // By the water's growth, which a kelvin hot makes more of than one cold.
    const grownTo = (flowC: number) => fluidGrowth(c.fluid, Math.max(1, coldC), Math.min(150, flowC));
    return hotBar + STEEPENS * (hotBar - coldBar) * (grownTo(c.maxFlowC) / grownTo(hottestC) - 1);
  });
  const low = Math.max(0, ...features.map(({ coldBar }) => (coldBar === null ? 0 : c.fillGaugeBar - coldBar)));
  return Math.max(peakGaugeBar, Math.min(c.reliefSetGaugeBar, Math.max(peakGaugeBar, ...goesOnTo) + STEEPENS * low));
}
