import { complianceAt } from '../../circuit/balance';
import { balanceOf } from '../../circuit/balanceOf';
import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { PressureLog } from '../../log/PressureLog';
import type { LogReading } from '../../log/reading/LogReading';
import { readLog } from '../../log/readLog';
import { readingSd } from '../findings/readingSd';
import { testRow, type TestId } from '../tests';

/** Watches of a gauge with something shut off. Their usual length is the catalogue's. */
const WATCHES: ReadonlySet<TestId> = new Set<TestId>([
  'fill-disconnected-watch',
  'fill-isolated-watch',
  'cold-main-off-watch',
  'cold-main-on-watch',
  'coil-isolated-watch',
]);
/** The flow that a watch is meant to show, and by how many divisions of the gauge. */
const SHOWS_L_PER_H = 2,
  DIVISIONS = 1.5,
  LONGEST_MIN = 90;

/** The same of a creep that a log has shown already: by so many standard deviations of reading a difference, within two hours. */
const CLEAR_SDS = 2.6,
  LONGEST_SEEN_MIN = 120,
  SURE_SDS = 3;

/** The quickest creep of an idle circuit that logs show beyond doubt, up or down, bar/h; null where none does. */
export const creepSeenBarPerH = (logs: readonly PressureLog[], stepBar: number): number | null =>
  quickestCreep(logs.map((log) => readLog(log, stepBar)));

/** The same of logs that have been read already. */
export function quickestCreep(readings: readonly LogReading[]): number | null {
  const seen = readings.flatMap(({ idleCreepBarPerH: creep }) =>
    creep && Math.abs(creep.value) > SURE_SDS * creep.sd ? [Math.abs(creep.value)] : [],
  );
  return seen.length > 0 ? Math.max(...seen) : null;
}

/** How long to watch this circuit's gauge: the usual time, longer where a large vessel or a coarse gauge would hide a flow of two litres an
 *  hour, up to an hour and a half; and where a log has shown how slowly it creeps, until that would be seen to go on or to stop, up to two
 *  hours.
 *  @param creepBarPerH see {@link creepSeenBarPerH}
 *  @returns min, in steps of five; null for tests that are no watch */
export function watchLengthMin(test: TestId, circuit: ResolvedCircuit, creepBarPerH: number | null = null): number | null {
  if (!WATCHES.has(test)) return null;
  const unseen = (60 * DIVISIONS * circuit.gaugeStepBar * complianceAt(balanceOf(circuit), circuit.fillGaugeBar)) / SHOWS_L_PER_H;
  const [needed, longest] =
    creepBarPerH === null ? [unseen, LONGEST_MIN] : [(60 * CLEAR_SDS * readingSd(circuit)) / creepBarPerH, LONGEST_SEEN_MIN];
  return Math.max(testRow(test).minutes, Math.min(longest, Math.round(needed / 5) * 5));
}

/** The same beside what the circuit's logs show; they are read only for a watch. */
export const watchAfterLogsMin = (test: TestId, circuit: ResolvedCircuit, logs: readonly PressureLog[]): number | null =>
  WATCHES.has(test) ? watchLengthMin(test, circuit, creepSeenBarPerH(logs, circuit.gaugeStepBar)) : null;

/** Time that a test takes on this circuit, min. */
export const testMinutes = (test: TestId, circuit: ResolvedCircuit, creepBarPerH: number | null = null): number =>
  watchLengthMin(test, circuit, creepBarPerH) ?? testRow(test).minutes;
