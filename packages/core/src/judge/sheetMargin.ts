import type { CircuitSheet } from '../circuit/CircuitSheet';
import { expectedPressure } from '../circuit/expectedPressure';
import { heldFromGaugeBar, resolveCircuit, type ResolvedCircuit } from '../circuit/resolveCircuit';

/** How far a circuit with the right charge stays below its relief at its greatest flow temperature, by what its sheet says, bar. Under nought its vessel is too small by the sheet alone. */
export function sheetMarginBar(c: ResolvedCircuit): number {
  const coldGaugeBar = Math.min((heldFromGaugeBar(c) + c.fillGaugeBar) / 2, c.reliefSetGaugeBar - 0.1);
  return c.reliefSetGaugeBar - expectedPressure({ circuit: c, coldGaugeBar, coldC: 15, flowC: c.maxFlowC }).gaugeBar;
}

/** Factor on how often the vessel is too small: the sheet itself says how close to the relief a right charge brings the circuit. Common practice. */
export function undersizeFactor(sheet: CircuitSheet): number {
  if (sheet.kind !== 'sealed-hot-water') return 1;
  const marginBar = sheetMarginBar(resolveCircuit(sheet));
  return marginBar < 0.2 ? 14 : marginBar < 0.35 ? 5 : marginBar < 0.5 ? 2.5 : marginBar > 1 ? 0.5 : 1;
}

/** Of vessels that are too small, those that are so for the content on the sheet, against circuits that were extended since it was written. */
export function knownToSheet(c: ResolvedCircuit): number {
  const marginBar = sheetMarginBar(c);
  return marginBar < 0.2 ? 0.6 : marginBar < 0.5 ? 0.45 : marginBar < 0.9 ? 0.2 : 0;
}
