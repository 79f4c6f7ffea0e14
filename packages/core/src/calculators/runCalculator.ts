import type { NumberInput, Result } from './Calculator';
import { calculator, type CalculatorId } from './calculators';

export interface CalculatorRun {
  kind: 'results';
  results: Result[];
}
/** A number outside its field's range, or outside what the physics takes. */
export interface CalculatorRefusal {
  kind: 'refused';
  field: string;
  least: number;
  most: number;
}

/** Runs a calculator on canonical numbers; inputs left out take their usual value. */
export function runCalculator(id: CalculatorId, given: Record<string, number | string>): CalculatorRun | CalculatorRefusal {
  const c = calculator(id);
  const n: Record<string, number> = {},
    choices: Record<string, string> = {};
  for (const input of c.inputs) {
    if ('options' in input) {
      const v = given[input.id];
      choices[input.id] = input.options.some((o) => o.value === v) ? (v as string) : input.value;
      continue;
    }
    const v = typeof given[input.id] === 'number' ? (given[input.id] as number) : input.value;
    if (!(v >= input.least && v <= input.most)) return { kind: 'refused', field: input.id, least: input.least, most: input.most };
    n[input.id] = v;
  }
  try {
    return { kind: 'results', results: c.compute(n, choices) };
  } catch (e) {
    if (e instanceof Error && 'field' in e) {
      const r = e as unknown as { field: string; least: number; most: number };
      return { kind: 'refused', field: r.field, least: r.least, most: r.most };
    }
    throw e;
  }
}

/** The calculator's teaching curve round the given inputs; null where it has none. Points outside the physics are left out. */
export function calculatorCurve(id: CalculatorId, given: Record<string, number | string>, points = 41): { x: number; y: number }[] | null {
  const c = calculator(id);
  if (!c.curve) return null;
  const over = c.inputs.find((i): i is NumberInput => i.id === c.curve!.over && !('options' in i))!;
  const here = typeof given[over.id] === 'number' ? (given[over.id] as number) : over.value;
  const reach = Math.max(Math.abs(here), Math.abs(over.value), 0.5);
  const from = Math.max(over.least, here - reach),
    to = Math.min(over.most, here + reach);
  return Array.from({ length: points }, (_, i) => from + ((to - from) * i) / (points - 1)).flatMap((x) => {
    const run = runCalculator(id, { ...given, [over.id]: x });
    const y = run.kind === 'results' ? run.results.find((r) => r.id === c.curve!.of)?.value : undefined;
    return y !== undefined && Number.isFinite(y) ? [{ x, y }] : [];
  });
}
