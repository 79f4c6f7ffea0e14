import { cleanLog, type LogRepair } from './cleanLog';
import { isHeatSwitch, type LogEvent, type PressureLog } from './PressureLog';
import { reduceLog, type ReducedLog } from './reduceLog';

/** A value read off a log and how sure it is: its standard deviation, in its own unit. */
export interface Measured {
  value: number;
  sd: number;
}

export type SegmentKind = 'idle-cold' | 'heating' | 'hot-hold' | 'cooling' | 'step-up' | 'step-down';

/** A stretch of a log in which one thing happens. `sureness` 0 to 1: near 1 where an event or a temperature says so, less where only the
 *  pressure does. */
export interface LogSegment {
  kind: SegmentKind;
  fromS: number;
  toS: number;
  fromBar: number;
  toBar: number;
  sureness: number;
}

/** One heating and what came before and after it. Null where the log does not hold it. */
export interface HeatCycle {
  onS: number;
  coldBar: Measured;
  hotBar: Measured;
  swingBar: Measured;
  /** Rise over the warming of the flow, bar/K; without temperatures null. */
  risePerK: Measured | null;
  /** How much steeper the second half of the rise is than the first, bar/K: above 0 little gas, below 0 a relief or a loss. */
  curvature: Measured | null;
  /** Cold again: against `coldBar` at the same temperature this is water gained or lost. */
  coldAfterBar: Measured | null;
}

export interface LogReading {
  repairs: LogRepair[];
  segments: LogSegment[];
  cycles: HeatCycle[];
  /** Creep while idle and cold, bar/h: water in above 0, out below. */
  idleCreepBarPerH: Measured | null;
  /** From the first cold to the last at equal temperature: net water in or out, as pressure. */
  coldToColdBar: Measured | null;
  /** A level at which the pressure stood while heat went on. */
  plateauBar: Measured | null;
  /** Pressure against temperature over the cycles: closed, no water moved; open, it did; flat-topped, a relief held it. */
  loop: 'closed' | 'open' | 'flat-topped' | null;
}

/** Blocks that a log is read in: enough for a day of minutes, few enough that a month costs no more than its readings. */
const MOST_BLOCKS = 2000;
const WARMS_K_PER_MIN = 0.25,
  NEAR_COLD_SHARE = 0.2,
  NEAR_HOT_K = 4,
  LEAST_WARMING_K = 10,
  SLOPE_S = 300,
  ONE_TEMPERATURE_K = 0.6;
const STEP_BAR = 0.15,
  STEP_WITHIN_S = 180,
  STEP_K = 1.5;
const LEAST_RISE_BAR = 0.15,
  LEAST_IDLE_S = 600;

/** Reads a log as a technician would: cleaned, cut into what happened when, cycle by cycle, each value with its doubt. Events are believed
 *  over slopes; without temperatures it works from events and pressure alone and says so by its sureness. Ten hand readings or thirty days
 *  at a second; linear in the readings.
 *  @param stepBar to what the gauge is read, the sheet's resolution */
export function readLog(log: PressureLog, stepBar = 0.1): LogReading {
  const { log: clean, repairs } = cleanLog(log);
  const r = reduceLog(clean, MOST_BLOCKS);
  const events = [...(clean.events ?? [])].sort((a, b) => a.tS - b.tS);
  const none: LogReading = { repairs, segments: [], cycles: [], idleCreepBarPerH: null, coldToColdBar: null, plateauBar: null, loop: null };
  if (r.tS.length < 2) return none;
  const warm = warmthOf(r);
  const states = statesOf(r, warm, events);
  const segments = segmentsOf(r, states, events, stepBar);
  const cycles = cyclesOf(r, segments, warm, stepBar);
  const plateauBar = plateauOf(r, segments, stepBar);
  return {
    repairs,
    segments,
    cycles,
    idleCreepBarPerH: creepOf(r, segments, warm, stepBar),
    coldToColdBar: coldToCold(cycles),
    plateauBar,
    loop: loopOf(cycles, plateauBar),
  };
}

const readingSd = (stepBar: number, count = 1) => Math.sqrt((stepBar * stepBar) / 12 / Math.min(count, 4) + 2.5e-5);
const minus = (a: Measured, b: Measured): Measured => ({ value: a.value - b.value, sd: Math.hypot(a.sd, b.sd) });

interface Warmth {
  c: number[];
  coldestC: number;
  hottestC: number;
}

/** Flow temperature block by block, straight across what was not read; null where too little was. */
function warmthOf(r: ReducedLog): Warmth | null {
  const known: number[] = [];
  r.flowC.forEach((c, i) => {
    if (c !== null) known.push(i);
  });
  if (known.length < 2) return null;
  let k = 0;
  const c = r.tS.map((t, i) => {
    while (k < known.length - 2 && known[k + 1]! <= i) k++;
    const a = known[k]!,
      b = known[k + 1]!;
    if (i <= a) return r.flowC[a]!;
    if (i >= b) return r.flowC[b]!;
    return r.flowC[a]! + ((r.flowC[b]! - r.flowC[a]!) * (t - r.tS[a]!)) / Math.max(1e-9, r.tS[b]! - r.tS[a]!);
  });
  let coldestC = Infinity,
    hottestC = -Infinity;
  for (const x of c) {
    coldestC = Math.min(coldestC, x);
    hottestC = Math.max(hottestC, x);
  }
  return { c, coldestC, hottestC };
}

type Heat = Exclude<SegmentKind, 'step-up' | 'step-down'>;
interface State {
  kind: Heat;
  sureness: number;
}

/** What each block belongs to. */
function statesOf(r: ReducedLog, warm: Warmth | null, events: LogEvent[]): State[] {
  const switches = events.filter(isHeatSwitch);
  const warmed = warm !== null && warm.hottestC - warm.coldestC >= LEAST_WARMING_K;
  let at = 0,
    on: boolean | null = switches.length ? switches[0]!.kind === 'heat-off' : null;
  let behind = 0,
    ahead = 0;
  return r.tS.map((t, i): State => {
    while (r.tS[behind]! < t - SLOPE_S && behind < i - 1) behind++;
    while (ahead < r.tS.length - 1 && (ahead <= i || r.tS[ahead]! < t + SLOPE_S)) ahead++;
    while (at < switches.length && switches[at]!.tS <= t) on = switches[at++]!.kind === 'heat-on';
    const told = on !== null;
    if (warmed) {
      // Over some minutes on either side, so that a thermometer's own steps do not count.
      const perMin = ((warm.c[ahead]! - warm.c[behind]!) / Math.max(1, r.tS[ahead]! - r.tS[behind]!)) * 60;
      const nearCold = warm.c[i]! - warm.coldestC < NEAR_COLD_SHARE * (warm.hottestC - warm.coldestC);
      const nearHot = warm.hottestC - warm.c[i]! < NEAR_HOT_K;
      if (on ?? perMin > WARMS_K_PER_MIN)
        return { kind: nearHot && perMin < WARMS_K_PER_MIN ? 'hot-hold' : 'heating', sureness: told ? 0.95 : 0.8 };
      if (!told && nearHot) return { kind: 'hot-hold', sureness: 0.75 };
      return { kind: nearCold && perMin > -WARMS_K_PER_MIN ? 'idle-cold' : 'cooling', sureness: told ? 0.9 : 0.75 };
    }
    if (told)
      return {
        kind: on ? 'heating' : at === 0 || (switches[0]!.kind === 'heat-on' && r.tS[i]! < switches[0]!.tS) ? 'idle-cold' : 'cooling',
        sureness: 0.7,
      };
    if (warm) return { kind: 'idle-cold', sureness: 0.85 };
    // Nothing but the pressure: it may rise because of heat or of water.
    const rise = r.gaugeBar[Math.min(r.tS.length - 1, i + 1)]! - r.gaugeBar[Math.max(0, i - 1)]!;
    return { kind: rise > 0.05 ? 'heating' : rise < -0.05 ? 'cooling' : 'idle-cold', sureness: 0.35 };
  });
}

const UP: ReadonlySet<string> = new Set(['top-up', 'fill-opened', 'vessel-recharged']),
  DOWN: ReadonlySet<string> = new Set(['drained', 'drawn-off', 'vented', 'relief-lifted']);

function segmentsOf(r: ReducedLog, states: State[], events: LogEvent[], stepBar: number): LogSegment[] {
  const out: LogSegment[] = [];
  const least = Math.max(STEP_BAR, 2.5 * stepBar);
  let begin = 0;
  const close = (end: number) => {
    if (end < begin) return;
    const run = states.slice(begin, end + 1);
    out.push({
      kind: states[begin]!.kind,
      fromS: r.tS[begin]!,
      toS: r.tS[end]!,
      fromBar: r.gaugeBar[begin]!,
      toBar: r.gaugeBar[end]!,
      sureness: run.reduce((s, x) => s + x.sureness, 0) / run.length,
    });
  };
  for (let i = 1; i < r.tS.length; i++) {
    const change = r.gaugeBar[i]! - r.gaugeBar[i - 1]!,
      gapS = r.tS[i]! - r.tS[i - 1]!;
    const told = events.find((e) => e.tS > r.tS[i - 1]! - 90 && e.tS <= r.tS[i]! + 90 && (change > 0 ? UP : DOWN).has(e.kind));
    const flowChange = r.flowC[i] !== null && r.flowC[i - 1] !== null ? Math.abs(r.flowC[i]! - r.flowC[i - 1]!) : null;
    const unexplained = flowChange !== null ? flowChange < STEP_K : states[i]!.kind === 'idle-cold';
    const isStep = Math.abs(change) >= least && gapS <= STEP_WITHIN_S && (told !== undefined || unexplained);
    if (isStep) {
      close(i - 1);
      out.push({
        kind: change > 0 ? 'step-up' : 'step-down',
        fromS: r.tS[i - 1]!,
        toS: r.tS[i]!,
        fromBar: r.gaugeBar[i - 1]!,
        toBar: r.gaugeBar[i]!,
        sureness: told ? 0.95 : 0.6,
      });
      begin = i;
    } else if (states[i]!.kind !== states[i - 1]!.kind) {
      close(i - 1);
      begin = i;
    }
  }
  close(r.tS.length - 1);
  return out;
}

function cyclesOf(r: ReducedLog, segments: LogSegment[], warm: Warmth | null, stepBar: number): HeatCycle[] {
  const cycles: HeatCycle[] = [];
  const index = (tS: number) => {
    let low = 0,
      high = r.tS.length - 1;
    while (low < high) {
      const mid = (low + high) >> 1;
      if (r.tS[mid]! < tS) low = mid + 1;
      else high = mid;
    }
    return low;
  };
  const at = (i: number, extraSd = 0): Measured => ({ value: r.gaugeBar[i]!, sd: Math.hypot(readingSd(stepBar, r.count[i]!), extraSd) });
  for (let s = 0; s < segments.length; s++) {
    const first = segments[s]!;
    if (first.kind !== 'heating' || (s > 0 && (segments[s - 1]!.kind === 'heating' || segments[s - 1]!.kind === 'hot-hold'))) continue;
    let last = s;
    while (last + 1 < segments.length && ['heating', 'hot-hold'].includes(segments[last + 1]!.kind)) last++;
    const from = Math.max(0, index(first.fromS) - 1),
      to = index(segments[last]!.toS);
    let hot = from;
    for (let i = from; i <= to; i++) if (r.gaugeBar[i]! > r.gaugeBar[hot]!) hot = i;
    const coldBar = at(from),
      hotBar = at(hot),
      swingBar = minus(hotBar, coldBar);
    if (swingBar.value < LEAST_RISE_BAR && (!warm || warm.c[to]! - warm.c[from]! < LEAST_WARMING_K)) continue;
    const after = segments.slice(last + 1).find((x) => x.kind === 'idle-cold');
    const later = after ? index(after.toS) : null;
    const comparable = later !== null && (!warm || Math.abs(warm.c[later]! - warm.c[from]!) < 8);
    cycles.push({
      onS: first.fromS,
      coldBar,
      hotBar,
      swingBar,
      ...slopes(r, warm, from, hot, stepBar),
      coldAfterBar: later !== null && comparable ? at(later, warm ? 0.005 * Math.abs(warm.c[later]! - warm.c[from]!) : 0.05) : null,
    });
  }
  return cycles;
}

function slopes(r: ReducedLog, warm: Warmth | null, from: number, hot: number, stepBar: number): Pick<HeatCycle, 'risePerK' | 'curvature'> {
  if (!warm) return { risePerK: null, curvature: null };
  const span = warm.c[hot]! - warm.c[from]!;
  if (span < LEAST_WARMING_K) return { risePerK: null, curvature: null };
  const sd = readingSd(stepBar);
  const risePerK = { value: (r.gaugeBar[hot]! - r.gaugeBar[from]!) / span, sd: (1.5 * sd) / span };
  const half = warm.c[from]! + span / 2;
  let mid = from;
  while (mid < hot && warm.c[mid]! < half) mid++;
  const below = warm.c[mid]! - warm.c[from]!,
    above = warm.c[hot]! - warm.c[mid]!;
  if (below < 4 || above < 4) return { risePerK, curvature: null };
  const lower = (r.gaugeBar[mid]! - r.gaugeBar[from]!) / below,
    upper = (r.gaugeBar[hot]! - r.gaugeBar[mid]!) / above;
  return { risePerK, curvature: { value: upper - lower, sd: sd * Math.hypot(1.5 / below, 1.5 / above) } };
}

/** Slope of the longest stretch, idle and of one temperature, by least squares. */
function creepOf(r: ReducedLog, segments: LogSegment[], warm: Warmth | null, stepBar: number): Measured | null {
  let x: number[] = [],
    y: number[] = [];
  for (const idle of segments) {
    if (idle.kind !== 'idle-cold') continue;
    const end = warm ? warm.c[r.tS.findLastIndex((t) => t <= idle.toS)]! : 0;
    const within = r.tS.flatMap((t, i) =>
      t >= idle.fromS && t <= idle.toS && (!warm || Math.abs(warm.c[i]! - end) <= ONE_TEMPERATURE_K) ? [i] : [],
    );
    if (within.length < 3 || r.tS[within.at(-1)!]! - r.tS[within[0]!]! < Math.max(LEAST_IDLE_S, ((x.at(-1) ?? 0) - (x[0] ?? 0)) * 3600))
      continue;
    x = within.map((i) => r.tS[i]! / 3600);
    y = within.map((i) => r.gaugeBar[i]!);
  }
  if (x.length < 3) return null;
  const mx = x.reduce((a, b) => a + b, 0) / x.length,
    my = y.reduce((a, b) => a + b, 0) / y.length;
  let sxx = 0,
    sxy = 0;
  x.forEach((v, i) => {
    sxx += (v - mx) ** 2;
    sxy += (v - mx) * (y[i]! - my);
  });
  const value = sxy / sxx;
  const rest = y.reduce((s, v, i) => s + (v - my - value * (x[i]! - mx)) ** 2, 0) / Math.max(1, x.length - 2);
  return { value, sd: Math.sqrt(Math.max(rest, readingSd(stepBar) ** 2) / sxx) };
}

function coldToCold(cycles: HeatCycle[]): Measured | null {
  const last = cycles.findLast((c) => c.coldAfterBar !== null);
  return last
    ? minus(last.coldAfterBar!, cycles[0]!.coldBar)
    : cycles.length > 1
      ? minus(cycles.at(-1)!.coldBar, cycles[0]!.coldBar)
      : null;
}

/** While heat goes on and the flow still warms, or hardly, the pressure stands still at its highest: a relief holds it. */
function plateauOf(r: ReducedLog, segments: LogSegment[], stepBar: number): Measured | null {
  const heated = segments.filter((s) => s.kind === 'heating' || s.kind === 'hot-hold');
  if (heated.length === 0) return null;
  const fromS = heated[0]!.fromS;
  let top = -Infinity;
  r.tS.forEach((t, i) => {
    if (t >= fromS) top = Math.max(top, r.gaugeBar[i]!);
  });
  const within = Math.max(0.06, stepBar);
  // Points near the top while heating, over which the flow rose by ten kelvins at least: growth that did not show.
  const near = r.tS.flatMap((t, i) =>
    heated.some((s) => s.kind === 'heating' && t >= s.fromS && t <= s.toS) && r.gaugeBar[i]! > top - within ? [i] : [],
  );
  if (near.length < 3) return null;
  const flows = near.flatMap((i) => (r.flowC[i] === null ? [] : [r.flowC[i]!]));
  if (flows.length < 2 || Math.max(...flows) - Math.min(...flows) < LEAST_WARMING_K) return null;
  const mean = near.reduce((s, i) => s + r.gaugeBar[i]!, 0) / near.length;
  return { value: mean, sd: readingSd(stepBar, near.length) };
}

function loopOf(cycles: HeatCycle[], plateau: Measured | null): LogReading['loop'] {
  if (plateau) return 'flat-topped';
  const back = cycles.filter((c) => c.coldAfterBar !== null).map((c) => minus(c.coldAfterBar!, c.coldBar));
  if (back.length === 0) return null;
  return back.some((b) => Math.abs(b.value) > Math.max(0.08, 2 * b.sd)) ? 'open' : 'closed';
}
