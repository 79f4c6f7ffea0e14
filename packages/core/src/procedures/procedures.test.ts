import * as fc from 'fast-check';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { testRow } from '../judge/tests';
import { afterDrawGaugeBar, drainedL, expectedNumbers } from './expectedNumbers';
import { readFinding } from './readFinding';
import { SEALED_TESTS, stepsOf } from './testSteps';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  staticHeadM: 4.5,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  gauge: { resolutionBar: 0.1 },
  maxFlowC: 70,
};
const close = (actual: number, expected: number, tolerance: number) => expect(Math.abs(actual - expected)).toBeLessThan(tolerance);
const numberOf = (test: Parameters<typeof expectedNumbers>[0], code: string, situation = {}) =>
  expectedNumbers(test, SHEET, situation).find((n) => n.code === code)!;

describe('test cards', () => {
  it.each(SEALED_TESTS)('%s has steps, and a meaning for each thing that can come out', (test) => {
    const steps = stepsOf(test)!,
      row = testRow(test);
    expect(steps.steps.length).toBeGreaterThan(0);
    const wanted = row.outcomes ?? Object.keys(steps.means);
    expect(Object.keys(steps.means).sort()).toEqual([...wanted].sort());
    if (!row.outcomes) expect(wanted.every((w) => ['low', 'right', 'high'].includes(w))).toBe(true);
  });

  it('asks for cool water wherever something is drained', () => {
    for (const test of SEALED_TESTS) if (testRow(test).intrusive) expect([test, testRow(test).coolBelowC]).toEqual([test, 50]);
  });
});

describe('numbers for this circuit', () => {
  // Physics sheet's worked example: 8 L vessel charged to 1.0, from 1.5 bar, half a litre out: 1.318 bar with no stretch.
  it('a draw-off, against the gas law', () =>
    close(
      afterDrawGaugeBar(
        { ...resolveCircuit({ ...SHEET, waterVolumeL: 1, vessel: { nominalVolumeL: 8, targetPrechargeBar: 1 } }), stretchLPerBar: 1e-6 },
        1.5,
        0.5,
      ),
      1.318,
      0.001,
    ));

  // The gas law for a sound 8 L vessel at 0.75: 2.4 L from 1.5 bar, and the boiler's 2.5 L.
  it('what a drained boiler gives back', () => close(drainedL(resolveCircuit(SHEET), 1.5), 2.4 + 2.5, 0.15));

  it('a flat vessel falls further for the same draw', () => {
    expect(numberOf('draw-off', 'after-flat', { nowBar: 1.4 }).value).toBeLessThan(
      numberOf('draw-off', 'after-right', { nowBar: 1.4 }).value - 0.02,
    );
  });

  it('a longer watch lets a litre an hour rise further, in proportion', () => {
    close(
      numberOf('coil-isolated-watch', 'litre-an-hour-rises', { watchMin: 40 }).value /
        numberOf('coil-isolated-watch', 'litre-an-hour-rises', { watchMin: 10 }).value,
      4,
      1e-9,
    );
  });

  it('never expects a draw-off to raise the gauge', () => {
    const c = resolveCircuit(SHEET);
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 2.8, noNaN: true }),
        fc.double({ min: 0.01, max: 2, noNaN: true }),
        (before, litres) => afterDrawGaugeBar(c, before, litres) < before,
      ),
    );
  });
});

describe('a measured value, in a word', () => {
  it.each([
    [{ test: 'idle-cold-pressure', valueBar: 2 }, 'high'],
    [{ test: 'idle-cold-pressure', valueBar: 1.1 }, 'right'],
    [{ test: 'idle-cold-pressure', valueBar: 0.4 }, 'low'],
    [{ test: 'precharge', valueBar: 0.2, circuitBar: 0 }, 'low'],
    [{ test: 'precharge', valueBar: 0.75, circuitBar: 0 }, 'right'],
    [{ test: 'precharge', valueBar: 1.2, circuitBar: 1.2 }, null],
    [{ test: 'second-gauge', valueBar: 1, firstGaugeBar: 1.6 }, 'high'],
    [{ test: 'fill-disconnected-watch', startBar: 1.9, endBar: 2.3, minutes: 15 }, 'high'],
    [{ test: 'fill-disconnected-watch', startBar: 1.9, endBar: 1.9, minutes: 15 }, 'right'],
    [{ test: 'relief-marking', markedBar: 2.5 }, 'low'],
    [{ test: 'vessel-drained-volume', volumeL: 2.6, fromBar: 1.5 }, 'low'],
    [{ test: 'heat-run-after', coldBar: 1.1, hotBar: 2.7, hotC: 68 }, 'high'],
    [{ test: 'boiler-isolated-hold', boilerStartBar: 1.2, boilerEndBar: 0.8, minutes: 60 }, 'low'],
    [{ test: 'top-ups-per-month', count: 4 }, 'high'],
    [{ test: 'gas-valve-press', outcome: 'air' }, null],
    // 168 over 160 °F on a small load is ordinary. Common practice.
    [{ test: 'flow-return', flowC: 75.6, returnC: 71.1, minutesFiring: 10 }, 'right'],
    [{ test: 'flow-return', flowC: 82, returnC: 40, minutesFiring: 10 }, 'high'],
    [{ test: 'flow-return', flowC: 60, returnC: 59, minutesFiring: 10 }, 'low'],
    [{ test: 'flow-return', flowC: 40, returnC: 39, minutesFiring: 1 }, null],
    [{ test: 'zone-pipe-temperatures', calling: true, supplyC: 24, returnC: 22 }, 'low'],
    [{ test: 'zone-pipe-temperatures', calling: true, supplyC: 65, returnC: 30 }, 'high'],
    [{ test: 'zone-pipe-temperatures', calling: true, supplyC: 65, returnC: 55 }, 'right'],
    [{ test: 'zone-pipe-temperatures', calling: false, supplyC: 48, returnC: 41 }, 'high'],
    [{ test: 'zone-pipe-temperatures', calling: false, supplyC: 24 }, 'right'],
    [{ test: 'mixed-supply', setC: 46, valueC: 33 }, 'low'],
    [{ test: 'mixed-supply', setC: 46, valueC: 47 }, 'right'],
    [{ test: 'mixed-supply', setC: 46, valueC: 58 }, 'high'],
  ] as const)('%j is %s', (finding, word) => expect(readFinding(finding, SHEET)).toBe(word));

  it('the expected number itself reads as right', () => {
    const before = 1.5,
      after = afterDrawGaugeBar(resolveCircuit(SHEET), before, 0.5);
    expect(readFinding({ test: 'draw-off', volumeL: 0.5, beforeBar: before, afterBar: after }, SHEET)).toBe('right');
    expect(readFinding({ test: 'draw-off', volumeL: 0.5, beforeBar: before, afterBar: after - 0.4 }, SHEET)).toBe('low');
  });
});
