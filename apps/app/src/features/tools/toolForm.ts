import {
  calculator,
  isChoice,
  resolveCircuit,
  runCalculator,
  type CalculatorId,
  type CircuitSheet,
  type NumberInput,
  type Result,
} from '@jumper/core';
import { quantityNumber, quantityText, shownAs } from '../units/quantity';
import { parseTyped, type Units } from '../units/units';

/** Typed texts by input; a choice is its value. Canonical numbers are made of them on every change. */
export type ToolForm = Record<string, string>;
export type Given = Record<string, number | string>;

/** The form for canonical numbers, in the user's units. */
export function formOf(id: CalculatorId, given: Given, units: Units): ToolForm {
  return Object.fromEntries(
    calculator(id).inputs.map((i) => {
      if (isChoice(i)) return [i.id, i.options.some((o) => o.value === given[i.id]) ? String(given[i.id]) : i.value];
      const value = typeof given[i.id] === 'number' && Number.isFinite(given[i.id]) ? (given[i.id] as number) : i.value;
      return [i.id, precise(value, i, units)];
    }),
  );
}
/** A digit more than is shown elsewhere: what is typed again must be the same number. */
const precise = (value: number, i: NumberInput, units: Units) =>
  String(
    Number(
      shownAs(i.quantity, units)
        .from(value)
        .toFixed(shownAs(i.quantity, units).digits + 2),
    ),
  );

export interface ToolView {
  results: { id: string; label: string; text: string; main: boolean; note: string | null }[];
  problems: Record<string, string>;
  given: Given;
  main: Result | null;
}

/** Results of what is typed; a field that cannot be read or is out of range is named and nothing is worked out. */
export function toolView(id: CalculatorId, form: ToolForm, units: Units): ToolView {
  const c = calculator(id);
  const problems: Record<string, string> = {},
    given: Given = {};
  for (const i of c.inputs) {
    if (isChoice(i)) {
      given[i.id] = form[i.id] ?? i.value;
      continue;
    }
    const typed = parseTyped(form[i.id] ?? '');
    if (typed.kind === 'empty') problems[i.id] = `${i.label}: is needed.`;
    else if (typed.kind === 'not-a-number') problems[i.id] = `${i.label}: “${form[i.id]!.trim()}” is not a number.`;
    else {
      const value = shownAs(i.quantity, units).to(typed.value);
      if (value < i.least - 1e-9 || value > i.most + 1e-9) problems[i.id] = outside(i, i.least, i.most, units);
      // A bound typed back in the user's unit may miss it by a rounding.
      given[i.id] = Math.min(i.most, Math.max(i.least, value));
    }
  }
  if (Object.keys(problems).length) return { results: [], problems, given, main: null };
  const run = runCalculator(id, given);
  if (run.kind === 'refused') {
    const input = c.inputs.find((i): i is NumberInput => i.id === run.field && !isChoice(i));
    if (input) return { results: [], problems: { [run.field]: outside(input, run.least, run.most, units) }, given, main: null };
    return { results: [], problems: { '': 'These numbers do not go together: look at them again.' }, given, main: null };
  }
  return {
    results: run.results.map((r) => ({
      id: r.id,
      label: r.label,
      text: quantityText(r.value, r.quantity, units),
      main: r.main ?? false,
      note: r.note ? r.note.map((p) => (typeof p === 'string' ? p : quantityText(p.value, p.quantity, units))).join('') : null,
    })),
    problems,
    given,
    main: run.results.find((r) => r.main) ?? null,
  };
}

const outside = (i: NumberInput, least: number, most: number, units: Units) =>
  `${i.label}: must be ${quantityNumber(least, i.quantity, units)} to ${quantityText(most, i.quantity, units)}.`;

/** The inputs as a link's query, canonical, so that it means the same in anybody's units. */
export const linkOf = (id: CalculatorId, given: Given): string =>
  `/tools/${id}?${new URLSearchParams(Object.entries(given).map(([k, v]) => [k, typeof v === 'number' ? String(Number(v.toPrecision(8))) : v])).toString()}`;

export function givenOf(id: CalculatorId, query: Record<string, string | string[] | undefined>): Given | null {
  const given: Given = {};
  for (const i of calculator(id).inputs) {
    const text = query[i.id];
    if (typeof text !== 'string') continue;
    if (isChoice(i)) given[i.id] = text;
    else if (Number.isFinite(Number(text))) given[i.id] = Number(text);
  }
  return Object.keys(given).length ? given : null;
}

/** A circuit's numbers for a calculator's inputs of the same name. */
export function givenFromSheet(sheet: CircuitSheet): Given {
  if (sheet.kind !== 'sealed-hot-water') return {};
  const c = resolveCircuit(sheet);
  return {
    contentL: c.contentL,
    nominalVolumeL: c.vesselL,
    prechargeGaugeBar: c.prechargeGaugeBar,
    fillGaugeBar: c.fillGaugeBar,
    reliefSetGaugeBar: c.reliefSetGaugeBar,
    stretchLPerBar: c.stretchLPerBar,
    heightM: sheet.staticHeadM ?? 4,
    hotC: c.maxFlowC - 5,
    ...(sheet.vessel?.labelPrechargeBar !== undefined ? { labelBar: sheet.vessel.labelPrechargeBar } : {}),
    ...(sheet.heatOutputKw !== undefined ? { heatKw: sheet.heatOutputKw } : {}),
  };
}
