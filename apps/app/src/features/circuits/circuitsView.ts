import { jobToCase, type JobParts } from '@jumper/contract';
import { coldPressureOf, type CircuitSheet } from '@jumper/core';
import { groupBy } from '../jobs/jobData';
import { ago, dueRows, dueText } from '../jobs/jobsView';
import { quantityText } from '../units/quantity';
import { pressureNumber, pressureText, type Units } from '../units/units';

export interface CircuitRow {
  circuitId: string;
  /** The newest visit, through which its history opens. */
  jobId: string;
  cold: string;
  site: string;
  town: string;
  plant: string;
  visits: string;
  when: string;
  overdue: boolean;
}

/** Every circuit that this device knows, by site, with the cold pressure of its newest visit and what is due there next. */
export function circuitRows(jobs: JobParts[], units: Units, nowMs: number): CircuitRow[] {
  const due = dueRows(jobs, nowMs);
  return [...groupBy(jobs, (j) => j.job.circuitId)]
    .map(([circuitId, all]): CircuitRow => {
      const visits = [...all].sort((a, b) => b.job.openedAt.localeCompare(a.job.openedAt)),
        newest = visits[0]!,
        { site, town } = newest.sheet;
      const cold = visits.map(coldBarOf).find((bar) => bar !== null) ?? null,
        next = due.find((d) => visits.some((v) => v.job.id === d.jobId));
      return {
        circuitId,
        jobId: newest.job.id,
        cold: cold === null ? '–' : pressureNumber(cold, units.pressure),
        site,
        town: town ?? '',
        plant: [town, plantText(newest.sheet.sheet as unknown as CircuitSheet, units)].filter(Boolean).join(' · '),
        visits: visits.length === 1 ? '1 visit' : `${visits.length} visits`,
        when: next ? `${next.days < 0 ? '' : 'due '}${dueText(next.days)}` : ago(Date.parse(newest.job.openedAt), nowMs),
        overdue: (next?.days ?? 0) < 0,
      };
    })
    .sort((a, b) => a.site.localeCompare(b.site, undefined, { numeric: true }));
}

function coldBarOf(parts: JobParts): number | null {
  const log = jobToCase(parts).logs?.[0];
  return log ? coldPressureOf(log) : null;
}

/** What tells one circuit from another: what fires it, and where its relief lifts. */
function plantText(sheet: CircuitSheet, units: Units): string {
  const relief = sheet.reliefValve?.setBar;
  return [
    sheet.kind === 'steam' ? 'steam' : null,
    sheet.heatOutputKw === undefined ? null : quantityText(sheet.heatOutputKw, 'power', units),
    relief === undefined ? null : `relief ${pressureText(relief, units.pressure)}`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** Whether a site or its town has a word in its name. */
export const isNamed = ({ site, town }: { site: string; town?: string | undefined }, word: string): boolean =>
  `${site} ${town ?? ''}`.toLowerCase().includes(word.trim().toLowerCase());
