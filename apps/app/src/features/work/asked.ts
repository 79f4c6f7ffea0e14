import type { Ask } from '@jumper/core';
import { quantityText } from '../units/quantity';
import { pressureText, type Units } from '../units/units';

/** A step asks for litres of water, or else for a pressure. */
export const asksLitres = (ask: Ask | undefined): boolean => ask === 'litres-out';
/** What was said at a step, litres or gauge bar as it asked, as the user reads it. */
export const askedText = (ask: Ask | undefined, value: number, units: Units): string =>
  asksLitres(ask) ? quantityText(value, 'small-volume', units) : pressureText(value, units.pressure);
