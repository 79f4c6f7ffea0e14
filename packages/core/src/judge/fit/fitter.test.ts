import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { atGaugeLevel, resolveCircuit } from '../../circuit/resolveCircuit';
import { simulateCase } from '../../simulate/simulateCase';
import { fitterOf, HASTY_LENDING, LENDING } from './fitter';
import type { FaultId } from '../faults';
import { SLOT } from './kernel';
import { QUICK, THOROUGH } from './effort';
import { logModelOf, waysApart } from './logModel';
import { layOutLog } from '../layOut/layOutLog';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  waterVolumeSource: 'measured',
  heatOutputKw: 24,
  staticHeadM: 4,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  gauge: { resolutionBar: 0.02 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
};
const circuit = resolveCircuit(SHEET);
const log = simulateCase({
  circuit: SHEET,
  faults: [{ id: 'fill-loop-passing', severity: 0.5, parameters: { startGaugeBar: 1, inflowByFill: 1 } }],
  schedule: { startC: 17, durationS: 3600, stepS: 60, heat: [] },
  gauge: { resolutionBar: 0.02 },
  seed: 3,
}).log;
const tracks = [layOutLog(log, circuit)!];
const fitter = fitterOf(SHEET, circuit, tracks, [], QUICK, new Map());

it('counts in how many ways two models differ', () => {
  expect(waysApart(logModelOf(['none']), logModelOf(['vessel-gas-valve-leaking']))).toBe(0);
  expect(waysApart(logModelOf(['none']), logModelOf(['circuit-leak']))).toBe(1);
  expect(waysApart(logModelOf(['vessel-undercharged']), logModelOf(['circuit-leak', 'gauge-misreading']))).toBe(3);
});

it('fits a model once, whoever asks, and the two ways in alike while no log parts them', () => {
  const fill = fitter.fitOf(logModelOf(['fill-loop-passing'])),
    coil = fitter.fitOf(logModelOf(['dhw-plate-perforated']));
  expect(fitter.fitOf(logModelOf(['reducing-valve-creeping']))).toBe(fill);
  expect(coil.logEvidence).toBe(fill.logEvidence);
  // The water comes the other way.
  expect(coil.draws[5]!.v[SLOT.inCoil]).toBe(fill.draws[5]!.v[SLOT.inFill]);
  expect(coil.draws[5]!.v[SLOT.inFill]).toBe(0);
});

it('lending makes no fit worse', () => {
  for (const faults of [['none'], ['circuit-leak'], ['vessel-undercharged'], ['circuit-leak', 'fill-loop-passing']] as const)
    fitter.fitOf(logModelOf(faults));
  const before = new Map([...fitter.looked()].map(([k, l]) => [k, l.found.logEvidence]));
  fitter.lendToNeighbours(LENDING);
  for (const [key, evidence] of before) expect(fitter.looked().get(key)!.found.logEvidence).toBeGreaterThanOrEqual(evidence);
});

it('holds a model with a hole more to what the same without it allows', () => {
  const held = fitterOf(SHEET, circuit, tracks, [], QUICK, new Map());
  for (const faults of [['fill-loop-passing'], ['circuit-leak', 'fill-loop-passing']] as const) held.fitOf(logModelOf(faults));
  held.holdToSimpler();
  const inflow = held.fitOf(logModelOf(['fill-loop-passing'])),
    both = held.fitOf(logModelOf(['circuit-leak', 'fill-loop-passing']));
  expect(both.effective).toBeLessThan(inflow.effective);
  expect(both.logEvidence).toBeLessThanOrEqual(inflow.logEvidence + Math.max(0, both.peak - inflow.peak) + 1.001);
  // The inflow itself is seen, so nothing holds it down.
  expect(inflow.logEvidence).toBeGreaterThan(held.fitOf(logModelOf(['none'])).logEvidence + 3);
});

it('measures on where it is told to: the same fit by more draws, with the same answer but for their chance', () => {
  const careful = fitterOf(SHEET, circuit, tracks, [], THOROUGH, new Map()),
    inflow = logModelOf(['fill-loop-passing']),
    leak = logModelOf(['circuit-leak']);
  const [one, other] = [careful.fitOf(inflow), careful.fitOf(leak)];
  const asked: number[] = [];
  // Both ways in are one model here.
  careful.drawOn([inflow, logModelOf(['dhw-plate-perforated'])], (models) => (asked.push(models), 700));
  const more = careful.fitOf(inflow);
  expect(asked).toEqual([1]);
  expect(more.draws.length).toBe(one.draws.length + 700);
  expect(more.effective).toBeGreaterThan(1.5 * one.effective);
  expect(Math.abs(more.logEvidence - one.logEvidence)).toBeLessThan(0.5);
  expect(more.draws.reduce((a, d) => a + d.weight, 0)).toBeCloseTo(1, 9);
  expect(careful.fitOf(logModelOf(['dhw-plate-perforated'])).draws.length).toBe(more.draws.length);
  expect(careful.fitOf(leak)).toBe(other);
});

it('what a hasty look missed is found from where a neighbour stands', () => {
  // Hardly any gas is nearly none in play: few starts of the one come to where the other lies at once. It falls cold, by a relief that
  // passes, and goes up to it hot.
  const drained: CircuitSheet = {
    kind: 'sealed-hot-water',
    heatOutputKw: 24,
    gauge: { kind: 'sensor', resolutionBar: 0.02 },
    vessel: { nominalVolumeL: 18, isolationValve: 'fitted-with-drain' },
    reliefValve: { setBar: 3 },
    fill: { kind: 'manual-loop', mainsBar: 2.8 },
    waterVolumeL: 101,
    waterVolumeSource: 'estimated',
    staticHeadM: 1.8,
    maxFlowC: 60,
  };
  const c = atGaugeLevel(resolveCircuit(drained)),
    min = [0, 1, 2, 3, 5, 5.6, 6.2, 7, 8, 9, 10, 11.6, 12.2, 14, 15, 15.6];
  const pressureBar = [0.86, 0.72, 0.6, 0.66, 0.98, 1.2, 1.5, 1.84, 2.18, 2.56, 2.94, 2.72, 2.54, 2.6, 2.82, 2.88],
    flowC = [20, 20, 20, 33, 34, 36, 37, 39, null, 43, 45, 48, 49, 51, 51, 52];
  const steep = [
    layOutLog(
      { source: 'logger', samples: { tS: min.map((m) => 60 * m), pressureBar, flowC }, events: [{ tS: 150, kind: 'heat-on' }] },
      c,
    )!,
  ];
  // One start only, in the middle of what is likely.
  const hasty = fitterOf(drained, c, steep, [], { ...QUICK, starts: 1, scouts: 0 }, new Map()),
    evidence = (...faults: FaultId[]) => hasty.fitOf(logModelOf(faults)).logEvidence;
  for (const faults of [['vessel-undercharged'], ['vessel-isolated'], ['vessel-overcharged'], ['relief-valve-passing']] as const)
    evidence(...faults);
  const alone = evidence('relief-valve-passing', 'vessel-undercharged'),
    neighbour = evidence('relief-valve-passing', 'vessel-isolated');
  expect(alone).toBeLessThan(neighbour - HASTY_LENDING.outdoneBy);
  hasty.lendToNeighbours(HASTY_LENDING);
  expect(evidence('relief-valve-passing', 'vessel-undercharged')).toBeGreaterThan(neighbour - HASTY_LENDING.outdoneBy);
});
