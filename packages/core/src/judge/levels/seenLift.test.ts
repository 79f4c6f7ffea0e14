import type { FaultId } from '../faults';
import { SLOT } from '../fit/kernel';
import { letsGoThere, type SeenLift } from './seenLift';

const SEEN: SeenLift = { gaugeBar: 1.8, belowSd: 0.07, aboveSd: 0.07, times: 1 };
const at = (liftBar: number, faults: FaultId[], times = 1) => {
  const v = new Float64Array(SLOT.start);
  v[SLOT.lift] = liftBar;
  return letsGoThere(v, faults, { ...SEEN, times });
};

it('a relief that lifts there explains it, however often it fell', () => {
  for (const times of [0, 1, 3, 9]) expect(at(1.8, ['relief-valve-lifts-early'], times)).toBeCloseTo(1, 6);
});

it('a relief that lifts elsewhere hardly does, and the less the oftener it fell though the water grew no colder', () => {
  const shares = [1, 2, 3, 4].map((times) => at(2.94, ['circuit-leak'], times));
  for (let i = 1; i < shares.length; i++) expect(shares[i]!).toBeLessThan(0.6 * shares[i - 1]!);
  expect(shares[0]!).toBeLessThan(0.01);
  // Nothing more is learnt from the fifth.
  expect(at(2.94, ['circuit-leak'], 12)).toBe(shares[3]);
  // A fall while it cooled is one fall.
  expect(at(2.94, ['circuit-leak'], 0)).toBe(shares[0]);
});

it('a circuit without its vessel falls all at once when it cools, and not again and again when it does not', () => {
  expect(at(2.94, ['vessel-isolated'])).toBeGreaterThan(30 * at(2.94, ['circuit-leak']));
  expect(at(2.94, ['vessel-isolated'], 4)).toBeLessThan(0.1 * at(2.94, ['vessel-isolated']));
});

it('a gauge that lies shows a sound relief lifting elsewhere as often as it lifts', () => {
  expect(at(2.94, ['gauge-misreading'], 4)).toBe(at(2.94, ['gauge-misreading'], 1));
});
