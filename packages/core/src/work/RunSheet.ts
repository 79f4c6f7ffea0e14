import type { RepairKind } from '../judge/Case';
import type { TestId } from '../judge/tests';
import type { Step } from '../procedures/Step';
import type { PartKind } from './comparePart';
import type { PositionId } from './positions';

/** What a step asks to be written down. `charge-found` and `charge-set` are read on the gas side, the others on the system gauge. */
export type Ask = 'charge-found' | 'charge-set' | 'gauge-zero' | 'found-pressure' | 'fill-pressure' | 'litres-out';

export interface RunStep extends Step {
  id: string;
  /** What this step turns, parts or puts back. Written into the record when it is done. */
  turns?: { position: PositionId; state: 'away' | 'back' }[];
  asks?: Ask;
  /** A timer to run here, min. */
  timerMin?: number;
  /** A part is fitted here: its rating, seat and size are held against the old one's. */
  fits?: PartKind;
  /** Safety or proof: it cannot be skipped. */
  must?: boolean;
  /** Doing it is this test, as far as proving the repair goes. */
  proves?: TestId;
}

export interface RunSheet {
  title: string;
  /** In a line, when it is the right one. */
  when: string;
  minutes: number;
  /** The water must be below this before anything is opened, °C. */
  coolBelowC?: number;
  who?: string;
  steps: RunStep[];
  /** What stands in the record when the last step is done; the charge that was set goes with it. */
  repairs: RepairKind[];
  /** Recorded as temporary, with a recheck. */
  temporary?: boolean;
}
