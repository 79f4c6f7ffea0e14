import type { Quantity } from '@jumper/core';
import { shownAs } from './quantity';
import { pressureNumber, type Units } from './units';

/** What a form's number is, by the canonical unit that its row names; what everybody writes alike is not here. */
const QUANTITIES: Readonly<Record<string, Quantity>> = {
  bar: 'pressure',
  '°C': 'temperature',
  L: 'small-volume',
  m: 'length',
  kW: 'power',
};
/** Digits after the point that a kept number is written back with, by the unit that it is shown in; what nobody touched is kept whole. */
const DIGITS: Readonly<Record<string, number>> = { bar: 3, psi: 2, '°C': 1, '°F': 1, 'BTU/h': 0 },
  OTHER_DIGITS = 2;

/** The unit that stands beside a field, for the canonical one of its row; none for a bare count. */
export function fieldUnit(unit: string, units: Units): string {
  const quantity = QUANTITIES[unit];
  return quantity ? shownAs(quantity, units).unit : unit === 'count' || unit === 'pH' ? '' : unit;
}

/** What was typed, in the user's unit, as a canonical number. */
export function fromField(typed: number, unit: string, units: Units): number {
  const quantity = QUANTITIES[unit];
  return quantity && !isCanonical(unit, units) ? Math.round(shownAs(quantity, units).to(typed) * 1e4) / 1e4 : typed;
}

/** A canonical number as the form writes it. */
export function toField(value: number, unit: string, units: Units): string {
  const quantity = QUANTITIES[unit];
  if (!quantity || (isCanonical(unit, units) && unit !== 'bar')) return String(value);
  const { from, unit: shown } = shownAs(quantity, units);
  return String(Number(from(value).toFixed(DIGITS[shown] ?? OTHER_DIGITS)));
}

/** A usual value, written as one would say it. */
export const usualInField = (value: number, unit: string, units: Units): string =>
  unit === 'bar' ? pressureNumber(value, units.pressure) : toField(value, unit, units);

/** What a limit of the contract is in, where the user's own unit is another: "25" is 25 bar to who reads psi. */
export const limitUnit = (unit: string, units: Units): string => (QUANTITIES[unit] && !isCanonical(unit, units) ? ` ${unit}` : '');

const isCanonical = (unit: string, units: Units): boolean => shownAs(QUANTITIES[unit]!, units).unit === unit;
