import type { Ask } from '@jumper/core';
import { quantityText } from '../units/quantity';
import { pressureText, type Units } from '../units/units';

/** A step asks for litres of water, or else for a pressure. */
export const asksLitres = (ask: Ask | undefined): boolean => ask === 'litres-out' || ask === 'air-litres';
/** What stands behind the number that a step asks for. */
export const askUnit = (ask: Ask, units: Units): string =>
  ask === 'freeze-minutes' ? 'min' : asksLitres(ask) ? units.volume : units.pressure;
/** What was said at a step, litres or gauge bar as it asked, as the user reads it. */
export const askedText = (ask: Ask | undefined, value: number, units: Units): string =>
  ask === 'freeze-minutes'
    ? `${value} min`
    : asksLitres(ask)
      ? quantityText(value, 'small-volume', units)
      : pressureText(value, units.pressure);
