import type { SheetWarning } from '../circuit/sheetWarnings';
import type { Said } from '../units/said';
import type { FaultId } from './faults';
import type { Wait } from './next/waiting';
import type { TestId } from './tests';

export interface Interval {
  median: number;
  p05: number;
  p95: number;
}

export interface Because {
  evidence: string;
  for: FaultId;
  bits: number;
  /** In canonical units. */
  text: string;
  /** The same with its numbers kept apart, for who shows it in other units. */
  said: Said;
}

/** One way in which a test may come out. */
export interface Outlook {
  /** In canonical units, and with its numbers kept apart. */
  text: string;
  said: Said;
  /** How likely it comes out so, 0 to 1. */
  probability: number;
  /** What would then come first, and how probable it would be. */
  first: { faults: FaultId[]; probability: number };
}

export interface NextTest {
  test: TestId;
  informationBits: number;
  /** With the wait before it. */
  minutes: number;
  /** What it waits for before it can be done; left out where it can be done at once. */
  wait?: Wait;
  intrusive: boolean;
  text: string;
  /** How it may come out, and what would then be thought first; empty where that is not for a few words. */
  outlook: Outlook[];
}

/** What the engine makes of one state of a circuit. */
export interface Judgement {
  /** Most probable first; fault ids sorted; probabilities sum to at most 1. */
  hypotheses: { faults: FaultId[]; probability: number }[];
  marginals: Partial<Record<FaultId, number>>;
  estimates: {
    prechargeBar: Interval | null;
    /** What comes in past where it should, and goes out, with every valve open, at the mean pressure of the last log (at the fill
     *  pressure where nothing is logged). */
    inflowLPerH: Interval | null;
    lossLPerH: Interval | null;
    gaugeOffsetBar: Interval | null;
    waterVolumeL: Interval | null;
    /** At which the relief really lifts, as the gauge shows it, where it came near or is suspected. */
    reliefLiftBar: Interval | null;
  };
  /** For a healthy circuit of this sheet at the temperatures logged; null where nothing is logged and nothing can be expected. */
  expected: { hotBar: number; swingBar: number; lowBar: number; highBar: number } | null;
  because: Because[];
  nextTests: NextTest[];
  contradictions: { evidence: string[]; text: string; repeat: string }[];
  enoughKnown: boolean;
  provingTest: TestId | null;
  /** The same as it is proposed: what it costs, waits for and may show. */
  proof: NextTest | null;
  /** What the first suspects each make of every log, point by point, gauge bar: the picture beside what was logged. `log` is its place in
   *  the case file. */
  predictions: { log: number; tS: number[]; suspects: { faults: FaultId[]; gaugeBar: number[] }[] }[];
}

export interface Diagnosis extends Judgement {
  format: 'jumper-diagnosis';
  version: 1;
  caseId: string;
  /** What on the sheet cannot be right, or needs care: the answer rests on it. */
  warnings: SheetWarning[];
  /** Numbers that findings leave out, by their path in the case file: without them these findings say nothing. */
  notJudged: string[];
  /** The same, from what was measured after the last repair; absent with no work done. */
  now?: Judgement;
}
