import * as Comlink from 'comlink';
import type { Case, Diagnosis } from '@jumper/core';
import type { JudgeWorker } from './judge.worker';

let remote: Comlink.Remote<JudgeWorker> | null = null;
let busy: Promise<unknown> = Promise.resolve();
let newest = 0;

/** Thrown for a question that a newer one has overtaken before it was begun. */
export class Overtaken extends Error {}

/** Asks the judge. One question at a time: while one is being worked on, only the newest of those waiting is kept. */
export async function askJudge(input: Case): Promise<Diagnosis> {
  const mine = ++newest;
  const before = busy;
  let release = () => {};
  busy = new Promise<void>((resolve) => { release = resolve; });
  try {
    await before.catch(() => undefined);
    if (mine !== newest) throw new Overtaken();
    remote ??= Comlink.wrap<JudgeWorker>(new Worker(new URL('./judge.worker.ts', import.meta.url)));
    return await remote.diagnose(input);
  } finally {
    release();
  }
}
