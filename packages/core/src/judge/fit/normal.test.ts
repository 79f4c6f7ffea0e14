import { normalCdf, normalPdf, normalQuantile } from './normal';

it('meets the tables of the normal distribution', () => {
  // Abramowitz & Stegun, table 26.1 and 26.5.
  for (const [z, share] of [
    [0, 0.5],
    [1, 0.841344746],
    [1.96, 0.9750021],
    [2.5758293, 0.995],
    [-1.6448536, 0.05],
    [3.0902323, 0.999],
    [-4, 3.16712e-5],
  ] as const) {
    expect(normalCdf(z)).toBeCloseTo(share, 6);
    expect(normalQuantile(share)).toBeCloseTo(z, 5);
  }
  expect(normalPdf(1.2, 1, 0.2)).toBeCloseTo(0.24197072 / 0.2, 6);
});

it('the quantile undoes the distribution function, far out in the tails too, and stays finite', () => {
  for (let z = -4.5; z <= 4.5; z += 0.01) expect(Math.abs(normalQuantile(normalCdf(z)) - z)).toBeLessThan(Math.abs(z) > 3 ? 0.05 : 2e-4);
  for (let share = 0.0005; share < 1; share += 0.0005) expect(normalCdf(normalQuantile(share))).toBeCloseTo(share, 6);
  expect(normalQuantile(0)).toBe(-8);
  expect(normalQuantile(1)).toBe(8);
  expect(normalQuantile(1e-12)).toBeCloseTo(-7.03448, 3);
  let before = -Infinity;
  for (let share = 0; share <= 1; share += 0.001) {
    const z = normalQuantile(share);
    expect(z).toBeGreaterThanOrEqual(before);
    before = z;
  }
});
