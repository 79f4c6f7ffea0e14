/** The one scale that ladder, rungs, trace and pointer share. */
export interface FigureScale {
  width: number;
  height: number;
  plotLeft: number;
  plotRight: number;
  plotTop: number;
  plotBottom: number;
  railLeft: number;
  railRight: number;
  x: (min: number) => number;
  y: (bar: number) => number;
  spanMin: number;
  topBar: number;
}

const GUTTER = 76,
  RAIL = 27,
  GAP = 8,
  RIGHT = 12,
  TOP = 4,
  BOTTOM = 40;

export function figureScale({
  width,
  height,
  spanMin,
  topBar,
}: {
  width: number;
  height: number;
  spanMin: number;
  topBar: number;
}): FigureScale {
  const plotLeft = GUTTER + RAIL + GAP,
    plotRight = width - RIGHT,
    plotTop = TOP,
    plotBottom = height - BOTTOM;
  return {
    width,
    height,
    plotLeft,
    plotRight,
    plotTop,
    plotBottom,
    railLeft: GUTTER,
    railRight: GUTTER + RAIL,
    spanMin,
    topBar,
    x: (min) => plotLeft + (Math.min(Math.max(min, 0), spanMin) / spanMin) * (plotRight - plotLeft),
    y: (bar) => plotBottom - (Math.min(Math.max(bar, 0), topBar) / topBar) * (plotBottom - plotTop),
  };
}

/** Moves labels apart so that each has `gap` to its neighbours, as little as possible, inside the ends. Order is kept: pass them top down.
 */
export function keepApart(wanted: number[], gap: number, least: number, most: number): number[] {
  // Blocks of touching labels slide as one, about the mean of where they would stand.
  const blocks: { start: number; n: number; sum: number }[] = [];
  const topOf = (b: { n: number; sum: number }) =>
    Math.min(Math.max(b.sum / b.n - ((b.n - 1) * gap) / 2, least), Math.max(least, most - (b.n - 1) * gap));
  wanted.forEach((w, i) => {
    blocks.push({ start: i, n: 1, sum: w });
    for (;;) {
      const b = blocks.at(-1)!,
        a = blocks.at(-2);
      if (!a || topOf(a) + a.n * gap <= topOf(b)) break;
      blocks.splice(-2, 2, { start: a.start, n: a.n + b.n, sum: a.sum + b.sum });
    }
  });
  return blocks.flatMap((b) => Array.from({ length: b.n }, (_, k) => topOf(b) + k * gap));
}

/** Ticks of the time axis: four to seven round steps, and how to write them. */
export function timeTicks(spanMin: number): { min: number; label: string }[] {
  const steps = [5, 10, 15, 30, 60, 120, 240, 720, 1440, 2880, 10_080];
  const step = steps.find((s) => spanMin / s <= 7) ?? 10_080;
  const unit = step >= 1440 ? { per: 1440, name: 'd' } : spanMin > 240 ? { per: 60, name: 'h' } : { per: 1, name: 'min' };
  const ticks: { min: number; label: string }[] = [];
  for (let min = 0; min <= spanMin + 1e-6; min += step) ticks.push({ min, label: String(Math.round((min / unit.per) * 10) / 10) });
  return ticks;
}
export const timeUnit = (spanMin: number): string => {
  const t = timeTicks(spanMin);
  return (t[1]?.min ?? 0) >= 1440 ? 'days' : spanMin > 240 ? 'h' : 'min';
};

/** A line through points, read at `n` equal steps across the span; undefined outside the points. */
export function resample(points: { min: number; bar: number }[], spanMin: number, n: number): (number | undefined)[] {
  let k = 0;
  return Array.from({ length: n }, (_, i) => {
    const min = (spanMin * i) / (n - 1);
    const first = points[0],
      last = points.at(-1);
    if (!first || !last || min < first.min - 1e-9 || min > last.min + 1e-9) return undefined;
    while (k < points.length - 2 && points[k + 1]!.min <= min) k++;
    const a = points[k]!,
      b = points[k + 1] ?? a;
    const share = b.min > a.min ? Math.min(1, (min - a.min) / (b.min - a.min)) : 0;
    return a.bar + (b.bar - a.bar) * share;
  });
}

/** As `resample`, for more points than steps: each pair of steps carries the lowest and the highest reading of its time, in the order in
 *  which they came, so that no peak is lost. */
export function resamplePeaks(points: { min: number; bar: number }[], spanMin: number, n: number): (number | undefined)[] {
  const out = resample(points, spanMin, n);
  let k = 0;
  for (let i = 0; i + 1 < n; i += 2) {
    const to = (spanMin * (i + 2)) / (n - 1);
    let low: { min: number; bar: number } | null = null,
      high: { min: number; bar: number } | null = null;
    for (; k < points.length && points[k]!.min < to; k++) {
      const p = points[k]!;
      if (!low || p.bar < low.bar) low = p;
      if (!high || p.bar > high.bar) high = p;
    }
    if (!low || !high || low === high) continue;
    const [a, b] = low.min < high.min ? [low, high] : [high, low];
    out[i] = a.bar;
    out[i + 1] = b.bar;
  }
  return out;
}
