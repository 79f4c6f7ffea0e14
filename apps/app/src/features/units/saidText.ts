import { saidBy, type Said } from '@jumper/core';
import { quantityText } from './quantity';
import { temperatureText, type Units } from './units';

/** A sentence of the core in the user's units. */
export const saidText = (said: Said, units: Units): string =>
  saidBy(said, ({ quantity, value }) =>
    quantity === 'temperature' ? temperatureText(value, units.temperature) : quantityText(value, quantity, units),
  );
