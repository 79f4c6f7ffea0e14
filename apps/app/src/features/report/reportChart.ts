import { TOKENS } from '../../ui/tokens';
import type { FigureView } from '../figure/figureModel';
import { rungLabel } from '../figure/rungs';
import { timeTicks, timeUnit } from '../figure/scale';
import { pressureNumber, type Units } from '../units/units';

export interface ChartSize {
  width: number;
  height: number;
  left: number;
  font: number;
}

/** Across a page, and for a customer's phone, where the same letters have to be larger. */
export const ON_PAPER: ChartSize = { width: 515, height: 176, left: 92, font: 9 },
  ON_A_PHONE: ChartSize = { width: 360, height: 220, left: 120, font: 13 };
const TOP = 8;
const escape = (s: string) => s.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);

/** The log as vector drawing for paper: rungs with their numbers, the healthy band, the run before dashed, the readings. Light colours
 *  always: paper is white. */
export function reportChart(view: FigureView, units: Units, { width: W, height: H, left: LEFT, font }: ChartSize = ON_PAPER): string {
  const RIGHT = W - 10,
    BOTTOM = H - 10 - 2 * font;
  const t = TOKENS.light,
    span = Math.max(1, view.spanMin);
  const x = (min: number) => (LEFT + ((RIGHT - LEFT) * min) / span).toFixed(1),
    y = (bar: number) => (BOTTOM - ((BOTTOM - TOP) * Math.max(0, bar)) / view.topBar).toFixed(1);
  const path = (points: { min: number; bar: number }[]) => points.map((p, i) => `${i ? 'L' : 'M'}${x(p.min)} ${y(p.bar)}`).join('');
  const text = (s: string, at: { x: string | number; y: string | number }, more = '') =>
    `<text x="${at.x}" y="${at.y}" font-family="Barlow, sans-serif" font-size="${font}" ${more}>${escape(s)}</text>`;
  const tone = { relief: t.oxide, right: t.verdigris, fill: t.slate, quiet: t.ink2, doubt: t.brass };
  let last = -99;
  // Labels that would lie on each other are left out, from the top down.
  const rungs = view.rungs
    .filter((r) => ['relief', 'right', 'fill'].includes(r.tone) && r.id !== 'reseat' && r.line !== 'none')
    .sort((a, b) => b.bar - a.bar)
    .map((r) => {
      const at = Number(y(r.bar)),
        free = at - last >= font + 1;
      if (free) last = at;
      return `<path d="M${LEFT} ${at}H${RIGHT}" stroke="${tone[r.tone]}" stroke-width="${r.tone === 'relief' ? 1.2 : 0.6}" fill="none"/>${free ? text(`${rungLabel(r, units)} ${pressureNumber(r.bar, units.pressure)}`, { x: LEFT - 5, y: at + font / 3 }, `text-anchor="end" fill="${tone[r.tone]}"`) : ''}`;
    });
  const band =
    view.band.length > 1
      ? `<path d="${path(view.band.map((b) => ({ min: b.min, bar: b.high })))}${[...view.band]
          .reverse()
          .map((b) => `L${x(b.min)} ${y(b.low)}`)
          .join('')}Z" fill="${t.verdigris}" fill-opacity="0.16"/>`
      : '';
  const before = view.before?.points.length
    ? `<path d="${path(view.before.points)}" stroke="${t.ink2}" stroke-width="1.2" stroke-dasharray="4 3" fill="none"/>${text(view.before.label, { x: x(view.before.points.at(-1)!.min), y: Number(y(view.before.points.at(-1)!.bar)) - 4 }, `text-anchor="end" fill="${t.ink2}"`)}`
    : '';
  const dots =
    view.readings.length <= 80
      ? view.readings.map((r) => `<circle cx="${x(r.min)}" cy="${y(r.bar)}" r="2.2" fill="${t.ink}"/>`).join('')
      : '';
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}" viewBox="0 0 ${W} ${H}"><clipPath id="plot"><rect x="${LEFT}" y="${TOP - 3}" width="${RIGHT - LEFT + 3}" height="${BOTTOM - TOP + 3}"/></clipPath><g clip-path="url(#plot)">${band}</g>${rungs.join('')}<path d="M${LEFT} ${TOP}V${BOTTOM}H${RIGHT}" stroke="${t.ink}" stroke-width="1" fill="none"/><g clip-path="url(#plot)">${before}${view.readings.length > 1 ? `<path d="${path(view.readings)}" stroke="${t.ink}" stroke-width="1.6" fill="none"/>` : ''}${dots}</g>${timeTicks(
    view.spanMin,
  )
    .map((k) => text(k.label, { x: x(k.min), y: BOTTOM + font + 4 }, `text-anchor="middle" fill="${t.ink2}"`))
    .join(
      '',
    )}${text(`${timeUnit(view.spanMin)}, pressure in ${units.pressure}`, { x: RIGHT, y: BOTTOM + 2 * font + 7 }, `text-anchor="end" fill="${t.ink2}"`)}</svg>`;
}
