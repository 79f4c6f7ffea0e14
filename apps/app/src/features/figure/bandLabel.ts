import type { FigureView } from './figureModel';
import type { FigureScale } from './scale';

/** Room that the words "healthy band" take, px. */
const WIDE = 84,
  HIGH = 17,
  GAP = 2;
/** A band thinner than this is not seen, px: nothing was heated yet, and words beside it would name nothing. */
const SEEN = 3;

/** Where the words for the healthy band stand at its right end, px from the figure's top: under it, else over it, wherever neither trace,
 *  forecast nor a rung runs through them and it is not where the relief lifts. Null where the band does not come to the right end, is too
 *  thin to be seen there, or where there is no free place. */
export function bandLabelTop(
  view: Pick<FigureView, 'band' | 'spanMin' | 'readings' | 'forecast' | 'before' | 'rungs' | 'reliefBar'>,
  scale: FigureScale,
): number | null {
  const end = view.band.at(-1);
  if (!end || end.min < view.spanMin * 0.98 || scale.y(end.low) - scale.y(end.high) < SEEN) return null;
  const left = scale.plotRight - WIDE,
    lines = [view.readings, view.before?.points ?? [], view.forecast ? [view.forecast.from, view.forecast.to] : []];
  const rungs = view.rungs.filter((r) => r.line !== 'none').map((r) => scale.y(r.bar));
  const isFree = (top: number) =>
    top >= scale.y(view.reliefBar) &&
    top + HIGH <= scale.plotBottom &&
    rungs.every((y) => y < top + 1 || y > top + HIGH - 2) &&
    lines.every((points) => !crosses(points, scale, left, top));
  // The band slopes: its edges are taken over the whole width of the words.
  const under = view.band.filter((b) => scale.x(b.min) >= left),
    lowest = Math.max(...under.map((b) => scale.y(b.low))),
    highest = Math.min(...under.map((b) => scale.y(b.high)));
  return [scale.y(end.low) + GAP, lowest + GAP, highest - HIGH - GAP].find(isFree) ?? null;
}

/** Whether a line runs through the box that is right of `left` and `HIGH` tall from `top` on. */
function crosses(points: { min: number; bar: number }[], scale: FigureScale, left: number, top: number): boolean {
  return points.some((p, i) => {
    const q = points[i + 1] ?? p;
    if (scale.x(q.min) < left) return false;
    const [x0, x1, y0, y1] = [scale.x(p.min), scale.x(q.min), scale.y(p.bar), scale.y(q.bar)];
    // Only the part of the stretch that lies over the words.
    const from = x1 > x0 ? Math.max(0, (left - x0) / (x1 - x0)) : 0,
      yFrom = y0 + from * (y1 - y0);
    return Math.max(yFrom, y1) > top && Math.min(yFrom, y1) < top + HIGH;
  });
}
