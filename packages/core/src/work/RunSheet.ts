import type { RepairKind } from '../judge/Case';
import type { TestId } from '../judge/tests';
import type { Step } from '../procedures/Step';
import type { Said } from '../units/said';
import type { PartKind } from './comparePart';

/** What a step asks to be written down. `charge-found` and `charge-set` are read on the gas side; `gauge-zero` on the gauge of the emptied
 *  part; litres and minutes say so; the others are read on the system gauge. */
export type Ask =
  'charge-found' | 'charge-set' | 'gauge-zero' | 'found-pressure' | 'fill-pressure' | 'litres-out' | 'air-litres' | 'freeze-minutes';

export interface RunStep extends Step {
  id: string;
  asks?: Ask;
  /** A timer to run here, min. */
  timerMin?: number;
  /** A part is fitted here: its rating, seat and size are held against the old one's. */
  fits?: PartKind;
  /** Safety or proof: it cannot be skipped. */
  must?: boolean;
  /** Doing it is this test, as far as proving the repair goes. */
  proves?: TestId;
  /** What is put right when this step is done: from then on all that is read is of the state after it. */
  repairs?: RepairKind[];
  /** The ways in which it may come out; one of them ends the step, or says what to do before it can be ended. */
  answers?: StepAnswer[];
  /** The valve map is looked at here. */
  showsMap?: boolean;
  /** What to do where it does not come out as it should: a title and what to look at, in order. */
  branch?: { title: string; steps: Said[] };
}

/** One way in which a step comes out. */
export interface StepAnswer {
  id: string;
  label: string;
  /** The step is over with it; otherwise it stays, and `then` says what to do. */
  ends: boolean;
  /** What is found by it, as a test's outcome. */
  finding?: { test: TestId; outcome: string };
  /** What to do now, in order. */
  then?: Said[];
  /** Run sheets that may be the way on. */
  leadsTo?: string[];
}

/** What a run sheet is, whatever the circuit. */
export interface RunSheetRow {
  title: string;
  /** In a line, when it is the right one. */
  when: string;
  minutes: number;
  /** The water must be below this before anything is opened, °C. */
  coolBelowC?: number;
  who?: string;
  /** What stands in the record once its steps are done; each is written by the step that does it. */
  repairs: RepairKind[];
  /** Recorded as temporary, with a recheck. */
  temporary?: boolean;
}

/** The same for one circuit: its steps, made from where its parts stand between the valves. */
export interface RunSheet extends RunSheetRow {
  steps: RunStep[];
  /** Why it cannot be done on this circuit as its sheet stands. Then there are no steps. */
  refused?: string;
}
