import { bandLabelTop } from './bandLabel';
import { figureScale } from './scale';

const scale = figureScale({ width: 390, height: 268, spanMin: 60, topBar: 3.3 });
const band = Array.from({ length: 13 }, (_, k) => ({ min: 5 * k, low: 1.4, high: 1.7 }));
const at = (readings: [number, number][], more: Partial<Parameters<typeof bandLabelTop>[0]> = {}) =>
  bandLabelTop(
    {
      band,
      spanMin: 60,
      readings: readings.map(([min, bar]) => ({ id: String(min), min, bar })),
      forecast: null,
      before: null,
      rungs: [],
      reliefBar: 3,
      ...more,
    },
    scale,
  );

it('stands under the band’s end where nothing runs there', () => {
  expect(at([])).toBe(scale.y(1.4) + 2);
  expect(
    at([
      [0, 1.3],
      [20, 1.2],
    ]),
  ).toBe(scale.y(1.4) + 2);
});

it('steps over the band where the trace runs under it, also where only the stretch between two readings does', () => {
  const over = at([
    [0, 1.3],
    [59, 1.3],
  ])!;
  expect(over).toBeLessThan(scale.y(1.7) - 16);
  expect(
    at([
      [0, 1.3],
      [60, 1.31],
    ]),
  ).toBe(over);
});

it('gives way where both places are taken, and where the band does not reach the right end', () => {
  expect(
    at(
      [
        [0, 1.3],
        [60, 1.3],
      ],
      {
        before: {
          label: 'before the work',
          points: [
            { min: 0, bar: 1.8 },
            { min: 60, bar: 1.8 },
          ],
        },
      },
    ),
  ).toBeNull();
  expect(at([], { band: band.slice(0, 6) })).toBeNull();
  expect(at([], { band: [] })).toBeNull();
});

it('never leaves the plot: a band at the foot has its words above', () => {
  const low = band.map((b) => ({ ...b, low: 0, high: 0.2 }));
  expect(at([], { band: low })!).toBeLessThan(scale.y(0.2));
});

it('keeps clear of the forecast too', () => {
  const forecast = { from: { min: 30, bar: 1.25 }, to: { min: 60, bar: 1.3 }, text: 'lifts in about 60 min' };
  expect(at([], { forecast })!).toBeLessThan(scale.y(1.7));
});

it('is not struck through by a rung, and never stands where the relief lifts', () => {
  const fill = { id: 'fill', label: 'fill', bar: 1.3, tone: 'fill', line: 'solid' } as const;
  expect(at([], { rungs: [fill] })!).toBeLessThan(scale.y(1.7));
  expect(at([], { rungs: [{ ...fill, line: 'none' }] })).toBe(scale.y(1.4) + 2);
  const high = band.map((b) => ({ ...b, high: 2.95 }));
  expect(
    at(
      [
        [0, 1.3],
        [60, 1.3],
      ],
      { band: high },
    ),
  ).toBeNull();
});

it('is left out where the band has no height yet', () => expect(at([], { band: band.map((b) => ({ ...b, high: b.low })) })).toBeNull());
