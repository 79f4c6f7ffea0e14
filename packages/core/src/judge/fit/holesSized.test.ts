import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { resolveCircuit } from '../../circuit/resolveCircuit';
import { simulateCase } from '../../simulate/simulateCase';
import type { FaultId } from '../faults';
import { layOutLog } from '../layOut/layOutLog';
import { descend } from './descent';
import { nearestTo } from './findModes';
import { fitLogs } from './fitLogs';
import { holesSized } from './holesSized';
import { SLOT } from './kernel';
import { logModelOf } from './logModel';
import { Misses } from './Misses';
import { parameterSpace } from './parameters/parameterSpace';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 75,
  heatOutputKw: 20,
  staticHeadM: 4,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  fill: { kind: 'manual-loop' },
  gauge: { kind: 'sensor', resolutionBar: 0.01 },
};
const circuit = resolveCircuit(SHEET);
/** Cold throughout, and losing water until the vessel has none left and the pressure falls off. */
const { log } = simulateCase({
  circuit: SHEET,
  faults: [{ id: 'circuit-leak', severity: 0.5, parameters: { startGaugeBar: 0.95, leak: 3.5 } }],
  schedule: { startC: 18, durationS: 4200, stepS: 20, heat: [] },
  seed: 5,
});
const tracks = [layOutLog(log, circuit)!],
  spaceOf = (faults: FaultId[]) => parameterSpace(logModelOf(faults), SHEET, circuit, tracks),
  missesOf = (faults: FaultId[]) => new Misses(spaceOf(faults), tracks, circuit.atmosphericBar, []);
const leak = missesOf(['circuit-leak']),
  fitted = fitLogs(leak.space, tracks, circuit.atmosphericBar, { seed: 1 });
const valueAt = (misses: Misses, place: Float64Array) => misses.at(place, new Float64Array(misses.rows)) + misses.logDet;

it('the circuit runs empty while it is logged, and its leak explains that', () => {
  expect(Math.min(...log.samples.pressureBar.map((p) => p ?? 9))).toBeLessThan(0.05);
  expect(Math.max(...log.samples.pressureBar.map((p) => p ?? 0))).toBeGreaterThan(0.9);
  expect(fitted.misfit).toBeLessThan(1);
});

// What comes in beside it goes out as well: the larger the one, the larger the other has to be.
it.each([0.1, 0.3, 1])('a leak beside %d L/h that comes in lends its place to a leak by itself', (inLPerH) => {
  const other = fitted.best.slice();
  other[SLOT.inFill] = inLPerH;
  const both = missesOf(['circuit-leak', 'fill-loop-passing']),
    hole = both.space.free.findIndex((p) => p.slot === SLOT.outCircuit),
    place = nearestTo(both.space, other),
    values = Array.from({ length: 300 }, (_, k) => place.with(hole, place[hole]! + k / 200)),
    outer = values.reduce((a, b) => (valueAt(both, b) < valueAt(both, a) ? b : a));
  both.set(outer);
  const lent = both.v.slice(),
    plain = nearestTo(leak.space, lent),
    sized = holesSized(leak, plain, lent);
  expect(lent[SLOT.outCircuit]!).toBeGreaterThan(1.05 * fitted.best[SLOT.outCircuit]!);
  expect(-descend(leak, sized, 12).value).toBeGreaterThan(fitted.peak - 1);
  expect(-descend(leak, plain, 12).value).toBeLessThan(fitted.peak - 50);
});

it('leaves a place alone that lacks no hole, and never makes one worse', () => {
  const place = nearestTo(leak.space, fitted.best);
  expect(holesSized(leak, place, fitted.best)).toBe(place);
  const lent = fitted.best.slice();
  lent[SLOT.inFill] = 2;
  for (const p of [place, nearestTo(leak.space, lent)])
    expect(valueAt(leak, holesSized(leak, p, lent))).toBeLessThanOrEqual(valueAt(leak, p));
});
