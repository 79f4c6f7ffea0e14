import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { LogEvent } from '../../log/PressureLog';
import { simulateCase } from '../../simulate/simulateCase';
import { SLOT } from '../fit/kernel';
import { fitLogs } from '../fit/fitLogs';
import { logModelOf } from '../fit/logModel';
import { layOutLog } from './layOutLog';
import { mergedWhereStraight } from './mergeStraight';
import { parameterSpace } from '../fit/parameters/parameterSpace';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 4,
  gauge: { kind: 'sensor', resolutionBar: 0.01 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 70,
};
const circuit = resolveCircuit(SHEET);
const logged = (actions: LogEvent[] = []) =>
  simulateCase({
    circuit: SHEET,
    faults: [{ id: 'vessel-undercharged', severity: 0.4 }],
    schedule: { startC: 17, durationS: 7200, stepS: 5, heat: [{ onS: 600, offS: 2700 }], actions },
  }).log;
const whole = layOutLog(logged(), circuit)!,
  merged = mergedWhereStraight(whole);

it('a logger’s track comes down to a good third of its points or less, and its line passes through all of them', () => {
  expect(whole.n).toBeGreaterThan(80);
  expect(merged.n).toBeLessThan(0.45 * whole.n);
  for (let i = 0; i < whole.n; i++) {
    const k = merged.tS.findIndex((t) => t >= whole.tS[i]!);
    if (k < 1) continue;
    const share = (whole.tS[i]! - merged.tS[k - 1]!) / (merged.tS[k]! - merged.tS[k - 1]!);
    // Two lines meet between the means of their points: the corner itself is cut by a part of a block's length.
    expect(Math.abs(merged.gaugeBar[k - 1]! + share * (merged.gaugeBar[k]! - merged.gaugeBar[k - 1]!) - whole.gaugeBar[i]!)).toBeLessThan(
      0.03,
    );
  }
});

it('what was read stands in as many readings as before: means of the points, and an error the smaller the more they are', () => {
  const points = (t: typeof whole) => t.variance.reduce((sum, v) => sum + 1 / v, 0);
  expect(Math.abs(points(merged) / points(whole) - 1)).toBeLessThan(0.01);
});

it('whatever is opened, shut or let out stands between points of its own', () => {
  const track = layOutLog(
    logged([
      { tS: 4000, kind: 'cold-main-closed' },
      { tS: 5200, kind: 'cold-main-opened' },
      { tS: 6100, kind: 'drawn-off', volumeL: 0.3 },
    ]),
    circuit,
  )!;
  const t = mergedWhereStraight(track);
  const shutS = (of: typeof track) => [...of.fillOn].reduce((sum, on, i) => sum + (i > 0 ? (1 - on) * (of.tS[i]! - of.tS[i - 1]!) : 0), 0);
  expect(Math.abs(shutS(t) - shutS(track))).toBeLessThan(1);
  expect(t.drawnL.reduce((a, b) => a + b, 0)).toBeCloseTo(0.3, 9);
  const before = [...t.drawnL].findIndex((l) => l > 0),
    same = [...track.drawnL].findIndex((l) => l > 0);
  expect(t.tS[before]).toBe(track.tS[same]);
  expect(t.tS[before - 1]).toBe(track.tS[same - 1]);
});

it('few points stay as they were read', () => {
  const hand = layOutLog(
    {
      source: 'hand',
      samples: { tS: [0, 300, 600, 900], pressureBar: [1, 1.1, 1.2, 1.3], flowC: [18, 30, 42, 54] },
      events: [{ tS: 0, kind: 'heat-on' }],
    },
    circuit,
  )!;
  expect(mergedWhereStraight(hand)).toBe(hand);
});

it('says of the charge what all the points say', () => {
  const chargeOf = (track: typeof whole) => {
    const fit = fitLogs(parameterSpace(logModelOf(['vessel-undercharged']), SHEET, circuit, [track]), [track], circuit.atmosphericBar, {
      seed: 1,
    });
    return fit.draws.reduce((sum, d) => sum + d.weight * (d.v[SLOT.gas]! / circuit.vesselL - circuit.atmosphericBar), 0);
  };
  expect(Math.abs(chargeOf(merged) - chargeOf(whole))).toBeLessThan(0.06);
});
