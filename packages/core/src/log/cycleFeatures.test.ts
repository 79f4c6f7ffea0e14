import { coldPressureOf, cycleFeatures } from './cycleFeatures';
import type { LogEvent } from './PressureLog';

const log = (pressureBar: number[], flowC: (number | null)[] | undefined, events: LogEvent[]) =>
  cycleFeatures({ source: 'hand', samples: { tS: pressureBar.map((_, i) => 300 * i), pressureBar, ...(flowC ? { flowC } : {}) }, events });
const FALLS = [2.1, 2.1, 1.8, 1.5, 1.3, 1.2],
  COOLS = [68, 68, 58, 48, 38, 30];

it('of a heat cycle, cold is what stood when the heat came on, and hot the highest after it', () => {
  const f = log([1, 1, 1.3, 1.6, 1.8, 1.7], [18, 18, 30, 50, 65, 60], [{ tS: 300, kind: 'heat-on' }]);
  expect(f).toMatchObject({ beganHot: false, coldBar: 1, coldC: 18, hotBar: 1.8, hotC: 65 });
  expect(f.swingBar).toBeCloseTo(0.8, 9);
});

it('of two readings as high, hot is the hotter: a needle or a display stands while it goes on warming', () => {
  const heated: LogEvent[] = [{ tS: 300, kind: 'heat-on' }];
  expect(log([1, 1, 1.3, 1.6, 1.6, 1.6], [18, 18, 30, 66, 69, 67], heated)).toMatchObject({ hotBar: 1.6, hotC: 69 });
  expect(log([1, 1, 1.3, 1.6, 1.6, 1.5], [18, 18, 30, 66, null, 69], heated)).toMatchObject({ hotBar: 1.6, hotC: 66 });
});

it('of a log that began hot and only cools, cold is the last and hot the highest', () => {
  const f = log(FALLS, COOLS, [{ tS: 300, kind: 'heat-off' }]);
  expect(f).toMatchObject({ beganHot: true, firstC: 68, coldBar: 1.2, coldC: 30, hotBar: 2.1, hotC: 68 });
  expect(f.swingBar).toBeCloseTo(0.9, 9);
});

it('that it began hot is told by the first temperature, else by the heat that was switched off first', () => {
  expect(log(FALLS, COOLS, []).beganHot).toBe(true);
  expect(log(FALLS, undefined, [{ tS: 300, kind: 'heat-off' }]).beganHot).toBe(true);
  expect(log(FALLS, undefined, []).beganHot).toBe(false);
  expect(log([1, 1, 1.1, 1.3, 1.5, 1.4], [18, 18, 30, 50, 60, 50], [{ tS: 1200, kind: 'heat-off' }]).beganHot).toBe(false);
});

it('is heated again: cold is what stood before that', () => {
  const f = log(
    [2.1, 1.6, 1.2, 1.5, 1.9, 2],
    [66, 45, 30, 45, 60, 66],
    [
      { tS: 0, kind: 'heat-off' },
      { tS: 600, kind: 'heat-on' },
    ],
  );
  expect(f).toMatchObject({ beganHot: true, coldBar: 1.2, coldC: 30, hotBar: 2 });
});

it('shows a cold pressure only where it was cold', () => {
  const cold = (pressureBar: number[], flowC?: number[], events: LogEvent[] = []) =>
    coldPressureOf({
      source: 'hand',
      samples: { tS: pressureBar.map((_, i) => 300 * i), pressureBar, ...(flowC ? { flowC } : {}) },
      events,
    });
  expect(cold(FALLS, COOLS)).toBe(1.2);
  expect(cold(FALLS, [68, 68, 62, 58, 55, 52])).toBeNull();
  expect(cold(FALLS, undefined, [{ tS: 300, kind: 'heat-off' }])).toBeNull();
  expect(cold([1, 1.4, 1.8], [18, 40, 60], [{ tS: 60, kind: 'heat-on' }])).toBe(1);
  expect(cold([1.1, 1.1])).toBe(1.1);
});
