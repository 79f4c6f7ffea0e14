import * as fc from 'fast-check';
import { heldL } from '../../circuit/balance';
import { WaterCurve } from './WaterCurve';

const ATM = 1.01325;
const curves = fc.record({
  chargeBar: fc.double({ min: -0.9, max: 2, noNaN: true }),
  vesselL: fc.double({ min: 4, max: 80, noNaN: true }),
  stretch: fc.double({ min: 0.005, max: 0.2, noNaN: true }),
  air: fc.double({ min: 0.01, max: 5, noNaN: true }),
});
const of = ({ chargeBar, vesselL, stretch, air }: { chargeBar: number; vesselL: number; stretch: number; air: number }) =>
  new WaterCurve((chargeBar + ATM) * vesselL, vesselL, 0.9, stretch, air);

it('pressure from water is the inverse of water from pressure, with the vessel empty, in play and full', () =>
  fc.assert(
    fc.property(curves, fc.double({ min: 0.05, max: 9, noNaN: true }), (c, P) => {
      const curve = of(c);
      expect(Math.abs(curve.pressureAt(curve.excessAt(P)) - P)).toBeLessThan(1e-6 * Math.max(1, P));
    }),
  ));

it('more water never stands at less pressure', () =>
  fc.assert(
    fc.property(curves, fc.double({ min: -5, max: 40, noNaN: true }), fc.double({ min: 0, max: 5, noNaN: true }), (c, x, more) => {
      const curve = of(c);
      expect(curve.pressureAt(x + more)).toBeGreaterThanOrEqual(curve.pressureAt(x) - 1e-9);
    }),
  ));

it('holds between two pressures what the circuit’s own balance says that it holds', () => {
  const curve = new WaterCurve((0.75 + ATM) * 8, 8, 0.9, 0.03, 1e-9);
  const balance = { vessels: [{ nominalVolumeL: 8, prechargeGaugeBar: 0.75 }], stretchLPerBar: 0.03, atmosphericBar: ATM };
  for (const bar of [0.8, 1, 1.5, 2.5])
    expect(Math.abs(curve.excessAt(bar + ATM) - curve.excessAt(0.5 + ATM) - (heldL(balance, bar) - heldL(balance, 0.5)))).toBeLessThan(
      1e-9,
    );
});

it('with no vessel in play only stretch and air give way', () => {
  const curve = new WaterCurve(0, 0, 0.9, 0.05, 0.2);
  expect(Math.abs(curve.excessAt(3) - curve.excessAt(2) - (0.05 - 0.2 / 3 + 0.2 / 2))).toBeLessThan(1e-12);
  expect(curve.emptyBelowBar).toBe(Infinity);
});
