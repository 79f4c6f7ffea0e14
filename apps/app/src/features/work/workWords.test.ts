import { CHECKS, type ExpectedNumber, type PartProblem } from '@jumper/core';
import { METRIC } from '../units/units';
import { addDays, checkTitle, dayText, expectedText, partProblemText, waitText } from './workWords';

jest.mock('../../workers/judgeClient', () => ({}));

const CODES: ExpectedNumber['code'][] = [
  'cold-right',
  'charge-target',
  'charge-with-coupling',
  'pump-strokes',
  'after-right',
  'after-flat',
  'drained-right',
  'drained-flat',
  'litre-an-hour-rises',
  'water-above-lifts',
  'relief-set',
  'hot-right',
  'litres-a-top-up',
  'gauge-now',
];

it.each(CODES)('the number “%s” has words and a unit', (code) => {
  const said = expectedText({ code, value: 1.234, unit: 'bar' } as ExpectedNumber, METRIC);
  expect(said.label.length).toBeGreaterThan(5);
  expect(said.value).toMatch(/bar$/);
  expect(said.value).not.toMatch(/NaN|undefined/);
});

it('litres, strokes and ranges are said as such', () => {
  const of = (n: Partial<ExpectedNumber>) =>
    expectedText({ code: 'cold-right', value: 1, unit: 'bar', ...n } as ExpectedNumber, METRIC).value;
  expect(of({ unit: 'L', value: 2.345 } as never)).toBe('2.3 L');
  expect(of({ unit: 'strokes', value: 40 } as never)).toBe('about 40');
  expect(of({ low: 0.9, high: 1.3 } as never)).toBe('0.9 bar to 1.3 bar');
});

const PROBLEMS: [PartProblem['code'], Record<string, number>, RegExp][] = [
  ['old-not-as-sheet', { oldBar: 2.5, sheetBar: 3 }, /2\.5 bar.*3\.0 bar.*look at the boiler/],
  ['rating-unknown', {}, /Read its marking/],
  ['relief-other-rating', { setBar: 2.5, wantedBar: 3 }, /2\.5 bar.*wants 3\.0 bar.*Do not fit/],
  ['relief-above-vessel', { setBar: 6, ratedBar: 3 }, /6\.0 bar.*3\.0 bar/],
  ['relief-too-small', { capacityKw: 20, outputKw: 24 }, /20 kW.*24 kW/],
  ['vessel-smaller', { newL: 8, oldL: 12 }, /8 L for 12 L/],
  ['vessel-too-small', { newL: 8, leastL: 10.6 }, /8 L; EN 12828 wants 11 L/],
  ['vessel-below-relief', { ratedBar: 2.5, setBar: 3 }, /2\.5 bar.*3\.0 bar/],
  ['charge-off-target', { chargeBar: 0.6, targetBar: 0.75 }, /0\.6 bar; 0\.75 bar/],
  ['other-size', {}, /thread or size/],
  ['feed-above-relief', { setBar: 3.5, reliefBar: 3 }, /hold the relief open/],
];
it.each(PROBLEMS)('the problem “%s” says both numbers and what to do', (code, data, words) => {
  const said = partProblemText({ code, data } as PartProblem, METRIC);
  expect(said).toMatch(words);
  expect(said).not.toMatch(/NaN|undefined|null/);
});

it('waits are told to the minute, never as nothing', () =>
  expect([0, 0.2, 1, 59, 60, 61.5, 150].map(waitText)).toEqual([
    '1 min',
    '1 min',
    '1 min',
    '59 min',
    '1 h 00 min',
    '1 h 02 min',
    '2 h 30 min',
  ]));

it('days go over the ends of months and years, and are written out', () => {
  const from = Date.parse('2026-12-20T08:00:00Z');
  expect(addDays(from, 14)).toBe('2027-01-03');
  expect(dayText('2027-01-03')).toBe('3 January 2027');
});

it('every check has its title', () => {
  for (const check of Object.keys(CHECKS) as (keyof typeof CHECKS)[]) expect(checkTitle(check).length).toBeGreaterThan(4);
});
