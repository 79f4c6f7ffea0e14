import { resolveCircuit, simulateCase, type CircuitSheet, type SimulationRequest } from '@jumper/core';
import { figureView, loopView, type FigureInput } from '../figure/figureView';
import { METRIC, type Units } from '../units/units';

/** Logs of made-up circuits, worked out by the plant simulator: what the figure has to stand. */
const WALL: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.7,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  gauge: { resolutionBar: 0.1 },
};
const TALL: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 4000,
  waterVolumeSource: 'measured',
  heatOutputKw: 400,
  staticHeadM: 31,
  maxFlowC: 80,
  reliefValve: { setBar: 10 },
  vessel: { nominalVolumeL: 600, labelPrechargeBar: 3.4 },
  gauge: { resolutionBar: 0.1 },
  fill: { kind: 'pressurisation-unit', cutInBar: 3.8, cutOutBar: 4.2 },
};

const run = (circuit: CircuitSheet, minutes: number, stepMin: number, faults: SimulationRequest['faults'], heatOffMin = minutes) => ({
  ...simulateCase({
    circuit,
    faults,
    schedule: { startC: 16, durationS: 60 * minutes, stepS: 60 * stepMin, heat: [{ onS: 60, offS: 60 * heatOffMin }] },
    seed: 5,
  }).log,
  startedAt: '2026-03-04T09:10:00Z',
});
const cycles = (days: number) =>
  simulateCase({
    circuit: WALL,
    faults: [{ id: 'circuit-leak', severity: 0, parameters: { leak: 0.006, startGaugeBar: 1.6 } }],
    schedule: {
      startC: 16,
      durationS: 86_400 * days,
      stepS: 300,
      heat: Array.from({ length: 2 * days }, (_, i) => ({ onS: 43_200 * i + 21_600, offS: 43_200 * i + 30_600 })),
    },
    seed: 6,
  }).log;

const fault = (id: SimulationRequest['faults'][number]['id'], parameters: Record<string, number> = {}) => [
  { id, severity: 0.6, parameters },
];
const PSI: Units = { ...METRIC, pressure: 'psi', temperature: '°F' };
const flat = run(WALL, 15, 3, fault('vessel-undercharged', { prechargeGaugeBar: -0.15, startGaugeBar: 1 }));
const sound = run(WALL, 21, 3, fault('none', { startGaugeBar: 1.1 }));

const sample = (
  id: string,
  title: string,
  input: Omit<FigureInput, 'circuit' | 'heatOn'> & { heatOn?: boolean },
  units: Units = METRIC,
  predicted: { min: number; bar: number }[] | null = null,
) => ({ id, title, units, predicted, view: figureView({ heatOn: false, ...input, circuit: resolveCircuit(input.sheet) }) });

export const FIGURE_SAMPLES = [
  sample('first', 'Before the first reading', { log: null, sheet: WALL }),
  sample('unknown', 'Charge not known', {
    log: flat,
    sheet: { ...WALL, vessel: { nominalVolumeL: 8 } },
    chargeNow: { median: 0.12, p05: 0, p95: 0.4 },
  }),
  sample(
    'flat',
    'Rising too much, in psi',
    { log: flat, sheet: WALL, heatOn: true },
    PSI,
    flat.samples.tS.map((t, i) => ({ min: t / 60, bar: (flat.samples.pressureBar[i] ?? 1) + 0.05 })),
  ),
  sample('after', 'After the work, over the run before', { log: sound, sheet: WALL, before: { label: 'before the work', log: flat } }),
  sample('close', 'Rungs close together', {
    log: sound,
    sheet: { ...WALL, staticHeadM: 7, vessel: { nominalVolumeL: 8, labelPrechargeBar: 1 } },
  }),
  sample('tall', 'Ten bar', { log: run(TALL, 90, 5, fault('none', { startGaugeBar: 4 })), sheet: TALL }),
  sample('week', 'A week, two cycles a day', { log: { ...cycles(7), startedAt: '2026-03-02T00:00:00Z' }, sheet: WALL }),
];
export const LOOP_SAMPLE = loopView(
  run(WALL, 60, 2, fault('vessel-undercharged', { prechargeGaugeBar: 0.1, startGaugeBar: 1 }), 25),
  resolveCircuit(WALL),
)!;
