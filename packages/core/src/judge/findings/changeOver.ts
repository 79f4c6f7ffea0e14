import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { WaterCurve } from '../fit/WaterCurve';

const STEPS = 6;
/** Ways in and out for water, L/h at one bar, and the pressures that bound what comes by them, gauge bar. */
export interface OpenWays {
  inK: number;
  outK: number;
  feedGaugeBar: number;
  liftGaugeBar: number;
  mainsGaugeBar: number;
}

/** Change of pressure of a circuit that stands cold while water comes in and goes out through holes, bar. */
export function changeOver(
  curve: WaterCurve,
  startGaugeBar: number,
  hours: number,
  { inK, outK, feedGaugeBar, liftGaugeBar, mainsGaugeBar }: OpenWays,
  c: ResolvedCircuit,
): number {
  const start = Math.max(0.02, startGaugeBar + c.atmosphericBar),
    most = Math.max(start, liftGaugeBar + c.atmosphericBar),
    mains = mainsGaugeBar + c.atmosphericBar;
  let P = start,
    water = curve.excessAt(P);
  for (let k = 0; k < STEPS; k++) {
    water += ((inK * Math.sqrt(Math.max(0, mains - P)) - outK * Math.sqrt(Math.max(0, P - c.atmosphericBar))) * hours) / STEPS;
    const full = inK > 0 ? Math.max(start, Math.min(most, mains)) : most;
    P = Math.min(
      full,
      Math.max(outK > 0 ? Math.min(start, c.atmosphericBar) : 0, curve.pressureAt(water), feedGaugeBar + c.atmosphericBar),
    );
    water = curve.excessAt(P);
  }
  return P - start;
}
