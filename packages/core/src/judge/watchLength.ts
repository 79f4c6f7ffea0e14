import { complianceAt } from '../circuit/balance';
import { balanceOf } from '../circuit/balanceOf';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import { testRow, type TestId } from './tests';

/** Watches of a gauge with something shut off. Their usual length is the catalogue's. */
const WATCHES: ReadonlySet<TestId> = new Set<TestId>(['fill-disconnected-watch', 'fill-isolated-watch', 'cold-main-off-watch', 'cold-main-on-watch', 'coil-isolated-watch']);
/** The flow that a watch is meant to show, and by how many divisions of the gauge. */
const SHOWS_L_PER_H = 2, DIVISIONS = 1.5, LONGEST_MIN = 90;

/** How long to watch this circuit's gauge: the usual time, longer where a large vessel or a coarse gauge would hide a flow of two litres an hour, up to an
 *  hour and a half. @returns min, in steps of five; null for tests that are no watch */
export function watchLengthMin(test: TestId, circuit: ResolvedCircuit): number | null {
  if (!WATCHES.has(test)) return null;
  const needed = (60 * DIVISIONS * circuit.gaugeStepBar * complianceAt(balanceOf(circuit), circuit.fillGaugeBar)) / SHOWS_L_PER_H;
  return Math.min(LONGEST_MIN, Math.max(testRow(test).minutes, Math.round(needed / 5) * 5));
}

/** Time that a test takes on this circuit, min. */
export const testMinutes = (test: TestId, circuit: ResolvedCircuit): number => watchLengthMin(test, circuit) ?? testRow(test).minutes;
