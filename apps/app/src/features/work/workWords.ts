import { CHECKS, PART_KINDS, positionRow, type ExpectedNumber, type PartFitted, type PartProblem, type PutBack } from '@jumper/core';
import { longDay } from '../units/dates';
import { quantityText } from '../units/quantity';
import { pressureText, signedPressure, type Units } from '../units/units';

/** A number to expect, in a line. */
export function expectedText(n: ExpectedNumber, units: Units): { label: string; value: string } {
  const bar = (x: number) => pressureText(x, units.pressure),
    litres = (x: number) => quantityText(x, 'small-volume', units);
  const value = n.unit === 'L' ? quantityText(n.value, 'volume', units) : n.unit === 'strokes' ? `about ${n.value}` : bar(n.value);
  const range = n.low !== undefined && n.high !== undefined ? `${bar(n.low)} to ${bar(n.high)}` : value;
  switch (n.code) {
    case 'cold-right':
      return { label: 'Normal for this system, cold', value: range };
    case 'charge-target':
      return { label: 'Charge wanted here', value };
    case 'charge-with-coupling':
      return { label: 'Pump to, coupling on', value };
    case 'pump-strokes':
      return { label: 'Strokes of a hand pump from flat', value };
    case 'after-right':
      return { label: `After ${litres(n.drawnL ?? 0.5)}, sound`, value };
    case 'after-flat':
      return { label: `After ${litres(n.drawnL ?? 0.5)}, vessel flat`, value };
    case 'draw-about':
      return { label: 'Draw about, for five divisions of this gauge', value: litres(n.value) };
    case 'stop-drawing':
      return { label: 'Stop drawing at', value };
    case 'boiler-water':
      return { label: 'Of it the boiler’s own, about', value };
    case 'drained-right':
      return { label: 'Comes out of a sound one', value };
    case 'drained-flat':
      return { label: 'Comes out of a flat one', value };
    case 'litre-an-hour-rises':
      return {
        label: `${litres(1)} an hour coming in raises it by`,
        value: `${signedPressure(n.value, units.pressure)} ${units.pressure}`,
      };
    case 'water-above-lifts':
      return { label: 'Water standing above makes by itself', value };
    case 'relief-set':
      return { label: 'Relief opens at', value };
    case 'hot-right':
      return { label: 'Normal for this system, hot', value: range };
    case 'litres-a-top-up':
      return { label: `A top-up of ${bar(0.5)} is about`, value };
    case 'gauge-now':
      return { label: 'It should show', value };
  }
}

export function partProblemText(p: PartProblem, units: Units): string {
  const bar = (x: number | undefined) => pressureText(x ?? 0, units.pressure),
    litres = (x: number | undefined) => quantityText(x ?? 0, 'volume', units);
  switch (p.code) {
    case 'old-not-as-sheet':
      return `The old one is marked ${bar(p.data.oldBar)}; the circuit’s sheet says ${bar(p.data.sheetBar)}. One of them is wrong: look at the boiler’s plate and the vessel’s.`;
    case 'rating-unknown':
      return 'Nobody has said what the old one opens at. Read its marking before another goes in.';
    case 'relief-other-rating':
      return `The new relief is for ${bar(p.data.setBar)}; this circuit wants ${bar(p.data.wantedBar)}. Do not fit it.`;
    case 'relief-above-vessel':
      return `The relief would open at ${bar(p.data.setBar)}; the vessel is only made for ${bar(p.data.ratedBar)}.`;
    case 'relief-too-small':
      return `The relief passes ${quantityText(p.data.capacityKw ?? 0, 'power', units)}, the boiler makes ${quantityText(p.data.outputKw ?? 0, 'power', units)}.`;
    case 'vessel-smaller':
      return `Smaller than the old one: ${litres(p.data.newL)} for ${litres(p.data.oldL)}.`;
    case 'vessel-too-small':
      return `Too small for this circuit: ${litres(p.data.newL)}; ${p.data.us ? 'the US method' : 'EN 12828'} wants ${litres(p.data.leastL === undefined ? undefined : Math.ceil(p.data.leastL))}.`;
    case 'vessel-below-relief':
      return `The vessel is made for ${bar(p.data.ratedBar)}; the relief only opens at ${bar(p.data.setBar)}.`;
    case 'charge-off-target':
      return `Its charge is ${bar(p.data.chargeBar)}; ${bar(p.data.targetBar)} is wanted here.`;
    case 'other-size':
      return 'Another thread or size than the old one.';
    case 'feed-above-relief':
      return `Set at ${bar(p.data.setBar)} it would hold the relief open at ${bar(p.data.reliefBar)}.`;
  }
}

/** What still stands away, in a line. */
export function putBackText(p: PutBack): string {
  const row = positionRow(p.position);
  return `${row.title}: ${row.away}${p.found ? `, was ${p.found}` : ''}`;
}

export const checkTitle = (check: keyof typeof CHECKS): string => CHECKS[check];

/** A wait, to the minute, never less than one. */
export const waitText = (minutes: number): string =>
  minutes < 60
    ? `${Math.max(1, Math.ceil(minutes))} min`
    : `${Math.floor(minutes / 60)} h ${String(Math.ceil(minutes % 60)).padStart(2, '0')} min`;

/** Day of a date as the customer reads it. */
export const dayText = (isoDate: string): string => longDay(`${isoDate}T12:00:00Z`);
export const addDays = (fromMs: number, days: number): string => new Date(fromMs + days * 86_400_000).toISOString().slice(0, 10);

/** A part that was fitted, in one line. */
export const partLine = (p: PartFitted): string =>
  [p.what ?? PART_KINDS[p.kind], p.make, p.serial ? `no. ${p.serial}` : null].filter(Boolean).join(', ');
