import { resolveCircuit } from '../../circuit/resolveCircuit';
import { pumpRuns } from './pumpRuns';

const UNIT = resolveCircuit({
  kind: 'sealed-hot-water',
  waterVolumeL: 800,
  vessel: { nominalVolumeL: 60 },
  reliefValve: { setBar: 4 },
  fill: { kind: 'pressurisation-unit', cutInBar: 1.4, cutOutBar: 2 },
});
const runs = (gaugeBar: number[], everyS: number, c = UNIT, meanC = gaugeBar.map(() => 30)) =>
  pumpRuns(
    gaugeBar,
    gaugeBar.map((_, i) => i * everyS),
    meanC,
    c,
  );

it('a jump between two readings from the lower limit to the upper is a run', () =>
  expect(runs([1.45, 1.42, 2, 2, 2.02], 300)).toEqual([2]));
it('a run that is seen in several points begins anew at each', () =>
  expect(runs([1.4, 1.4, 1.6, 1.85, 2, 2.02, 2.03], 60)).toEqual([2, 3, 4]));
it('a flat vessel climbs on past the limit, and is no run', () => expect(runs([1.4, 1.7, 2, 2.4, 2.8, 3.2], 120)).toEqual([]));
it('what heat lifts is no run, though it goes as far: a vessel with too much gas takes nothing at first', () =>
  expect(runs([1.42, 1.42, 1.95, 2, 2.05], 300, UNIT, [16, 16, 24, 30, 35])).toEqual([]));
it('a run is one though the heat goes on meanwhile, where the pressure then stands as the water warms on', () => {
  const warmsOn = [20, 20, 24, 29, 34],
    stands = [1.45, 1.42, 1.98, 2, 1.99];
  expect(runs(stands, 240, UNIT, warmsOn)).toEqual([2]);
  expect(runs([1.45, 1.42, 1.98, 2.3, 2.6], 240, UNIT, warmsOn)).toEqual([]);
  // Where the water warms no further nothing tells the two apart.
  expect(runs(stands, 240, UNIT, [20, 20, 24, 24, 24])).toEqual([]);
});
it('a slow rise is none, nor a step elsewhere', () => {
  expect(runs([1.4, 1.5, 1.6, 1.7, 1.8, 1.9, 2], 600)).toEqual([]);
  expect(runs([2.2, 2.6, 2.6, 2.6], 120)).toEqual([]);
});
it('without a unit, or with one whose limits nobody knows, nothing is taken for a run', () => {
  expect(runs([1.4, 2, 2], 120, resolveCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 3 } }))).toEqual([]);
  expect(
    runs([1.4, 2, 2], 120, resolveCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 3 }, fill: { kind: 'pressurisation-unit' } })),
  ).toEqual([]);
});
