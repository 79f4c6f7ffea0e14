import * as fc from 'fast-check';
import type { Draw } from './fit/draw';
import { weighed } from './Weighing';

const draw = (x: number, weight: number): Draw => ({ v: Float64Array.of(x), weight });

it('what is the same for every draw moves none of them', () => {
  const draws = [draw(1, 0.25), draw(2, 0.75)];
  expect(weighed({ logEvidence: -2, draws }, 0.5)).toEqual({ logEvidence: -2 + Math.log(0.5), draws });
});

it('Bayes by hand: two draws, one of them three times as likely to show it', () => {
  const { logEvidence, draws } = weighed({ logEvidence: 0, draws: [draw(1, 0.5), draw(3, 0.5)] }, (v) => 0.2 * v[0]!);
  expect(Math.exp(logEvidence)).toBeCloseTo(0.4, 12);
  expect(draws.map((d) => d.weight)).toEqual([expect.closeTo(0.25, 12), expect.closeTo(0.75, 12)]);
});

it('in whatever order two pieces of evidence come, they say the same, and weights sum to one', () => {
  const numbers = fc.array(fc.tuple(fc.double({ min: 0.01, max: 5, noNaN: true }), fc.double({ min: 0.01, max: 1, noNaN: true })), {
    minLength: 1,
    maxLength: 8,
  });
  fc.assert(
    fc.property(numbers, (pairs) => {
      const total = pairs.reduce((s, [, w]) => s + w, 0),
        start = { logEvidence: -1, draws: pairs.map(([x, w]) => draw(x, w / total)) };
      const one = (v: Float64Array) => Math.exp(-v[0]!),
        other = (v: Float64Array) => 1 / (1 + v[0]!);
      const a = weighed(weighed(start, one), other),
        b = weighed(weighed(start, other), one);
      expect(a.logEvidence).toBeCloseTo(b.logEvidence, 9);
      expect(a.draws.reduce((s, d) => s + d.weight, 0)).toBeCloseTo(1, 9);
      a.draws.forEach((d, i) => expect(d.weight).toBeCloseTo(b.draws[i]!.weight, 9));
    }),
  );
});
