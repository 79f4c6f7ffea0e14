import { atGaugeLevel, resolveCircuit } from '../../circuit/resolveCircuit';
import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { PressureLog } from '../../log/PressureLog';
import { simulateCase } from '../../simulate/simulateCase';
import type { FaultId } from '../faults';
import { QUICK, THOROUGH } from './effort';
import { predictGauge, SLOT } from './kernel';
import { fitLogs } from './fitLogs';
import { layOutLog } from '../layOut/layOutLog';
import { logModelOf } from './logModel';
import { mergedWhereStraight } from '../layOut/mergeStraight';
import { parameterSpace } from './parameters/parameterSpace';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 100,
  heatOutputKw: 24,
  vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75 },
  staticHeadM: 4,
  reliefValve: { setBar: 3 },
  gauge: { resolutionBar: 0.1 },
  maxFlowC: 70,
};
const circuit = resolveCircuit(SHEET);
const logOf = (id: FaultId, severity: number): PressureLog =>
  simulateCase({
    circuit: SHEET,
    faults: [{ id, severity }],
    schedule: { startC: 17, durationS: 4200, stepS: 60, heat: [{ onS: 300, offS: 2400 }] },
    seed: 3,
  }).log;
const fitted = (log: PressureLog, faults: FaultId[], seed: number, effort = THOROUGH) => {
  const tracks = [layOutLog(log, circuit)!];
  return fitLogs(parameterSpace(logModelOf(faults), SHEET, circuit, tracks), tracks, circuit.atmosphericBar, { seed, effort });
};

type Models = [string, FaultId[]][];
const MODELS: Models = [
  ['nothing wrong', ['none']],
  ['little gas', ['vessel-undercharged']],
  ['too much gas', ['vessel-overcharged']],
  ['a leak', ['circuit-leak']],
  ['a leak and little gas', ['relief-valve-passing', 'vessel-undercharged']],
  ['a lying gauge', ['gauge-misreading']],
  ['a lying gauge and little gas', ['gauge-misreading', 'vessel-undercharged']],
];
/** Truths, and the models that come near to them. */
const TRUTHS: [string, FaultId, number, string[]][] = [
  ['a sound circuit', 'none', 0, ['nothing wrong', 'a lying gauge']],
  [
    'a flat vessel that lifts its relief',
    'vessel-undercharged',
    0.7,
    ['little gas', 'a leak and little gas', 'a lying gauge and little gas'],
  ],
  ['a leak', 'circuit-leak', 0.5, ['a leak', 'a leak and little gas']],
];

describe.each(TRUTHS)('evidence of models for %s', (_name, truth, severity, near) => {
  const log = logOf(truth, severity);
  it.each(MODELS)('%s: parameters integrated out can only cost; no draw is held for rarer than it was', (_model, faults) => {
    const runs = [1, 2, 3].map((seed) => fitted(log, faults, seed)),
      best = Math.max(...runs.map((r) => r.peak));
    for (const r of runs) expect(r.logEvidence).toBeLessThan(best + 0.5);
  });
  it.each(MODELS.filter(([name]) => near.includes(name)))('%s: the draws’ chance moves it little', (_model, faults) => {
    const found = [1, 2, 3, 4, 5].map((seed) => fitted(log, faults, seed).logEvidence).sort((a, b) => a - b);
    expect(found[4]! - found[0]!).toBeLessThan(0.8);
  });
  it.each(MODELS.filter(([name]) => near.includes(name)))(
    '%s: little is lost of what many draws find, in haste not much',
    (_model, faults) => {
      const many = fitted(log, faults, 1, { ...THOROUGH, draws: 20_000 }).logEvidence;
      for (const seed of [1, 2, 3, 4, 5]) {
        const lost = many - fitted(log, faults, seed).logEvidence,
          lostInHaste = many - fitted(log, faults, seed, QUICK).logEvidence;
        expect(lost).toBeGreaterThan(-0.5);
        expect(lost).toBeLessThan(0.8);
        expect(lostInHaste).toBeLessThan(2.5);
      }
    },
  );
});

describe('how far the temperatures are to be doubted', () => {
  const track = layOutLog(logOf('none', 0), circuit)!;
  it('is learned from the log: one that follows them closely is doubted less', () => {
    const close = fitted(logOf('none', 0), ['none'], 1);
    const doubt = close.draws.reduce((s, d) => s + d.weight * d.v[SLOT.doubt]!, 0);
    expect(doubt).toBeLessThan(1.1);
  });
  it('scales what a kelvin does, and nothing that the gauge shows', () => {
    const v = fitted(logOf('none', 0), ['none'], 1).best.slice();
    const of = (doubt: number) => {
      v[SLOT.doubt] = doubt;
      const out = new Float64Array(track.n),
        perKelvin = new Float64Array(track.n);
      predictGauge(track, v, circuit.atmosphericBar, out, perKelvin);
      return { out: [...out], perKelvin: [...perKelvin] };
    };
    expect(of(2).out).toEqual(of(1).out);
    of(1).perKelvin.forEach((k, i) => expect(Math.abs(of(2).perKelvin[i]! - 2 * k)).toBeLessThan(1e-9));
  });
  it('is nothing where the gauge lies at its foot', () => {
    const still = layOutLog({ source: 'logger', samples: { tS: [0, 600, 1200], pressureBar: [0, 0, 0], flowC: [18, 18, 18] } }, circuit)!;
    const v = fitted(logOf('none', 0), ['none'], 1).best.slice();
    v[SLOT.start] = -0.5;
    const out = new Float64Array(still.n),
      perKelvin = new Float64Array(still.n).fill(9);
    predictGauge(still, v, circuit.atmosphericBar, out, perKelvin);
    expect([...out, ...perKelvin]).toEqual([0, 0, 0, 0, 0, 0]);
  });
});

it('where a relief saws and a slope says little of where it shuts, other draws still give the same evidence', () => {
  const sheet: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 110,
    waterVolumeSource: 'estimated',
    heatOutputKw: 24,
    staticHeadM: 4,
    gauge: { kind: 'sensor', resolutionBar: 0.01 },
    vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
    reliefValve: { setBar: 3 },
    fill: { kind: 'manual-loop', mainsBar: 3.5 },
    domesticHotWater: { kind: 'plate-exchanger' },
    maxFlowC: 80,
  };
  const c = atGaugeLevel(resolveCircuit(sheet));
  const log = simulateCase({
    circuit: sheet,
    faults: [{ id: 'vessel-overcharged', severity: 0.5, parameters: { prechargeGaugeBar: 2.2 } }],
    schedule: { startC: 16, durationS: 6000, stepS: 60, heat: [{ onS: 600, offS: 2400 }] },
    gauge: { resolutionBar: 0.01 },
    seed: 2,
  }).log;
  const tracks = [mergedWhereStraight(layOutLog({ ...log, source: 'logger' }, c)!)],
    space = parameterSpace(logModelOf(['vessel-overcharged']), sheet, c, tracks);
  const evidence = [1, 2, 3, 4, 5, 6].map((seed) => fitLogs(space, tracks, c.atmosphericBar, { seed }).logEvidence);
  expect(Math.max(...evidence) - Math.min(...evidence)).toBeLessThan(1.5);
});
