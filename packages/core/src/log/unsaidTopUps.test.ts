import { simulateCase } from '../simulate/simulateCase';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { PressureLog } from './PressureLog';
import { unsaidTopUps } from './unsaidTopUps';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 4,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
};
const minutely = (pressureBar: number[], flowC = pressureBar.map(() => 18)): PressureLog => ({
  source: 'logger',
  samples: { tS: pressureBar.map((_, i) => 60 * i), pressureBar, flowC },
});
const level = (bar: number, n = 8) => Array<number>(n).fill(bar);
const DAY = {
  startC: 17,
  durationS: 86_400,
  stepS: 60,
  heat: [
    { onS: 20_000, offS: 26_000, maxC: 70 },
    { onS: 60_000, offS: 66_000, maxC: 70 },
  ],
};

it('sees water let in between two readings, and over two of them, as one step', () => {
  expect(unsaidTopUps(minutely([...level(0.7), ...level(1.3)]), 0.01)).toEqual([{ tS: 480, kind: 'top-up' }]);
  expect(unsaidTopUps(minutely([...level(0.7), 1.05, ...level(1.3)]), 0.01)).toHaveLength(1);
});

it('leaves heat, holes, hand logs, small steps and what was written down alone', () => {
  const stepped = [...level(0.7), ...level(1.3)];
  expect(
    unsaidTopUps(
      minutely(
        stepped,
        stepped.map((p) => (p > 1 ? 35 : 18)),
      ),
      0.01,
    ),
  ).toEqual([]);
  expect(unsaidTopUps(minutely(Array.from({ length: 20 }, (_, i) => 1 + 0.3 * i)), 0.01)).toEqual([]);
  expect(unsaidTopUps({ ...minutely(stepped), source: 'hand' }, 0.01)).toEqual([]);
  expect(unsaidTopUps(minutely([...level(1), ...level(1.2)]), 0.01)).toEqual([]);
  expect(unsaidTopUps(minutely([...level(1), ...level(1.4)]), 0.2)).toEqual([]);
  expect(unsaidTopUps({ ...minutely(stepped), events: [{ tS: 470, kind: 'top-up' }] }, 0.01)).toEqual([]);
});

it('finds the one top-up of a simulated day, written down or not, and none in a day without', () => {
  const day = (actions: { tS: number; kind: 'top-up'; volumeL: number }[]) =>
    simulateCase({
      circuit: SHEET,
      faults: [{ id: 'circuit-leak', severity: 0.3, parameters: { startGaugeBar: 1.2 } }],
      schedule: { ...DAY, actions },
      gauge: { resolutionBar: 0.01 },
      seed: 5,
    }).log;
  const told = day([{ tS: 45_000, kind: 'top-up', volumeL: 1.5 }]),
    unsaid: PressureLog = { ...told, source: 'logger', events: told.events!.filter((e) => e.kind !== 'top-up') };
  const found = unsaidTopUps(unsaid, 0.01);
  expect(found).toHaveLength(1);
  expect(Math.abs(found[0]!.tS - 45_000)).toBeLessThan(600);
  expect(unsaidTopUps({ ...day([]), source: 'logger' }, 0.01)).toEqual([]);
});

it('what steps up by half a bar every half hour was let in by nobody; once a day it may have been', () => {
  const every = (n: number, readings: number) =>
    minutely(Array.from({ length: n * readings }, (_, i) => (i % readings < readings / 2 ? 0.7 : 1.3)));
  expect(unsaidTopUps(every(4, 30), 0.01)).toHaveLength(4);
  expect(unsaidTopUps(every(20, 30), 0.01)).toEqual([]);
  expect(unsaidTopUps(every(20, 1440), 0.01)).toHaveLength(20);
});
