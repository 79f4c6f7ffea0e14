import type { Interval, Judgement } from '@jumper/core';
import { quantityNumber, shownAs } from '../units/quantity';
import { pressureText, type Units } from '../units/units';

export interface EstimateLine {
  label: string;
  value: string;
  range: string;
}

/** What the evidence says in numbers, each with the range that holds the truth nine times in ten; only what it can say. */
export function estimateLines({ estimates }: Judgement, units: Units): EstimateLine[] {
  const bar = (x: number) => pressureText(x, units.pressure);
  // What an hour hardly shows is told by the day.
  const rate = (label: string, { median, p05, p95 }: Interval): EstimateLine => {
    const daily = median < LEAST_HOURLY_L,
      quantity = daily ? 'loss' : 'flow',
      number = (x: number) => quantityNumber(daily ? 24 * x : x, quantity, units);
    return { label, value: `${number(median)} ${shownAs(quantity, units).unit}`, range: `${number(p05)} to ${number(p95)}` };
  };
  const lines: EstimateLine[] = [];
  const { prechargeBar: charge, inflowLPerH: inflow, lossLPerH: loss, gaugeOffsetBar: offset, reliefLiftBar: lift } = estimates;
  if (charge)
    lines.push({
      label: 'Vessel’s charge',
      value: bar(charge.median),
      range: `${bar(charge.p05)} to ${bar(charge.p95)}${charge.median < 0 ? ' (below zero: waterlogged)' : ''}`,
    });
  if (inflow) lines.push(rate('Coming in', inflow));
  if (loss) lines.push(rate('Going out', loss));
  if (offset && Math.abs(offset.median) > WORTH_SAYING_BAR)
    lines.push({
      label: offset.median > 0 ? 'Gauge over-reads by' : 'Gauge under-reads by',
      value: bar(Math.abs(offset.median)),
      range: [Math.abs(offset.p05), Math.abs(offset.p95)]
        .sort((a, b) => a - b)
        .map(bar)
        .join(' to '),
    });
  if (lift) lines.push({ label: 'Relief lifts at', value: bar(lift.median), range: `${bar(lift.p05)} to ${bar(lift.p95)}` });
  return lines;
}

/** A gauge off by less is read right enough, bar. */
const WORTH_SAYING_BAR = 0.1;
/** Less than this is told by the day, L/h. */
const LEAST_HOURLY_L = 0.15;
