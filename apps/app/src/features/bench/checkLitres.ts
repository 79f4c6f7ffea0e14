import { fromField } from '../units/formUnits';
import { quantityText } from '../units/quantity';
import { parseTyped, type Units } from '../units/units';

/** More than that nobody fills in or draws off by hand, L. */
const MOST_L = 500;

/** Typed litres of water that were let in or out by hand, before they are kept; empty means not measured. */
export function checkLitres(
  typed: string,
  name: string,
  units: Units,
): { kind: 'ok'; volumeL: number | null } | { kind: 'bad'; message: string } {
  const number = parseTyped(typed);
  if (number.kind === 'empty') return { kind: 'ok', volumeL: null };
  if (number.kind === 'not-a-number') return { kind: 'bad', message: `${name}: “${typed.trim()}” is not a number.` };
  const volumeL = fromField(number.value, 'L', units);
  return volumeL <= 0 || volumeL > MOST_L
    ? { kind: 'bad', message: `${name}: must be above 0, at most ${quantityText(MOST_L, 'volume', units)}.` }
    : { kind: 'ok', volumeL };
}
