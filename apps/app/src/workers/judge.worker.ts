import * as Comlink from 'comlink';
import { diagnose, type Case, type Diagnosis } from '@jumper/core';

/** Said at most so often, ms: word of how far it has come must not slow the work. */
const SAY_EVERY_MS = 150;

/** The judge off the main thread: the same code as on the command line. */
const judge = {
  diagnose: (input: Case, told: (share: number) => void): Diagnosis => {
    let said = performance.now();
    return diagnose(input, (share) => {
      if (performance.now() - said > SAY_EVERY_MS) {
        said = performance.now();
        told(share);
      }
    });
  },
};
export type JudgeWorker = typeof judge;

Comlink.expose(judge);
