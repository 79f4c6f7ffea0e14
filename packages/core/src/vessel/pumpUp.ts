import { requireInRange } from '../OutOfRangeError';

export interface PumpUpInput {
  nominalVolumeL: number;
  fromGaugeBar: number;
  toGaugeBar: number;
  strokeL: number;
  strokesPerMin?: number;
  atmosphericBar?: number;
}

/** Strokes of a hand pump that bring an empty-of-water vessel from one charge to another: Vn · Δp / (pa · stroke), at 80 % filling of the
 *  stroke (common practice); and the minutes at a steady pace. */
export function pumpUp({ nominalVolumeL, fromGaugeBar, toGaugeBar, strokeL, strokesPerMin = 40, atmosphericBar = 1.01325 }: PumpUpInput): {
  strokes: number;
  minutes: number;
} {
  requireInRange('nominalVolumeL', nominalVolumeL, 1, 10_000);
  requireInRange('fromGaugeBar', fromGaugeBar, -0.99, 10);
  requireInRange('toGaugeBar', toGaugeBar, fromGaugeBar, 10);
  requireInRange('strokeL', strokeL, 0.01, 20);
  const strokes = (nominalVolumeL * (toGaugeBar - fromGaugeBar)) / (atmosphericBar * strokeL * 0.8);
  return { strokes, minutes: strokes / strokesPerMin };
}
