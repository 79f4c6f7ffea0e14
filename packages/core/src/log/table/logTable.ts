import { toBar, toCelsius, type PressureUnit, type TemperatureUnit } from '../../units/convert';
import { EVENT_KINDS, type EventKind, type LogEvent, type PressureLog } from '../PressureLog';
import { guessTime, tableNumber, timeMs, type DateOrder, type TimeKind } from './tableTime';

export const COLUMN_ROLES = ['time', 'pressure', 'flow', 'return', 'event'] as const;
export type ColumnRole = (typeof COLUMN_ROLES)[number];

/** How a table of readings is to be read. Columns count from 0; null: not in the table. */
export interface TableChoice {
  columns: Record<ColumnRole, number | null>;
  headerLines: number;
  timeKind: TimeKind;
  dateOrder: DateOrder;
  pressureUnit: PressureUnit;
  temperatureUnit: TemperatureUnit;
  /** Minutes by which the table's local time is ahead of UTC. */
  zoneMin: number;
}

export interface BadLine {
  line: number;
  reason: string;
}
export interface TableRead {
  log: PressureLog;
  /** Lines that could not be read and were left out, in order. Lines count from 1, the header among them. */
  bad: BadLine[];
  read: number;
}

const GAUGE_BAR = { least: -1, most: 25 },
  CELSIUS = { least: -20, most: 250 };

const NAMES: Record<ColumnRole, RegExp> = {
  time: /time|zeit|date|stamp|clock|elapsed|seconds|^t$|^ts?\b/i,
  pressure: /press|druck|bar|psi|kpa|gauge|^p$|^p[_ (]/i,
  flow: /flow|supply|vorlauf|^tf|feed/i,
  return: /return|r(ü|ue)cklauf|^tr/i,
  event: /event|note|mark/i,
};

/** A first choice, from the header's words where there is one and from what the cells look like. The user may change any of it. */
export function guessTable(rows: string[][]): TableChoice {
  const sample = rows.filter((r) => r.some((c) => c.trim() !== '')).slice(0, 60);
  const header = sample[0] && !sample[0].some((c) => tableNumber(c) !== null || guessTime([c]).share >= 1) ? sample[0] : null;
  const body = header ? sample.slice(1) : sample;
  const width = Math.max(0, ...sample.map((r) => r.length));
  const cells = (i: number) => body.map((r) => r[i] ?? '').filter((c) => c.trim() !== '');
  const numeric = (i: number) => cells(i).length > 0 && cells(i).filter((c) => tableNumber(c) !== null).length > 0.5 * cells(i).length;
  const columns: TableChoice['columns'] = { time: null, pressure: null, flow: null, return: null, event: null };
  const taken = () => new Set(Object.values(columns));
  if (header)
    header.forEach((name, i) => {
      const role = COLUMN_ROLES.find((r) => columns[r] === null && NAMES[r].test(name.trim()));
      if (role) columns[role] = i;
    });
  const all = Array.from({ length: width }, (_, i) => i);
  columns.time ??=
    all.find((i) => !taken().has(i) && guessTime(cells(i)).share > 0.9 && (!numeric(i) || guessTime(cells(i)).share > 1)) ?? null;
  columns.pressure ??= all.find((i) => !taken().has(i) && numeric(i)) ?? null;
  if (!header) for (const role of ['flow', 'return'] as const) columns[role] ??= all.find((i) => !taken().has(i) && numeric(i)) ?? null;
  const time = guessTime(columns.time === null ? [] : cells(columns.time));
  const heading = (role: ColumnRole) => (header && columns[role] !== null ? header[columns[role]!]! : '');
  const values =
    columns.pressure === null
      ? []
      : cells(columns.pressure)
          .map((c) => tableNumber(c))
          .filter((n): n is number => n !== null);
  return {
    columns,
    headerLines: header ? rows.indexOf(header) + 1 : 0,
    timeKind: time.kind,
    dateOrder: time.order,
    zoneMin: 0,
    pressureUnit: pressureUnitOf(heading('pressure'), values),
    temperatureUnit: /°\s?f|fahr|[\s_([]f[\])]?$/i.test(heading('flow')) ? '°F' : '°C',
  };
}

/** From the heading, else from the size of the values: no heating circuit stands at 12 bar, and none at 1 psi. */
function pressureUnitOf(heading: string, values: number[]): PressureUnit {
  const named = (['mbar', 'psi', 'kPa', 'bar'] as const).find((u) => new RegExp(u, 'i').test(heading));
  if (named) return named;
  const middle = [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 1;
  return middle > 500 ? 'mbar' : middle > 60 ? 'kPa' : middle > 6.5 ? 'psi' : 'bar';
}

/** Reads rows of a table as a log. A line that cannot be read is left out and listed with its reason; so is one that runs back in time, or
 *  repeats the time of the line before. An empty cell is a value that was not read. Linear in the rows. */
export function readLogTable(rows: string[][], choice: TableChoice): TableRead {
  const { columns } = choice;
  const bad: BadLine[] = [],
    events: LogEvent[] = [];
  const tS: number[] = [],
    pressureBar: (number | null)[] = [],
    flowC: (number | null)[] = [],
    returnC: (number | null)[] = [];
  let startMs: number | null = null,
    lastMs = -Infinity;
  for (let i = choice.headerLines; i < rows.length; i++) {
    const row = rows[i]!;
    if (row.every((c) => c.trim() === '')) continue;
    const line = i + 1;
    const cell = (role: ColumnRole) => (columns[role] === null ? '' : (row[columns[role]!] ?? '').trim());
    const ms = timeMs(cell('time'), choice.timeKind, choice.dateOrder, choice.zoneMin);
    if (ms === null) {
      bad.push({ line, reason: `time: “${short(cell('time'))}” cannot be read as ${TIME_WORDS[choice.timeKind]}` });
      continue;
    }
    const p = value(cell('pressure'), 'pressure', (v) => toBar(v, choice.pressureUnit), GAUGE_BAR, 'bar');
    const f = value(cell('flow'), 'flow', (v) => toCelsius(v, choice.temperatureUnit), CELSIUS, '°C');
    const r = value(cell('return'), 'return', (v) => toCelsius(v, choice.temperatureUnit), CELSIUS, '°C');
    const kinds =
      cell('event') === ''
        ? []
        : cell('event')
            .split('|')
            .map((k) => k.trim());
    const unknown = kinds.find((k) => !EVENT_KINDS.includes(k as EventKind));
    const reason = p.reason ?? f.reason ?? r.reason ?? (unknown === undefined ? null : `event: “${short(unknown)}” is not one`);
    if (reason) {
      bad.push({ line, reason });
      continue;
    }
    const bare = p.value === null && f.value === null && r.value === null;
    if (bare && kinds.length === 0) {
      bad.push({ line, reason: 'pressure: is empty' });
      continue;
    }
    if (ms < lastMs) {
      bad.push({ line, reason: 'time: runs back' });
      continue;
    }
    if (ms === lastMs && !bare && tS.length && 1000 * tS.at(-1)! === ms - startMs!) {
      bad.push({ line, reason: 'time: the same as the line before' });
      continue;
    }
    startMs ??= ms;
    lastMs = ms;
    for (const kind of kinds) events.push({ tS: (ms - startMs) / 1000, kind: kind as EventKind });
    if (bare) continue;
    tS.push((ms - startMs) / 1000);
    pressureBar.push(p.value);
    flowC.push(f.value);
    returnC.push(r.value);
  }
  const log: PressureLog = { source: 'csv', samples: { tS, pressureBar } };
  if (startMs !== null && choice.timeKind !== 'elapsed-s') log.startedAt = new Date(startMs).toISOString();
  if (flowC.some((x) => x !== null)) log.samples.flowC = flowC;
  if (returnC.some((x) => x !== null)) log.samples.returnC = returnC;
  if (events.length) log.events = events;
  return { log, bad, read: tS.length };
}

const TIME_WORDS: Record<TimeKind, string> = {
  iso: 'an ISO time',
  local: 'a date and time',
  excel: 'a spreadsheet’s date number',
  'unix-s': 'Unix seconds',
  'unix-ms': 'Unix milliseconds',
  'elapsed-s': 'seconds since the start',
};
const short = (s: string) => (s.length > 24 ? `${s.slice(0, 24)}…` : s);

function value(
  cell: string,
  name: string,
  convert: (v: number) => number,
  range: { least: number; most: number },
  unit: string,
): { value: number | null; reason: string | null } {
  if (cell === '') return { value: null, reason: null };
  const n = tableNumber(cell);
  if (n === null) return { value: null, reason: `${name}: “${short(cell)}” is not a number` };
  const v = Math.round(convert(n) * 1e5) / 1e5;
  return v < range.least || v > range.most
    ? { value: null, reason: `${name}: ${short(cell)} is outside ${range.least} to ${range.most} ${unit}` }
    : { value: v, reason: null };
}

/** Logs as one table, `time,pressure_bar,flow_C,return_C,event`: ISO 8601 times in UTC, decimal points. A log with no start counts from
 *  `startMs`. An event stands on the line of a reading taken at its second, else on one of its own. */
export function writeLogTable(logs: PressureLog[], startMs: number): string {
  const lines: { ms: number; cells: (string | number)[] }[] = [];
  for (const log of logs) {
    const from = log.startedAt ? Date.parse(log.startedAt) : startMs;
    const s = log.samples;
    const at = new Map<number, (string | number)[]>();
    s.tS.forEach((t, i) => {
      const cells = [s.pressureBar[i] ?? '', s.flowC?.[i] ?? '', s.returnC?.[i] ?? '', ''];
      at.set(t, cells);
      lines.push({ ms: from + 1000 * t, cells });
    });
    for (const e of log.events ?? []) {
      const cells = at.get(e.tS);
      if (cells) cells[3] = cells[3] ? `${cells[3]}|${e.kind}` : e.kind;
      else lines.push({ ms: from + 1000 * e.tS, cells: ['', '', '', e.kind] });
    }
  }
  lines.sort((a, b) => a.ms - b.ms);
  return (
    ['time,pressure_bar,flow_C,return_C,event', ...lines.map((l) => [new Date(Math.round(l.ms)).toISOString(), ...l.cells].join(','))].join(
      '\n',
    ) + '\n'
  );
}
