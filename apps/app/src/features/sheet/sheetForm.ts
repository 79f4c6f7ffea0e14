import { circuitSheet, problemsOf, type SheetRecord } from '@jumper/contract';
import { massPercentOfFreezing, massPercentOfVolume, vesselsOf, type CircuitSheet, type Vessel } from '@jumper/core';
import { fieldUnit, fromField, limitUnit, toField, usualInField } from '../units/formUnits';
import { parseTyped, type Units } from '../units/units';
import { usualForm, type PlantId } from './plants';
import type { SheetForm } from './SheetFormType';
import { ALL_FIELDS, labelOf, unitOf, type NumberField } from './numberFields';

/** The defaults of a kind of plant, written in the user's units. */
export function blankForm(units: Units, plant: PlantId = 'wall-boiler'): SheetForm {
  const form = usualForm(plant),
    numbers = { ...form.numbers };
  for (const f of Object.keys(numbers) as NumberField[]) numbers[f] = usualInField(Number(numbers[f]), unitOf(f)!, units);
  return { ...form, numbers };
}

/** A kept sheet back into the form, unknown keys of the sheet set aside for {@link sheetOf}. */
export function formOf(record: SheetRecord, units: Units): SheetForm {
  const s = record.sheet as unknown as CircuitSheet,
    [vessel, second] = vesselsOf(s);
  const numbers: SheetForm['numbers'] = {};
  for (const { field, unit } of ALL_FIELDS) {
    const value = valueAt({ ...s, vessel, second }, field);
    if (typeof value === 'number') numbers[field] = toField(value, unit, units);
  }
  const fill = s.fill?.kind;
  return {
    site: record.site,
    town: record.town ?? '',
    numbers,
    fill: fill === 'reducing-valve' || fill === 'pressurisation-unit' || fill === 'none' ? fill : 'manual-loop',
    hotWater: s.domesticHotWater?.kind ?? 'plate-exchanger',
    vesselValve: vessel?.isolationValve ?? 'none',
    contentMeasured: s.waterVolumeSource === 'measured',
    glycol: s.glycol ?? 'propylene',
    leftConnected: s.fill?.leftConnected ?? false,
    feedValve: s.fill?.valve ?? null,
    valveMap: s.valveMap ?? {},
    glycolBy: 'mass',
    openVented: s.openVented ?? false,
    pump: s.pump?.position ?? null,
    zones: s.zones ?? [],
    components: s.components ?? [],
    assumed: record.assumed,
  };
}

/** Antifreeze by mass, whatever it was read as. */
function massPercentOf(
  form: SheetForm,
  units: Units,
  problems: Record<string, string>,
  number: (field: NumberField) => number | undefined,
): number | undefined {
  const read = number('glycolPercent');
  if (read === undefined || form.glycolBy === 'mass') return read;
  try {
    const mass =
      form.glycolBy === 'volume'
        ? massPercentOfVolume(form.glycol, read)
        : massPercentOfFreezing(form.glycol, fromField(read, '°C', units));
    return Math.round(10 * mass) / 10;
  } catch {
    problems.glycolPercent =
      form.glycolBy === 'volume'
        ? 'Antifreeze: by volume from 0 to 60 %.'
        : `Antifreeze: a freezing point from ${toField(-51, '°C', units)} to ${toField(0, '°C', units)} ${fieldUnit('°C', units)}.`;
    return undefined;
  }
}

const valueAt = (sheet: object, field: string): unknown =>
  field.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], sheet);

export type SheetResult =
  { kind: 'ok'; site: string; town?: string; sheet: CircuitSheet; assumed: string[] } | { kind: 'bad'; problems: Record<string, string> };

/** Checks the form. Every problem is told at its field; nothing typed is lost. `before` keeps what the form does not show, and numbers that
 *  nobody touched to the last digit, in whatever unit they were shown. */
export function sheetOf(form: SheetForm, units: Units, before?: CircuitSheet): SheetResult {
  const problems: Record<string, string> = {};
  const [firstBefore, secondBefore, ...further] = before ? vesselsOf(before) : [];
  if (!form.site.trim()) problems.site = 'Site: say where it is, for instance the street.';
  const number = (field: NumberField): number | undefined => {
    const typed = parseTyped(form.numbers[field] ?? '');
    if (typed.kind === 'not-a-number') problems[field] = `${labelOf(field)}: “${form.numbers[field]}” is not a number.`;
    if (typed.kind !== 'number') return undefined;
    const kept = valueAt({ ...before, vessel: firstBefore, second: secondBefore }, field),
      unit = unitOf(field)!;
    return typeof kept === 'number' && toField(kept, unit, units) === form.numbers[field] ? kept : fromField(typed.value, unit, units);
  };
  const feed = (field: NumberField, kind: SheetForm['fill']) => (form.fill === kind ? number(field) : undefined);
  const vessel: Vessel = defined({
    ...firstBefore,
    nominalVolumeL: number('vessel.nominalVolumeL'),
    labelPrechargeBar: number('vessel.labelPrechargeBar'),
    targetPrechargeBar: number('vessel.targetPrechargeBar'),
    maxBar: number('vessel.maxBar'),
    heightAboveGaugeM: number('vessel.heightAboveGaugeM'),
    ageYears: number('vessel.ageYears'),
    isolationValve: form.vesselValve,
  });
  const secondL = number('second.nominalVolumeL');
  const second =
    secondL === undefined
      ? null
      : defined<Vessel>({
          ...secondBefore,
          nominalVolumeL: secondL,
          labelPrechargeBar: number('second.labelPrechargeBar'),
          heightAboveGaugeM: number('second.heightAboveGaugeM'),
        });
  const glycolPercent = massPercentOf(form, units, problems, number);
  const { vessels: _several, ...rest } = before ?? {};
  const sheet: CircuitSheet = defined({
    ...rest,
    kind: 'sealed-hot-water',
    staticHeadM: number('staticHeadM'),
    waterVolumeL: number('waterVolumeL'),
    waterVolumeSource: form.contentMeasured ? 'measured' : 'estimated',
    heatOutputKw: number('heatOutputKw'),
    maxFlowC: number('maxFlowC'),
    boilerVolumeL: number('boilerVolumeL'),
    altitudeM: number('altitudeM'),
    ageYears: number('ageYears'),
    glycolPercent,
    glycol: glycolPercent ? form.glycol : before?.glycol,
    gauge: defined({ kind: 'dial' as const, ...before?.gauge, resolutionBar: number('gauge.resolutionBar') }),
    vessel,
    vessels: second ? [vessel, second, ...further] : undefined,
    reliefValve: defined({
      ...before?.reliefValve,
      setBar: number('reliefValve.setBar') as number,
      capacityKw: number('reliefValve.capacityKw'),
      ageYears: number('reliefValve.ageYears'),
    }),
    fill: defined({
      ...before?.fill,
      kind: form.fill,
      mainsBar: number('fill.mainsBar'),
      setBar: feed('fill.setBar', 'reducing-valve'),
      cutInBar: feed('fill.cutInBar', 'pressurisation-unit'),
      cutOutBar: feed('fill.cutOutBar', 'pressurisation-unit'),
      leftConnected: form.leftConnected || undefined,
      valve: form.fill === 'reducing-valve' || form.fill === 'pressurisation-unit' ? (form.feedValve ?? undefined) : undefined,
    }),
    domesticHotWater: { kind: form.hotWater },
    openVented: form.openVented || undefined,
    pump: form.pump ? { ...before?.pump, position: form.pump } : before?.pump,
    zones: form.zones.length ? form.zones : undefined,
    components: form.components.length ? form.components : undefined,
    valveMap: Object.keys(form.valveMap).length ? form.valveMap : undefined,
  });
  if (sheet.reliefValve?.setBar === undefined && !problems['reliefValve.setBar'])
    problems['reliefValve.setBar'] = 'Relief valve: its set pressure is needed.';
  const parsed = circuitSheet.safeParse(sheet);
  if (!parsed.success)
    for (const p of problemsOf(parsed.error)) {
      const field = p.field.replace(/^vessels\.0\./, 'vessel.').replace(/^vessels\.1\./, 'second.');
      problems[field] ??= `${labelOf(field)} ${p.message}${limitUnit(unitOf(field) ?? '', units)}.`;
    }
  if (Object.keys(problems).length > 0) return { kind: 'bad', problems };
  return { kind: 'ok', site: form.site.trim(), ...(form.town.trim() ? { town: form.town.trim() } : {}), sheet, assumed: form.assumed };
}

/** Without its undefined members. */
function defined<T extends object>(object: { [K in keyof T]: T[K] | undefined }): T {
  return Object.fromEntries(Object.entries(object).filter(([, v]) => v !== undefined)) as T;
}
