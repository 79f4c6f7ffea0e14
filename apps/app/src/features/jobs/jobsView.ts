import { jobToCase, standingFacts, type FactRecord, type JobParts } from '@jumper/contract';
import { CHECKS, COMPLAINT_ROWS, heatIsOn, resolveCircuit, standingLevel, type Case, type CheckId } from '@jumper/core';
import type { VerdictRecord } from '../../offline/database';
import { dueText as dueOfReading, READ_EVERY_S } from '../bench/dueText';
import { standsCold } from '../bench/levelText';
import { repairTitle } from '../bench/recordRows';
import { verdictText } from '../verdict/shortVerdict';
import { capital } from '../units/words';
import { pressureNumber, type Units } from '../units/units';
import { clockText, monthAndYear } from '../units/dates';

export type RowTone = 'oxide' | 'verdigris' | 'slate' | 'copper' | 'brass' | 'ink' | 'ink2';
export interface JobRow {
  id: string;
  number: string;
  numberTone: RowTone;
  site: string;
  line: string;
  status: string;
  statusTone: RowTone;
  when: string;
  begun: boolean;
  closed: boolean;
}

/** The list of jobs: the newest work first; each opens with its last pressure, and says what is known of it.
 *  @param verdicts what the judge last said, by job; a job without one shows its complaint */
export function jobRows(
  jobs: JobParts[],
  units: Units,
  nowMs: number,
  verdicts: ReadonlyMap<string, VerdictRecord> | null = null,
): JobRow[] {
  return [...jobs]
    .sort((a, b) => lastAt(b) - lastAt(a))
    .map((parts) => {
      const file = jobToCase(parts),
        standing = standingFacts(parts.facts);
      const pressures = (file.logs ?? []).flatMap((l) => l.samples.pressureBar).filter((p): p is number => p !== null);
      const last = pressures.at(-1),
        verdict = verdicts?.get(parts.job.id) ?? null;
      const closed = (standing.findLast((f) => f.body.kind === 'status')?.body as { status: string } | undefined)?.status === 'done';
      const begun = last !== undefined || standing.some((f) => f.body.kind === 'finding');
      const readingDue = closed || !heatIsOn(file.logs?.at(-1)) ? null : nextReadingAt(standing, nowMs);
      const stage = closed ? CLOSED : !begun ? TO_BEGIN : readingDue ? WATCHING : stageOf(file, verdict);
      return {
        id: parts.job.id,
        number: last === undefined ? '–' : pressureNumber(last, units.pressure),
        numberTone: last === undefined ? 'slate' : standsWrong(file, last) ? 'oxide' : 'ink',
        site: parts.sheet.site,
        line: lineOf(parts, file, verdict, begun),
        status: stage.text,
        statusTone: stage.tone,
        when: readingDue ?? ago(lastAt(parts), nowMs),
        begun,
        closed,
      };
    });
}

interface Stage {
  text: string;
  tone: RowTone;
}
const CLOSED: Stage = { text: 'closed', tone: 'ink2' },
  TO_BEGIN: Stage = { text: 'to begin', tone: 'slate' },
  WATCHING: Stage = { text: 'watching', tone: 'brass' },
  TO_PROVE: Stage = { text: 'to prove', tone: 'copper' };

/** How far the work is. */
function stageOf(file: Case, verdict: VerdictRecord | null): Stage {
  if (verdict?.proof === 'pass') return { text: 'proved', tone: 'verdigris' };
  if (verdict?.proof === 'fail') return { text: 'not right yet', tone: 'oxide' };
  if ((file.repairs?.length ?? 0) > 0) return TO_PROVE;
  if (verdict?.kind === 'sound') return { text: 'sound', tone: 'verdigris' };
  return verdict?.kind === 'found' ? { text: 'to repair', tone: 'copper' } : { text: 'diagnosing', tone: 'ink' };
}

function lineOf(parts: JobParts, file: Case, verdict: VerdictRecord | null, begun: boolean): string {
  const repair = file.repairs?.at(-1);
  if (repair && !file.logs?.some((l) => l.epoch === 'after-work')) return `${repairTitle(repair)}. Heat run to do`;
  if (verdict && begun) return verdictText(verdict);
  return parts.job.complaint.length ? sentence(parts.job.complaint.map((c) => COMPLAINT_ROWS[c].short)) : 'Service visit';
}

/** When the gauge of a circuit that heats is to be read again; null where nobody stands at it any more. */
function nextReadingAt(facts: FactRecord[], nowMs: number): string | null {
  const reading = facts.findLast((f) => f.body.kind === 'reading');
  if (!reading) return null;
  const lastMs = Date.parse(reading.body.at),
    due = dueOfReading(lastMs, nowMs);
  return due === null ? null : due.now ? 'reading due' : `reading ${clockText(lastMs + READ_EVERY_S * 1000)}`;
}

/** Near its relief, or cold and at a level that is wrong by the sheet. */
const NEAR_RELIEF = 0.75;
function standsWrong(file: Case, lastBar: number): boolean {
  if (file.circuit.kind === 'steam') return false;
  const circuit = resolveCircuit(file.circuit);
  return (
    lastBar > NEAR_RELIEF * circuit.reliefSetGaugeBar ||
    (standsCold(file.logs?.at(-1) ?? null) && standingLevel(lastBar, circuit).kind !== 'right')
  );
}

const sentence = (parts: string[]) => capital(parts.join(', '));
const lastAt = (p: JobParts) => Math.max(Date.parse(p.job.openedAt), ...p.facts.map((f) => Date.parse(f.body.at)));

export function ago(thenMs: number, nowMs: number): string {
  const min = Math.round((nowMs - thenMs) / 60_000);
  if (min < 1) return 'just now';
  if (min < 60) return `${min} min ago`;
  if (min < 24 * 60) return `${Math.round(min / 60)} h ago`;
  if (min < 45 * 1440) return `${Math.round(min / 1440)} d ago`;
  return monthAndYear(thenMs);
}

export interface DueRow {
  factId: string;
  jobId: string;
  site: string;
  title: string;
  check: CheckId;
  due: string;
  days: number;
}
const SOON_DAYS = 30;

/** What has to be looked at again, the most overdue first. A check that was noted again on a later visit to the circuit stands once, with
 *  its newest date. */
export function dueRows(jobs: JobParts[], nowMs: number): DueRow[] {
  const newest = new Map<string, DueRow & { notedAt: string; done: boolean }>();
  for (const parts of jobs)
    for (const { id, body } of standingFacts(parts.facts)) {
      if (body.kind !== 'check') continue;
      const key = `${parts.sheet.circuitId}.${body.check}`,
        before = newest.get(key);
      if (before && before.notedAt >= body.at) continue;
      newest.set(key, {
        factId: id,
        jobId: parts.job.id,
        site: parts.sheet.site,
        title: CHECKS[body.check],
        check: body.check,
        due: body.due,
        days: Math.round((Date.parse(body.due) - nowMs) / 86_400_000),
        notedAt: body.at,
        done: body.done ?? false,
      });
    }
  return [...newest.values()]
    .filter((r) => !r.done)
    .map(({ notedAt: _n, done: _d, ...row }) => row)
    .sort((a, b) => a.days - b.days);
}

export const isSoon = (row: DueRow): boolean => row.days <= SOON_DAYS;
export const dueText = (days: number): string =>
  days < -1
    ? `${-days} days overdue`
    : days === -1
      ? 'a day overdue'
      : days === 0
        ? 'today'
        : days === 1
          ? 'tomorrow'
          : days < 60
            ? `in ${days} days`
            : days < 700
              ? `in ${Math.round(days / 30.4)} months`
              : `in ${Math.round(days / 365)} years`;
