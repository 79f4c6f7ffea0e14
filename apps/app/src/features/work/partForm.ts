import { partFitted, problemsOf } from '@jumper/contract';
import type { PartFitted, PartKind } from '@jumper/core';
import { fromField, limitUnit } from '../units/formUnits';
import { parseTyped, type Units } from '../units/units';

export type PartField = 'setBar' | 'capacityKw' | 'volumeL' | 'maxBar' | 'chargeBar' | 'oldSetBar' | 'oldVolumeL';
export type PartForm = { make: string; serial: string; size: string; oldSize: string } & Partial<Record<PartField, string>>;

export const EMPTY_PART: PartForm = { make: '', serial: '', size: '', oldSize: '' };
export const PART_FIELD_LABELS: Record<PartField, { label: string; unit: 'bar' | 'kW' | 'L' }> = {
  setBar: { label: 'Set pressure on it', unit: 'bar' },
  capacityKw: { label: 'Capacity on it', unit: 'kW' },
  volumeL: { label: 'Volume on it', unit: 'L' },
  maxBar: { label: 'Greatest pressure on it', unit: 'bar' },
  chargeBar: { label: 'Charge that you set', unit: 'bar' },
  oldSetBar: { label: 'On the old one', unit: 'bar' },
  oldVolumeL: { label: 'On the old one', unit: 'L' },
};
export const FIELDS_OF: Record<PartKind, PartField[]> = {
  // Its charge is asked where it is set, not before.
  vessel: ['volumeL', 'oldVolumeL', 'maxBar'],
  'relief-valve': ['setBar', 'oldSetBar', 'capacityKw'],
  'reducing-valve': ['setBar', 'oldSetBar'],
  'valve-core': [],
  'plate-exchanger': [],
  gauge: [],
  'automatic-vent': [],
  washer: [],
  adapter: [],
  elbow: [],
  sensor: [],
  other: [],
};

export type PartResult = { kind: 'ok'; part: PartFitted } | { kind: 'bad'; problems: Record<string, string> };

/** The form as a part; each problem at its field. Numbers are taken in the user's units. */
export function partOf(kind: PartKind, form: PartForm, units: Units): PartResult {
  const problems: Record<string, string> = {},
    numbers: Partial<Record<PartField, number>> = {};
  for (const field of FIELDS_OF[kind]) {
    const typed = parseTyped(form[field] ?? ''),
      { label, unit } = PART_FIELD_LABELS[field];
    if (typed.kind === 'not-a-number') problems[field] = `${label}: “${form[field]}” is not a number.`;
    if (typed.kind === 'number') numbers[field] = fromField(typed.value, unit, units);
  }
  const words = Object.fromEntries(
    (['make', 'serial', 'size', 'oldSize'] as const).flatMap((k) => (form[k].trim() ? [[k, form[k].trim()]] : [])),
  );
  const parsed = partFitted.safeParse({ kind, ...words, ...numbers });
  if (!parsed.success)
    for (const p of problemsOf(parsed.error))
      problems[p.field] ??=
        `${PART_FIELD_LABELS[p.field as PartField]?.label ?? p.field} ${p.message}${limitUnit(PART_FIELD_LABELS[p.field as PartField]?.unit ?? '', units)}.`;
  return Object.keys(problems).length || !parsed.success ? { kind: 'bad', problems } : { kind: 'ok', part: parsed.data as PartFitted };
}
