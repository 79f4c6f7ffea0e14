import { keepTurns } from './keepTurns';

const tS = Array.from({ length: 301 }, (_, i) => 60 * i),
  rise = tS.map((t) => (t < 6000 ? 1 : t < 9000 ? 1 + (t - 6000) / 3000 : 2 - (t - 9000) / 18_000)),
  wave = tS.map((t) => Math.sin(t / 2000));

/** The most that lines between kept places miss. */
function mostMissed(values: number[], kept: number[]): number {
  let most = 0;
  kept.slice(1).forEach((to, k) => {
    const from = kept[k]!;
    for (let i = from; i <= to; i++) {
      const share = (tS[i]! - tS[from]!) / (tS[to]! - tS[from]!);
      most = Math.max(most, Math.abs(values[i]! - values[from]! - share * (values[to]! - values[from]!)));
    }
  });
  return most;
}

it('keeps the corners of what goes straight between them, and no more', () => {
  expect(keepTurns(tS, [{ values: rise, missable: 0.01 }], 0, 300, 50)).toEqual([0, 100, 150, 300]);
});

it('misses nothing by more than is allowed, of none of the series', () => {
  const kept = keepTurns(
    tS,
    [
      { values: rise, missable: 0.02 },
      { values: wave, missable: 0.1 },
    ],
    0,
    300,
    100,
  );
  expect(mostMissed(rise, kept)).toBeLessThanOrEqual(0.02);
  expect(mostMissed(wave, kept)).toBeLessThanOrEqual(0.1);
  expect(kept.length).toBeLessThan(40);
});

it('keeps no more than it may, and then what matters most; and nothing outside its stretch', () => {
  const kept = keepTurns(tS, [{ values: wave, missable: 0.001 }], 20, 280, 12);
  expect(kept).toHaveLength(12);
  expect([kept[0], kept.at(-1)]).toEqual([20, 280]);
  kept.slice(1).forEach((place, k) => expect(place).toBeGreaterThan(kept[k]!));
  expect(mostMissed(wave, kept)).toBeLessThan(0.5 * mostMissed(wave, keepTurns(tS, [{ values: wave, missable: 0.001 }], 20, 280, 7)));
});
