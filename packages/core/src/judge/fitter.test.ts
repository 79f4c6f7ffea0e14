import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { simulateCase } from '../simulate/simulateCase';
import { fitterOf } from './fitter';
import { SLOT } from './kernel';
import { QUICK } from './LogFit';
import { logModelOf, waysApart } from './logModel';
import { layOutLog } from './LogTrack';

const SHEET: CircuitSheet = { kind: 'sealed-hot-water', waterVolumeL: 95, waterVolumeSource: 'measured', heatOutputKw: 24, staticHeadM: 4, maxFlowC: 70, reliefValve: { setBar: 3 }, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 }, gauge: { resolutionBar: 0.02 }, fill: { kind: 'manual-loop', mainsBar: 3.5 } };
const circuit = resolveCircuit(SHEET);
const log = simulateCase({ circuit: SHEET, faults: [{ id: 'fill-loop-passing', severity: 0.5, parameters: { startGaugeBar: 1, inflowByFill: 1 } }], schedule: { startC: 17, durationS: 3600, stepS: 60, heat: [] }, gauge: { resolutionBar: 0.02 }, seed: 3 }).log;
const tracks = [layOutLog(log, circuit)!];
const fitter = fitterOf(SHEET, circuit, tracks, [], QUICK, new Map());

it('counts in how many ways two models differ', () => {
  expect(waysApart(logModelOf(['none']), logModelOf(['vessel-gas-valve-leaking']))).toBe(0);
  expect(waysApart(logModelOf(['none']), logModelOf(['circuit-leak']))).toBe(1);
  expect(waysApart(logModelOf(['vessel-undercharged']), logModelOf(['circuit-leak', 'gauge-misreading']))).toBe(3);
});

it('fits a model once, whoever asks, and the two ways in alike while no log parts them', () => {
  const fill = fitter.fitOf(logModelOf(['fill-loop-passing'])), coil = fitter.fitOf(logModelOf(['dhw-plate-perforated']));
  expect(fitter.fitOf(logModelOf(['reducing-valve-creeping']))).toBe(fill);
  expect(coil.logEvidence).toBe(fill.logEvidence);
  // The water comes the other way.
  expect(coil.draws[5]!.v[SLOT.inCoil]).toBe(fill.draws[5]!.v[SLOT.inFill]);
  expect(coil.draws[5]!.v[SLOT.inFill]).toBe(0);
});

it('lending makes no fit worse', () => {
  for (const faults of [['none'], ['circuit-leak'], ['vessel-undercharged'], ['circuit-leak', 'fill-loop-passing']] as const) fitter.fitOf(logModelOf(faults));
  const before = new Map([...fitter.looked()].map(([k, l]) => [k, l.found.logEvidence]));
  fitter.lendToNeighbours();
  for (const [key, evidence] of before) expect(fitter.looked().get(key)!.found.logEvidence).toBeGreaterThanOrEqual(evidence);
});

it('holds a model with a hole more to what the same without it allows', () => {
  const held = fitterOf(SHEET, circuit, tracks, [], QUICK, new Map());
  for (const faults of [['fill-loop-passing'], ['circuit-leak', 'fill-loop-passing']] as const) held.fitOf(logModelOf(faults));
  held.holdToSimpler();
  const inflow = held.fitOf(logModelOf(['fill-loop-passing'])), both = held.fitOf(logModelOf(['circuit-leak', 'fill-loop-passing']));
  expect(both.effective).toBeLessThan(inflow.effective);
  expect(both.logEvidence).toBeLessThanOrEqual(inflow.logEvidence + Math.max(0, both.peak - inflow.peak) + 1.001);
  // The inflow itself is seen, so nothing holds it down.
  expect(inflow.logEvidence).toBeGreaterThan(held.fitOf(logModelOf(['none'])).logEvidence + 3);
});
