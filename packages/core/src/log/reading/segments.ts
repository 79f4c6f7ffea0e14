import { isHeatSwitch, type LogEvent } from '../PressureLog';
import type { ReducedLog } from '../reduceLog';
import type { LogSegment, SegmentKind } from './LogReading';
import { LEAST_WARMING_K, type Warmth } from './warmth';

/** The flow warms, K/min; so near the coldest is cold, as a share of the whole warming; so near the hottest is hot, K; and over how long a
 *  slope is taken, s. */
const WARMS_K_PER_MIN = 0.25,
  NEAR_COLD_SHARE = 0.2,
  NEAR_HOT_K = 4,
  SLOPE_S = 300;
/** A step: by so much at the least, bar, within so long, s, with the flow no warmer and no colder, K. */
const STEP_BAR = 0.15,
  STEP_WITHIN_S = 180,
  STEP_K = 1.5;

type Heat = Exclude<SegmentKind, 'step-up' | 'step-down'>;
export interface State {
  kind: Heat;
  sureness: number;
}

/** What each block belongs to. */
export function statesOf(r: ReducedLog, warm: Warmth | null, events: LogEvent[]): State[] {
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

/** The log cut into what happened when. */
export function segmentsOf(r: ReducedLog, states: State[], events: LogEvent[], stepBar: number): LogSegment[] {
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
