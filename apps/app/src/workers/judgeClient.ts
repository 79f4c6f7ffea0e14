import * as Comlink from 'comlink';
import type { Case, Diagnosis } from '@jumper/core';
import type { JudgeWorker } from './judge.worker';

interface Running {
  worker: Worker;
  remote: Comlink.Remote<JudgeWorker>;
}

/** A question that is less than so far on is given up for a newer one; one that is further is let finish, so that a fast hand still gets
 *  answers. */
const GIVE_UP_BELOW = 0.5;

let running: Running | null = null;
let busy: Promise<unknown> = Promise.resolve();
/** Questions about the case as it stands, about what it was before the last finding, and about the jobs of a list: a newer one overtakes
 *  only its own kind, and nobody waits for a list. */
export type Line = 'now' | 'before' | 'list';
const newest: Record<Line, number> = { now: 0, before: 0, list: 0 };
let giveUp: { line: Line; now: () => void } | null = null;
let share: number | null = null;
const listeners = new Set<() => void>();

/** Thrown for a question that a newer one has overtaken. */
export class Overtaken extends Error {}

/** How far the question being worked on has come, 0 to 1; null while none is. */
export const judgeProgress = {
  now: (): number | null => share,
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => {
      listeners.delete(listener);
    };
  },
};

function setShare(value: number | null): void {
  share = value;
  for (const listener of listeners) listener();
}

/** Asks the judge. One question at a time: a newer one takes the place of those of its line that wait, and of the one being worked on
 *  unless that is nearly done. */
export async function askJudge(input: Case, line: Line = 'now'): Promise<Diagnosis> {
  const mine = ++newest[line];
  const before = busy;
  let release = () => {};
  busy = new Promise<void>((resolve) => {
    release = resolve;
  });
  if (giveUp && (giveUp.line === line || giveUp.line === 'list') && share !== null && share < GIVE_UP_BELOW) giveUp.now();
  try {
    await before.catch(() => undefined);
    if (mine !== newest[line]) throw new Overtaken();
    setShare(0);
    const { remote } = (running ??= start());
    const given = new Promise<never>((_, reject) => {
      giveUp = {
        line,
        now: () => {
          running?.worker.terminate();
          running = null;
          reject(new Overtaken());
        },
      };
    });
    return await Promise.race([remote.diagnose(input, Comlink.proxy(setShare)), given]);
  } finally {
    giveUp = null;
    setShare(null);
    release();
  }
}

function start(): Running {
  const worker = new Worker(new URL('./judge.worker.ts', import.meta.url));
  return { worker, remote: Comlink.wrap<JudgeWorker>(worker) };
}
