import { bySensor, type PressureLog } from './PressureLog';

/** Something about a log that was put right, or that whoever reads it should know. Times are those of the cleaned log. */
export interface LogRepair {
  kind: 'duplicate-times' | 'clock-change' | 'gap' | 'spike' | 'stuck';
  atS: number;
  /** Readings concerned, or seconds for a gap. */
  count: number;
}

export interface CleanedLog {
  log: PressureLog;
  repairs: LogRepair[];
  spacingS: number;
}

/** A clock put forward for summer moves everything after it by an hour. */
const CLOCK_S = 3600;
/** A gap is so many usual spacings long, and at least ten minutes. */
const GAP_SPACINGS = 10,
  LEAST_GAP_S = 600;
/** A lone reading so far off both its neighbours, which agree within so much, is a fault of the reading: of pressure, bar, and of
 *  temperature, K. */
interface Spike {
  off: number;
  agree: number;
}
const PRESSURE_SPIKE: Spike = { off: 0.8, agree: 0.15 },
  HEAT_SPIKE: Spike = { off: 15, agree: 5 },
  SPIKE_WITHIN_S = 120;
/** A gauge that does not move while the water warms by so much is stuck, K. */
const STUCK_K = 25,
  STUCK_BAR = 0.011;

/** Puts right what can be put right without guessing: readings of one moment become one, an hour that the clock jumped is taken out again,
 *  a lone spike loses its pressure. Gaps and a stuck gauge are named and left. Linear in the readings.
 *  @param log times must not decrease */
export function cleanLog(log: PressureLog): CleanedLog {
  const repairs: LogRepair[] = [];
  const merged = mergeDuplicates(log, repairs);
  const spacingS = usualSpacing(merged.samples.tS);
  const steady = undoClockChanges(merged, spacingS, repairs);
  const pressureBar = withoutSpikes(steady.samples.tS, steady.samples.pressureBar, PRESSURE_SPIKE, (i) =>
    repairs.push({ kind: 'spike', atS: steady.samples.tS[i]!, count: 1 }),
  );
  const cleaned: PressureLog = { ...steady, samples: { ...steady.samples, pressureBar } };
  nameGaps(cleaned.samples.tS, spacingS, repairs);
  if (isStuck(cleaned)) repairs.push({ kind: 'stuck', atS: cleaned.samples.tS[0]!, count: pressureBar.length });
  return { log: cleaned, repairs: repairs.sort((a, b) => a.atS - b.atS), spacingS };
}

function mergeDuplicates(log: PressureLog, repairs: LogRepair[]): PressureLog {
  const { tS, pressureBar, flowC, returnC } = log.samples;
  if (!tS.some((t, i) => i > 0 && t === tS[i - 1])) return log;
  const firsts: number[] = [];
  for (let i = 0; i < tS.length; i++) if (i === 0 || tS[i] !== tS[i - 1]) firsts.push(i);
  const mean = (values: (number | null)[], k: number) => {
    let sum = 0,
      n = 0;
    for (let i = firsts[k]!; i < (firsts[k + 1] ?? values.length); i++) {
      const v = values[i];
      if (v !== null && v !== undefined) {
        sum += v;
        n++;
      }
    }
    return n ? sum / n : null;
  };
  const all = (values: (number | null)[]) => firsts.map((_, k) => mean(values, k));
  const twice = firsts.findIndex((at, k) => (firsts[k + 1] ?? tS.length) - at > 1);
  repairs.push({ kind: 'duplicate-times', atS: tS[firsts[twice]!]!, count: tS.length - firsts.length });
  return {
    ...log,
    samples: {
      tS: firsts.map((i) => tS[i]!),
      pressureBar: all(pressureBar),
      ...(flowC ? { flowC: all(flowC) } : {}),
      ...(returnC ? { returnC: all(returnC) } : {}),
    },
  };
}

/** Median time between readings, s; 0 with fewer than two. What more than half of them keep is the median, and a logger's millions need not
 *  be sorted for it. */
function usualSpacing(tS: number[]): number {
  const kept = keptByMost(tS);
  if (kept !== null) return kept;
  const gaps = new Float64Array(Math.max(0, tS.length - 1));
  for (let i = 0; i < gaps.length; i++) gaps[i] = tS[i + 1]! - tS[i]!;
  gaps.sort();
  return gaps.length ? gaps[Math.floor(gaps.length / 2)]! : 0;
}

/** The time between readings that more than half of them keep to the last bit; null where none does. */
function keptByMost(tS: number[]): number | null {
  let gap = NaN,
    votes = 0,
    times = 0;
  for (let i = 1; i < tS.length; i++) {
    const g = tS[i]! - tS[i - 1]!;
    if (votes === 0) {
      gap = g;
      votes = 1;
    } else votes += g === gap ? 1 : -1;
  }
  for (let i = 1; i < tS.length; i++) if (tS[i]! - tS[i - 1]! === gap) times++;
  return times > (tS.length - 1) / 2 ? gap : null;
}

/** A logger that reads evenly, misses just one hour and goes on as if nothing had been: its clock was changed. */
function undoClockChanges(log: PressureLog, spacingS: number, repairs: LogRepair[]): PressureLog {
  const { tS, pressureBar, flowC } = log.samples;
  if (spacingS <= 0 || spacingS > CLOCK_S / 6 || tS.length < 20) return log;
  const near = (values: (number | null)[] | undefined, i: number, within: number) => {
    const a = values?.[i - 1],
      b = values?.[i];
    return a == null || b == null || Math.abs(a - b) <= within;
  };
  const jumps: number[] = [];
  for (let i = 1; i < tS.length; i++)
    if (
      Math.abs(tS[i]! - tS[i - 1]! - spacingS - CLOCK_S) <= Math.max(2, 0.2 * spacingS) &&
      near(pressureBar, i, 0.03) &&
      near(flowC, i, 1)
    )
      jumps.push(i);
  if (jumps.length === 0) return log;
  const moved = tS.slice();
  for (const from of jumps) {
    for (let i = from; i < moved.length; i++) moved[i]! -= CLOCK_S;
    repairs.push({ kind: 'clock-change', atS: moved[from]!, count: moved.length - from });
  }
  const events = log.events?.map((e) => ({ ...e, tS: e.tS - CLOCK_S * jumps.filter((i) => e.tS >= tS[i]!).length }));
  return { ...log, samples: { ...log.samples, tS: moved }, ...(events ? { events } : {}) };
}

/** A log as a sensor wrote it without its lone spikes of pressure or temperature, whatever else is to be put right; one that a hand wrote
 *  as it is, since whoever reads sees a slip. The same log where there is none. */
export function spikesOut(log: PressureLog): PressureLog {
  if (!bySensor(log)) return log;
  const { tS, pressureBar, flowC, returnC } = log.samples,
    temperatures = (valuesC: (number | null)[]) => withoutSpikes(tS, withoutWakeUp(tS, valuesC), HEAT_SPIKE);
  const bars = withoutSpikes(tS, pressureBar, PRESSURE_SPIKE),
    flows = flowC && temperatures(flowC),
    returns = returnC && temperatures(returnC);
  if (bars === pressureBar && flows === flowC && returns === returnC) return log;
  return {
    ...log,
    samples: { ...log.samples, pressureBar: bars, ...(flows ? { flowC: flows } : {}), ...(returns ? { returnC: returns } : {}) },
  };
}

/** Values without their lone spikes; the same where there is none. @param found hears of each one's place */
function withoutSpikes(
  tS: number[],
  values: (number | null)[],
  { off, agree }: Spike,
  found: (i: number) => void = () => {},
): (number | null)[] {
  let out = values;
  for (let i = 1; i + 1 < values.length; i++) {
    const a = values[i - 1],
      b = values[i],
      c = values[i + 1];
    if (a == null || b == null || c == null) continue;
    // Nearly every reading is near the one before: that is asked first.
    if (Math.abs(b - a) < off || Math.abs(b - c) < off || Math.abs(a - c) > agree || tS[i + 1]! - tS[i - 1]! > SPIKE_WITHIN_S) continue;
    if (out === values) out = values.slice();
    out[i] = null;
    found(i);
  }
  return out;
}

/** Temperatures without a first that is far above the next two: many sensors wake up with a number of their own. */
function withoutWakeUp(tS: number[], valuesC: (number | null)[]): (number | null)[] {
  const [first, second, third] = valuesC;
  if (
    first == null ||
    second == null ||
    third == null ||
    first - second < HEAT_SPIKE.off ||
    Math.abs(second - third) > HEAT_SPIKE.agree ||
    tS[2]! - tS[0]! > SPIKE_WITHIN_S
  )
    return valuesC;
  return [null, ...valuesC.slice(1)];
}

function nameGaps(tS: number[], spacingS: number, repairs: LogRepair[]): void {
  const least = Math.max(LEAST_GAP_S, GAP_SPACINGS * spacingS);
  for (let i = 1; i < tS.length; i++)
    if (tS[i]! - tS[i - 1]! > least) repairs.push({ kind: 'gap', atS: tS[i - 1]!, count: tS[i]! - tS[i - 1]! });
}

function isStuck(log: PressureLog): boolean {
  let low = Infinity,
    high = -Infinity,
    cold = Infinity,
    hot = -Infinity,
    n = 0;
  const { pressureBar, flowC } = log.samples;
  for (let i = 0; i < pressureBar.length; i++) {
    const p = pressureBar[i],
      c = flowC?.[i];
    if (p != null) {
      low = Math.min(low, p);
      high = Math.max(high, p);
      n++;
    }
    if (c != null) {
      cold = Math.min(cold, c);
      hot = Math.max(hot, c);
    }
  }
  return n >= 4 && hot - cold >= STUCK_K && high - low <= STUCK_BAR;
}
