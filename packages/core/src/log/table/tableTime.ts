/** How a table writes its time. `elapsed-s`: seconds since the first reading, also as mm:ss or h:mm:ss. `local`: a date and a time of day
 *  with no zone. `excel`: days since 1899-12-30. */
export const TIME_KINDS = ['iso', 'local', 'excel', 'unix-s', 'unix-ms', 'elapsed-s'] as const;
export type TimeKind = (typeof TIME_KINDS)[number];
/** Which of the first two numbers of 04/03/2026 is the day. */
export type DateOrder = 'day-first' | 'month-first';

const DAY_MS = 86_400_000;
const EXCEL_EPOCH_MS = Date.UTC(1899, 11, 30);
const ISO = /^\d{4}-\d\d-\d\dT?\s?\d\d:\d\d.*(Z|[+-]\d\d:?\d\d)$/i;
const LOCAL = /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})[T ,]+(\d{1,2}):(\d\d)(?::(\d\d(?:[.,]\d+)?))?\s*([ap]m)?$/i;
const CLOCK = /^(?:(\d+):)?(\d{1,3}):(\d\d(?:[.,]\d+)?)$/;

/** Milliseconds of a cell: since 1970 (UTC), or since the start for elapsed times; null where the cell cannot be read so.
 *  @param zoneMin minutes by which local time is ahead of UTC, for `local` and `excel` */
export function timeMs(cell: string, kind: TimeKind, order: DateOrder, zoneMin: number): number | null {
  const text = cell.trim();
  switch (kind) {
    case 'iso':
      return ISO.test(text) ? finite(Date.parse(text.replace(/^(\S+) (?=\d)/, '$1T'))) : null;
    case 'local':
      return localMs(text, order, zoneMin);
    case 'excel':
      return mapNumber(text, (n) => (n > 20_000 && n < 80_000 ? Math.round(EXCEL_EPOCH_MS + n * DAY_MS) - 60_000 * zoneMin : null));
    case 'unix-s':
      return mapNumber(text, (n) => (n > 1e8 && n < 1e10 ? n * 1000 : null));
    case 'unix-ms':
      return mapNumber(text, (n) => (n > 1e11 && n < 1e13 ? n : null));
    case 'elapsed-s':
      return elapsedMs(text);
  }
}

function localMs(text: string, order: DateOrder, zoneMin: number): number | null {
  const m = LOCAL.exec(text);
  if (!m) return null;
  const [a, b, c] = [Number(m[1]), Number(m[2]), Number(m[3])];
  const yearFirst = m[1]!.length === 4;
  const year = yearFirst ? a : c < 100 ? 2000 + c : c;
  const [month, day] = yearFirst ? [b, c] : order === 'day-first' ? [b, a] : [a, b];
  const half = m[7]?.toLowerCase();
  const hour = half ? (Number(m[4]) % 12) + (half === 'pm' ? 12 : 0) : Number(m[4]);
  const minute = Number(m[5]),
    second = m[6] ? Number(m[6].replace(',', '.')) : 0;
  if (month < 1 || month > 12 || day < 1 || day > 31 || hour > 23 || minute > 59 || second >= 60) return null;
  return Date.UTC(year, month - 1, day, hour, minute) + 1000 * second - 60_000 * zoneMin;
}

function elapsedMs(text: string): number | null {
  const m = CLOCK.exec(text);
  if (m) return 1000 * (3600 * Number(m[1] ?? 0) + 60 * Number(m[2]) + Number(m[3]!.replace(',', '.')));
  return mapNumber(text, (n) => (n >= 0 && n < 1e8 ? n * 1000 : null));
}

const finite = (n: number) => (Number.isFinite(n) ? n : null);
function mapNumber(text: string, f: (n: number) => number | null): number | null {
  const n = tableNumber(text);
  return n === null ? null : f(n);
}

/** A number with a decimal point or comma; null for anything else. */
export function tableNumber(cell: string): number | null {
  const text = cell.trim().replace('−', '-');
  return /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i.test(text) ? finite(Number(text.replace(',', '.'))) : null;
}

/** The way of writing that reads most of these cells; the first in `TIME_KINDS` wins a tie. A tie of day and month goes to day first. */
export function guessTime(cells: string[]): { kind: TimeKind; order: DateOrder; share: number } {
  let best: { kind: TimeKind; order: DateOrder; share: number } = { kind: 'elapsed-s', order: 'day-first', share: 0 };
  for (const kind of TIME_KINDS)
    for (const order of kind === 'local' ? (['day-first', 'month-first'] as const) : (['day-first'] as const)) {
      const times = cells.map((c) => timeMs(c, kind, order, 0));
      const read = times.filter((t): t is number => t !== null);
      // A wrong order of day and month still reads, but jumps to and fro.
      const forward = read.every((t, i) => i === 0 || t >= read[i - 1]!) ? 0.01 : 0;
      const share = read.length / Math.max(1, cells.length) + (read.length ? forward : 0);
      if (share > best.share + 1e-9) best = { kind, order, share };
    }
  return best;
}
