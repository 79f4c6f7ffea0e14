import { calculator, calculatorCurve, type CalculatorId, type NumberInput, runCalculator } from '@jumper/core';
import { quantityText } from '../units/quantity';
import type { Units } from '../units/units';
import type { Given } from './toolForm';

export interface CurveView {
  title: string;
  spoken: string;
  points: { value: number }[];
  here: number | null;
  low: string;
  high: string;
  from: string;
  to: string;
}

/** The calculator's curve scaled into a unit square, with its ends in words; null where it has none or too few points. */
export function curveView(id: CalculatorId, given: Given, units: Units): CurveView | null {
  const c = calculator(id);
  const points = calculatorCurve(id, given);
  if (!c.curve || !points || points.length < 5) return null;
  const over = c.inputs.find((i): i is NumberInput => i.id === c.curve!.over && !('options' in i))!;
  const run = runCalculator(id, given);
  const of = run.kind === 'results' ? run.results.find((r) => r.id === c.curve!.of) : undefined;
  if (!of) return null;
  const ys = points.map((p) => p.y),
    low = Math.min(...ys),
    high = Math.max(...ys),
    span = high - low || 1;
  const from = points[0]!.x,
    to = points.at(-1)!.x;
  const text = (y: number) => quantityText(y, of.quantity, units),
    place = (x: number) => quantityText(x, over.quantity, units);
  const here = typeof given[over.id] === 'number' ? ((given[over.id] as number) - from) / (to - from || 1) : null;
  const title = `${of.label} over ${over.label.charAt(0).toLowerCase()}${over.label.slice(1)}`;
  return {
    title,
    spoken: `${title}: ${text(ys[0]!)} at ${place(from)}, ${text(ys.at(-1)!)} at ${place(to)}`,
    points: points.map((p) => ({ value: 0.04 + (0.92 * (p.y - low)) / span })),
    here: here !== null && here >= 0 && here <= 1 ? here : null,
    low: text(low),
    high: text(high),
    from: place(from),
    to: place(to),
  };
}
