import { jobToCase, standingFacts, type JobParts } from '@jumper/contract';
import { COMPLAINT_ROWS } from '@jumper/core';
import { pressureNumber, type Units } from '../units/units';

export interface JobRow { id: string; number: string; site: string; line: string; status: string; when: string; tone: 'oxide' | 'verdigris' | 'slate' | 'ink2' }

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
      const relief = file.circuit.reliefValve?.setBar ?? 3;
      const status = pressures.length === 0 && findings === 0 ? 'to begin' : findings > 0 ? `${findings} ${findings === 1 ? 'test' : 'tests'} done` : 'logging';
      return {
        id: parts.job.id, number: last === undefined ? '–' : pressureNumber(last, units.pressure), site: parts.sheet.site,
        line: parts.job.complaint.length ? sentence(parts.job.complaint.map((c) => COMPLAINT_ROWS[c].short)) : 'Service visit',
        status, when: ago(lastAt(parts), nowMs), tone: last === undefined ? 'slate' : last > 0.75 * relief ? 'oxide' : 'ink2',
      };
    });
}

const sentence = (parts: string[]) => { const s = parts.join(', '); return s.charAt(0).toUpperCase() + s.slice(1); };
const lastAt = (p: JobParts) => Math.max(Date.parse(p.job.openedAt), ...p.facts.map((f) => Date.parse(f.body.at)));

export function ago(thenMs: number, nowMs: number): string {
  const min = Math.round((nowMs - thenMs) / 60_000);
  if (min < 1) return 'just now';
  if (min < 60) return `${min} min ago`;
  if (min < 24 * 60) return `${Math.round(min / 60)} h ago`;
  return `${Math.round(min / 1440)} d ago`;
}
