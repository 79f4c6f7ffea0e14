import type { Diagnosis, Outlook, TestId } from '@jumper/core';

/** Whether the judge had asked for a test by itself: as one that would tell more, or as the one that would prove it wrong. */
export function isProposed(diagnosis: Pick<Diagnosis, 'nextTests' | 'provingTest' | 'now'> | undefined, test: TestId): boolean {
  const judgement = diagnosis?.now ?? diagnosis;
  return judgement !== undefined && (judgement.provingTest === test || judgement.nextTests.some((t) => t.test === test));
}

/** How the judge expects a test to come out that it asks for; nothing of another. */
export const outlookOn = (diagnosis: Pick<Diagnosis, 'nextTests' | 'now'> | undefined, test: TestId): readonly Outlook[] =>
  (diagnosis?.now ?? diagnosis)?.nextTests.find((t) => t.test === test)?.outlook ?? [];
