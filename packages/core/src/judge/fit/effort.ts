/** Counts, fixed: the same input gives the same answer on any machine. `moreRounds` is how often more is drawn where too few draws hit. */
export interface Effort {
  starts: number;
  scouts: number;
  /** So many starts are looked at, with so many steps each, before the best of them are gone on with. */
  looked: number;
  look: number;
  kept: number;
  iterations: number;
  draws: number;
  moreRounds: number;
}
export const THOROUGH: Effort = { starts: 5, scouts: 60, looked: 12, look: 4, kept: 4, iterations: 12, draws: 360, moreRounds: 5 };
/** Enough to see that a model is out of the question. */
export const QUICK: Effort = { starts: 2, scouts: 30, looked: 4, look: 2, kept: 1, iterations: 8, draws: 60, moreRounds: 0 };
/** Only from what is lent. */
export const LENT: Effort = { ...THOROUGH, starts: 0, scouts: 0, kept: 2 },
  LENT_QUICKLY: Effort = { ...QUICK, starts: 0, scouts: 0, looked: 2, kept: 2, iterations: 5 };
