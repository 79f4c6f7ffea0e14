import { finding as findingSchema, problemsOf } from '@jumper/contract';
import { EMPTY_GAUGE_BAR, toBar, type Finding, type TestId, type TestRow, type ValueSpec } from '@jumper/core';
import { fromField, limitUnit } from '../units/formUnits';
import { parseTyped, type Units } from '../units/units';

export interface FindingForm {
  outcome: string | null;
  values: Record<string, string>;
  flags: Record<string, boolean>;
  words: Record<string, string>;
}

export const VALUE_LABELS: Record<string, string> = {
  valueBar: 'Reading',
  idleHours: 'Hours with the heat off',
  circuitBar: 'System gauge at that moment',
  startBar: 'At the start',
  endBar: 'At the end',
  minutes: 'Minutes between',
  volumeL: 'Volume',
  volumeMl: 'Volume',
  beforeBar: 'Gauge before',
  afterBar: 'Gauge after',
  fromBar: 'Gauge before draining',
  firstGaugeBar: 'First gauge',
  markedBar: 'Marking',
  count: 'How many',
  waterC: 'Water',
  coldBar: 'Cold',
  hotBar: 'Hot',
  hotC: 'Flow when hot',
  boilerStartBar: 'Boiler side, start',
  boilerEndBar: 'Boiler side, end',
  circuitStartBar: 'Circuit side, start',
  circuitEndBar: 'Circuit side, end',
  boilerStartC: 'Boiler side’s temperature, start',
  boilerEndC: 'Boiler side’s temperature, end',
  circuitStartC: 'Circuit side’s temperature, start',
  circuitEndC: 'Circuit side’s temperature, end',
  delayS: 'Seconds until it stopped',
  flowC: 'Flow',
  returnC: 'Return',
  minutesFiring: 'Minutes firing',
  supplyC: 'Supply',
  setC: 'Set to',
  valueC: 'Measured',
};
export const FLAG_LABELS: Record<string, string> = {
  drainOpen: 'The drain stands open',
  boilerIsolated: 'The boiler is isolated',
  heating: 'The heat was on',
  raining: 'It was raining',
  coldWeather: 'It was cold outside',
};
/** Flags of which neither side goes without saying: what was not said is left out, and never taken for a no. */
export const EITHER_WAY: Record<string, { label: string; yes: string; no: string }> = {
  calling: { label: 'The zone', yes: 'Was calling', no: 'Was not calling' },
};

export const WORD_LABELS: Record<string, string> = { water: 'The water was', during: 'The circuit was', zone: 'Zone' };

/** The value that a watch begins with, where it has one. */
export const startField = (row: TestRow): string | null =>
  ['startBar', 'boilerStartBar', 'coldBar'].find((name) => row.values && name in row.values) ?? null;

export type FindingResult = { kind: 'ok'; finding: Finding } | { kind: 'bad'; problems: Record<string, string> };

/** The form as a finding, checked by the contract's own schema; each problem at its field. */
export function findingOf(test: TestId, row: TestRow, form: FindingForm, units: Units): FindingResult {
  const problems: Record<string, string> = {};
  const values: Record<string, number> = {};
  for (const [name, spec] of Object.entries(row.values ?? {}) as [string, ValueSpec][]) {
    const typed = parseTyped(form.values[name] ?? '');
    const label = VALUE_LABELS[name] ?? name;
    if (typed.kind === 'not-a-number') problems[name] = `${label}: “${form.values[name]}” is not a number.`;
    if (typed.kind === 'empty' && !spec.optional && !row.outcomes) problems[name] = `${label}: is needed.`;
    if (typed.kind === 'number') values[name] = fromField(typed.value, spec.unit, units);
  }
  if (row.outcomes && form.outcome === null) problems.outcome = 'Say what you saw.';
  for (const f of row.flags ?? [])
    if (EITHER_WAY[f] && form.flags[f] === undefined)
      problems[f] = `${EITHER_WAY[f].label}: say whether it ${EITHER_WAY[f].yes.toLowerCase()} or not.`;
  const made = {
    test,
    ...(form.outcome ? { outcome: form.outcome } : {}),
    ...values,
    ...Object.fromEntries(
      (row.flags ?? []).flatMap((f) => (EITHER_WAY[f] && form.flags[f] === undefined ? [] : [[f, form.flags[f] ?? false]])),
    ),
    ...Object.fromEntries(Object.keys(row.words ?? {}).flatMap((w) => (form.words[w]?.trim() ? [[w, form.words[w].trim()]] : []))),
  };
  const parsed = findingSchema.safeParse(made);
  if (!parsed.success)
    for (const p of problemsOf(parsed.error))
      problems[p.field] ??= `${VALUE_LABELS[p.field] ?? p.field} ${p.message}${limitUnit(row.values?.[p.field]?.unit ?? '', units)}.`;
  return Object.keys(problems).length ? { kind: 'bad', problems } : { kind: 'ok', finding: made as Finding };
}

/** The trap of the precharge reading: with water still behind the diaphragm the tyre gauge repeats the water's pressure. */
export function prechargeTrap(form: FindingForm, units: Units): 'circuit-not-empty' | 'drain-shut' | null {
  const circuit = parseTyped(form.values.circuitBar ?? '');
  if (circuit.kind === 'number' && toBar(circuit.value, units.pressure) > EMPTY_GAUGE_BAR) return 'circuit-not-empty';
  // Nobody is asked about a drain before he has read anything.
  const isBegun = Object.values(form.values).some((text) => text.trim() !== '');
  return form.flags.drainOpen || !isBegun ? null : 'drain-shut';
}
