import type { Interval, Judgement } from '@jumper/core';
import { quantityNumber, shownAs } from '../units/quantity';
import { pressureText, type Units } from '../units/units';

export interface EstimateLine {
  label: string;
  value: string;
  range: string;
}

/** What the evidence says in numbers, each with the range that holds the truth nine times in ten; only what it can say.
 *  @param sheetWaterL the circuit's content as the sheet has it: told only where that is missing, or can hardly be */
export function estimateLines({ estimates }: Judgement, units: Units, sheetWaterL?: number): EstimateLine[] {
  const bar = (x: number) => pressureText(x, units.pressure);
  // What an hour hardly shows is told by the day.
  const rate = (label: string, { median, p05, p95 }: Interval): EstimateLine => {
    const daily = median < LEAST_HOURLY_L,
      quantity = daily ? 'loss' : 'flow',
      number = (x: number) => quantityNumber(daily ? 24 * x : x, quantity, units);
    return { label, value: `${number(median)} ${shownAs(quantity, units).unit}`, range: `${number(p05)} to ${number(p95)}` };
  };
  const lines: EstimateLine[] = [];
  const {
    prechargeBar: charge,
    inflowLPerH: inflow,
    lossLPerH: loss,
    gaugeOffsetBar: offset,
    reliefLiftBar: lift,
    waterVolumeL: water,
  } = estimates;
  if (charge)
    lines.push({
      label: 'Vessel’s charge',
      value: bar(charge.median),
      range: `${bar(charge.p05)} to ${bar(charge.p95)}${charge.median < 0 ? ' (below zero: waterlogged)' : ''}`,
    });
  if (inflow) lines.push(rate('Coming in', inflow));
  if (loss) lines.push(rate('Going out', loss));
  if (offset && Math.abs(offset.median) > WORTH_SAYING_BAR) {
    const over = offset.median > 0,
      [least, most] = over ? [offset.p05, offset.p95] : [-offset.p95, -offset.p05];
    lines.push({
      label: over ? 'Gauge over-reads by' : 'Gauge under-reads by',
      value: bar(Math.abs(offset.median)),
      range: `${bar(Math.max(0, least))} to ${bar(most)}`,
    });
  }
  if (lift) lines.push({ label: 'Relief lifts at', value: bar(lift.median), range: `${bar(lift.p05)} to ${bar(lift.p95)}` });
  if (water && (sheetWaterL === undefined ? water.p95 < TELLS_WITHIN * water.p05 : sheetWaterL < water.p05 || sheetWaterL > water.p95)) {
    const { unit, from } = shownAs('volume', units),
      whole = (x: number) => String(Math.round(from(x)));
    lines.push({
      label: 'Water in the circuit',
      value: `${whole(water.median)} ${unit}`,
      range: `${whole(water.p05)} to ${whole(water.p95)}${sheetWaterL === undefined ? '' : `; the sheet says ${whole(sheetWaterL)}`}`,
    });
  }
  return lines;
}

/** A gauge off by less is read right enough, bar. */
const WORTH_SAYING_BAR = 0.1;
/** Less than this is told by the day, L/h. */
const LEAST_HOURLY_L = 0.15;
/** A content between ends farther apart than so is only what such plants usually hold. */
const TELLS_WITHIN = 2;
