import type { Random } from './random';
import type { TruePlant } from './TruePlant';

export interface WrittenFinding {
  test: string;
  outcome?: string;
  [value: string]: unknown;
}

/** What one who does a test on a plant goes by. */
export interface Doing {
  p: TruePlant;
  liftedHot: boolean;
  r: Random;
  /** Says an outcome, or by a slip another of them. */
  say: (outcome: string, others: string[]) => { outcome: string };
  /** Reads the circuit's own gauge when the plant stands at a pressure. */
  read: (bar: number) => number;
  watchMin: number | undefined;
}
