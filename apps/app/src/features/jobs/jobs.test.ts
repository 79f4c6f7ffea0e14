import type { FactBody, JobParts } from '@jumper/contract';
import { calendarText } from '../calendar/calendarText';
import { caseKey } from '../bench/useDiagnosis';
import { circuitRows, isNamed } from '../circuits/circuitsView';
import { METRIC } from '../units/units';
import { standing } from '../verdict/verdicts';
import type { VerdictRecord } from '../../offline/database';
import { dueRows, dueText, isSoon, jobRows } from './jobsView';

// The test's browser has no randomUUID; every browser that keeps the app on the device does.
beforeAll(() => {
  if (!globalThis.crypto.randomUUID)
    Object.defineProperty(globalThis.crypto, 'randomUUID', { value: () => '00000000-0000-4000-8000-000000000000' });
});

const DAY = 86_400_000,
  NOW = Date.UTC(2026, 4, 1, 12);
const at = (days: number) => new Date(NOW + days * DAY).toISOString(),
  date = (days: number) => at(days).slice(0, 10);
let n = 0;
const fact = (body: FactBody, correctsId?: string) => ({
  id: `f${n++}`,
  jobId: 'j',
  recordedAt: body.at,
  body,
  ...(correctsId ? { correctsId } : {}),
});
const job = (id: string, circuitId: string, facts: ReturnType<typeof fact>[]): JobParts => ({
  job: { id, circuitId, openedAt: at(-90), complaint: [] },
  sheet: {
    id: 's',
    circuitId,
    recordedAt: at(-90),
    site: `Site ${circuitId}`,
    sheet: { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } },
    assumed: [],
  },
  facts: facts as never,
});
const check = (days: number, notedDays: number, done?: boolean): FactBody => ({
  kind: 'check',
  at: at(notedDays),
  check: 'vessel-yearly',
  due: date(days),
  ...(done ? { done } : {}),
});

it('lists what is due, the most overdue first, and what was noted again only once', () => {
  const rows = dueRows(
    [job('a', 'c1', [fact(check(200, -60))]), job('b', 'c1', [fact(check(330, -30))]), job('d', 'c2', [fact(check(-4, -300))])],
    NOW,
  );
  expect(rows.map((r) => [r.jobId, r.days])).toEqual([
    ['d', -4],
    ['b', 330],
  ]);
  expect(rows.map(isSoon)).toEqual([true, false]);
});

it('drops what was seen to', () => {
  const open = fact(check(3, -10));
  expect(dueRows([job('a', 'c1', [open])], NOW)).toHaveLength(1);
  expect(dueRows([job('a', 'c1', [open, fact(check(3, 0, true), open.id)])], NOW)).toEqual([]);
});

it.each([
  [-4, '4 days overdue'],
  [-1, 'a day overdue'],
  [0, 'today'],
  [1, 'tomorrow'],
  [30, 'in 30 days'],
  [365, 'in 12 months'],
  [3650, 'in 10 years'],
])('%d days: %s', (days, text) => expect(dueText(days)).toBe(text));

// RFC 5545: CRLF, one VEVENT each, all-day dates without a time.
it('writes a calendar that calendars read', () => {
  const text = calendarText(
    [
      { factId: 'f1', site: '7 Quarry Steps', title: 'Vessel’s charge, yearly', due: '2027-05-01' },
      { factId: 'f2', site: 'B; C, D', title: 'x', due: '2027-06-01' },
    ],
    NOW,
  );
  expect(text.split('\r\n').filter((l) => l === 'BEGIN:VEVENT')).toHaveLength(2);
  expect(text).toContain('DTSTART;VALUE=DATE:20270501');
  expect(text).toContain('UID:f1@jumper');
  expect(text).toContain('B\\; C\\, D');
});

const reading = (minAgo: number, pressureBar: number, flowC?: number) =>
  fact({
    kind: 'reading',
    at: new Date(NOW - 60_000 * minAgo).toISOString(),
    pressureBar,
    ...(flowC === undefined ? {} : { flowC }),
  } as FactBody);
const event = (minAgo: number, kind: 'heat-on' | 'heat-off') =>
  fact({ kind: 'event', at: new Date(NOW - 60_000 * minAgo).toISOString(), event: kind });
const said = (parts: JobParts, rest: Partial<VerdictRecord>): ReadonlyMap<string, VerdictRecord> =>
  new Map([
    [
      parts.job.id,
      {
        jobId: parts.job.id,
        key: caseKey(parts),
        build: 'a',
        kind: 'open',
        faults: ['vessel-undercharged'],
        likely: true,
        nextTest: 'gas-valve-press',
        proof: null,
        ...rest,
      },
    ],
  ]);

describe('a row of the list', () => {
  const begun = job('a', 'c1', [reading(120, 1), event(118, 'heat-on'), reading(100, 2.1, 68), event(99, 'heat-off')]);
  const rowOf = (parts: JobParts, verdicts: ReadonlyMap<string, VerdictRecord> | null = null) =>
    jobRows([parts], METRIC, NOW, verdicts)[0]!;

  it('says what is likely wrong and what comes next, and the complaint as long as nothing was said', () => {
    expect(rowOf({ ...begun, job: { ...begun.job, complaint: ['drips-outside'] } }).line).toMatch(/drips/i);
    expect(rowOf(begun, said(begun, {}))).toMatchObject({
      line: 'Vessel has lost its charge, likely. Next: press the air valve (Schrader)',
      status: 'diagnosing',
    });
    expect(rowOf(begun, said(begun, { likely: false })).line).toBe('Not clear yet. Next: press the air valve (Schrader)');
    expect(rowOf(begun, said(begun, { kind: 'found', nextTest: null }))).toMatchObject({
      line: 'Vessel has lost its charge',
      status: 'to repair',
    });
    expect(rowOf(begun, said(begun, { kind: 'sound' }))).toMatchObject({ line: 'Looks sound', status: 'sound' });
  });

  it('a circuit that heats waits for its next reading, until nobody stands there any more', () => {
    const heating = (minAgo: number) => job('a', 'c1', [reading(minAgo + 5, 1), event(minAgo + 4, 'heat-on'), reading(minAgo, 1.4, 50)]);
    expect(rowOf(heating(1))).toMatchObject({ status: 'watching', when: expect.stringMatching(/^reading \d\d:01$/) });
    expect(rowOf(heating(5))).toMatchObject({ status: 'watching', when: 'reading due' });
    expect(rowOf(heating(90))).toMatchObject({ status: 'diagnosing', when: '2 h ago' });
  });

  it('work that was done is to be proved, and then is', () => {
    const worked = job('a', 'c1', [
      reading(120, 1),
      event(118, 'heat-on'),
      reading(100, 2.8, 68),
      event(99, 'heat-off'),
      fact({ kind: 'repair', at: new Date(NOW - 3_000_000).toISOString(), repair: { kind: 'vessel-recharged' } } as FactBody),
    ]);
    expect(rowOf(worked, said(worked, { proof: 'unclear' }))).toMatchObject({
      line: 'Vessel recharged. Heat run to do',
      status: 'to prove',
    });
    const proved = {
      ...worked,
      facts: [...worked.facts, reading(40, 1.1), event(38, 'heat-on'), reading(20, 1.5, 68), event(19, 'heat-off')],
    } as JobParts;
    expect(rowOf(proved, said(proved, { proof: 'pass' }))).toMatchObject({ line: 'Put right, and proved', status: 'proved' });
  });

  it('the number is red near the relief, and cold where it stands too low', () => {
    const at = (bar: number) =>
      rowOf({
        ...job('a', 'c1', [reading(10, bar)]),
        sheet: { ...begun.sheet, sheet: { kind: 'sealed-hot-water', staticHeadM: 8, reliefValve: { setBar: 3 } } },
      } as JobParts).numberTone;
    expect([at(0.5), at(1.4), at(2.6)]).toEqual(['oxide', 'ink', 'oxide']);
  });

  it('a verdict speaks only of the job as it was judged, by the judge as it is', () => {
    const kept = [...said(begun, {}).values()];
    expect(standing(kept, [begun], 'a').size).toBe(1);
    expect(standing(kept, [{ ...begun, facts: [...begun.facts, reading(1, 2)] } as JobParts], 'a').size).toBe(0);
    expect(standing(kept, [begun], 'b').size).toBe(0);
    // And another van is another question.
    expect(standing(kept, [begun], 'a', ['pump']).size).toBe(0);
  });
});

it('circuits stand once, by site, with their newest cold pressure and what is due', () => {
  const jobs = [
    job('old', 'c2', [reading(9000, 0.9), fact(check(-4, -300))]),
    { ...job('new', 'c2', [reading(10, 1.3)]), job: { id: 'new', circuitId: 'c2', openedAt: at(-1), complaint: [] } } as JobParts,
    job('x', 'c10', []),
  ];
  const rows = circuitRows(jobs, METRIC, NOW);
  expect(rows.map((r) => [r.site, r.cold, r.visits, r.jobId])).toEqual([
    ['Site c2', '1.3', '2 visits', 'new'],
    ['Site c10', '–', '1 visit', 'x'],
  ]);
  expect(rows[0]).toMatchObject({ when: '4 days overdue', overdue: true });
  expect(rows.filter((r) => isNamed(r, 'C10')).map((r) => r.site)).toEqual(['Site c10']);
});
