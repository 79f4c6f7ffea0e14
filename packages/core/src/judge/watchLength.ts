import { complianceAt } from '../circuit/balance';
import { atGaugeLevel, type ResolvedCircuit } from '../circuit/resolveCircuit';
import type { TestId } from './tests';

/** Watches of a gauge with something shut off, and their usual length, min. Common practice. */
const USUAL_MIN: Partial<Record<TestId, number>> = { 'fill-disconnected-watch': 15, 'fill-isolated-watch': 15, 'cold-main-off-watch': 20, 'cold-main-on-watch': 20, 'coil-isolated-watch': 20 };
/** The flow that a watch is meant to show, and by how many divisions of the gauge. */
const SHOWS_L_PER_H = 2, DIVISIONS = 1.5, LONGEST_MIN = 90;

/** How long to watch this circuit's gauge: the usual time, longer where a large vessel or a coarse gauge would hide a flow of two litres an hour, up to an
 *  hour and a half. @returns min, in steps of five; null for tests that are no watch */
export function watchLengthMin(test: TestId, circuit: ResolvedCircuit): number | null {
  const usual = USUAL_MIN[test];
  if (usual === undefined) return null;
  const c = atGaugeLevel(circuit);
  const room = complianceAt({ vessels: [{ nominalVolumeL: c.vesselL, prechargeGaugeBar: c.prechargeGaugeBar }], stretchLPerBar: c.stretchLPerBar, atmosphericBar: c.atmosphericBar }, c.fillGaugeBar);
  const needed = (60 * DIVISIONS * c.gaugeStepBar * room) / SHOWS_L_PER_H;
  return Math.min(LONGEST_MIN, Math.max(usual, Math.round(needed / 5) * 5));
}
