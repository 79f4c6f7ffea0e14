import type { ReducedLog } from '../reduceLog';
import type { LogSegment, Measured } from './LogReading';
import { readingSd } from './measured';
import type { Warmth } from './warmth';

/** The shortest idle stretch that tells, s; and how far its temperature may wander, K. */
const LEAST_IDLE_S = 600,
  ONE_TEMPERATURE_K = 0.6;

/** Slope of the longest stretch, idle and of one temperature, by least squares. */
export function creepOf(r: ReducedLog, segments: LogSegment[], warm: Warmth | null, stepBar: number): Measured | null {
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
