import fc from 'fast-check';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { PLANT_FAULTS } from './plantFaults';
import { seededRandom } from './seededRandom';
import { FaultNotSimulated, simulateCase } from './simulateCase';
import type { FaultId } from '../judge/faults';
import { expectedPressure } from '../circuit/expectedPressure';
import { resolveCircuit } from '../circuit/resolveCircuit';

const CIRCUIT: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.6,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  maxFlowC: 70,
  gauge: { resolutionBar: 0.001 },
};
const schedule = { startC: 18, durationS: 5400, stepS: 60, heat: [{ onS: 300, offS: 3000 }] };
const run = (id: FaultId, severity: number, seed = 1) =>
  simulateCase({ circuit: CIRCUIT, faults: [{ id, severity }], schedule, gauge: { resolutionBar: 0.001, noiseBar: 0 }, seed });
const peak = (id: FaultId, severity: number) => Math.max(...(run(id, severity).log.samples.pressureBar as number[]));

it('keeps count of every drop, whatever the fault', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...(Object.keys(PLANT_FAULTS) as FaultId[])),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (id, severity) => {
        const { massKg } = run(id, severity).truth;
        return Math.abs(massKg.in - massKg.out - (massKg.last - massKg.first)) < 1e-9 * massKg.first;
      },
    ),
    { numRuns: process.env.JUMPER_LONG ? 300 : 60 },
  );
});

it('a healthy plant runs inside the band that is shown to the technician', () => {
  const hot = Math.max(...(run('none', 0).log.samples.flowC as number[]));
  const band = expectedPressure({ circuit: resolveCircuit(CIRCUIT), coldGaugeBar: 1.05, coldC: 18, flowC: hot });
  expect(peak('none', 0)).toBeGreaterThan(band.lowGaugeBar);
  expect(peak('none', 0)).toBeLessThan(band.highGaugeBar);
});

it('less gas, higher peak, until the relief holds it', () => {
  const peaks = [0, 0.2, 0.4, 0.6, 0.8].map((s) => peak('vessel-undercharged', s));
  expect([...peaks].sort((a, b) => a - b)).toEqual(peaks);
  expect(peak('vessel-undercharged', 1)).toBeLessThan(3.2);
  expect(run('vessel-isolated', 1).truth.reliefOpenS).toBeGreaterThan(0);
});

it('a pinhole makes it rise, a leak fall, more the larger', () => {
  const last = (id: FaultId, s: number) => run(id, s).log.samples.pressureBar.at(-1)!;
  expect(last('dhw-plate-perforated', 0.7)).toBeGreaterThan(last('dhw-plate-perforated', 0.3));
  expect(last('circuit-leak', 0.8)).toBeLessThan(last('circuit-leak', 0.4));
});

it('the same seed gives the same log, another seed another', () => {
  const noisy = (seed: number) =>
    simulateCase({ circuit: CIRCUIT, faults: [], schedule, gauge: { resolutionBar: 0.001, noiseBar: 0.02 }, seed }).log.samples.pressureBar;
  expect(noisy(4)).toEqual(noisy(4));
  expect(noisy(4)).not.toEqual(noisy(5));
});

it('actions act: a draw-off takes its volume, a closed main stops the pinhole', () => {
  const { truth } = simulateCase({
    circuit: CIRCUIT,
    faults: [],
    schedule: { ...schedule, heat: [], actions: [{ tS: 600, kind: 'drawn-off', volumeL: 0.5 }] },
  });
  expect(Math.abs(truth.massKg.out - 0.5)).toBeLessThan(0.002);
  const closed = simulateCase({
    circuit: CIRCUIT,
    faults: [{ id: 'dhw-plate-perforated', severity: 0.7 }],
    schedule: { ...schedule, heat: [], actions: [{ tS: 0, kind: 'cold-main-closed' }] },
  });
  expect(closed.truth.massKg.in).toBe(0);
});

it('refuses a fault that it cannot show', () => {
  expect(() => run('steam-vents-failed', 1)).toThrow(FaultNotSimulated);
});

it('the generator is uniform and normal enough', () => {
  const r = seededRandom(9);
  const u = Array.from({ length: 20_000 }, () => r.uniform()),
    n = Array.from({ length: 20_000 }, () => r.normal());
  const mean = (x: number[]) => x.reduce((a, b) => a + b, 0) / x.length;
  expect(Math.abs(mean(u) - 0.5)).toBeLessThan(0.01);
  expect(Math.abs(mean(n))).toBeLessThan(0.03);
  expect(Math.abs(mean(n.map((x) => x * x)) - 1)).toBeLessThan(0.05);
});

it('a fault that begins later leaves the time before it alone, and the water is still all there', () => {
  const circuit = {
    kind: 'sealed-hot-water' as const,
    waterVolumeL: 95,
    vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
    reliefValve: { setBar: 3 },
  };
  const schedule = { startC: 18, durationS: 7200, stepS: 60, heat: [] };
  const of = (startS?: number) =>
    simulateCase({
      circuit,
      faults: [{ id: 'circuit-leak', severity: 0.7, ...(startS ? { startS } : {}) }],
      schedule,
      gauge: { resolutionBar: 0.01, noiseBar: 0 },
    });
  const late = of(3600),
    sound = simulateCase({ circuit, faults: [{ id: 'none', severity: 0 }], schedule, gauge: { resolutionBar: 0.01, noiseBar: 0 } });
  expect(late.log.samples.pressureBar.slice(0, 60)).toEqual(sound.log.samples.pressureBar.slice(0, 60));
  expect(late.log.samples.pressureBar.at(-1)!).toBeLessThan(sound.log.samples.pressureBar.at(-1)! - 0.1);
  expect(late.log.samples.pressureBar.at(-1)!).toBeGreaterThan(of().log.samples.pressureBar.at(-1)!);
  const { first, last, in: into, out } = late.truth.massKg;
  expect(Math.abs(into - out - (last - first))).toBeLessThan(1e-9 * first);
});

describe('a plant with more to it', () => {
  const day = 86_400;
  const balanced = (truth: ReturnType<typeof simulateCase>['truth']) =>
    Math.abs(truth.massKg.in - truth.massKg.out - (truth.massKg.last - truth.massKg.first)) / truth.massKg.first;
  const quiet = { resolutionBar: 0.001, noiseBar: 0 };
  const BUILDING: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 2500,
    heatOutputKw: 250,
    staticHeadM: 12,
    vessels: [
      { nominalVolumeL: 200, labelPrechargeBar: 1.5 },
      { nominalVolumeL: 100, labelPrechargeBar: 1.5, heightAboveGaugeM: 3 },
    ],
    reliefValve: { setBar: 4 },
    fill: { kind: 'pressurisation-unit', cutInBar: 1.7, cutOutBar: 2 },
    maxFlowC: 75,
    gauge: { resolutionBar: 0.001 },
  };
  const twice = (onS: number) => [0, 1].map((i) => ({ onS: onS + 43_200 * i, offS: onS + 43_200 * i + 14_400 }));

  it('keeps its water over a week with zones, mains that swing, a unit that pumps and a leak', () => {
    const { truth } = simulateCase({
      circuit: BUILDING,
      faults: [{ id: 'circuit-leak', severity: 1 }],
      gauge: quiet,
      plant: { mainsSwingBar: 0.5, gasWarmsShare: 0.2, zones: [{ share: 0.6 }, { share: 0.4, openS: [{ fromS: 0, toS: 3 * day }] }] },
      schedule: {
        startC: 18,
        durationS: 7 * day,
        stepS: 600,
        heat: Array.from({ length: 14 }, (_, i) => ({ onS: 43_200 * i + 3600, offS: 43_200 * i + 18_000 })),
      },
    });
    expect(balanced(truth)).toBeLessThan(1e-9);
    expect(truth.unitStarts).toBeGreaterThan(3);
  });

  it('a unit starts at its cut-in and stops at its cut-out; one whose switch sticks pumps past it', () => {
    const lowest = (id: FaultId, severity: number) => {
      const { log } = simulateCase({
        circuit: BUILDING,
        faults: [
          { id: 'circuit-leak', severity: 1 },
          { id, severity },
        ],
        gauge: quiet,
        schedule: { startC: 18, durationS: 2 * day, stepS: 300, heat: [] },
      });
      const p = log.samples.pressureBar as number[];
      return { low: Math.min(...p), high: Math.max(...p) };
    };
    const sound = lowest('none', 0);
    expect(sound.low).toBeGreaterThan(1.69);
    expect(sound.high).toBeLessThan(2.02);
    expect(lowest('pressurisation-unit-fault', 0.9).high).toBeGreaterThan(2.4);
    expect(lowest('pressurisation-unit-fault', 0.2).low).toBeLessThan(1.6);
  });

  it('a shut zone keeps its water cold, and so the swing smaller', () => {
    const peakWith = (openS?: { fromS: number; toS: number }[]) =>
      Math.max(
        ...(simulateCase({
          circuit: CIRCUIT,
          faults: [],
          gauge: quiet,
          plant: { zones: [{ share: 0.5 }, { share: 0.5, ...(openS ? { openS } : {}) }] },
          schedule: { ...schedule, durationS: 3000 },
        }).log.samples.pressureBar as number[]),
      );
    expect(peakWith([])).toBeLessThan(peakWith() - 0.15);
  });

  it('a pinhole from mains that swing with the day pushes hardest at night', () => {
    const { log } = simulateCase({
      circuit: CIRCUIT,
      faults: [{ id: 'dhw-plate-perforated', severity: 0.1 }],
      gauge: quiet,
      plant: { mainsSwingBar: 1.5, startHour: 0 },
      schedule: { startC: 18, durationS: day, stepS: 3600, heat: [] },
    });
    const p = log.samples.pressureBar as number[],
      gained = (from: number, to: number) => p[to]! - p[from]!;
    expect(gained(1, 5)).toBeGreaterThan(gained(13, 17));
  });

  it('the user tops up what leaks away, and the log does not say so', () => {
    const { log, truth } = simulateCase({
      circuit: CIRCUIT,
      faults: [{ id: 'circuit-leak', severity: 0.6 }],
      gauge: quiet,
      plant: { topsUpBelowGaugeBar: 0.7 },
      schedule: { startC: 18, durationS: 7 * day, stepS: 1800, heat: twice(3600) },
    });
    expect(truth.toppedUpS.length).toBeGreaterThan(1);
    expect(log.events!.some((e) => e.kind === 'top-up')).toBe(false);
    expect(balanced(truth)).toBeLessThan(1e-9);
  });

  it('bleeding takes the air, and the pressure with it', () => {
    const { log, truth } = simulateCase({
      circuit: CIRCUIT,
      faults: [{ id: 'air-in-circuit', severity: 0.5 }],
      gauge: quiet,
      schedule: { startC: 18, durationS: 1200, stepS: 60, heat: [], actions: [{ tS: 600, kind: 'vented' }] },
    });
    const p = log.samples.pressureBar as number[];
    expect(p[12]!).toBeLessThan(p[8]! - 0.2);
    expect(balanced(truth)).toBeLessThan(1e-9);
  });

  it('a needle that sticks moves in jerks, a slow sensor comes late, a drifting one wanders', () => {
    const of = (gauge: object) =>
      simulateCase({ circuit: CIRCUIT, faults: [], schedule: { ...schedule, durationS: 2400 }, gauge: { ...quiet, ...gauge } }).log.samples
        .pressureBar as number[];
    const true_ = of({}),
      sticking = of({ stictionBar: 0.15 }),
      slow = of({ lagS: 300 }),
      drifting = of({ driftBarPerDay: 0.5 }),
      aside = of({ parallaxBar: 0.04 });
    expect(new Set(sticking).size).toBeLessThan(new Set(true_).size / 2);
    expect(Math.max(...sticking.map((p, i) => Math.abs(p - true_[i]!)))).toBeLessThanOrEqual(0.151);
    expect(slow[12]!).toBeLessThan(true_[12]! - 0.02);
    expect(Math.abs(drifting.at(-1)! - true_.at(-1)! - (0.5 * 2400) / day)).toBeLessThan(0.002);
    aside.forEach((p, i) => expect(Math.abs(p - true_[i]! - 0.04)).toBeLessThan(0.0011));
  });

  it('a pump shows on the gauge while it runs, by where it stands', () => {
    const change = (position: 'towards-vessel' | 'away-from-vessel') => {
      const of = (pumpHeadBar: number) =>
        simulateCase({ circuit: { ...CIRCUIT, pump: { position } }, faults: [], schedule, gauge: quiet, plant: { pumpHeadBar } }).log
          .samples.pressureBar as number[];
      return of(0.3).map((p, i) => p - of(0)[i]!);
    };
    const away = change('away-from-vessel'),
      towards = change('towards-vessel');
    expect(away[20]!).toBeGreaterThan(0.15);
    expect(towards[20]!).toBeLessThan(-0.15);
    expect(away[2]!).toBe(0);
  });

  it('a vessel up in the loft, less squeezed by the water above the gauge, swings less than the same one beside it', () => {
    const peakAt = (heightAboveGaugeM: number) =>
      Math.max(
        ...(simulateCase({
          circuit: { ...CIRCUIT, vessel: { ...CIRCUIT.vessel!, targetPrechargeBar: 0.5, heightAboveGaugeM } },
          faults: [{ id: 'none', severity: 0, parameters: { startGaugeBar: 1 } }],
          schedule,
          gauge: quiet,
        }).log.samples.pressureBar as number[]),
      );
    expect(peakAt(4)).toBeLessThan(peakAt(0) - 0.02);
  });

  it.each([
    ['vessel-overcharged', 1],
    ['boiler-overheating', 1],
    ['vessel-undersized', 1],
    ['fill-loop-passing', 1],
    ['relief-valve-passing', -1],
    ['air-vent-faulty', -1],
    ['boiler-exchanger-leak', -1],
    ['relief-valve-lifts-early', -1],
  ] as [FaultId, number][])('%s: the worse it is, the further it goes', (id, sign) => {
    const ends = [0.2, 0.6, 1].map((s) => {
      const p = run(id, s).log.samples.pressureBar as number[];
      return sign > 0 ? Math.max(...p) : p.at(-1)!;
    });
    expect(sign * (ends[1]! - ends[0]!)).toBeGreaterThanOrEqual(-1e-9);
    expect(sign * (ends[2]! - ends[1]!)).toBeGreaterThanOrEqual(-1e-9);
    expect(sign * (ends[2]! - ends[0]!)).toBeGreaterThan(0.02);
  });

  it('filled too high stands high from the start, filled too low stands low', () => {
    const begins = (id: FaultId, severity: number) => run(id, severity).log.samples.pressureBar[0]!;
    expect(begins('fill-pressure-too-high', 1)).toBeGreaterThan(begins('fill-pressure-too-high', 0.2) + 0.2);
    expect(begins('fill-pressure-too-low', 1)).toBeLessThan(begins('fill-pressure-too-low', 0.2) - 0.2);
  });
});
