import type { Measured } from './LogReading';

/** Standard deviation of a reading rounded to a step, bar; of the mean of several, no better than that of four. */
export const readingSd = (stepBar: number, count = 1) => Math.sqrt((stepBar * stepBar) / 12 / Math.min(count, 4) + 2.5e-5);
/** Difference of two measured values. */
export const minus = (a: Measured, b: Measured): Measured => ({ value: a.value - b.value, sd: Math.hypot(a.sd, b.sd) });
