import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { PressureLog } from '../log/PressureLog';
import { simulateCase } from '../simulate/simulateCase';
import { diagnose } from './diagnose';
import { LITTLE_GAS } from './faultGroups';
import type { FaultId } from './faults';
import { SLOT } from './fit/kernel';
import { layOutLog } from './layOut/layOutLog';
import { seenStepBar } from './layOut/readingStep';
import { logModelOf } from './fit/logModel';
import { parameterSpace } from './fit/parameters/parameterSpace';

const judged = (circuit: CircuitSheet, log: PressureLog) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'unsaid', circuit, logs: [log] });
const run = (circuit: CircuitSheet, id: FaultId, parameters: Record<string, number> = {}, resolutionBar = 0.01) =>
  simulateCase({
    circuit,
    faults: [{ id, severity: 0.6, parameters }],
    schedule: { startC: 17, durationS: 5400, stepS: 30, heat: [{ onS: 300, offS: 2400 }] },
    gauge: { resolutionBar },
    seed: 9,
  }).log;
const share = (d: ReturnType<typeof judged>, faults: readonly FaultId[]) =>
  d.hypotheses.filter((h) => h.faults.some((f) => faults.includes(f))).reduce((s, h) => s + h.probability, 0);

const ROOM: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 2600,
  waterVolumeSource: 'measured',
  heatOutputKw: 580,
  staticHeadM: 19,
  vessel: { nominalVolumeL: 280, labelPrechargeBar: 2.1 },
  reliefValve: { setBar: 5 },
  fill: { kind: 'pressurisation-unit', cutInBar: 2.4, cutOutBar: 2.9 },
  domesticHotWater: { kind: 'none' },
  maxFlowC: 70,
  gauge: { kind: 'sensor', resolutionBar: 0.02 },
};
const FED: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 180,
  heatOutputKw: 24,
  staticHeadM: 3.6,
  vessel: { nominalVolumeL: 18, labelPrechargeBar: 0.83 },
  reliefValve: { setBar: 2.07 },
  fill: { kind: 'reducing-valve', setBar: 0.97, mainsBar: 4 },
  domesticHotWater: { kind: 'indirect-coil' },
  maxFlowC: 75,
};
const WALL: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.6,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 70,
};

it('mains that nobody read may press harder than usual: water that comes in far above it is water that comes in', () => {
  const log = run({ ...ROOM, fill: { ...ROOM.fill!, mainsBar: 7 } }, 'fill-bypass-open', { startGaugeBar: 3, inflowByFill: 25 });
  expect(Math.max(...log.samples.pressureBar.map((p) => p ?? 0))).toBeGreaterThan(4.5);
  const d = judged(ROOM, log);
  expect(d.hypotheses[0]!.faults).toEqual(['fill-bypass-open']);
  expect(d.estimates.inflowLPerH!.median).toBeGreaterThan(0);
});

it('a circuit may feed itself though nobody wrote so: where the feed stops the fall is no lying gauge', () => {
  const log = run(FED, 'vessel-connection-blocked', { startGaugeBar: 1.2 });
  const { fill: _, ...unsaid } = FED,
    d = judged(unsaid, log);
  expect(share(d, ['gauge-misreading'])).toBeLessThan(0.2);
  expect(share(d, LITTLE_GAS)).toBeGreaterThan(0.7);
});

it('a sensor that rounds to quarters of a bar is not a gauge that lies', () => {
  const log = { ...run(WALL, 'vessel-undercharged', { prechargeGaugeBar: 0, startGaugeBar: 1 }, 0.25), source: 'logger' as const };
  const d = judged({ ...WALL, gauge: { kind: 'sensor', resolutionBar: 0.25 } }, log);
  expect(LITTLE_GAS).toContain(d.hypotheses[0]!.faults[0]);
  expect(share(d, LITTLE_GAS)).toBeGreaterThan(0.7);
});

it('where the sheet does not say what a gauge’s division is, the readings do', () => {
  const on = (stepBar: number, source: PressureLog['source'], n = 12): PressureLog => ({
    source,
    samples: {
      tS: Array.from({ length: n }, (_, i) => 60 * i),
      pressureBar: Array.from({ length: n }, (_, i) => Math.round((1 + 0.07 * i) / stepBar) * stepBar),
    },
  });
  expect(seenStepBar([on(0.25, 'hand')], 0.1)).toBe(0.25);
  expect(seenStepBar([on(0.2, 'logger')], 0.1)).toBe(0.2);
  // A hand reads half a division at best: on twentieths the dial has tenths.
  expect(seenStepBar([on(0.05, 'hand')], 0.1)).toBe(0.1);
  expect(seenStepBar([on(0.02, 'hand')], 0.1)).toBeCloseTo(0.04, 9);
  expect(seenStepBar([on(0.01, 'logger')], 0.1)).toBe(0.01);
  // Three readings on a coarse step say nothing, nor does a gauge that never moved.
  expect(seenStepBar([on(0.25, 'hand', 3)], 0.1)).toBe(0.1);
  expect(seenStepBar([], 0.1)).toBe(0.1);
});

it('with neither label nor height the charge may lie wide, wider under a higher relief, but never below what any water needs', () => {
  const bare = (setBar: number, more: Partial<CircuitSheet> = {}): CircuitSheet => ({
    kind: 'sealed-hot-water',
    reliefValve: { setBar },
    vessel: { nominalVolumeL: 10 },
    ...more,
  });
  const charges = (sheet: CircuitSheet) => {
    const c = resolveCircuit(sheet),
      gas = parameterSpace(logModelOf(['none']), sheet, c, []).free.find((p) => p.slot === SLOT.gas)!;
    return [-2, 0, 2].map((z) => gas.of(z) / c.vesselL - c.atmosphericBar) as [number, number, number];
  };
  const home = charges(bare(3)),
    tower = charges(bare(6)),
    told = charges(bare(3, { staticHeadM: 5 })),
    labelled = charges({ ...bare(3), vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75 } });
  expect(home[0]).toBeGreaterThanOrEqual(0.25 - 1e-9);
  expect(told[0]).toBeGreaterThanOrEqual(0.0981 * 5 + 0.05 - 1e-3);
  expect(tower[1]).toBeGreaterThan(home[1] + 0.5);
  const width = ([low, , high]: [number, number, number]) => high - low;
  expect(width(tower)).toBeGreaterThan(width(home));
  expect(width(home)).toBeGreaterThan(width(told));
  expect(width(told)).toBeGreaterThan(width(labelled));
  // A label carries the height that nobody measured.
  expect(resolveCircuit({ ...bare(4), vessel: { labelPrechargeBar: 0.75 } }).prechargeFrom).toBe('label');
});

it('a coarse step of a sensor is an error to one side, and a fine one none to speak of', () => {
  const log = (stepBar: number) => ({ ...run(WALL, 'none', {}, stepBar), source: 'logger' as const });
  const idle = (stepBar: number) =>
    layOutLog(log(stepBar), resolveCircuit({ ...WALL, gauge: { kind: 'sensor', resolutionBar: stepBar } }))!.modelErrorBar[0]!;
  expect(idle(0.25) - idle(0.01)).toBeGreaterThan(0.05);
  expect(idle(0.01)).toBeLessThan(0.02);
});

it('a gauge of which nobody said how fine it is reads as coarsely as it was read: to and fro by two tenths is no movement', () => {
  const handLog = (pressureBar: number[]): PressureLog => ({
    source: 'hand',
    samples: { tS: pressureBar.map((_, i) => 600 * i), pressureBar },
  });
  expect(seenStepBar([handLog([1.8, 1.6, 1.8, 1.6, 1.6, 1.8])], 0.1)).toBeCloseTo(0.2, 9);
  expect(seenStepBar([handLog([1.7, 1.6, 1.7, 1.6, 1.6, 1.7])], 0.1)).toBeCloseTo(0.1, 9);
  expect(seenStepBar([handLog([1.8, 1.8, 1.8, 1.6, 1.6, 1.6])], 0.1)).toBeCloseTo(0.1, 9);
});
