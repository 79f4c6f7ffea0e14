import type { FactBody, JobParts } from '@jumper/contract';
import { calendarText } from '../calendar/calendarText';
import { dueRows, dueText, isSoon } from './jobsView';

// The test's browser has no randomUUID; every browser that keeps the app on the device does.
beforeAll(() => { if (!globalThis.crypto.randomUUID) Object.defineProperty(globalThis.crypto, 'randomUUID', { value: () => '00000000-0000-4000-8000-000000000000' }); });

const DAY = 86_400_000, NOW = Date.UTC(2026, 4, 1, 12);
const at = (days: number) => new Date(NOW + days * DAY).toISOString(), date = (days: number) => at(days).slice(0, 10);
let n = 0;
const fact = (body: FactBody, correctsId?: string) => ({ id: `f${n++}`, jobId: 'j', recordedAt: body.at, body, ...(correctsId ? { correctsId } : {}) });
const job = (id: string, circuitId: string, facts: ReturnType<typeof fact>[]): JobParts => ({ job: { id, circuitId, openedAt: at(-90), complaint: [] }, sheet: { id: 's', circuitId, recordedAt: at(-90), site: `Site ${circuitId}`, sheet: { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } }, assumed: [] }, facts: facts as never });
const check = (days: number, notedDays: number, done?: boolean): FactBody => ({ kind: 'check', at: at(notedDays), check: 'vessel-yearly', due: date(days), ...(done ? { done } : {}) });

it('lists what is due, the most overdue first, and what was noted again only once', () => {
  const rows = dueRows([job('a', 'c1', [fact(check(200, -60))]), job('b', 'c1', [fact(check(330, -30))]), job('d', 'c2', [fact(check(-4, -300))])], NOW);
  expect(rows.map((r) => [r.jobId, r.days])).toEqual([['d', -4], ['b', 330]]);
  expect(rows.map(isSoon)).toEqual([true, false]);
});

it('drops what was seen to', () => {
  const open = fact(check(3, -10));
  expect(dueRows([job('a', 'c1', [open])], NOW)).toHaveLength(1);
  expect(dueRows([job('a', 'c1', [open, fact(check(3, 0, true), open.id)])], NOW)).toEqual([]);
});

it.each([[-4, '4 days overdue'], [-1, 'a day overdue'], [0, 'today'], [1, 'tomorrow'], [30, 'in 30 days'], [365, 'in 12 months'], [3650, 'in 10 years']])('%d days: %s', (days, text) => expect(dueText(days)).toBe(text));

// RFC 5545: CRLF, one VEVENT each, all-day dates without a time.
it('writes a calendar that calendars read', () => {
  const text = calendarText([{ factId: 'f1', site: '7 Quarry Steps', title: 'Vessel’s charge, yearly', due: '2027-05-01' }, { factId: 'f2', site: 'B; C, D', title: 'x', due: '2027-06-01' }], NOW);
  expect(text.split('\r\n').filter((l) => l === 'BEGIN:VEVENT')).toHaveLength(2);
  expect(text).toContain('DTSTART;VALUE=DATE:20270501');
  expect(text).toContain('UID:f1@jumper');
  expect(text).toContain('B\\; C\\, D');
});
