import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { LogEvent } from '../../log/PressureLog';
import { layOutLog } from './layOutLog';
import { stepsWhereSeen } from './stepsWhereSeen';

const MINUTES = [0, 300, 600, 900, 1200];
const placed = (gaugeBar: number[], e: LogEvent, stepBar = 0.05) => stepsWhereSeen([e], MINUTES, gaugeBar, stepBar).events[0]!.tS;

it('a top-up noted at the minute of the reading before it belongs to the reading that shows it', () => {
  expect(placed([0.4, 0.4, 0.4, 1.2, 1.2], { tS: 600, kind: 'top-up' })).toBe(900);
  expect(placed([0.4, 0.4, 1.2, 1.2, 1.2], { tS: 600, kind: 'top-up' })).toBe(600);
  expect(placed([0.4, 0.4, 1.2, 1.2, 1.2], { tS: 650, kind: 'top-up' })).toBe(600);
  expect(placed([0.4, 0.4, 0.4, 1.2, 1.2], { tS: 560, kind: 'top-up' })).toBe(900);
});

it('and stays where it was noted where no reading within a minute shows a step the right way', () => {
  expect(placed([1.2, 1.2, 1.2, 1.2, 1.2], { tS: 600, kind: 'top-up' })).toBe(600);
  expect(placed([1.2, 1.2, 1.2, 0.6, 0.6], { tS: 600, kind: 'top-up' })).toBe(600);
  expect(placed([0.4, 1.2, 1.2, 1.2, 1.2], { tS: 600, kind: 'top-up' })).toBe(600);
  // Between two readings there is but one that can show it.
  expect(placed([0.4, 0.4, 0.4, 1.2, 1.2], { tS: 750, kind: 'top-up' })).toBe(900);
});

it('what is let out steps down, and what moves no pressure is left alone', () => {
  expect(placed([1.1, 1.1, 1.1, 0.8, 0.8], { tS: 600, kind: 'drawn-off', volumeL: 0.5 })).toBe(900);
  expect(placed([1.1, 1.1, 1.1, 0.8, 0.8], { tS: 600, kind: 'fill-closed' })).toBe(600);
});

it('keeps the events in order', () => {
  const { events } = stepsWhereSeen(
    [
      { tS: 600, kind: 'top-up' },
      { tS: 700, kind: 'heat-on' },
    ],
    MINUTES,
    [0.4, 0.4, 0.4, 1.2, 1.2],
    0.05,
  );
  expect(events.map((e) => e.kind)).toEqual(['heat-on', 'top-up']);
});

it('the water begins anew, or the jug is taken out, where the readings show it', () => {
  const circuit = resolveCircuit({
    kind: 'sealed-hot-water',
    reliefValve: { setBar: 3 },
    waterVolumeL: 100,
    gauge: { resolutionBar: 0.1 },
  });
  const track = (pressureBar: number[], e: LogEvent) =>
    layOutLog({ source: 'hand', samples: { tS: MINUTES, pressureBar }, events: [e] }, circuit)!;
  expect([...track([0.4, 0.4, 0.4, 1.2, 1.2], { tS: 600, kind: 'top-up' }).starts]).toEqual([1, 0, 0, 1, 0]);
  expect([...track([1.1, 1.1, 1.1, 0.8, 0.8], { tS: 600, kind: 'drawn-off', volumeL: 0.5 }).drawnL]).toEqual([0, 0, 0, 0.5, 0]);
});

it('readings taken while it ran count for nothing, and the water begins anew after them', () => {
  const tS = [0, 60, 120, 180, 240, 300],
    filling = [0.4, 0.4, 0.7, 1.05, 1.2, 1.2];
  const { events, underWay } = stepsWhereSeen([{ tS: 130, kind: 'top-up' }], tS, filling, 0.01);
  expect(events[0]!.tS).toBe(240);
  expect(underWay).toEqual([2, 3]);
  const circuit = resolveCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 3 }, waterVolumeL: 100 });
  const track = layOutLog({ source: 'logger', samples: { tS, pressureBar: filling }, events: [{ tS: 130, kind: 'top-up' }] }, circuit)!;
  expect([...track.starts]).toEqual([1, 0, 0, 0, 1, 0]);
  for (const i of [2, 3]) expect(track.variance[i]!).toBeGreaterThan(100 * track.variance[1]!);
  // A circuit that goes on rising for its heat is not still being filled.
  expect(
    stepsWhereSeen(
      [{ tS: 130, kind: 'top-up' }],
      tS.map((t) => 5 * t),
      filling,
      0.01,
    ).underWay,
  ).toEqual([]);
});

it('the rest of a step that fell into the mean before it is seen through a fine sensor’s steps, and not through a dial’s', () => {
  const tS = [0, 30, 60, 90, 120, 150],
    filled = [1.42, 1.43, 1.57, 1.628, 1.63, 1.63],
    topUp: LogEvent = { tS: 70, kind: 'top-up' };
  expect(stepsWhereSeen([topUp], tS, filled, 0.01)).toMatchObject({ events: [{ tS: 90 }], underWay: [2] });
  expect(stepsWhereSeen([topUp], tS, filled, 0.05)).toMatchObject({ events: [{ tS: 60 }], underWay: [] });
  // Nor is a sensor's own step, or what heat adds little by little.
  expect(stepsWhereSeen([topUp], tS, [1.42, 1.43, 1.62, 1.635, 1.65, 1.665], 0.01)).toMatchObject({ events: [{ tS: 60 }], underWay: [] });
});
