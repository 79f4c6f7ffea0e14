import type { ResolvedCircuit } from '../../circuit/resolveCircuit';

/** Error of reading a difference twice off the same gauge, bar. @param readBar what was read, where it was: a reading between two marks was
 *  read with more care than to the next of them */
export const readingSd = (c: ResolvedCircuit, ...readBar: number[]): number =>
  0.025 + (readBar.some((bar) => isBetweenMarks(bar, c.gaugeStepBar)) ? 0.29 : 0.42) * c.gaugeStepBar;
/** Whether a gauge was read between two of its marks. */
export const isBetweenMarks = (bar: number, stepBar: number): boolean => Math.abs(bar / stepBar - Math.round(bar / stepBar)) > 0.1;
