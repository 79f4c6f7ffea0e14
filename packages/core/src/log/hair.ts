/** Times no farther apart than this are one, s: a sum of fractions misses what it comes to by a hair, and by which way it does hangs on
 *  nothing but when a clock was started. */
export const HAIR_S = 1e-6;
