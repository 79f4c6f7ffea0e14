import type { Judgement } from '@jumper/core';
import { quantityNumber, shownAs } from '../units/quantity';
import { pressureText, type Units } from '../units/units';

export interface EstimateLine { label: string; value: string; range: string }

/** What the evidence says in numbers, each with the range that holds the truth nine times in ten; only what it can say. */
export function estimateLines({ estimates }: Judgement, units: Units): EstimateLine[] {
  const bar = (x: number) => pressureText(x, units.pressure), perHour = (x: number) => quantityNumber(x, 'flow', units);
  const flow = shownAs('flow', units).unit;
  const lines: EstimateLine[] = [];
  const { prechargeBar: charge, inflowLPerH: inflow, lossLPerH: loss, gaugeOffsetBar: offset, reliefLiftBar: lift } = estimates;
  if (charge) lines.push({ label: 'Vessel’s charge', value: bar(charge.median), range: `${bar(charge.p05)} to ${bar(charge.p95)}${charge.median < 0 ? ' (below zero: waterlogged)' : ''}` });
  if (inflow) lines.push({ label: 'Coming in', value: `${perHour(inflow.median)} ${flow}`, range: `${perHour(inflow.p05)} to ${perHour(inflow.p95)}` });
  if (loss) lines.push({ label: 'Going out', value: `${perHour(loss.median)} ${flow}`, range: `${perHour(loss.p05)} to ${perHour(loss.p95)}` });
  if (offset && Math.abs(offset.median) > WORTH_SAYING_BAR) lines.push({ label: offset.median > 0 ? 'Gauge over-reads by' : 'Gauge under-reads by', value: bar(Math.abs(offset.median)), range: [Math.abs(offset.p05), Math.abs(offset.p95)].sort((a, b) => a - b).map(bar).join(' to ') });
  if (lift) lines.push({ label: 'Relief lifts at', value: bar(lift.median), range: `${bar(lift.p05)} to ${bar(lift.p95)}` });
  return lines;
}

/** A gauge off by less is read right enough, bar. */
const WORTH_SAYING_BAR = 0.1;
