import { seededRandom } from '../simulate/seededRandom';
import { turningPoints } from './turningPoints';

const walk = (seed: number, n = 400): number[] => {
  const random = seededRandom(seed);
  let v = 0;
  return Array.from({ length: n }, () => (v += random.normal()));
};

it('takes the hill and the valley of a series, and the ends of its first and last way', () => {
  expect(turningPoints([0, 1, 2, 5, 4, 1, 2, 3], 2)).toEqual([0, 3, 5, 7]);
  expect(turningPoints([3, 2, 1, 0], 2)).toEqual([0, 3]);
});

it('finds none where nothing goes far enough, and none where nothing is', () => {
  expect(turningPoints([1, 1.5, 1, 1.4, 0.9], 2)).toEqual([]);
  expect(turningPoints([], 2)).toEqual([]);
});

it.each([1, 2, 3, 4, 5])('turns up and down by turns, each time as far as asked, and misses no such turn on the way (walk %i)', (seed) => {
  const values = walk(seed),
    least = 4,
    turns = turningPoints(values, least);
  expect(turns.length).toBeGreaterThan(4);
  turns.slice(1).forEach((to, k) => {
    const from = turns[k]!,
      up = Math.sign(values[to]! - values[from]!);
    expect(to).toBeGreaterThan(from);
    expect(Math.abs(values[to]! - values[from]!)).toBeGreaterThanOrEqual(least);
    if (k > 0) expect(up).toBe(-Math.sign(values[from]! - values[turns[k - 1]!]!));
    let farthest = values[from]!;
    for (let i = from; i <= to; i++) {
      farthest = up > 0 ? Math.max(farthest, values[i]!) : Math.min(farthest, values[i]!);
      expect(up * (farthest - values[i]!)).toBeLessThan(least);
    }
    expect(values[to]!).toBe(farthest);
  });
});

it('of what stands still it takes where it begins to leave, not where it came to', () => {
  const night = [...Array(20).fill(18), 30, 50, ...Array(20).fill(60), 40, 18];
  expect(turningPoints(night, 6, 1)).toEqual([19, 41, 43]);
  const uneasy = night.map((c, i) => c + 0.4 * (i % 2));
  expect(turningPoints(uneasy, 6, 1)).toEqual([19, 41, 43]);
});
