import type { CircuitSheet } from './CircuitSheet';

/** Whether the water holds what must not go to the ground, as far as the sheet says it. */
export const isTreated = ({ glycolPercent = 0 }: CircuitSheet): boolean => glycolPercent > 0;
