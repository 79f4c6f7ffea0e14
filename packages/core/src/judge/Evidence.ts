import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { PressureLog } from '../log/PressureLog';
import type { Complaint } from './priors/complaints';
import type { Finding } from './Finding';

/** What was measured on a visit, before or after the work. */
export interface Evidence {
  circuit: CircuitSheet;
  logs: PressureLog[];
  /** The logs' places in the case file. */
  logIndices: number[];
  /** What was told of it as it was found. */
  complaint?: Complaint[];
  /** With their place in the case file. */
  findings: { finding: Finding; index: number }[];
}
