import { seededRandom } from '../simulate/seededRandom';
import { runningMedian } from './runningMedian';

const tS = Array.from({ length: 200 }, (_, i) => 60 * i);

it('leaves a step where it is, and a straight way as it goes', () => {
  const step = tS.map((t) => (t < 6000 ? 1.5 : 1.3));
  expect(runningMedian(tS, step, 150)).toEqual(step);
  const way = tS.map((t) => t / 4096);
  expect(runningMedian(tS, way, 150).slice(2, -2)).toEqual(way.slice(2, -2));
});

it('takes off what comes and goes from reading to reading, a lone spike whole', () => {
  const random = seededRandom(3),
    noisy = tS.map((_, i) => 1.2 + 0.02 * random.normal() + (i === 90 ? 1 : 0)),
    even = runningMedian(tS, noisy, 150);
  const sd = (x: number[]) => Math.sqrt(x.reduce((s, v) => s + (v - 1.2) ** 2, 0) / x.length);
  expect(sd(even)).toBeLessThan(0.7 * 0.02);
  expect(Math.abs(even[90]! - 1.2)).toBeLessThan(0.05);
});

it('what has no neighbour so near stays as it is', () => {
  const far = [0, 900, 1800, 2700];
  expect(runningMedian(far, [1, 3, 2, 5], 150)).toEqual([1, 3, 2, 5]);
  expect(runningMedian([], [], 150)).toEqual([]);
});
