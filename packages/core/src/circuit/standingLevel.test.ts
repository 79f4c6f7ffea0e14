import * as fc from 'fast-check';
import type { CircuitSheet } from './CircuitSheet';
import { resolveCircuit } from './resolveCircuit';
import { standingLevel } from './standingLevel';

// A plant room nine metres under its highest water: 0.88 bar; label 1.2, pumped from 1.4 to 1.8 bar.
const PLANT: CircuitSheet = {
  kind: 'sealed-hot-water',
  staticHeadM: 9,
  reliefValve: { setBar: 4 },
  vessel: { nominalVolumeL: 200, labelPrechargeBar: 1.2 },
  fill: { kind: 'pressurisation-unit', cutInBar: 1.5, cutOutBar: 1.8 },
  gauge: { resolutionBar: 0.02 },
};
const at = (bar: number, sheet = PLANT) => standingLevel(bar, resolveCircuit(sheet)).kind;

it('says the worst of what a cold circuit stands under, or over', () => {
  expect([0.8, 1, 1.25, 1.6, 2.4].map((bar) => at(bar))).toEqual(['under-height', 'under-charge', 'right', 'right', 'over-fill']);
  expect(standingLevel(0.8, resolveCircuit(PLANT)).thanGaugeBar).toBeCloseTo(9 * 0.0981, 2);
  const home: CircuitSheet = {
    kind: 'sealed-hot-water',
    staticHeadM: 2,
    reliefValve: { setBar: 3 },
    vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.5 },
    fill: { kind: 'manual-loop' },
    gauge: { resolutionBar: 0.02 },
  };
  // Charge 0.5, fill 0.8: what is 0.3 under the fill is under the charge already.
  expect([0.45, 0.55, 1.25, 1.4].map((bar) => at(bar, home))).toEqual(['under-charge', 'right', 'right', 'over-fill']);
  expect(at(0.9, { ...home, fill: { kind: 'reducing-valve', setBar: 1.3 } })).toBe('under-fill');
});

it('claims less where the sheet says less', () => {
  const bare: CircuitSheet = { kind: 'sealed-hot-water', reliefValve: { setBar: 3 }, vessel: { nominalVolumeL: 8 } };
  expect(at(0.2, bare)).not.toBe('under-height');
  expect(at(1.45, bare)).toBe('right');
});

it('never calls a higher pressure lower', () => {
  const order = ['under-height', 'under-charge', 'under-fill', 'right', 'over-fill'];
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 4, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (bar, more) => order.indexOf(at(bar)) <= order.indexOf(at(bar + more)),
    ),
  );
});
