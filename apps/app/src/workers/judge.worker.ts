import * as Comlink from 'comlink';
import { diagnose, type Case, type Diagnosis } from '@jumper/core';

/** The judge off the main thread: the same code as on the command line. */
const judge = { diagnose: (input: Case): Diagnosis => diagnose(input) };
export type JudgeWorker = typeof judge;

Comlink.expose(judge);
