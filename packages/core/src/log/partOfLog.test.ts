import fc from 'fast-check';
import { partOfLog } from './partOfLog';
import type { PressureLog } from './PressureLog';

const LOG: PressureLog = {
  source: 'hand',
  startedAt: '2026-03-04T09:10:00Z',
  samples: { tS: [0, 60, 120, 180], pressureBar: [1, null, 1.2, 1.3], flowC: [15, 20, null, 40] },
  events: [
    { tS: 60, kind: 'heat-on' },
    { tS: 180, kind: 'vessel-recharged' },
  ],
};

it('keeps what lies between the two times, events as well, and every channel in step', () => {
  const part = partOfLog(LOG, 60, 180);
  expect(part.samples).toEqual({ tS: [60, 120], pressureBar: [null, 1.2], flowC: [20, null] });
  expect(part.events).toEqual([{ tS: 60, kind: 'heat-on' }]);
  expect(part).toMatchObject({ source: 'hand', startedAt: LOG.startedAt });
});

it('loses and doubles nothing where it is cut', () =>
  fc.assert(
    fc.property(fc.double({ min: 0, max: 200, noNaN: true }), (cutS) => {
      const before = partOfLog(LOG, -Infinity, cutS),
        after = partOfLog(LOG, cutS, Infinity);
      expect([...before.samples.tS, ...after.samples.tS]).toEqual(LOG.samples.tS);
      expect([...before.samples.flowC!, ...after.samples.flowC!]).toEqual(LOG.samples.flowC);
      expect([...before.events!, ...after.events!]).toEqual(LOG.events);
    }),
  ));

it('adds no channel that the log does not have', () => {
  expect(partOfLog({ samples: { tS: [0, 1], pressureBar: [1, 1] } }, 0, 1)).toEqual({ samples: { tS: [0], pressureBar: [1] } });
});
