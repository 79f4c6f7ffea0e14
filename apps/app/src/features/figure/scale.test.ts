import { figureScale, keepApart, resample, timeTicks, timeUnit } from './scale';

it('keeps labels apart, in order, inside the ends, moved as little as possible', () => {
  expect(keepApart([10, 100, 200], 14, 0, 300)).toEqual([10, 100, 200]);
  const close = keepApart([50, 52, 55, 200], 14, 0, 300);
  for (let i = 1; i < close.length; i++) expect(close[i]! - close[i - 1]!).toBeGreaterThanOrEqual(14 - 1e-9);
  expect(close[3]).toBe(200);
  expect(Math.abs((close[0]! + close[1]! + close[2]!) / 3 - 157 / 3)).toBeLessThan(1e-9);
  expect(keepApart([298, 299], 14, 0, 300)).toEqual([286, 300]);
  expect(keepApart([1, 2, 3], 14, 8, 300)).toEqual([8, 22, 36]);
});

it('puts zero at the bottom, the top at the top, and beyond the ends at the ends', () => {
  const s = figureScale({ width: 390, height: 268, spanMin: 30, topBar: 3.3 });
  expect(s.y(0)).toBe(s.plotBottom);
  expect(s.y(3.3)).toBe(s.plotTop);
  expect(s.y(99)).toBe(s.plotTop);
  expect(s.x(15)).toBe((s.plotLeft + s.plotRight) / 2);
});

it.each([
  [30, 'min'],
  [180, 'min'],
  [720, 'h'],
  [10_080, 'days'],
])('labels %d minutes in %s, with two to eight ticks', (span, unit) => {
  expect(timeUnit(span)).toBe(unit);
  expect(timeTicks(span).length).toBeGreaterThan(1);
  expect(timeTicks(span).length).toBeLessThanOrEqual(8);
  expect(timeTicks(span).at(-1)!.min).toBeLessThanOrEqual(span);
});

it('reads a line at equal steps, and nowhere outside it', () => {
  const r = resample(
    [
      { min: 0, bar: 1 },
      { min: 10, bar: 2 },
    ],
    20,
    5,
  );
  expect(r).toEqual([1, 1.5, 2, undefined, undefined]);
  expect(resample([], 20, 3)).toEqual([undefined, undefined, undefined]);
});
