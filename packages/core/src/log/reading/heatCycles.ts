import type { ReducedLog } from '../reduceLog';
import type { HeatCycle, LogReading, LogSegment, Measured } from './LogReading';
import { minus, readingSd } from './measured';
import { LEAST_WARMING_K, type Warmth } from './warmth';

/** A rise of less is no heat cycle, unless the flow says so, bar. */
const LEAST_RISE_BAR = 0.15;
/** Temperatures so near each other count as equal, K. */
const EQUAL_K = 8;

const isStep = ({ kind }: LogSegment): boolean => kind === 'step-up' || kind === 'step-down';
const isHeated = (segment?: LogSegment): boolean => segment?.kind === 'heating' || segment?.kind === 'hot-hold';

/** Each heating with what came before and after it; a step meanwhile, as a relief's, parts no heating in two. */
export function cyclesOf(r: ReducedLog, segments: LogSegment[], warm: Warmth | null, stepBar: number): HeatCycle[] {
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
    if (first.kind !== 'heating' || isHeated(segments.slice(0, s).findLast((x) => !isStep(x)))) continue;
    let last = s;
    for (let k = s + 1; k < segments.length && (isHeated(segments[k]) || isStep(segments[k]!)); k++) if (isHeated(segments[k])) last = k;
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
    const comparable = later !== null && (!warm || Math.abs(warm.c[later]! - warm.c[from]!) < EQUAL_K);
    cycles.push({
      onS: first.fromS,
      coldBar,
      coldC: warm ? warm.c[from]! : null,
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

/** From the first cold to the last at equal temperature. A burner that goes on again while the water is still hot begins no new one. */
export function coldToCold(cycles: HeatCycle[]): Measured | null {
  const after = cycles.findLast((c) => c.coldAfterBar !== null);
  if (after) return minus(after.coldAfterBar!, cycles[0]!.coldBar);
  const last = cycles.findLast((c, i) => i > 0 && (c.coldC === null || Math.abs(c.coldC - cycles[0]!.coldC!) < EQUAL_K));
  return last ? minus(last.coldBar, cycles[0]!.coldBar) : null;
}

/** Pressure against temperature over the cycles: closed, no water moved; open, it did; flat-topped, a relief held it. */
export function loopOf(cycles: HeatCycle[], plateau: Measured | null): LogReading['loop'] {
  if (plateau) return 'flat-topped';
  const back = cycles.filter((c) => c.coldAfterBar !== null).map((c) => minus(c.coldAfterBar!, c.coldBar));
  if (back.length === 0) return null;
  return back.some((b) => Math.abs(b.value) > Math.max(0.08, 2 * b.sd)) ? 'open' : 'closed';
}
