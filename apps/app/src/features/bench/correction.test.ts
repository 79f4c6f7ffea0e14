import { METRIC, type Units } from '../units/units';
import {
  correction,
  entryFields,
  entryText,
  isCorrectable,
  localMinute,
  shiftMinutes,
  type Correctable,
  type EntryText,
} from './correction';

const AT = '2026-03-04T09:12:41.250Z';
const NOW = Date.parse('2026-03-04T10:00:30.000Z');
const READING: Correctable = { kind: 'reading', at: AT, pressureBar: 1.2345, flowC: 41.37 };
const PSI: Units = { ...METRIC, pressure: 'psi', temperature: '°F', volume: 'US gal' };
const RELIEF_BAR = 3;

const change = (body: Correctable, typed: Partial<EntryText>, units = METRIC) =>
  correction(body, { ...entryText(body, units), ...typed }, units, RELIEF_BAR, NOW);
const kept = (body: Correctable, typed: Partial<EntryText>, units = METRIC) => {
  const answer = change(body, typed, units);
  if (answer.kind !== 'ok') throw new Error(JSON.stringify(answer));
  return answer.body;
};
const earlier = (body: Correctable, minutes: number) => ({ at: shiftMinutes(entryText(body, METRIC).at, -minutes) });

it('leaves what nobody touched to the last digit and the second, in any unit', () => {
  expect(kept(READING, {})).toEqual(READING);
  expect(kept(READING, {}, PSI)).toEqual(READING);
  expect(entryText(READING, PSI)).toMatchObject({ pressure: '17.9', flow: '106.5', ret: '' });
});

it('takes a pressure, a flow and a return, and drops one that was emptied', () => {
  expect(kept(READING, { pressure: '1,4', ret: '33' })).toEqual({ ...READING, pressureBar: 1.4, returnC: 33 });
  expect(kept(READING, { flow: ' ' })).toEqual({ kind: 'reading', at: AT, pressureBar: 1.2345 });
  expect(kept(READING, { flow: '104' }, PSI)).toEqual({ ...READING, flowC: 40 });
});

it('moves a moment by whole minutes, so that what was logged within one keeps its order', () => {
  expect(kept(READING, earlier(READING, 5)).at).toBe('2026-03-04T09:07:41.250Z');
  const later: Correctable = { kind: 'event', at: '2026-03-04T09:12:55.000Z', event: 'heat-on' };
  expect(Date.parse(kept(later, earlier(later, 5)).at) - Date.parse(kept(READING, earlier(READING, 5)).at)).toBe(13_750);
});

it('refuses a time that is still to come, but not the minute that runs', () => {
  expect(change(READING, { at: localMinute(NOW + 60_000) })).toEqual({ kind: 'bad', field: 'at', message: 'Time: that is still to come.' });
  // 09:12:41 moved into 10:00 would be ten seconds ahead of 10:00:30.
  expect(kept(READING, { at: localMinute(NOW) }).at).toBe(new Date(NOW).toISOString());
  expect(change(READING, { at: '' })).toMatchObject({ kind: 'bad', field: 'at' });
});

it('moves work with its own time: what is logged before it counts as found', () => {
  const body: Correctable = { kind: 'repair', at: AT, repair: { kind: 'vessel-recharged', at: AT, toBar: 0.75 } };
  const moved = '2026-03-04T09:02:41.250Z';
  expect(kept(body, earlier(body, 10))).toEqual({
    kind: 'repair',
    at: moved,
    repair: { kind: 'vessel-recharged', at: moved, toBar: 0.75 },
  });
});

it('asks how much was drawn off or topped up, and of nothing else', () => {
  const topUp: Correctable = { kind: 'event', at: AT, event: 'top-up' };
  expect(entryFields(topUp)).toEqual(['at', 'litres']);
  expect(entryFields({ ...topUp, event: 'heat-on' })).toEqual(['at']);
  expect(kept(topUp, { litres: '2' })).toEqual({ ...topUp, volumeL: 2 });
  expect(kept(topUp, { litres: '1' }, PSI)).toEqual({ ...topUp, volumeL: 3.7854 });
  expect(kept({ ...topUp, volumeL: 2 }, { litres: '' })).toEqual(topUp);
  expect(change(topUp, { litres: '0' })).toMatchObject({ kind: 'bad', field: 'litres' });
  expect(change(topUp, { litres: 'some' })).toMatchObject({ message: 'How much: “some” is not a number.' });
});

it('names the field that it cannot take', () => {
  expect(change(READING, { pressure: 'x' })).toMatchObject({ kind: 'bad', field: 'pressure' });
  expect(change(READING, { flow: '900' })).toMatchObject({ kind: 'bad', field: 'flow', message: expect.stringContaining('Flow: 900 °C') });
  expect(change(READING, { ret: '-90' })).toMatchObject({ kind: 'bad', field: 'ret', message: expect.stringContaining('Return') });
  // A new entry from earlier says nothing yet.
  expect(change({ kind: 'reading', at: AT, pressureBar: null }, {})).toMatchObject({ kind: 'bad', field: 'pressure' });
});

it('keeps temperatures alone where they were read alone', () => {
  expect(kept(READING, { pressure: '' })).toEqual({ kind: 'reading', at: AT, pressureBar: null, flowC: 41.37 });
  expect(kept({ kind: 'reading', at: AT, pressureBar: null }, { flow: '50' })).toEqual({
    kind: 'reading',
    at: AT,
    pressureBar: null,
    flowC: 50,
  });
});

it('asks back where no circuit of this relief stands, and takes either answer', () => {
  const answer = change(READING, { pressure: '18', flow: '50' });
  expect(answer).toMatchObject({ kind: 'ask', question: { kind: 'ask' } });
  if (answer.kind !== 'ask') throw new Error();
  expect(answer.question.asPsiBar).toBeCloseTo(1.241, 3);
  expect(answer.take(1.241)).toEqual({ ...READING, pressureBar: 1.241, flowC: 50 });
});

it('puts right what has a time and a value of its own; the rest is made again where it was made', () => {
  expect(isCorrectable(READING)).toBe(true);
  expect(isCorrectable({ kind: 'skip', at: AT, test: 'draw-off', reason: 'no jug' })).toBe(false);
});
