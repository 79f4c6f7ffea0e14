import { circuitSheet, problemsOf, type SheetRecord } from '@jumper/contract';
import { fromBar, toBar, type CircuitSheet } from '@jumper/core';
import { parseTyped, pressureNumber, type Units } from '../units/units';

/** The few facts that matter, in the order in which one meets them. */
export type NumberField = 'staticHeadM' | 'waterVolumeL' | 'heatOutputKw' | 'vessel.nominalVolumeL' | 'vessel.labelPrechargeBar' | 'reliefValve.setBar' | 'fill.mainsBar' | 'fill.setBar' | 'maxFlowC' | 'gauge.resolutionBar';
export interface NumberFieldRow { field: NumberField; label: string; unit: 'bar' | 'L' | 'm' | 'kW' | '°C'; hint?: string }

export const NUMBER_FIELDS: NumberFieldRow[] = [
  { field: 'reliefValve.setBar', label: 'Relief valve opens at', unit: 'bar', hint: 'On its cap or label' },
  { field: 'vessel.nominalVolumeL', label: 'Vessel', unit: 'L', hint: 'Its label says the nominal volume' },
  { field: 'vessel.labelPrechargeBar', label: 'Charge on the vessel’s label', unit: 'bar' },
  { field: 'staticHeadM', label: 'Highest water above the gauge', unit: 'm' },
  { field: 'waterVolumeL', label: 'Content of the circuit', unit: 'L', hint: 'About 4 L for each kW of radiators' },
  { field: 'heatOutputKw', label: 'Boiler output', unit: 'kW' },
  { field: 'maxFlowC', label: 'Highest flow temperature', unit: '°C' },
  { field: 'gauge.resolutionBar', label: 'Smallest step on the gauge', unit: 'bar' },
  { field: 'fill.mainsBar', label: 'Mains pressure', unit: 'bar' },
];

export interface SheetForm {
  site: string;
  town: string;
  numbers: Partial<Record<NumberField, string>>;
  fill: 'manual-loop' | 'reducing-valve' | 'none';
  hotWater: 'plate-exchanger' | 'indirect-coil' | 'none';
  vesselValve: 'none' | 'fitted' | 'fitted-with-drain';
  contentMeasured: boolean;
  /** Fields that nobody has read off the plant yet. */
  assumed: string[];
}

/** A wall boiler as most are. Everything is assumed until it is touched. */
export const WALL_BOILER: SheetForm = {
  site: '', town: '',
  numbers: { 'reliefValve.setBar': '3', 'vessel.nominalVolumeL': '8', 'vessel.labelPrechargeBar': '0.75', staticHeadM: '4', waterVolumeL: '95', heatOutputKw: '24', maxFlowC: '70', 'gauge.resolutionBar': '0.1', 'fill.mainsBar': '3.5' },
  fill: 'manual-loop', hotWater: 'plate-exchanger', vesselValve: 'none', contentMeasured: false,
  assumed: [...NUMBER_FIELDS.map((f) => f.field), 'fill.kind', 'domesticHotWater.kind', 'vessel.isolationValve'],
};

const PRESSURES = new Set<NumberField>(['vessel.labelPrechargeBar', 'reliefValve.setBar', 'fill.mainsBar', 'fill.setBar', 'gauge.resolutionBar']);

/** The defaults with their pressures written in the user's unit. */
export function blankForm(units: Units): SheetForm {
  const numbers = { ...WALL_BOILER.numbers };
  for (const f of PRESSURES) if (numbers[f]) numbers[f] = pressureNumber(Number(numbers[f]), units.pressure);
  return { ...WALL_BOILER, numbers };
}

/** A kept sheet back into the form, unknown keys of the sheet set aside for {@link sheetOf}. */
export function formOf(record: SheetRecord, units: Units): SheetForm {
  const s = record.sheet as unknown as CircuitSheet;
  const numbers: SheetForm['numbers'] = {};
  for (const { field } of NUMBER_FIELDS) {
    const value = valueAt(s, field);
    if (typeof value === 'number') numbers[field] = PRESSURES.has(field) ? String(Number(fromBar(value, units.pressure).toFixed(3))) : String(value);
  }
  const fill = s.fill?.kind;
  return {
    site: record.site, town: record.town ?? '', numbers,
    fill: fill === 'reducing-valve' || fill === 'none' ? fill : 'manual-loop',
    hotWater: s.domesticHotWater?.kind ?? 'plate-exchanger', vesselValve: s.vessel?.isolationValve ?? 'none',
    contentMeasured: s.waterVolumeSource === 'measured', assumed: record.assumed,
  };
}

const valueAt = (sheet: CircuitSheet, field: string): unknown => field.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], sheet);

export type SheetResult = { kind: 'ok'; site: string; town?: string; sheet: CircuitSheet; assumed: string[] } | { kind: 'bad'; problems: Record<string, string> };

/** Checks the form. Every problem is told at its field; nothing typed is lost. `before` keeps what the form does not show. */
export function sheetOf(form: SheetForm, units: Units, before?: CircuitSheet): SheetResult {
  const problems: Record<string, string> = {};
  if (!form.site.trim()) problems.site = 'Site: say where it is, for instance the street.';
  const number = (field: NumberField): number | undefined => {
    const typed = parseTyped(form.numbers[field] ?? '');
    if (typed.kind === 'not-a-number') problems[field] = `${labelOf(field)}: “${form.numbers[field]}” is not a number.`;
    if (typed.kind !== 'number') return undefined;
    return PRESSURES.has(field) ? Math.round(toBar(typed.value, units.pressure) * 1e4) / 1e4 : typed.value;
  };
  const sheet: CircuitSheet = defined({
    ...before, kind: 'sealed-hot-water',
    staticHeadM: number('staticHeadM'), waterVolumeL: number('waterVolumeL'), waterVolumeSource: form.contentMeasured ? 'measured' : 'estimated',
    heatOutputKw: number('heatOutputKw'), maxFlowC: number('maxFlowC'),
    gauge: defined({ kind: 'dial' as const, ...before?.gauge, resolutionBar: number('gauge.resolutionBar') }),
    vessel: defined({ ...before?.vessel, nominalVolumeL: number('vessel.nominalVolumeL'), labelPrechargeBar: number('vessel.labelPrechargeBar'), isolationValve: form.vesselValve }),
    reliefValve: { ...before?.reliefValve, setBar: number('reliefValve.setBar') as number },
    fill: defined({ ...before?.fill, kind: form.fill, mainsBar: number('fill.mainsBar'), setBar: form.fill === 'reducing-valve' ? number('fill.setBar') : undefined }),
    domesticHotWater: { kind: form.hotWater },
  });
  if (sheet.reliefValve?.setBar === undefined && !problems['reliefValve.setBar']) problems['reliefValve.setBar'] = 'Relief valve: its set pressure is needed.';
  const parsed = circuitSheet.safeParse(sheet);
  if (!parsed.success) for (const p of problemsOf(parsed.error)) problems[p.field] ??= `${labelOf(p.field)} ${p.message}.`;
  if (Object.keys(problems).length > 0) return { kind: 'bad', problems };
  return { kind: 'ok', site: form.site.trim(), ...(form.town.trim() ? { town: form.town.trim() } : {}), sheet, assumed: form.assumed };
}

const labelOf = (field: string) => NUMBER_FIELDS.find((f) => f.field === field)?.label ?? (field === 'fill.setBar' ? 'Reducing valve holds' : field);

/** Without its undefined members. */
function defined<T extends object>(object: T): T {
  return Object.fromEntries(Object.entries(object).filter(([, v]) => v !== undefined)) as T;
}
