import type { Diagnosis } from '@jumper/core';
import type { AnswerRecord, Database } from '../../offline/database';

/** So many answers are kept on the device: what was looked at last. */
const MOST_ANSWERS = 40;

/** An answer of the judge as this build gave it before: the same case is answered the same, and nobody waits for it twice.
 *  @param build null keeps nothing and finds nothing @param ask where none is kept; what it answers is kept */
export async function answered(db: Database, build: string | null, caseKey: string, ask: () => Promise<Diagnosis>): Promise<Diagnosis> {
  if (build === null) return ask();
  const key = `${build} ${caseKey}`;
  // A device that cannot read or write its store still has its judge.
  const kept = await db.get('answer', key).catch(() => undefined);
  if (kept) return kept.diagnosis;
  const diagnosis = await ask();
  await keep(db, { key, keptAtMs: Date.now(), diagnosis }).catch(() => undefined);
  return diagnosis;
}

async function keep(db: Database, answer: AnswerRecord): Promise<void> {
  const tx = db.transaction('answer', 'readwrite'),
    { store } = tx;
  await store.put(answer);
  let most = MOST_ANSWERS;
  for (let at = await store.index('keptAtMs').openKeyCursor(null, 'prev'); at; at = await at.continue())
    if (most-- <= 0) await store.delete(at.primaryKey);
  await tx.done;
}
