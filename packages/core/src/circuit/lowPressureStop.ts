import { isWallBoiler, type CircuitSheet } from './CircuitSheet';

/** Whether the boiler has something that stops it when its water is gone, as far as the sheet says it: a wall boiler's sensor, a sensor for
 *  a gauge, or one of the parts on the sheet. Others are not taken to have one. Common practice. */
export const hasLowPressureStop = (sheet: CircuitSheet): boolean =>
  isWallBoiler(sheet) || sheet.gauge?.kind === 'sensor' || hasPart(sheet, 'low-water-cutoff', 'pressure-sensor');

/** Whether the sheet names a low-water cutoff. */
export const hasLowWaterCutoff = (sheet: CircuitSheet): boolean => hasPart(sheet, 'low-water-cutoff');

const hasPart = ({ components = [] }: CircuitSheet, ...kinds: string[]): boolean => components.some((c) => kinds.includes(c.kind));
