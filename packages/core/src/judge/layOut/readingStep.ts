import { bySensor, type PressureLog } from '../../log/PressureLog';

const SENSOR_STEP_BAR = 0.01;
/** So many readings show the grain as well as all of them. */
const GRAIN_SAMPLE = 5000;
const GRAINS = [0.5, 0.25, 0.2, 0.1, 0.05, 0.02, SENSOR_STEP_BAR];

/** To what the pressures were rounded: a sensor to what its readings show, a hundredth at best; a hand likewise, half a division of the
 *  dial at best. Neither coarser than the sheet says. */
export function readingStepBar(log: PressureLog, sheetStepBar: number): number {
  const grain = Math.min(grainBar(log), sheetStepBar);
  return bySensor(log) ? grain : Math.max(grain, sheetStepBar / 2);
}

/** The coarsest of the usual steps on which nearly all pressures of a log lie. */
function grainBar(log: PressureLog): number {
  const gaugeBar = log.samples.pressureBar.slice(0, GRAIN_SAMPLE).filter((p): p is number => p !== null);
  const on = (grain: number) => gaugeBar.filter((p) => Math.abs(p / grain - Math.round(p / grain)) < 0.02).length >= 0.95 * gaugeBar.length;
  return GRAINS.find(on) ?? SENSOR_STEP_BAR;
}

/** The gauge's division where the sheet does not say it: what the readings were rounded to, of which a hand reads half a division at best.
 *  Too few different ones may lie on a coarse step by chance. */
export function seenStepBar(logs: readonly PressureLog[], assumedBar: number): number {
  const told = logs.filter(isVaried);
  if (told.length === 0) return assumedBar;
  return Math.min(
    ...told.map((l) => {
      const grain = grainBar(l);
      return bySensor(l) ? grain : Math.max(grain, Math.min(assumedBar, 2 * grain));
    }),
  );
}

/** Whether a log holds enough different pressures to tell their step, or goes to and fro by it; looked through only so far, without a copy.
 */
function isVaried(log: PressureLog): boolean {
  const different = new Set<number>();
  let last: number | null = null,
    moves = 0;
  return log.samples.pressureBar.some((p) => {
    if (p === null) return false;
    if (last !== null && p !== last) moves++;
    last = p;
    return different.add(p).size >= ENOUGH_TO_TELL || (moves >= ENOUGH_MOVES && different.size > 1);
  });
}
const ENOUGH_TO_TELL = 4,
  ENOUGH_MOVES = 3;
