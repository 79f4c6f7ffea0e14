import type { CircuitSheet } from '../circuit/CircuitSheet';
import { spikesOut } from '../log/cleanLog';
import type { PressureLog } from '../log/PressureLog';
import { simulateCase } from '../simulate/simulateCase';
import { diagnose } from './diagnose';

// What a sensor writes once in a thousand readings is its own fault, and no circuit's. Common practice.
const WALL: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.6,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 70,
};
const { log } = simulateCase({
  circuit: WALL,
  faults: [],
  schedule: { startC: 17, durationS: 5400, stepS: 10, heat: [{ onS: 600, offS: 3600 }] },
  seed: 1,
});
const sound: PressureLog = { ...log, source: 'logger' };
const slipped = (key: 'pressureBar' | 'flowC' | 'returnC', at: Record<number, number>): PressureLog => ({
  ...sound,
  samples: { ...sound.samples, [key]: sound.samples[key]!.map((x, i) => at[i] ?? x) },
});
const first = (l: PressureLog) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'slips', circuit: WALL, logs: [l], findings: [] }).hypotheses[0]!;

it.each([
  ['a pressure far too high, and one of nothing', slipped('pressureBar', { 200: 9, 320: 0 })],
  ['a sensor that wakes up at 85 °C', slipped('flowC', { 0: 85 })],
  ['127 °C once, hot', slipped('flowC', { 300: 127 })],
  ['nothing on the return, once', slipped('returnC', { 250: 0 })],
])('%s: nothing wrong, as without it', (_, l) => {
  const said = first(l),
    without = first(sound);
  expect(said.faults).toEqual(['none']);
  expect(Math.abs(said.probability - without.probability)).toBeLessThan(0.05);
});

it('leaves what goes on, what a hand read, and a log without slips alone', () => {
  expect(spikesOut(sound)).toBe(sound);
  const byHand = { ...slipped('pressureBar', { 200: 9 }), source: 'hand' as const };
  expect(spikesOut(byHand)).toBe(byHand);
  // Two readings running are what happened.
  expect(spikesOut(slipped('pressureBar', { 200: 2.6, 201: 2.6 })).samples.pressureBar[200]).toBe(2.6);
  expect(spikesOut(slipped('flowC', { 300: 90, 301: 90 })).samples.flowC![300]).toBe(90);
});
