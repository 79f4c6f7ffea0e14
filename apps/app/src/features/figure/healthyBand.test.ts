import { resolveCircuit, type CircuitSheet, type PressureLog } from '@jumper/core';
import { coldPointOf, healthyBand, rightAt } from './healthyBand';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.7,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
};
const c = resolveCircuit(SHEET);
const log = (flowC: (number | null)[], events: PressureLog['events'] = [{ tS: 0, kind: 'heat-on' }]): PressureLog => ({
  samples: { tS: flowC.map((_, i) => 120 * i), pressureBar: flowC.map(() => 1.1), flowC },
  events,
});
const bandOf = (l: PressureLog | null, heatOn = true, spanMin = 30) => healthyBand(l, c, coldPointOf(l, c), spanMin, heatOn);

it('rises with the temperature, its low end never above its high one', () => {
  const cold = { gaugeBar: 1.1, celsius: 16 };
  for (let t = 16; t < 80; t += 4) {
    const here = rightAt(c, cold, t),
      further = rightAt(c, cold, t + 4);
    expect(here.low).toBeLessThanOrEqual(here.high);
    expect(further.high).toBeGreaterThanOrEqual(here.high);
  }
});

it('follows what was read, and with the heat on goes on towards the limit and no further', () => {
  const band = bandOf(log([16, 24, 32, 40, 48]));
  const top = rightAt(c, coldPointOf(log([16, 24, 32, 40, 48]), c), c.maxFlowC);
  expect(band[0]!.high).toBeLessThan(band.at(-1)!.high);
  expect(Math.abs(band.at(-1)!.high - top.high)).toBeLessThan(0.02);
});

it('stays level beyond the last reading once the heat is off', () => {
  const band = bandOf(log([16, 24, 32, 40, 48]), false).filter((b) => b.min > 9);
  for (const b of band) expect(Math.abs(b.high - band[0]!.high)).toBeLessThan(1e-9);
});

it('is cold where nothing was heated and no temperature read, and warms by the usual twenty minutes where heat was only said', () => {
  const unread: PressureLog = { samples: { tS: [0, 600], pressureBar: [1.1, 1.1] } };
  const still = bandOf(unread, false),
    heated = bandOf({ ...unread, events: [{ tS: 0, kind: 'heat-on' }] }, true);
  expect(still.at(-1)!.high).toBeCloseTo(still[0]!.high, 9);
  expect(heated.at(-1)!.high).toBeGreaterThan(still[0]!.high + 0.2);
});

it('ends where water was let in or out by hand, and is not drawn from an impossible start', () => {
  const topped = bandOf(
    log(
      [16, 24, 32, 40, 48, 52, 54],
      [
        { tS: 0, kind: 'heat-on' },
        { tS: 360, kind: 'top-up' },
      ],
    ),
  );
  expect(topped.at(-1)!.min).toBeLessThanOrEqual(6);
  expect(healthyBand(null, c, { gaugeBar: -0.95, celsius: 15 }, 30, false)).toEqual([]);
});

it('with no log starts from the fill pressure, cold', () =>
  expect(coldPointOf(null, c)).toEqual({ gaugeBar: c.fillGaugeBar, celsius: 15 }));

it('shows each of a week’s fourteen heat-ups as high as the others', () => {
  const hours = Array.from({ length: 7 * 24 * 4 }, (_, i) => i / 4),
    hot = (h: number) => h % 12 > 1 && h % 12 < 3;
  const week: PressureLog = {
    samples: {
      tS: hours.map((h) => 3600 * h),
      pressureBar: hours.map((h) => (hot(h) ? 1.4 : 1.1)),
      flowC: hours.map((h) => (hot(h) ? 62 : 20)),
    },
    events: [{ tS: 3600, kind: 'heat-on' }],
  };
  const band = bandOf(week, false, 7 * 24 * 60),
    tops = Array.from({ length: 14 }, (_, k) =>
      Math.max(...band.filter((b) => b.min >= 720 * k && b.min < 720 * (k + 1)).map((b) => b.high)),
    );
  expect(Math.max(...tops) - Math.min(...tops)).toBeLessThan(0.03);
  expect(Math.min(...tops)).toBeGreaterThan(band[0]!.high + 0.2);
});
