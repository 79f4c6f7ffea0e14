import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { PressureLog } from '../log/PressureLog';
import { simulateCase } from '../simulate/simulateCase';
import { diagnose } from './diagnose';
import { LITTLE_GAS } from './faultGroups';
import { layOutLog } from './layOut/layOutLog';

const HOUR_S = 3600;
const HOME: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 180,
  waterVolumeSource: 'measured',
  heatOutputKw: 24,
  staticHeadM: 5,
  gauge: { kind: 'sensor', resolutionBar: 0.01 },
  vessel: { nominalVolumeL: 25, labelPrechargeBar: 0.9 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 4 },
  domesticHotWater: { kind: 'indirect-coil' },
  maxFlowC: 70,
};
// Heats of different lengths, so that slices of time begin and end anywhere in them.
const heat = [
  [3.1, 4.6],
  [9.4, 11.9],
  [16.2, 17.4],
  [23.7, 26.3],
  [32.5, 33.4],
  [40.3, 42.8],
].map(([on, off]) => ({ onS: on! * HOUR_S, offS: off! * HOUR_S }));
const days = simulateCase({
  circuit: HOME,
  faults: [{ id: 'vessel-undercharged', severity: 0.5, parameters: { prechargeGaugeBar: 0.1 } }],
  schedule: { startC: 16, durationS: 48 * HOUR_S, stepS: 60, heat },
  seed: 5,
}).log;

it('two days of pressure without one temperature tell the charge, since it is known to the minute when the heat was on', () => {
  const blind: PressureLog = { ...days, source: 'logger', samples: { tS: days.samples.tS, pressureBar: days.samples.pressureBar } };
  const d = diagnose({ format: 'jumper-case', version: 1, id: 'days', circuit: HOME, logs: [blind] });
  expect(d.hypotheses[0]!.faults).toEqual(['vessel-undercharged']);
  expect(d.marginals['gauge-misreading']!).toBeLessThan(0.1);
  expect(Math.abs(d.estimates.prechargeBar!.median - 0.1)).toBeLessThan(0.12);
});

it('a unit’s pump that ran for minutes begins the water anew in a log of days too', () => {
  const unit: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 3000,
    heatOutputKw: 400,
    vessel: { nominalVolumeL: 240 },
    reliefValve: { setBar: 4 },
    fill: { kind: 'pressurisation-unit', cutInBar: 1.5, cutOutBar: 1.9 },
  };
  const tS = Array.from({ length: 2400 }, (_, i) => 60 * i),
    ranS = 1200 * 60;
  // It sinks slowly to the lower limit, is lifted in three minutes, and sinks again.
  const pressureBar = tS.map((t) =>
    t <= ranS ? 1.9 - (0.4 * t) / ranS : Math.min(1.9, 1.5 + (0.4 * (t - ranS)) / 180) - (0.4 * Math.max(0, t - ranS - 180)) / ranS,
  );
  const track = layOutLog({ source: 'logger', samples: { tS, pressureBar, flowC: tS.map(() => 18) } }, resolveCircuit(unit))!;
  const begins = [...track.starts.keys()].filter((i) => track.starts[i] && i > 0);
  expect(begins.length).toBeGreaterThan(0);
  for (const i of begins) {
    expect(track.tS[i]!).toBeGreaterThan(ranS);
    expect(track.tS[i - 1]!).toBeLessThan(ranS + 200);
  }
});

it('the doubt about the water’s temperature stays for an hour or two after a heat, however cold the pipes are by then', () => {
  const tS = Array.from({ length: 120 }, (_, i) => 300 * i),
    hot = (t: number) => t >= 6000 && t < 12_000,
    flowC = tS.map((t) => (hot(t) ? 68 : 18));
  const track = layOutLog(
    {
      source: 'logger',
      samples: { tS, pressureBar: tS.map((t) => (hot(t) ? 1.5 : 1.1)), flowC, returnC: flowC.map((c) => (c > 20 ? c - 12 : c)) },
      events: [
        { tS: 6000, kind: 'heat-on' },
        { tS: 12_000, kind: 'heat-off' },
      ],
    },
    resolveCircuit(HOME),
  )!;
  const doubtK = (fromS: number, toS: number) =>
    Math.max(...[...track.tS.keys()].filter((i) => track.tS[i]! >= fromS && track.tS[i]! <= toS).map((i) => track.temperatureErrorK[i]!));
  const idleK = doubtK(0, 4500);
  expect(doubtK(13_000, 18_000)).toBeGreaterThan(idleK + 0.5);
  expect(doubtK(25_000, 36_000)).toBeLessThan(idleK + 0.1);
});

it('a circuit that stands cold for a day and a night, read every minute, is in order', () => {
  const { log } = simulateCase({
    circuit: HOME,
    faults: [],
    schedule: { startC: 18, durationS: 24 * HOUR_S, stepS: 60, heat: [] },
    seed: 5,
  });
  const d = diagnose({ format: 'jumper-case', version: 1, id: 'night', circuit: HOME, logs: [{ ...log, source: 'logger' }] });
  expect(d.hypotheses[0]!.faults).toEqual(['none']);
  expect(d.hypotheses[0]!.probability).toBeGreaterThan(0.5);
});

it('twelve days of a circuit without its vessel, whose relief lifts in every heat, are no relief that passes', () => {
  const heat = Array.from({ length: 36 }, (_, i) => {
    const onS = Math.round((i * 8 + 2.3 + ((i * 7) % 5) * 0.3) * HOUR_S);
    return { onS, offS: Math.round(onS + (1.4 + ((i * 3) % 4) * 0.4) * HOUR_S) };
  });
  const { log } = simulateCase({
    circuit: HOME,
    faults: [{ id: 'vessel-isolated', severity: 1 }],
    schedule: { startC: 16, durationS: 12 * 24 * HOUR_S, stepS: 60, heat },
    seed: 5,
  });
  const d = diagnose({ format: 'jumper-case', version: 1, id: 'twelve', circuit: HOME, logs: [{ ...log, source: 'logger' }] });
  const share = d.hypotheses.reduce((sum, h) => sum + (h.faults.length === 1 && LITTLE_GAS.includes(h.faults[0]!) ? h.probability : 0), 0);
  expect(share).toBeGreaterThan(0.8);
});
