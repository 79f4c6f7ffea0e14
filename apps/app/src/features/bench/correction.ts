import type { FactBody } from '@jumper/contract';
import { toField } from '../units/formUnits';
import type { Units } from '../units/units';
import { checkLitres } from './checkLitres';
import { checkPressure, checkTemperatures, type PressureCheck } from './checkPressure';

/** What can be put right in place. Other entries are made again where they were made; anything can be taken back. */
export type Correctable = Extract<FactBody, { kind: 'reading' | 'event' | 'finding' | 'repair' }>;
export const isCorrectable = (body: FactBody): body is Correctable => ['reading', 'event', 'finding', 'repair'].includes(body.kind);

/** An entry as it stands in the form: texts, in the user's units. `at` is local time to the minute, as the browser's own picker writes it. */
export interface EntryText {
  at: string;
  pressure: string;
  flow: string;
  ret: string;
  litres: string;
}
export type EntryField = keyof EntryText;

/** Which fields an entry has beside its time. */
export function entryFields(body: Correctable): EntryField[] {
  if (body.kind === 'reading') return ['at', 'pressure', 'flow', 'ret'];
  return body.kind === 'event' && (body.event === 'drawn-off' || body.event === 'top-up') ? ['at', 'litres'] : ['at'];
}

export function entryText(body: Correctable, units: Units): EntryText {
  const reading = body.kind === 'reading' ? body : null,
    written = (value: number | null | undefined, unit: string) =>
      value === null || value === undefined ? '' : toField(value, unit, units);
  return {
    at: localMinute(Date.parse(body.at)),
    pressure: written(reading?.pressureBar, 'bar'),
    flow: written(reading?.flowC, '°C'),
    ret: written(reading?.returnC, '°C'),
    litres: written(body.kind === 'event' ? body.volumeL : undefined, 'L'),
  };
}

export type Correction =
  | { kind: 'ok'; body: Correctable }
  | { kind: 'bad'; field: EntryField; message: string }
  | { kind: 'ask'; question: Extract<PressureCheck, { kind: 'ask' }>; take: (bar: number) => Correctable };

/** The entry with what was typed in it. What was not touched keeps the value it had, to the last digit and the second. */
export function correction(body: Correctable, typed: EntryText, units: Units, reliefBar: number, nowMs: number): Correction {
  const before = entryText(body, units),
    touched = (field: EntryField) => typed[field].trim() !== before[field];
  const at = touched('at') ? movedTo(body.at, before.at, typed.at, nowMs) : body.at;
  if (at === null) return { kind: 'bad', field: 'at', message: 'Time: not a day and a time.' };
  if (Date.parse(at) > nowMs) return { kind: 'bad', field: 'at', message: 'Time: that is still to come.' };
  if (body.kind === 'repair') return { kind: 'ok', body: { ...body, at, repair: { ...body.repair, at } } };
  if (body.kind === 'finding') return { kind: 'ok', body: { ...body, at } };
  return body.kind === 'event'
    ? event({ ...body, at }, typed.litres, touched, units)
    : reading({ ...body, at }, typed, touched, units, reliefBar);
}

type Touched = (field: EntryField) => boolean;

function event(body: Extract<Correctable, { kind: 'event' }>, litres: string, touched: Touched, units: Units): Correction {
  if (!touched('litres')) return { kind: 'ok', body };
  const check = checkLitres(litres, 'How much', units),
    { volumeL: _before, ...bare } = body;
  if (check.kind === 'bad') return { ...check, field: 'litres' };
  return { kind: 'ok', body: check.volumeL === null ? bare : { ...bare, volumeL: check.volumeL } };
}

function reading(
  body: Extract<Correctable, { kind: 'reading' }>,
  typed: EntryText,
  touched: Touched,
  units: Units,
  reliefBar: number,
): Correction {
  const read = checkTemperatures(typed, units),
    { flowC, returnC, ...bare } = body;
  if (read.kind === 'bad') return read;
  const standing = {
    ...bare,
    ...kept('flowC', touched('flow') ? read.flowC : flowC),
    ...kept('returnC', touched('ret') ? read.returnC : returnC),
  };
  const onlyTemperatures = typed.pressure.trim() === '' && (standing.flowC !== undefined || standing.returnC !== undefined);
  if (!touched('pressure') && (body.pressureBar !== null || onlyTemperatures)) return { kind: 'ok', body: standing };
  if (onlyTemperatures) return { kind: 'ok', body: { ...standing, pressureBar: null } };
  const pressure = checkPressure(typed.pressure, units, reliefBar);
  if (pressure.kind === 'bad') return { kind: 'bad', field: 'pressure', message: pressure.message };
  const take = (pressureBar: number): Correctable => ({ ...standing, pressureBar });
  return pressure.kind === 'ask' ? { kind: 'ask', question: pressure, take } : { kind: 'ok', body: take(pressure.bar) };
}
const kept = <K extends string>(name: K, celsius: number | undefined): Partial<Record<K, number>> =>
  celsius === undefined ? {} : ({ [name]: celsius } as Record<K, number>);

/** The time in the field so many minutes earlier (below zero) or later; what is no time stays. */
export function shiftMinutes(at: string, minutes: number): string {
  const ms = Date.parse(at);
  return Number.isNaN(ms) ? at : localMinute(ms + minutes * 60_000);
}

/** The moment moved by as much as the minute was: its seconds, and so the order of what was logged in one minute, stay. */
function movedTo(at: string, beforeText: string, text: string, nowMs: number): string | null {
  const minute = Date.parse(text);
  if (Number.isNaN(minute)) return null;
  const moved = Date.parse(at) + minute - Date.parse(beforeText);
  // This very minute has not run out: its seconds may lie ahead.
  return new Date(localMinute(nowMs) === text ? Math.min(moved, nowMs) : moved).toISOString();
}

/** Local time to the minute, as `<input type="datetime-local">` reads and writes it. */
export function localMinute(ms: number): string {
  const d = new Date(ms),
    two = (n: number) => String(n).padStart(2, '0');
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}T${two(d.getHours())}:${two(d.getMinutes())}`;
}
