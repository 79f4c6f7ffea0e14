import fc from 'fast-check';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { PLANT_FAULTS } from './plantFaults';
import { seededRandom } from './seededRandom';
import { FaultNotSimulated, simulateCase } from './simulateCase';
import type { FaultId } from '../judge/faults';
import { expectedPressure } from '../circuit/expectedPressure';
import { resolveCircuit } from '../circuit/resolveCircuit';

const CIRCUIT: CircuitSheet = { kind: 'sealed-hot-water', waterVolumeL: 95, heatOutputKw: 24, staticHeadM: 3.6, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 }, reliefValve: { setBar: 3 }, fill: { kind: 'manual-loop' }, maxFlowC: 70, gauge: { resolutionBar: 0.001 } };
const schedule = { startC: 18, durationS: 5400, stepS: 60, heat: [{ onS: 300, offS: 3000 }] };
const run = (id: FaultId, severity: number, seed = 1) => simulateCase({ circuit: CIRCUIT, faults: [{ id, severity }], schedule, gauge: { resolutionBar: 0.001, noiseBar: 0 }, seed });
const peak = (id: FaultId, severity: number) => Math.max(...(run(id, severity).log.samples.pressureBar as number[]));

it('keeps count of every drop, whatever the fault', () => {
  fc.assert(
    fc.property(fc.constantFrom(...(Object.keys(PLANT_FAULTS) as FaultId[])), fc.double({ min: 0, max: 1, noNaN: true }), (id, severity) => {
      const { massKg } = run(id, severity).truth;
      return Math.abs(massKg.in - massKg.out - (massKg.last - massKg.first)) < 1e-9 * massKg.first;
    }),
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
  const noisy = (seed: number) => simulateCase({ circuit: CIRCUIT, faults: [], schedule, gauge: { resolutionBar: 0.001, noiseBar: 0.02 }, seed }).log.samples.pressureBar;
  expect(noisy(4)).toEqual(noisy(4));
  expect(noisy(4)).not.toEqual(noisy(5));
});

it('actions act: a draw-off takes its volume, a closed main stops the pinhole', () => {
  const { truth } = simulateCase({ circuit: CIRCUIT, faults: [], schedule: { ...schedule, heat: [], actions: [{ tS: 600, kind: 'drawn-off', volumeL: 0.5 }] } });
  expect(Math.abs(truth.massKg.out - 0.5)).toBeLessThan(0.002);
  const closed = simulateCase({ circuit: CIRCUIT, faults: [{ id: 'dhw-plate-perforated', severity: 0.7 }], schedule: { ...schedule, heat: [], actions: [{ tS: 0, kind: 'cold-main-closed' }] } });
  expect(closed.truth.massKg.in).toBe(0);
});

it('refuses a fault that it cannot show', () => {
  expect(() => run('steam-vents-failed', 1)).toThrow(FaultNotSimulated);
});

it('the generator is uniform and normal enough', () => {
  const r = seededRandom(9);
  const u = Array.from({ length: 20_000 }, () => r.uniform()), n = Array.from({ length: 20_000 }, () => r.normal());
  const mean = (x: number[]) => x.reduce((a, b) => a + b, 0) / x.length;
  expect(Math.abs(mean(u) - 0.5)).toBeLessThan(0.01);
  expect(Math.abs(mean(n))).toBeLessThan(0.03);
  expect(Math.abs(mean(n.map((x) => x * x)) - 1)).toBeLessThan(0.05);
});

it('a fault that begins later leaves the time before it alone, and the water is still all there', () => {
  const circuit = { kind: 'sealed-hot-water' as const, waterVolumeL: 95, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 }, reliefValve: { setBar: 3 } };
  const schedule = { startC: 18, durationS: 7200, stepS: 60, heat: [] };
  const of = (startS?: number) => simulateCase({ circuit, faults: [{ id: 'circuit-leak', severity: 0.7, ...(startS ? { startS } : {}) }], schedule, gauge: { resolutionBar: 0.01, noiseBar: 0 } });
  const late = of(3600), sound = simulateCase({ circuit, faults: [{ id: 'none', severity: 0 }], schedule, gauge: { resolutionBar: 0.01, noiseBar: 0 } });
  expect(late.log.samples.pressureBar.slice(0, 60)).toEqual(sound.log.samples.pressureBar.slice(0, 60));
  expect(late.log.samples.pressureBar.at(-1)!).toBeLessThan(sound.log.samples.pressureBar.at(-1)! - 0.1);
  expect(late.log.samples.pressureBar.at(-1)!).toBeGreaterThan(of().log.samples.pressureBar.at(-1)!);
  const { first, last, in: into, out } = late.truth.massKg;
  expect(Math.abs(into - out - (last - first))).toBeLessThan(1e-9 * first);
});
