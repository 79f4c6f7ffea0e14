import fc from 'fast-check';
import { acceptedWaterL } from '../vessel/acceptedWater';
import { balancedGaugeBar, complianceAt, heldL, vesselHeldL, type BalanceInput } from './balance';
import { pumpShiftBar } from './pumpShift';
import { systemPressureGaugeBar } from './systemPressure';

const vessel = fc.record({
  nominalVolumeL: fc.double({ min: 2, max: 500, noNaN: true }),
  prechargeGaugeBar: fc.double({ min: -0.9, max: 4, noNaN: true }),
  heightAboveGaugeM: fc.double({ min: -15, max: 25, noNaN: true }),
});
const circuit: fc.Arbitrary<BalanceInput> = fc.record({
  vessels: fc.array(vessel, { maxLength: 4 }),
  stretchLPerBar: fc.double({ min: 0.005, max: 2, noNaN: true }),
  airBarL: fc.double({ min: 0, max: 10, noNaN: true }),
});
const pressure = fc.double({ min: -0.5, max: 9, noNaN: true });

it('finds the pressure from which the water was reckoned, whatever hangs on the circuit', () => {
  fc.assert(fc.property(circuit, pressure, (c, p) => Math.abs(balancedGaugeBar(c, heldL(c, p)) - p) < 1e-9));
});

it('holds more the higher the pressure, as fast as its compliance says', () => {
  fc.assert(
    fc.property(circuit, pressure, (c, p) => {
      const h = 1e-6,
        slope = (heldL(c, p + h) - heldL(c, p - h)) / (2 * h),
        compliance = complianceAt(c, p);
      // Between the two sides of a kink the slope lies between the two compliances.
      const sides = [complianceAt(c, p - h), complianceAt(c, p + h)];
      return (
        heldL(c, p + 0.01) > heldL(c, p) &&
        slope > 0.999 * Math.min(compliance, ...sides) - 1e-6 &&
        slope < 1.001 * Math.max(compliance, ...sides) + 1e-6
      );
    }),
  );
});

it('is the closed answer for one vessel at the gauge’s level', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 2, max: 100, noNaN: true }),
      fc.double({ min: -0.5, max: 2, noNaN: true }),
      fc.double({ min: 0.01, max: 0.5, noNaN: true }),
      fc.double({ min: 0, max: 3, noNaN: true }),
      (nominalVolumeL, prechargeGaugeBar, stretchLPerBar, excessL) => {
        const closed = systemPressureGaugeBar({ excessL, nominalVolumeL, prechargeGaugeBar, stretchLPerBar });
        return (
          closed > 60 ||
          Math.abs(balancedGaugeBar({ vessels: [{ nominalVolumeL, prechargeGaugeBar }], stretchLPerBar }, excessL) - closed) < 1e-8
        );
      },
    ),
  );
});

it('two vessels of one charge are one of their sum, and of two charges the lower fills first', () => {
  const two = {
    vessels: [
      { nominalVolumeL: 8, prechargeGaugeBar: 0.75 },
      { nominalVolumeL: 12, prechargeGaugeBar: 0.75 },
    ],
    stretchLPerBar: 0.03,
  };
  expect(
    Math.abs(heldL(two, 1.8) - 0.03 * 1.8 - acceptedWaterL({ nominalVolumeL: 20, prechargeGaugeBar: 0.75, systemGaugeBar: 1.8 })),
  ).toBeLessThan(1e-12);
  expect(vesselHeldL({ nominalVolumeL: 12, prechargeGaugeBar: 1.5 }, 1.2)).toBe(0);
  expect(vesselHeldL({ nominalVolumeL: 8, prechargeGaugeBar: 0.5 }, 1.2)).toBeGreaterThan(2);
});

it('a vessel in the loft sees less pressure than the gauge in the cellar: ten metres are 0.98 bar', () => {
  const loft = { nominalVolumeL: 12, prechargeGaugeBar: 0.5, heightAboveGaugeM: 10 };
  expect(vesselHeldL(loft, 1.48)).toBeLessThan(0.01);
  expect(Math.abs(vesselHeldL(loft, 1.5 + 0.980665) - vesselHeldL({ nominalVolumeL: 12, prechargeGaugeBar: 0.5 }, 1.5))).toBeLessThan(
    1e-12,
  );
});

it('warm gas takes less water', () => {
  expect(vesselHeldL({ nominalVolumeL: 8, prechargeGaugeBar: 0.75, gasC: 40 }, 1.5)).toBeLessThan(
    vesselHeldL({ nominalVolumeL: 8, prechargeGaugeBar: 0.75 }, 1.5) - 0.3,
  );
});

it('the pump lifts the gauge when it pumps away from the vessel, and pulls it down when it pumps towards it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 10, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (headBar, frictionShareToGauge) => {
        const away = pumpShiftBar({ position: 'away-from-vessel', headBar, frictionShareToGauge }),
          towards = pumpShiftBar({ position: 'towards-vessel', headBar, frictionShareToGauge });
        // Between the two positions lies the pump's whole head.
        return away >= 0 && towards <= 0 && Math.abs(away - towards - headBar) < 1e-9;
      },
    ),
  );
});
