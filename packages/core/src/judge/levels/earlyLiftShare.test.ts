import { resolveCircuit } from '../../circuit/resolveCircuit';
import { cycleFeatures } from '../../log/cycleFeatures';
import { earlyLiftShare } from './earlyLiftShare';

const C = resolveCircuit({
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  staticHeadM: 4,
});
const FLOW = [18, 35, 46, 54, 60, 64];
const heated = (pressureBar: number[], flowC: number[] | null = FLOW) =>
  cycleFeatures({
    source: 'hand',
    samples: { tS: pressureBar.map((_, i) => 180 * i), pressureBar, ...(flowC ? { flowC } : {}) },
    events: [{ tS: 0, kind: 'heat-on' }],
  });

it('a pressure that never left where it was found is seldom held there by a relief', () =>
  expect(earlyLiftShare([heated([1.2, 1.2, 1.2, 1.2, 1.2, 1.2])], C)).toBeLessThan(0.3));
it('the farther it rose, the less of a coincidence; one that rose as it should is none', () => {
  const shares = [1.25, 1.35, 1.5, 1.9].map((top) => earlyLiftShare([heated([1.2, top, top, top, top, top])], C));
  for (let i = 1; i < shares.length; i++) expect(shares[i]!).toBeGreaterThanOrEqual(shares[i - 1]!);
  expect(shares.at(-1)).toBe(1);
});
it('says nothing without heat, without temperatures, or without a log', () => {
  expect(earlyLiftShare([heated([1.2, 1.2, 1.2, 1.2, 1.2, 1.2], null)], C)).toBe(1);
  expect(earlyLiftShare([heated([1.2, 1.2], [18, 20])], C)).toBe(1);
  expect(earlyLiftShare([], C)).toBe(1);
});
