import type { RunSheet, RunStep } from './RunSheet';

/** What was said of a step. */
export interface StepSaid {
  step: string;
  did: 'done' | 'skipped';
  value?: number;
  reason?: string;
  /** How it came out, of a step that may come out in several ways. */
  answer?: string;
  at: string;
  /** Who did it, where the record knows. */
  by?: string;
  /** Nobody did it in this run: the record of the job says that it is so. */
  given?: true;
}
export interface RunProgress {
  next: RunStep | null;
  doneCount: number;
  said: Map<string, StepSaid>;
  finished: boolean;
}

/** How far a run sheet has come: steps in order, each done or skipped with a reason; the last word about a step counts.
 *  @param given steps that the job's record says already */
export function runProgress(sheet: RunSheet, said: readonly StepSaid[], given: ReadonlyMap<string, StepSaid> = new Map()): RunProgress {
  const by = new Map<string, StepSaid>(given);
  for (const s of said) by.set(s.step, s);
  const next = sheet.steps.find((s) => !by.has(s.id)) ?? null;
  return { next, doneCount: sheet.steps.filter((s) => by.has(s.id)).length, said: by, finished: next === null };
}
