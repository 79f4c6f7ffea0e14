import fc from 'fast-check';
import { OutOfRangeError } from '../OutOfRangeError';
import { acceptedWaterL } from '../vessel/acceptedWater';
import { chargeFromDrawOff } from '../vessel/chargeFromDrawOff';
import { netGrowth } from '../water/netGrowth';
import { atmosphericBar, staticHeadBar } from './atmosphere';
import type { CircuitSheet } from './CircuitSheet';
import { expectedPressure } from './expectedPressure';
import { resolveCircuit } from './resolveCircuit';
import { sheetWarnings } from './sheetWarnings';
import { systemPressureGaugeBar } from './systemPressure';

const close = (actual: number, expected: number, tolerance: number) => expect(Math.abs(actual - expected)).toBeLessThan(tolerance);
const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.7,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  maxFlowC: 70,
};

/** A circuit filled cold to 1.0 bar at 15 °C and all its water brought to 70 °C; vessel's water cold. */
function heatedTo70(contentL: number, prechargeGaugeBar: number): number {
  const vessel = { nominalVolumeL: 8, prechargeGaugeBar };
  const cold = acceptedWaterL({ ...vessel, systemGaugeBar: 1 }) + 0.03 * 1;
  const grown = contentL * netGrowth({ fromC: 15, toC: 70, absoluteBar: 2.5 });
  return systemPressureGaugeBar({ ...vessel, excessL: cold + grown, stretchLPerBar: 0.03 });
}

describe('pressure of a heated circuit', () => {
  // Worked by the closed formula: 100 L, 8 L vessel, stretch 0.03 L/bar, pipes 15e-6/K, IF97 at 2.5 bar absolute.
  it.each([
    [100, 0.75, 1.733],
    [100, 0.2, 2.258],
    [100, 0, 2.696],
    [60, 0.75, 1.385],
  ])('%d L with a charge of %d bar reaches %d bar', (contentL, charge, bar) => {
    close(heatedTo70(contentL, charge), bar, 0.004);
  });

  it('never rises with more charge, until the vessel is empty cold', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.8, max: 0.9, noNaN: true }),
        fc.double({ min: 0.005, max: 0.1, noNaN: true }),
        (charge, more) => heatedTo70(90, charge) >= heatedTo70(90, Math.min(1, charge + more)) - 1e-9,
      ),
    );
  });

  it('holds exactly the excess that it was solved for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.5, max: 20, noNaN: true }),
        fc.double({ min: -0.9, max: 3, noNaN: true }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        (excessL, prechargeGaugeBar, stretchLPerBar) => {
          const p = systemPressureGaugeBar({ excessL, nominalVolumeL: 12, prechargeGaugeBar, stretchLPerBar });
          if (p < -0.98 || p > 24) return true;
          const vessel = p <= prechargeGaugeBar ? 0 : acceptedWaterL({ nominalVolumeL: 12, prechargeGaugeBar, systemGaugeBar: p });
          return Math.abs(vessel + stretchLPerBar * p - excessL) < 1e-6;
        },
      ),
    );
  });
});

describe('the vessel', () => {
  it('holds no water up to its charge, and never more than nine tenths', () => {
    expect(acceptedWaterL({ nominalVolumeL: 8, prechargeGaugeBar: 0.75, systemGaugeBar: 0.75 })).toBe(0);
    close(acceptedWaterL({ nominalVolumeL: 8, prechargeGaugeBar: -0.95, systemGaugeBar: 20 }), 7.2, 1e-9);
    expect(() => acceptedWaterL({ nominalVolumeL: 0, prechargeGaugeBar: 0.75, systemGaugeBar: 1 })).toThrow(OutOfRangeError);
  });

  it('gives back 2.4 L from 1.5 bar and 3.9 L from 2.4 bar with 8 L charged to 0.75', () => {
    close(acceptedWaterL({ nominalVolumeL: 8, prechargeGaugeBar: 0.75, systemGaugeBar: 1.5 }), 2.39, 0.01);
    close(acceptedWaterL({ nominalVolumeL: 8, prechargeGaugeBar: 0.75, systemGaugeBar: 2.4 }), 3.87, 0.01);
  });

  it('tells its charge by a measured draw-off', () => {
    // Worked by Boyle's law: 8 L at 1.0 bar, 0.5 L drawn from 1.5 bar leaves 1.318 bar.
    close(chargeFromDrawOff({ drawnL: 0.5, beforeGaugeBar: 1.5, afterGaugeBar: 1.318, nominalVolumeL: 8, stretchLPerBar: 0 }), 1.0, 0.01);
    expect(() => chargeFromDrawOff({ drawnL: 0.5, beforeGaugeBar: 1.5, afterGaugeBar: 1.5, nominalVolumeL: 8 })).toThrow(/afterGaugeBar/);
  });

  it('draw-off and balance undo each other', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.5, max: 1, noNaN: true }), fc.double({ min: 0.05, max: 0.6, noNaN: true }), (charge, drawnL) => {
        const at = (excessL: number) =>
          systemPressureGaugeBar({ excessL, nominalVolumeL: 8, prechargeGaugeBar: charge, stretchLPerBar: 0.03 });
        const before = acceptedWaterL({ nominalVolumeL: 8, prechargeGaugeBar: charge, systemGaugeBar: 2 }) + 0.06;
        const after = at(before - drawnL);
        return (
          after <= charge + 0.01 ||
          Math.abs(chargeFromDrawOff({ drawnL, beforeGaugeBar: 2, afterGaugeBar: after, nominalVolumeL: 8 }) - charge) < 1e-6
        );
      }),
    );
  });
});

describe('what a sheet works out to', () => {
  it('takes the label where it covers the static head, else the head', () => {
    expect(resolveCircuit(SHEET)).toMatchObject({ prechargeGaugeBar: 0.75, prechargeFrom: 'label' });
    expect(resolveCircuit({ ...SHEET, staticHeadM: 8 })).toMatchObject({ prechargeFrom: 'static-head' });
    close(resolveCircuit({ ...SHEET, staticHeadM: 8 }).prechargeGaugeBar, 0.785 + 0.25, 0.03);
    expect(resolveCircuit({ ...SHEET, vessel: { targetPrechargeBar: 1.2 } }).prechargeGaugeBar).toBe(1.2);
  });

  it('fills to charge + 0.3 and not below static + 0.5, or as the feed is set', () => {
    close(resolveCircuit(SHEET).fillGaugeBar, 1.05, 1e-9);
    close(resolveCircuit({ ...SHEET, fill: { kind: 'reducing-valve', setBar: 0.9 } }).fillGaugeBar, 0.9, 1e-9);
  });

  it('tells the head by what the feed was set to, where nobody measured it', () => {
    const head = (fill: CircuitSheet['fill']) =>
      resolveCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 6 }, fill }).staticGaugeBar;
    expect(Math.abs(head({ kind: 'pressurisation-unit', cutInBar: 2.4, cutOutBar: 2.9 }) - 1.9)).toBeLessThan(1e-9);
    expect(Math.abs(head({ kind: 'reducing-valve', setBar: 0.97 }) - 0.47)).toBeLessThan(1e-9);
    expect(head({ kind: 'pressurisation-unit', cutInBar: 0.3 })).toBe(0);
    expect(head({ kind: 'manual-loop' })).toBe(head(undefined));
  });
  it('believes a label that a known height does not refute, and none that it does', () => {
    const of = (staticHeadM?: number) =>
      resolveCircuit({
        kind: 'sealed-hot-water',
        vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.5 },
        reliefValve: { setBar: 3 },
        ...(staticHeadM === undefined ? {} : { staticHeadM }),
      });
    expect(of()).toMatchObject({ prechargeGaugeBar: 0.5, prechargeFrom: 'label' });
    expect(Math.abs(of().fillGaugeBar - 0.8)).toBeLessThan(1e-9);
    expect(of(3)).toMatchObject({ prechargeGaugeBar: 0.5, prechargeFrom: 'label' });
    expect(of(6).prechargeFrom).toBe('static-head');
    expect(of(6).prechargeGaugeBar).toBeGreaterThan(0.75);
  });
  it('says what it assumed', () => {
    expect(resolveCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 3 } }).assumed).toEqual(
      expect.arrayContaining(['waterVolumeL', 'staticHeadM', 'vessel.nominalVolumeL']),
    );
    expect(resolveCircuit(SHEET).assumed).not.toContain('waterVolumeL');
  });

  it('expects a swing of 0.3 to 0.7 bar of an ordinary wall boiler, in a band round it', () => {
    const c = resolveCircuit(SHEET);
    const hot = expectedPressure({ circuit: c, coldGaugeBar: 1, coldC: 17, flowC: 68 });
    expect(hot.gaugeBar - 1).toBeGreaterThan(0.3);
    expect(hot.gaugeBar - 1).toBeLessThan(0.7);
    expect(hot.lowGaugeBar).toBeLessThan(hot.gaugeBar);
    expect(hot.highGaugeBar).toBeGreaterThan(hot.gaugeBar);
  });

  it('keeps the middle within the band wherever it stood cold, below its charge too', () => {
    const c = resolveCircuit(SHEET);
    for (let coldGaugeBar = 0; coldGaugeBar < 2.5; coldGaugeBar += 0.1)
      for (const flowC of [25, 40, 60, 80]) {
        const hot = expectedPressure({ circuit: c, coldGaugeBar, coldC: 15, flowC });
        expect(hot.lowGaugeBar).toBeLessThanOrEqual(hot.gaugeBar);
        expect(hot.highGaugeBar).toBeGreaterThanOrEqual(hot.gaugeBar);
        expect(hot.lowGaugeBar).toBeGreaterThan(coldGaugeBar);
      }
  });

  it('warns about what cannot be right', () => {
    const codes = (s: CircuitSheet) => sheetWarnings(s).map((w) => w.code);
    expect(codes(SHEET)).toEqual([]);
    expect(codes({ ...SHEET, vessel: { nominalVolumeL: 8, targetPrechargeBar: 0.2 } })).toContain('charge-below-static-head');
    expect(codes({ ...SHEET, reliefValve: { setBar: 3, ageYears: 12, capacityKw: 10 } })).toEqual(
      expect.arrayContaining(['relief-old', 'relief-capacity-below-output']),
    );
    expect(codes({ ...SHEET, waterVolumeL: 300 })).toContain('hot-near-relief');
    expect(codes({ ...SHEET, vessel: { nominalVolumeL: 8, isolationValve: 'fitted' } })).toContain('valve-before-vessel');
  });
});

it('knows the weight of water and of air', () => {
  close(staticHeadBar(10), 0.981, 0.001);
  close(atmosphericBar(0), 1.01325, 1e-9);
  // ISA table, from memory: 898.8 hPa at 1000 m.
  close(atmosphericBar(1000), 0.8988, 0.0005);
});
