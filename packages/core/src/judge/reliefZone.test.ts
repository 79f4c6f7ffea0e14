import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { PressureLog } from '../log/PressureLog';
import { diagnose } from './diagnose';
import { layOutLog } from './layOut/layOutLog';
import { ANEW_AFTER } from './layOut/LogTrack';

const HOME: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 146,
  waterVolumeSource: 'measured',
  heatOutputKw: 24,
  staticHeadM: 4.9,
  vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75, isolationValve: 'fitted' },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.3 },
  domesticHotWater: { kind: 'indirect-coil' },
  gauge: { kind: 'dial', resolutionBar: 0.1 },
};
const judged = (log: PressureLog, circuit = HOME) => diagnose({ format: 'jumper-case', version: 1, id: 'zone', circuit, logs: [log] });
const byHand = (minutes: number[], pressureBar: number[], flowC: number[]): PressureLog => ({
  source: 'hand',
  samples: { tS: minutes.map((m) => 60 * m), pressureBar, flowC },
  events: [{ tS: 60, kind: 'heat-on' }],
});

describe('a warm circuit that lets go far below its relief’s setting', () => {
  const letGo = byHand(
    [0, 4, 8, 13, 19, 24, 30, 37, 43],
    [1.1, 1.1, 1.2, 1.4, 1.7, 1.8, 1.5, 1.6, 1.5],
    [16, 32, 51, 63, 71, 76, 80, 79, 80],
  );
  const held = byHand(
    [0, 4, 8, 13, 19, 24, 30, 37, 43],
    [1.1, 1.1, 1.2, 1.4, 1.7, 1.8, 1.9, 1.9, 1.9],
    [16, 32, 51, 63, 71, 76, 80, 79, 80],
  );
  it('is seen in the log, and only where it fell without cooling', () => {
    const seen = (log: PressureLog) => layOutLog(log, resolveCircuit(HOME))!.letGo !== null;
    expect(seen(letGo)).toBe(true);
    expect(seen(held)).toBe(false);
    expect(seen(byHand([0, 5, 10, 15, 20], [1.1, 1.5, 1.8, 1.5, 1.2], [16, 50, 76, 60, 40]))).toBe(false);
  });
  it('has a relief that lifts early rather than nothing wrong', () => {
    const d = judged(letGo);
    // Springs seldom drift so far: it takes more than one sign to put it first.
    const early = d.marginals['relief-valve-lifts-early']!;
    expect(early).toBeGreaterThan(0.15);
    expect(early).toBeGreaterThan(10 * judged(held).marginals['relief-valve-lifts-early']!);
  });
});

it('a circuit without its vessel that gives way a little below its relief is no vessel charged as high as that', () => {
  const minutes = Array.from({ length: 120 }, (_, i) => i / 2),
    flowC = minutes.map((m) => (m < 6 ? 14 : Math.min(60, 14 + 3.4 * (m - 6))) + 0.6 * Math.sin(m / 3));
  // As fast as the stretch alone gives, up to a relief that weeps from 2.5 bar on.
  const pressureBar = minutes.map((m) => {
    const bar = 1 + (m < 6 ? 0 : 0.4 * (m - 6));
    return Math.round(100 * (bar < 2.5 ? bar : 2.5 + 0.4 * (1 - Math.exp(-(bar - 2.5))) + 0.08 * Math.sin(m / 2))) / 100;
  });
  const d = judged({
    source: 'logger',
    samples: { tS: minutes.map((m) => 60 * m), pressureBar, flowC },
    events: [{ tS: 360, kind: 'heat-on' }],
  });
  const cutOff = d.marginals['vessel-isolated']! + d.marginals['vessel-connection-blocked']!;
  expect(cutOff).toBeGreaterThan(0.5);
  expect(cutOff).toBeGreaterThan(2 * d.marginals['vessel-overcharged']!);
});

it('what sensors read off an idle circuit back and forth moves no stiff circuit: a steady low pressure is a low fill', () => {
  const tS = Array.from({ length: 110 }, (_, i) => 30 * i),
    jitter = (i: number) => 0.35 * Math.sin(12.9898 * i + 78.233 * (i % 7));
  const log: PressureLog = {
    source: 'logger',
    samples: {
      tS,
      pressureBar: tS.map((_, i) => 0.4 + (i % 3 === 0 ? 0.01 : 0)),
      flowC: tS.map((_, i) => 14 + jitter(i)),
      returnC: tS.map((_, i) => 14 + jitter(i + 50)),
    },
  };
  const d = judged(log, {
    ...HOME,
    staticHeadM: 6,
    vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.85 },
    gauge: { kind: 'sensor', resolutionBar: 0.01 },
  });
  expect(d.hypotheses[0]!.faults).toEqual(['fill-pressure-too-low']);
});

it('a vessel charged to two bar gives its last at two bar, and the pressure falls all at once: nobody need have let water out', () => {
  // It lifts at the relief, cools, and drops when the vessel has given what it had.
  const minutes = [0, 5, 10, 15, 20, 25, 31, 36, 41, 46, 51, 56, 61, 66, 71, 76, 81, 86, 91];
  const log: PressureLog = {
    source: 'logger',
    samples: {
      tS: minutes.map((m) => 60 * m),
      pressureBar: [1.07, 1.06, 1.17, 2.26, 2.52, 2.82, 3.02, 2.73, 2.66, 2.54, 2.4, 2.28, 2.19, 0.65, 0.1, 0.05, 0.04, 0.03, 0.03],
      flowC: [15, 16, 21, 50, 64, 73, 77, 75, 65, 57, 51, 45, 40, 36, 33, 30, 28, 26, 25],
    },
    events: [
      { tS: 600, kind: 'heat-on' },
      { tS: 2040, kind: 'heat-off' },
    ],
  };
  const sheet: CircuitSheet = {
    kind: 'sealed-hot-water',
    heatOutputKw: 30,
    waterVolumeL: 111,
    waterVolumeSource: 'estimated',
    vessel: { nominalVolumeL: 6, labelPrechargeBar: 0.7, isolationValve: 'none' },
    reliefValve: { setBar: 3 },
    fill: { kind: 'manual-loop' },
    domesticHotWater: { kind: 'plate-exchanger' },
    gauge: { kind: 'sensor', resolutionBar: 0.01 },
    maxFlowC: 80,
  };
  const d = judged(log, sheet);
  expect(d.hypotheses[0]!.faults).toEqual(['vessel-overcharged']);
  expect(Math.abs(d.estimates.prechargeBar!.median - 2.1)).toBeLessThan(0.25);
});

describe('a circuit read at its relief as the heat goes off, and then no more until it is cold', () => {
  const cooledFrom = (lastBar: number): PressureLog => ({
    source: 'hand',
    samples: { tS: [0, 180, 360, 540, 3600], pressureBar: [1, 1.6, 2.35, 2.9, lastBar], flowC: [20, 40, 55, 63, 25] },
    events: [
      { tS: 0, kind: 'heat-on' },
      { tS: 540, kind: 'heat-off' },
    ],
  });
  it('is held to what it came up to, and what it cooled to begins from there', () => {
    expect([...layOutLog(cooledFrom(0.8), resolveCircuit(HOME))!.starts]).toEqual([1, 0, 0, ANEW_AFTER, 0]);
    const heatedOn = cooledFrom(0.8);
    heatedOn.events![1]!.tS = 1800;
    expect([...layOutLog(heatedOn, resolveCircuit(HOME))!.starts]).toEqual([1, 0, 0, 0, 1]);
  });
  it('has had no water come in, where it is lower cold than it was', () => {
    const inflow = (lastBar: number) => {
      const m = judged(cooledFrom(lastBar)).marginals;
      return m['fill-loop-passing']! + m['dhw-coil-perforated']!;
    };
    expect(inflow(0.8)).toBeLessThan(0.1);
    expect(inflow(2.2)).toBeGreaterThan(0.5);
  });
});
