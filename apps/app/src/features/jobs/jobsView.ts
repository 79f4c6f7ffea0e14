import { jobToCase, standingFacts, type JobParts } from '@jumper/contract';
import { CHECKS, COMPLAINT_ROWS, type CheckId } from '@jumper/core';
import { capital } from '../units/words';
import { pressureNumber, type Units } from '../units/units';

export interface JobRow { id: string; number: string; site: string; line: string; status: string; when: string; tone: 'oxide' | 'verdigris' | 'slate' | 'ink2'; closed: boolean }

/** The list of jobs: the newest work first; each opens with its last pressure. */
export function jobRows(jobs: JobParts[], units: Units, nowMs: number): JobRow[] {
  return jobs
    .map((parts) => ({ parts, standing: standingFacts(parts.facts) }))
    .sort((a, b) => lastAt(b.parts) - lastAt(a.parts))
    .map(({ parts, standing }) => {
      const file = jobToCase(parts);
      const pressures = (file.logs ?? []).flatMap((l) => l.samples.pressureBar).filter((p): p is number => p !== null);
      const last = pressures.at(-1);
      const findings = standing.filter((f) => f.body.kind === 'finding').length;
      const closed = standing.findLast((f) => f.body.kind === 'status')?.body as { status: string } | undefined;
      const relief = file.circuit.reliefValve?.setBar ?? 3;
      const status = closed?.status === 'done' ? 'closed' : pressures.length === 0 && findings === 0 ? 'to begin' : findings > 0 ? `${findings} ${findings === 1 ? 'test' : 'tests'} done` : 'logging';
      return {
        id: parts.job.id, number: last === undefined ? '–' : pressureNumber(last, units.pressure), site: parts.sheet.site,
        line: parts.job.complaint.length ? sentence(parts.job.complaint.map((c) => COMPLAINT_ROWS[c].short)) : 'Service visit',
        status, when: ago(lastAt(parts), nowMs), tone: last === undefined ? 'slate' : last > 0.75 * relief ? 'oxide' : 'ink2', closed: closed?.status === 'done',
      };
    });
}

const sentence = (parts: string[]) => capital(parts.join(', '));
const lastAt = (p: JobParts) => Math.max(Date.parse(p.job.openedAt), ...p.facts.map((f) => Date.parse(f.body.at)));

export function ago(thenMs: number, nowMs: number): string {
  const min = Math.round((nowMs - thenMs) / 60_000);
  if (min < 1) return 'just now';
  if (min < 60) return `${min} min ago`;
  if (min < 24 * 60) return `${Math.round(min / 60)} h ago`;
  if (min < 45 * 1440) return `${Math.round(min / 1440)} d ago`;
  return new Date(thenMs).toLocaleDateString('en-GB', { month: 'short', year: 'numeric' });
}

export interface DueRow { factId: string; jobId: string; site: string; title: string; check: CheckId; due: string; days: number }
const SOON_DAYS = 30;

/** What has to be looked at again, the most overdue first. A check that was noted again on a later visit to the circuit stands once, with its newest date. */
export function dueRows(jobs: JobParts[], nowMs: number): DueRow[] {
  const newest = new Map<string, DueRow & { notedAt: string; done: boolean }>();
  for (const parts of jobs)
    for (const { id, body } of standingFacts(parts.facts)) {
      if (body.kind !== 'check') continue;
      const key = `${parts.sheet.circuitId}.${body.check}`, before = newest.get(key);
      if (before && before.notedAt >= body.at) continue;
      newest.set(key, { factId: id, jobId: parts.job.id, site: parts.sheet.site, title: CHECKS[body.check], check: body.check, due: body.due, days: Math.round((Date.parse(body.due) - nowMs) / 86_400_000), notedAt: body.at, done: body.done ?? false });
    }
  return [...newest.values()].filter((r) => !r.done).map(({ notedAt: _n, done: _d, ...row }) => row).sort((a, b) => a.days - b.days);
}

export const isSoon = (row: DueRow): boolean => row.days <= SOON_DAYS;
export const dueText = (days: number): string => (days < -1 ? `${-days} days overdue` : days === -1 ? 'a day overdue' : days === 0 ? 'today' : days === 1 ? 'tomorrow' : days < 60 ? `in ${days} days` : days < 700 ? `in ${Math.round(days / 30.4)} months` : `in ${Math.round(days / 365)} years`);
