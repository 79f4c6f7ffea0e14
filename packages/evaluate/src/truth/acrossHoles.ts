/** The roots of the mean pressures across a way in from the mains and across a way out, over a trace: what passes a hole grows by them, and
 *  nothing passes backwards. */
export function acrossHoles(bars: readonly number[], mainsBar: number): { wayIn: number; wayOut: number } {
  const meanBar = bars.reduce((a, b) => a + b, 0) / bars.length;
  return { wayIn: Math.sqrt(Math.max(0, mainsBar - meanBar)), wayOut: Math.sqrt(Math.max(0, meanBar)) };
}
