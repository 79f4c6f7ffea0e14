import type { RunSheetId } from './runSheets';

/** What mends what, the likeliest first. Common practice. */
const MENDS: Record<string, RunSheetId[]> = {
  'vessel-undercharged': ['recharge', 'core-change'],
  'vessel-gas-valve-leaking': ['core-change'],
  'vessel-diaphragm-failed': ['vessel-change', 'air-cushion'],
  'vessel-undersized': ['vessel-change', 'air-cushion'],
  'vessel-overcharged': ['recharge'],
  'vessel-connection-blocked': ['connection-clearing'],
  'relief-valve-passing': ['relief-change'],
  'relief-valve-lifts-early': ['relief-change'],
  'fill-loop-passing': ['feed-valve'],
  'reducing-valve-creeping': ['feed-valve', 'triple-change'],
  'feed-starved': ['feed-valve'],
  'dhw-plate-perforated': ['plate-change'],
  'dhw-coil-perforated': ['coil-isolation'],
  'gauge-misreading': ['gauge-change'],
  'circuit-leak': ['drain-refill', 'pipe-freeze'],
};

/** The run sheets that mend a fault, the likeliest first. Empty where nothing has to be done, or none is written. */
export const sheetsFor = (fault: string): RunSheetId[] => MENDS[fault] ?? [];

/** The run sheets that mend a set of faults, one a fault; changing the core recharges the vessel as well. */
export function sheetsForSet(faults: readonly string[]): RunSheetId[] {
  const first = [...new Set(faults.flatMap((f) => sheetsFor(f).slice(0, 1)))];
  return first.includes('core-change') ? first.filter((s) => s !== 'recharge') : first;
}
