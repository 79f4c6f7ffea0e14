import { pressureText, temperatureText, type Units } from '../units/units';
import type { FigureView } from './figureModel';
import { clockText, shortDay } from '../units/dates';

export interface ReadAt {
  min: number;
  bar: number;
  lines: string[];
}

/** What the figure says at a touch: the reading nearest in time, its temperature, and what would be right there. */
export function readAt(view: FigureView, min: number, units: Units): ReadAt | null {
  const at = nearest(view.readings, min);
  if (!at) return null;
  const heat = nearest(view.heat, at.min),
    band = nearest(view.band, at.min),
    before = view.before && nearest(view.before.points, at.min);
  const close = (x: { min: number } | null | undefined) => x && Math.abs(x.min - at.min) <= view.spanMin / 30;
  const temperature = close(heat) ? `, ${temperatureText(heat!.celsius, units.temperature)}` : '';
  return {
    min: at.min,
    bar: at.bar,
    lines: [
      `${clock(view, at.min)}  ${pressureText(at.bar, units.pressure)}${temperature}`,
      ...(close(band) ? [`right: ${pressureText(band!.low, units.pressure)} to ${pressureText(band!.high, units.pressure)}`] : []),
      ...(view.before && close(before) ? [`${view.before.label}: ${pressureText(before!.bar, units.pressure)}`] : []),
    ],
  };
}

/** The next reading to the left or right, for arrow keys. */
export function stepAt(view: FigureView, min: number | null, direction: 1 | -1): number | null {
  if (min === null) return (direction === 1 ? view.readings[0] : view.readings.at(-1))?.min ?? null;
  const onward = direction === 1 ? view.readings.find((r) => r.min > min + 1e-9) : view.readings.findLast((r) => r.min < min - 1e-9);
  return onward?.min ?? min;
}

function clock(view: FigureView, min: number): string {
  if (view.startMs === null) return `${Math.round(min * 10) / 10} min`;
  const at = new Date(view.startMs + 60_000 * min);
  const time = clockText(at);
  return view.spanMin > 1440 ? `${shortDay(at)} ${time}` : time;
}

function nearest<T extends { min: number }>(points: T[], min: number): T | null {
  return points.reduce<T | null>((best, p) => (best === null || Math.abs(p.min - min) < Math.abs(best.min - min) ? p : best), null);
}
