import type { FaultId } from './faults';
import type { Draw } from './fit/draw';
import type { LogFit } from './fit/LogFit';

/** One set of faults, judged. */
export interface JudgedSet {
  faults: FaultId[];
  prior: number;
  /** The same for all sets that no log of these could tell apart. */
  movesAs: string;
  probability: number;
  /** Natural logs: of all logs together, and of each finding given the logs and the findings before it. */
  logEvidence: number;
  /** Of that, what each log says, in the order of the tracks. */
  logParts: number[];
  findingEvidence: number[];
  /** The same of all that was measured once work was done, where this is a set as it was found. */
  proofEvidence?: number;
  draws: Draw[];
  fit: LogFit;
}
