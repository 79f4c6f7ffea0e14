import { complianceAt } from '../circuit/balance';
import { balanceOf } from '../circuit/balanceOf';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { PressureLog } from '../log/PressureLog';
import { readLog } from '../log/readLog';
import { readingSd } from './findingNumbers';
import { testRow, type TestId } from './tests';

/** Watches of a gauge with something shut off. Their usual length is the catalogue's. */
const WATCHES: ReadonlySet<TestId> = new Set<TestId>(['fill-disconnected-watch', 'fill-isolated-watch', 'cold-main-off-watch', 'cold-main-on-watch', 'coil-isolated-watch']);
/** The flow that a watch is meant to show, and by how many divisions of the gauge. */
const SHOWS_L_PER_H = 2, DIVISIONS = 1.5, LONGEST_MIN = 90;

/** The same of a creep that a log has shown already: by so many standard deviations of reading a difference, within two hours. */
const CLEAR_SDS = 2.6, LONGEST_SEEN_MIN = 120, SURE_SDS = 3;

/** The quickest creep of an idle circuit that logs show beyond doubt, up or down, bar/h; null where none does. */
export function creepSeenBarPerH(logs: readonly PressureLog[], stepBar: number): number | null {
  const seen = logs.flatMap((log) => { const creep = readLog(log, stepBar).idleCreepBarPerH; return creep && Math.abs(creep.value) > SURE_SDS * creep.sd ? [Math.abs(creep.value)] : []; });
  return seen.length > 0 ? Math.max(...seen) : null;
}

/** How long to watch this circuit's gauge: the usual time, longer where a large vessel or a coarse gauge would hide a flow of two litres an hour, up to an
 *  hour and a half; and where a log has shown how slowly it creeps, until that would be seen to go on or to stop, up to two hours.
 *  @param creepBarPerH see {@link creepSeenBarPerH}
 *  @returns min, in steps of five; null for tests that are no watch */
export function watchLengthMin(test: TestId, circuit: ResolvedCircuit, creepBarPerH: number | null = null): number | null {
  if (!WATCHES.has(test)) return null;
  const unseen = (60 * DIVISIONS * circuit.gaugeStepBar * complianceAt(balanceOf(circuit), circuit.fillGaugeBar)) / SHOWS_L_PER_H;
  const seen = creepBarPerH === null ? 0 : (60 * CLEAR_SDS * readingSd(circuit)) / creepBarPerH;
  const inSteps = (minutes: number, most: number) => Math.min(most, Math.round(minutes / 5) * 5);
  return Math.max(testRow(test).minutes, creepBarPerH === null ? inSteps(unseen, LONGEST_MIN) : inSteps(seen, LONGEST_SEEN_MIN));
}

/** Time that a test takes on this circuit, min. */
export const testMinutes = (test: TestId, circuit: ResolvedCircuit, creepBarPerH: number | null = null): number => watchLengthMin(test, circuit, creepBarPerH) ?? testRow(test).minutes;
