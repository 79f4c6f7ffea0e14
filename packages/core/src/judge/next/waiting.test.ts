import fc from 'fast-check';
import { coolingTime } from '../../log/coolingTime';
import type { PressureLog } from '../../log/PressureLog';
import { TEST_IDS, testRow, type TestId } from '../tests';
import { leftWarm, waitFor } from './waiting';

const LIMIT_C = 70;
const waits = (test: TestId, log: PressureLog | null, atS?: number) =>
  waitFor(test, leftWarm(log ? [log] : [], atS === undefined ? [] : [{ test: 'discharge-pipe', outcome: 'dry', atS }], LIMIT_C));
const log = (flowC: (number | null)[], events: PressureLog['events'] = []): PressureLog => ({
  source: 'hand',
  samples: { tS: flowC.map((_, i) => 300 * i), pressureBar: flowC.map(() => 1.5), flowC },
  events,
});
const HOT = log([20, 45, 60, 70], [{ tS: 0, kind: 'heat-on' }]),
  COLD = log([19, 19, 19]);

it('where nothing was logged, and where all was cold, no test of the pressure waits', () => {
  for (const test of TEST_IDS) {
    expect([test, waits(test, null)]).toEqual([test, null]);
    if (testRow(test).hotAboveC === undefined) expect([test, waits(test, COLD)]).toEqual([test, null]);
  }
});

it.each<[TestId, string]>([
  ['precharge', 'cool'],
  ['draw-off', 'cool'],
  ['fill-isolated-watch', 'still'],
  ['boiler-isolated-hold', 'still'],
  ['idle-cold-pressure', 'rested'],
  ['condensate-when-off', 'rested'],
])('on a hot circuit %s waits until it is %s', (test, until) => expect(waits(test, HOT)).toMatchObject({ until }));

it('what is looked at, listened to or pressed does not wait, hot or cold', () => {
  for (const test of ['discharge-pipe', 'gas-valve-press', 'second-gauge', 'relief-marking', 'visible-leak'] as const)
    expect([waits(test, HOT), waits(test, COLD)]).toEqual([null, null]);
});

it('a flow is measured with the heat on: from cold it waits for that', () => {
  expect(waits('flow-return', COLD)).toMatchObject({ until: 'hot' });
  expect(waits('flow-return', HOT)).toBeNull();
  // And once only: what was measured hot shows that the heat is on.
  const measured = leftWarm([COLD], [{ test: 'flow-return', flowC: 65, returnC: 55, minutesFiring: 10 }], LIMIT_C);
  expect(waitFor('zone-pipe-temperatures', measured)).toBeNull();
});

it('as long as this circuit takes to cool, and no longer than what stands still later does', () => {
  fc.assert(
    fc.property(fc.integer({ min: 36, max: 95 }), (hotC) => {
      const left = log([hotC]),
        cool = waits('precharge', left)?.minutes ?? 0,
        still = waits('fill-isolated-watch', left)!.minutes;
      expect(cool).toBe(Math.round(coolingTime(left, 50, 0)!.minutes));
      expect(cool).toBeLessThan(still);
    }),
  );
});

it('what is found later was found on a circuit that has cooled since, unless the heat was left on', () => {
  const off = log(
      [20, 60, 70],
      [
        { tS: 0, kind: 'heat-on' },
        { tS: 600, kind: 'heat-off' },
      ],
    ),
    after = (test: TestId, min: number, of = off) => waits(test, of, 600 + 60 * min)?.minutes ?? 0;
  expect([after('precharge', 0) - after('precharge', 20), after('condensate-when-off', 0), after('condensate-when-off', 25)]).toEqual([
    20, 60, 35,
  ]);
  expect([after('precharge', 300), after('fill-isolated-watch', 300), after('condensate-when-off', 300)]).toEqual([0, 0, 0]);
  expect(after('precharge', 300, HOT)).toBe(after('precharge', 0, HOT));
});

it('of several logs the last one counts, and findings count from the first one’s start', () => {
  const first = { ...HOT, startedAt: '2026-03-04T09:00:00Z' },
    evening = { ...log([65]), startedAt: '2026-03-04T18:00:00Z' };
  const later = (min: number) =>
    waitFor('precharge', leftWarm([first, evening], [{ test: 'top-ups-per-month', count: 2, atS: 9 * 3600 + 60 * min }], LIMIT_C))!;
  expect(later(0).minutes - later(15).minutes).toBe(15);
  expect(waitFor('precharge', leftWarm([first, COLD], [], LIMIT_C))).toBeNull();
});

it('where no temperature was read since the heat went on, the water is as hot as the boiler makes it', () => {
  const unread = log([null, null, null], [{ tS: 0, kind: 'heat-on' }]),
    coldBefore = log([18, null, null], [{ tS: 200, kind: 'heat-on' }]);
  expect([waits('precharge', unread), waits('precharge', coldBefore)]).toEqual([waits('precharge', HOT), waits('precharge', HOT)]);
  expect(waits('precharge', log([null, null], []))).toBeNull();
});
