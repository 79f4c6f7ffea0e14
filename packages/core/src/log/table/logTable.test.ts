import fc from 'fast-check';
import type { PressureLog } from '../PressureLog';
import { guessTable, readLogTable, writeLogTable, type TableChoice } from './logTable';
import { guessTime, tableNumber, timeMs } from './tableTime';

const rowsOf = (text: string, by = ',') =>
  text
    .trim()
    .split('\n')
    .map((l) => l.split(by));
const read = (text: string, by = ',', change: Partial<TableChoice> = {}) => {
  const rows = rowsOf(text, by);
  return readLogTable(rows, { ...guessTable(rows), ...change });
};

describe('times', () => {
  const at = Date.UTC(2026, 2, 4, 9, 10, 30);
  it.each([
    ['iso', '2026-03-04T09:10:30Z', 0],
    ['iso', '2026-03-04 10:10:30+01:00', 0],
    ['local', '2026-03-04 10:10:30', 60],
    ['local', '04.03.2026 10:10:30', 60],
    ['local', '04/03/2026, 9:10:30 am', 0],
    ['unix-s', String(at / 1000), 0],
    ['unix-ms', String(at), 0],
    ['excel', String(at / 86_400_000 + 25_569), 0],
  ] as const)('%s: %s', (kind, cell, zoneMin) => {
    // A spreadsheet's day number is a fraction with eleven digits after the point: a millisecond or so.
    expect(Math.abs(timeMs(cell, kind, 'day-first', zoneMin)! - at)).toBeLessThan(2);
    expect(guessTime([cell]).kind).toBe(kind);
  });
  it('reads elapsed seconds, minutes and hours', () =>
    expect(['0', '90', '1:30', '1:00:05'].map((c) => timeMs(c, 'elapsed-s', 'day-first', 0))).toEqual([0, 90_000, 90_000, 3_605_000]));
  it('tells month first from day first by what runs forward', () => {
    expect(guessTime(['3/4/2026 23:50', '3/4/2026 23:59', '3/5/2026 00:05', '4/1/2026 01:00'])).toMatchObject({
      kind: 'local',
      order: 'month-first',
    });
    expect(guessTime(['28/03/2026 23:50', '29/03/2026 00:05'])).toMatchObject({ kind: 'local', order: 'day-first' });
  });
  it.each(['noon', '2026-13-40 10:00', '', '12:61:99x'])('does not read “%s” as a date', (cell) =>
    expect(timeMs(cell, 'local', 'day-first', 0)).toBeNull(),
  );
  it.each([
    ['1,5', 1.5],
    ['−0.2', -0.2],
    ['.5', 0.5],
    ['1e-1', 0.1],
  ])('reads the number %s', (cell, n) => expect(tableNumber(cell)).toBe(n));
  it.each(['1.234,5', 'n/a', '--', '1 2'])('not the number %s', (cell) => expect(tableNumber(cell)).toBeNull());
});

it('reads its own format', () => {
  const { log, bad } = read(
    'time,pressure_bar,flow_C,return_C,event\n2026-03-04T09:10:00Z,1.0,18,,\n2026-03-04T09:11:00Z,,,,heat-on\n2026-03-04T09:12:00Z,1.2,30,22,',
  );
  expect(bad).toEqual([]);
  expect(log).toEqual({
    source: 'csv',
    startedAt: '2026-03-04T09:10:00.000Z',
    samples: { tS: [0, 120], pressureBar: [1, 1.2], flowC: [18, 30], returnC: [null, 22] },
    events: [{ tS: 60, kind: 'heat-on' }],
  });
});

it('takes semicolons with decimal commas, psi and °F by their headings', () => {
  const { log } = read('Zeit;Druck (psi);Supply °F\n04.03.2026 09:10;14,5;68\n04.03.2026 09:15;29,0;158', ';');
  expect(log.samples.tS).toEqual([0, 300]);
  expect(Math.abs(log.samples.pressureBar[1]! - 1.9995)).toBeLessThan(0.0005);
  expect(log.samples.flowC).toEqual([20, 70]);
});

it.each([
  ['bar', '1.1', '1.6'],
  ['psi', '14', '22'],
  ['kPa', '110', '160'],
  ['mbar', '1100', '1600'],
] as const)('knows %s by the size of the values', (unit, a, b) => {
  expect(
    guessTable([
      ['0', a],
      ['60', b],
    ]),
  ).toMatchObject({ pressureUnit: unit, headerLines: 0, timeKind: 'elapsed-s', columns: { time: 0, pressure: 1 } });
});

it('names each line that cannot be read, and keeps the rest', () => {
  const { log, bad } = read(
    'time,pressure_bar,event\n2026-03-04T09:10:00Z,1.0,\nyesterday,1.1,\n2026-03-04T09:11:00Z,1 bar,\n2026-03-04T09:12:00Z,99,\n2026-03-04T09:13:00Z,1.2,heaton\n2026-03-04T09:09:00Z,1.2,\n2026-03-04T09:14:00Z,1.3,\n2026-03-04T09:14:00Z,1.3,\n2026-03-04T09:15:00Z,,',
  );
  expect(bad).toEqual([
    { line: 3, reason: 'time: “yesterday” cannot be read as an ISO time' },
    { line: 4, reason: 'pressure: “1 bar” is not a number' },
    { line: 5, reason: 'pressure: 99 is outside -1 to 25 bar' },
    { line: 6, reason: 'event: “heaton” is not one' },
    { line: 7, reason: 'time: runs back' },
    { line: 9, reason: 'time: the same as the line before' },
    { line: 10, reason: 'pressure: is empty' },
  ]);
  expect(log.samples).toEqual({ tS: [0, 240], pressureBar: [1, 1.3] });
});

it('what it writes it reads again, whatever the log', () => {
  const sample = fc.record({
    gapS: fc.integer({ min: 1, max: 90_000 }),
    bar: fc.option(fc.integer({ min: -100, max: 2500 })),
    flow: fc.option(fc.integer({ min: 1, max: 110 })),
    event: fc.option(fc.constantFrom('heat-on', 'heat-off', 'top-up')),
  });
  fc.assert(
    fc.property(fc.array(sample, { minLength: 2, maxLength: 40 }), (samples) => {
      let t = -samples[0]!.gapS;
      const tS = samples.map((s) => (t += s.gapS));
      const pressureBar = samples.map((s, i) => (s.bar === null && (s.flow === null || i === 0) ? 1 : s.bar === null ? null : s.bar / 100));
      const flowC = samples.map((s) => s.flow);
      const events = samples.flatMap((s, i) => (s.event ? [{ tS: tS[i]!, kind: s.event as 'heat-on' }] : []));
      const log: PressureLog = {
        source: 'csv',
        startedAt: '2026-03-04T09:10:00.000Z',
        samples: { tS, pressureBar, ...(flowC.some((f) => f !== null) ? { flowC } : {}) },
        ...(events.length ? { events } : {}),
      };
      const rows = rowsOf(writeLogTable([log], 0));
      expect(readLogTable(rows, { ...guessTable(rows), timeKind: 'iso', pressureUnit: 'bar' })).toEqual({ log, bad: [], read: tS.length });
    }),
  );
});
