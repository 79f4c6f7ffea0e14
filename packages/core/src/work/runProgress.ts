import type { RunSheet, RunStep } from './RunSheet';

/** What was said of a step. */
export interface StepSaid {
  step: string;
  did: 'done' | 'skipped';
  value?: number;
  reason?: string;
  at: string;
}
export interface RunProgress {
  next: RunStep | null;
  doneCount: number;
  said: Map<string, StepSaid>;
  finished: boolean;
}

/** How far a run sheet has come: steps in order, each done or skipped with a reason; the last word about a step counts. */
export function runProgress(sheet: RunSheet, said: readonly StepSaid[]): RunProgress {
  const by = new Map<string, StepSaid>();
  for (const s of said) by.set(s.step, s);
  const next = sheet.steps.find((s) => !by.has(s.id)) ?? null;
  return { next, doneCount: sheet.steps.filter((s) => by.has(s.id)).length, said: by, finished: next === null };
}
