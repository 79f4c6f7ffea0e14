import { bySensor, EVENT_OFF_S, isHeatSwitch, type PressureLog } from './PressureLog';

/** A reading that stands so far off both its neighbours on one side, bar and steps of the gauge, and so far off the line between them, is a
 *  slip of whoever read it; a figure is misread by a whole mark of the dial, or a line is mixed up. */
const OFF_NEIGHBOURS_BAR = 0.18,
  OFF_NEIGHBOURS_STEPS = 1.5,
  OFF_LINE_BAR = 0.33,
  OFF_LINE_STEPS = 2.5;
/** Neighbours so far apart say nothing of what was between, s; and what stands so near the relief may be its doing, bar: from a little
 *  below to where one that lifts late is wide open, a share of its setting. */
const NEIGHBOURS_S = 2700,
  NEAR_RELIEF_BAR = 0.22,
  WIDE_OPEN = 0.1;
/** A water that was read by so much warmer, or colder, at the reading than at both neighbours moved the needle, K. */
const MOVED_K = 1.5;
/** Elsewhere the readings bend by no more than this share of the slip: what jumps about all the time is the circuit's, or the gauge's. */
const BENDS_ELSEWHERE = 0.5;
const LEAST_READINGS = 7;

/** Where one reading of a hand's log is a slip: the only one that stands off its neighbours on both sides, with nothing done meanwhile, the
 *  water no warmer and no colder than before and after, and well below the relief. What happens twice in a log is no slip. Common practice.
 *  @param reliefSetGaugeBar set pressure of the relief @param stepBar the gauge's division
 *  @returns the reading's place; null where there is none */
export function readingSlip(log: PressureLog, reliefSetGaugeBar: number, stepBar: number): number | null {
  if (bySensor(log)) return null;
  const read = log.samples.pressureBar
    .map((bar, at) => ({ bar, at, s: log.samples.tS[at]! }))
    .filter((x): x is { bar: number; at: number; s: number } => x.bar !== null);
  if (read.length < LEAST_READINGS) return null;
  const offLine = read.map(({ bar, s }, i) => {
    const a = read[i - 1],
      c = read[i + 1];
    return a && c && c.s > a.s ? bar - (a.bar + ((c.bar - a.bar) * (s - a.s)) / (c.s - a.s)) : 0;
  });
  const standsOff = (i: number) => {
    const off = offLine[i]!,
      a = read[i - 1],
      b = read[i]!,
      c = read[i + 1];
    if (!a || !c || Math.abs(off) < Math.max(OFF_LINE_BAR, OFF_LINE_STEPS * stepBar)) return false;
    const least = Math.min(Math.sign(off) * (b.bar - a.bar), Math.sign(off) * (b.bar - c.bar));
    return least >= Math.max(OFF_NEIGHBOURS_BAR, OFF_NEIGHBOURS_STEPS * stepBar) - 1e-9;
  };
  const alone = read.map((_, i) => i).filter(standsOff);
  if (alone.length !== 1) return null;
  const [i] = alone as [number],
    before = read[i - 1]!,
    here = read[i]!,
    after = read[i + 1]!,
    up = Math.sign(offLine[i]!);
  const isNearRelief = here.bar > reliefSetGaugeBar - NEAR_RELIEF_BAR && here.bar < (1 + WIDE_OPEN) * reliefSetGaugeBar + NEAR_RELIEF_BAR;
  if (after.s - before.s > NEIGHBOURS_S || (up > 0 && isNearRelief)) return null;
  if (offLine.some((off, k) => Math.abs(k - i) > 1 && Math.abs(off) > Math.max(BENDS_ELSEWHERE * Math.abs(offLine[i]!), stepBar)))
    return null;
  return wasMoved(log, [before.at, here.at, after.at], up) ? null : here.at;
}

/** Whether anything was done between two readings, give or take the minute to which it was noted. Of heat that was switched the
 *  temperatures tell, where they were read. */
const meanwhile = ({ events = [] }: PressureLog, fromS: number, toS: number, temperaturesTell: boolean): boolean =>
  events.some((e) => e.kind !== 'note' && !(temperaturesTell && isHeatSwitch(e)) && e.tS > fromS - EVENT_OFF_S && e.tS < toS + EVENT_OFF_S);

/** Temperatures that were read at all of some readings. */
const readAt = ({ samples: { flowC, returnC } }: PressureLog, places: readonly number[]): (number | null)[][] =>
  [flowC, returnC].filter((c): c is (number | null)[] => c !== undefined && places.every((i) => c[i] != null));

/** Whether something else than a slip may have moved the needle: something was done meanwhile; the water was read warmer than before and
 *  after where the pressure stood higher, or colder where it stood lower; or nobody can say, since neither temperatures were read nor the
 *  heat written down. */
function wasMoved(log: PressureLog, [before, here, after]: [number, number, number], up: number): boolean {
  const reads = readAt(log, [before, here, after]),
    { tS } = log.samples;
  if (meanwhile(log, tS[before]!, tS[after]!, reads.length > 0)) return true;
  if (reads.length === 0) return !(log.events ?? []).some(isHeatSwitch);
  return reads.some((c) => Math.min(up * (c[here]! - c[before]!), up * (c[here]! - c[after]!)) > MOVED_K);
}

/** The same log without the pressure of one reading. @param at the reading's place; null for none */
export const withoutReading = (log: PressureLog, at: number | null): PressureLog =>
  at === null
    ? log
    : { ...log, samples: { ...log.samples, pressureBar: log.samples.pressureBar.map((bar, i) => (i === at ? null : bar)) } };
