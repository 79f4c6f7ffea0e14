import { COLD_BELOW_C, cycleFeatures, endsRun, HEATED_K, heatWasOn, rightHot, type PressureLog, type ResolvedCircuit } from '@jumper/core';
import type { FigureView } from './figureModel';

/** Points of the band: forty for a visit; over days so many that a heat-up of an hour is not missed between two. */
const FEWEST = 40,
  MOST = 240,
  STEP_MIN = 30;
const pointsOver = (spanMin: number) => Math.min(MOST, Math.max(FEWEST, Math.ceil(spanMin / STEP_MIN)));

export const clampC = (x: number) => Math.min(150, Math.max(1, x));

export interface ColdPoint {
  gaugeBar: number;
  celsius: number;
}
/** Where a log starts from cold, or would: one pass over it, so it is asked for once and handed on. A circuit that was found hot and has
 *  not cooled yet is held against one that was filled as wanted. */
export function coldPointOf(log: PressureLog | null, c: ResolvedCircuit): ColdPoint {
  const f = log ? cycleFeatures(log) : null,
    still = f !== null && f.beganHot && (f.coldC ?? 0) >= COLD_BELOW_C && (f.hotC ?? 0) - f.coldC! < HEATED_K;
  return still ? { gaugeBar: c.fillGaugeBar, celsius: 15 } : { gaugeBar: f?.coldBar ?? c.fillGaugeBar, celsius: clampC(f?.coldC ?? 15) };
}

/** Where a healthy circuit of this sheet would run: at the temperatures read so far, and, with the heat on, towards the greatest flow
 *  temperature. */
export function healthyBand(
  log: PressureLog | null,
  c: ResolvedCircuit,
  cold: ColdPoint,
  spanMin: number,
  heatOn: boolean,
): FigureView['band'] {
  if (cold.gaugeBar < -0.9 || cold.gaugeBar > 24) return [];
  const flow = flowAt(log, c, heatOn);
  if (!flow) return [];
  // After water was let in or out by hand the cold point no longer holds: the band ends there.
  const until = (log?.events?.find((e) => endsRun(e) && e.tS > 0)?.tS ?? Infinity) / 60;
  const points = pointsOver(spanMin);
  return Array.from({ length: points + 1 }, (_, k) => {
    const min = (spanMin * k) / points;
    return { min, ...rightAt(c, cold, flow(min)) };
  }).filter((b) => b.min <= until);
}

/** The band at one flow temperature. */
export function rightAt(circuit: ResolvedCircuit, cold: ColdPoint, flowC: number): { low: number; high: number } {
  const right = rightHot({
    circuit,
    coldGaugeBar: cold.gaugeBar,
    coldC: cold.celsius,
    flowC: Math.max(cold.celsius, clampC(flowC)),
  });
  return { low: right.lowGaugeBar, high: right.highGaugeBar };
}

/** Flow temperature over time: as read, level beyond, and rising to the limit at its last pace while the heat is on. Null of a log that
 *  began hot and of which none was read: nobody knows how hot. */
function flowAt(log: PressureLog | null, c: ResolvedCircuit, heatOn: boolean): ((min: number) => number) | null {
  const s = log?.samples;
  const known = (s?.tS ?? []).flatMap((t, i) => (s!.flowC?.[i] == null ? [] : [{ min: t / 60, celsius: s!.flowC![i]! }]));
  const onMin = log?.events?.find((e) => e.kind === 'heat-on')?.tS ?? null;
  if (known.length === 0) {
    if (heatWasOn(log)) return null;
    if (onMin === null && log) return () => 15;
    // Nothing read: the usual twenty minutes to the limit.
    return (min) => 15 + (c.maxFlowC - 15) * Math.min(1, Math.max(0, min - (onMin ?? 0) / 60) / 20);
  }
  const last = known.at(-1)!,
    before = known.at(-2);
  const pace = heatOn ? Math.max(0.5, before ? (last.celsius - before.celsius) / Math.max(0.5, last.min - before.min) : 2) : 0;
  return (min) => {
    if (min >= last.min)
      return heatOn ? Math.max(last.celsius, Math.min(c.maxFlowC, last.celsius + pace * (min - last.min))) : last.celsius;
    let from = 0,
      to = known.length - 1;
    while (to - from > 1) {
      const mid = (from + to) >> 1;
      if (known[mid]!.min <= min) from = mid;
      else to = mid;
    }
    const a = known[from]!,
      b = known[to]!;
    if (min <= a.min) return a.celsius;
    return a.celsius + ((b.celsius - a.celsius) * (min - a.min)) / Math.max(1e-6, b.min - a.min);
  };
}
