import { expectedPressure } from '../../circuit/expectedPressure';
import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { HEATED_K, type CycleFeatures } from '../../log/cycleFeatures';

/** From where it was found up to so far above it a lift is not told from the cold pressure, bar. */
const ABOUT_COLD_BAR = 0.1;

/** Share of early lifts that would lift as low as the logs say: a relief may lift anywhere between the cold pressure and where heat would
 *  have taken the circuit, so that one which holds it at just where it was found is a coincidence. 1 where no log was heated, or its
 *  temperatures are not known. */
export function earlyLiftShare(features: readonly CycleFeatures[], c: ResolvedCircuit): number {
  return features.reduce((least, f) => {
    if (
      f.coldBar === null ||
      f.peakBar === null ||
      f.coldC === null ||
      f.hottestC === null ||
      f.hottestC - f.coldC < HEATED_K ||
      f.coldBar <= -0.9
    )
      return least;
    const roseBar = Math.max(0, f.peakBar - f.coldBar) + ABOUT_COLD_BAR;
    const wouldRiseBar =
      expectedPressure({ circuit: c, coldGaugeBar: f.coldBar, coldC: Math.max(1, f.coldC), flowC: Math.min(150, f.hottestC) }).gaugeBar -
      f.coldBar +
      ABOUT_COLD_BAR;
    return Math.min(least, Math.max(LEAST_SHARE, roseBar / Math.max(roseBar, wouldRiseBar)));
  }, 1);
}
const LEAST_SHARE = 0.05;
