import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { simulateCase } from '../simulate/simulateCase';
import { coldLevelDensity } from './levels/coldLevel';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import { predictGauge, SLOT } from './fit/kernel';
import { layOutLog } from './layOut/layOutLog';

const PLANT: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 2500,
  waterVolumeSource: 'estimated',
  heatOutputKw: 500,
  staticHeadM: 15,
  vessel: { nominalVolumeL: 400, targetPrechargeBar: 1.8 },
  reliefValve: { setBar: 5 },
  fill: { kind: 'pressurisation-unit', cutInBar: 2.1, cutOutBar: 2.5, mainsBar: 4 },
  domesticHotWater: { kind: 'none' },
  maxFlowC: 75,
};
const c = resolveCircuit(PLANT);
const idle = layOutLog(
  {
    source: 'logger',
    samples: {
      tS: Array.from({ length: 31 }, (_, i) => 60 * i),
      pressureBar: Array.from({ length: 31 }, () => 2.5),
      flowC: Array.from({ length: 31 }, () => 20),
    },
    events: [],
  },
  c,
)!;
const places = (): Float64Array => {
  const v = new Float64Array(SLOT.start + 1);
  v[SLOT.vesselL] = 400;
  v[SLOT.gas] = 400 * (1.8 + c.atmosphericBar);
  v[SLOT.contentL] = 2500;
  v[SLOT.share] = 1;
  v[SLOT.lagS] = 60;
  v[SLOT.stretch] = 0.8;
  v[SLOT.cap] = 0.9;
  v[SLOT.lift] = 5;
  v[SLOT.seat] = 0.9;
  v[SLOT.doubt] = 1;
  v[SLOT.mains] = 4;
  v[SLOT.feedHolds] = 3.2;
  v[SLOT.start] = 2.5;
  return v;
};
const shown = (lPerS: number): number[] => {
  const v = places(),
    out = new Float64Array(idle.n);
  v[SLOT.feedLPerS] = lPerS;
  predictGauge(idle, v, c.atmosphericBar, out, new Float64Array(idle.n));
  return [...out];
};
const judged = (id: FaultId, severity: number, kind: 'hand' | 'logger') => {
  const resolutionBar = kind === 'hand' ? 0.1 : 0.01,
    { log } = simulateCase({
      circuit: PLANT,
      faults: [{ id, severity }],
      schedule: { startC: 17, durationS: 6600, stepS: kind === 'hand' ? 240 : 20, heat: [{ onS: 900, offS: 4200 }] },
      gauge: { resolutionBar },
      seed: 3,
    });
  return diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'unit',
    circuit: { ...PLANT, gauge: { kind: kind === 'hand' ? 'dial' : 'sensor', resolutionBar } },
    logs: [{ ...log, source: kind }],
  });
};

it('a pump takes its time to what it holds, by the litres that the vessel takes up to there; a valve gives at once', () => {
  // Boyle: 400 L of gas charged to 1.8 bar.
  const gas = 400 * (1.8 + c.atmosphericBar),
    litresTo = (bar: number) => gas / (2.5 + c.atmosphericBar) - gas / (bar + c.atmosphericBar) + 0.8 * (bar - 2.5);
  for (const lPerS of [0.04, 0.06, 0.1]) {
    const out = shown(lPerS),
      late = out.findIndex((p) => p > 3.199),
      lastS = idle.tS[late]!;
    expect(Math.abs(lPerS * lastS - litresTo(3.2))).toBeLessThanOrEqual(lPerS * (idle.tS[1]! - idle.tS[0]!) + 0.5);
    out.slice(1).forEach((p, i) => expect(p).toBeGreaterThanOrEqual(out[i]! - 1e-9));
    expect(out.at(-1)!).toBeCloseTo(3.2, 6);
  }
  expect(shown(0)[1]).toBeCloseTo(3.2, 6);
});

it.each([
  [0.65, 'logger'],
  [0.95, 'logger'],
  [0.65, 'hand'],
  [0.85, 'hand'],
] as const)('a unit that pumps past its limit while it is watched is the unit (severity %s, %s)', (severity, kind) => {
  const { hypotheses, marginals } = judged('pressurisation-unit-fault', severity, kind);
  expect(hypotheses[0]!.faults).toEqual(['pressurisation-unit-fault']);
  expect(marginals['pressurisation-unit-fault']!).toBeGreaterThan(kind === 'logger' ? 0.6 : 0.4);
});

it('what goes on rising after it is a bypass sooner than a unit', () => {
  const { marginals } = judged('fill-bypass-open', 0.95, 'logger');
  expect(marginals['fill-bypass-open']!).toBeGreaterThan(2 * marginals['pressurisation-unit-fault']!);
});

it('one that pumps is met anywhere on the way to what it holds, one that has pumped at that', () => {
  const at = (lPerS: number) => (bar: number) => {
    const v = places();
    v[SLOT.feedLPerS] = lPerS;
    return coldLevelDensity(bar, ['pressurisation-unit-fault'], c, v);
  };
  expect(at(0.1)(2.6)).toBeGreaterThan(4 * at(0)(2.6));
  expect(at(0.1)(3.25)).toBeGreaterThan(at(0.1)(2.6));
  expect(at(0)(3.25)).toBeGreaterThan(at(0.1)(3.25));
});
