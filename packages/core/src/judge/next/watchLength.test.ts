import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { PressureLog } from '../../log/PressureLog';
import { readingSd } from '../findings/readingSd';
import { TEST_IDS } from '../tests';
import { creepSeenBarPerH, testMinutes, watchLengthMin } from './watchLength';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 240,
  staticHeadM: 5,
  reliefValve: { setBar: 2.07 },
  vessel: { nominalVolumeL: 35, labelPrechargeBar: 0.83 },
  fill: { kind: 'reducing-valve', setBar: 0.97 },
  gauge: { resolutionBar: 0.05 },
};
const circuit = resolveCircuit(SHEET);
const idle = (pressureBar: number[]): PressureLog => ({
  samples: { tS: pressureBar.map((_, i) => 600 * i), pressureBar, flowC: pressureBar.map(() => 18) },
});

it('a creep that a log showed is watched until it would clearly have gone on, and what is quick no shorter than usual', () => {
  const minutes = (barPerH: number) => watchLengthMin('fill-isolated-watch', circuit, barPerH)!;
  // Beyond reading a difference twice, by two and a half times its error, rounded to five minutes.
  expect((minutes(0.2) / 60) * 0.2).toBeGreaterThan(2.3 * readingSd(circuit));
  expect(minutes(0.1)).toBeGreaterThan(minutes(0.2));
  expect([minutes(5), minutes(0.001)]).toEqual([15, 120]);
});

it('with no creep seen it is the time that two litres an hour need here', () => {
  const large = resolveCircuit({ ...SHEET, vessel: { nominalVolumeL: 300, labelPrechargeBar: 0.83 } });
  expect(watchLengthMin('fill-isolated-watch', large)).toBe(90);
  expect(watchLengthMin('fill-isolated-watch', circuit)!).toBeLessThan(90);
  expect(TEST_IDS.filter((t) => watchLengthMin(t, circuit) !== null)).toEqual(
    expect.arrayContaining(['coil-isolated-watch', 'fill-disconnected-watch']),
  );
  expect(testMinutes('gas-valve-press', circuit, 0.1)).toBe(2);
});

it('a creep is seen only where it is more than the reading of it', () => {
  expect(creepSeenBarPerH([idle([1.2, 1.25, 1.3, 1.35, 1.4, 1.45, 1.5])], 0.05)).toBeCloseTo(0.3, 2);
  expect(creepSeenBarPerH([idle([1.5, 1.45, 1.4, 1.35, 1.3, 1.25, 1.2])], 0.05)).toBeCloseTo(0.3, 2);
  expect(creepSeenBarPerH([idle([1.2, 1.2, 1.25, 1.2, 1.2, 1.25, 1.2])], 0.05)).toBeNull();
  expect(creepSeenBarPerH([], 0.05)).toBeNull();
});
