import { EMITTER_L_PER_KW, inLitres, say, type Said } from '@jumper/core';

/** Every number of a sealed circuit's sheet, in the order in which a walk round the plant meets it. A path names where it stands in the
 *  sheet; `second` is the second vessel. */
export const NUMBER_FIELDS = [
  { field: 'reliefValve.setBar', group: 'relief', label: 'Relief valve opens at', unit: 'bar', hint: 'On its cap or label', main: true },
  { field: 'vessel.nominalVolumeL', group: 'vessel', label: 'Vessel', unit: 'L', hint: 'Its label says the nominal volume', main: true },
  { field: 'vessel.labelPrechargeBar', group: 'vessel', label: 'Charge on the vessel’s label', unit: 'bar', main: true },
  { field: 'staticHeadM', group: 'water', label: 'Highest water above the gauge', unit: 'm', main: true },
  {
    field: 'waterVolumeL',
    group: 'water',
    label: 'Content of the circuit',
    unit: 'L',
    hint: say`About ${inLitres(EMITTER_L_PER_KW['panel radiators'])} for each kW of panel radiators`,
    main: true,
  },
  { field: 'heatOutputKw', group: 'water', label: 'Boiler output', unit: 'kW', main: true },
  { field: 'maxFlowC', group: 'water', label: 'Highest flow temperature', unit: '°C', main: true },
  { field: 'gauge.resolutionBar', group: 'water', label: 'Smallest step on the gauge', unit: 'bar', main: true },
  { field: 'fill.mainsBar', group: 'feed', label: 'Mains pressure', unit: 'bar', main: true },
  { field: 'reliefValve.capacityKw', group: 'relief', label: 'Relief’s capacity', unit: 'kW', hint: 'At least the boiler’s output' },
  { field: 'reliefValve.ageYears', group: 'relief', label: 'Relief’s age', unit: 'years' },
  { field: 'vessel.targetPrechargeBar', group: 'vessel', label: 'Charge wanted, if not the label’s', unit: 'bar' },
  { field: 'vessel.maxBar', group: 'vessel', label: 'Greatest pressure on its label', unit: 'bar' },
  { field: 'vessel.heightAboveGaugeM', group: 'vessel', label: 'Vessel above the gauge', unit: 'm', hint: 'Below it: a minus' },
  { field: 'vessel.ageYears', group: 'vessel', label: 'Vessel’s age', unit: 'years' },
  { field: 'second.nominalVolumeL', group: 'vessel', label: 'Second vessel', unit: 'L', hint: 'Empty where there is one only' },
  { field: 'second.labelPrechargeBar', group: 'vessel', label: 'Charge on its label', unit: 'bar' },
  { field: 'second.heightAboveGaugeM', group: 'vessel', label: 'Second vessel above the gauge', unit: 'm' },
  { field: 'glycolPercent', group: 'water', label: 'Antifreeze', unit: '%', hint: 'By mass; empty for water' },
  {
    field: 'boilerVolumeL',
    group: 'water',
    label: 'Boiler’s own water',
    unit: 'L',
    hint: say`Wall boilers about ${inLitres(0.1)} for each kW`,
  },
  { field: 'altitudeM', group: 'water', label: 'Height above the sea', unit: 'm' },
  { field: 'ageYears', group: 'water', label: 'Plant’s age', unit: 'years' },
] as const satisfies readonly NumberFieldRow[];

/** Shown only with a feed of their kind. */
export const FEED_FIELDS = [
  { field: 'fill.setBar', group: 'feed', label: 'Reducing valve holds', unit: 'bar', feed: 'reducing-valve' },
  { field: 'fill.cutInBar', group: 'feed', label: 'Unit’s pump starts at', unit: 'bar', feed: 'pressurisation-unit' },
  { field: 'fill.cutOutBar', group: 'feed', label: 'Unit’s pump stops at', unit: 'bar', feed: 'pressurisation-unit' },
] as const;

export type FieldGroup = 'relief' | 'vessel' | 'water' | 'feed';
export interface NumberFieldRow {
  field: string;
  group: FieldGroup;
  label: string;
  unit: 'bar' | 'L' | 'm' | 'kW' | '°C' | 'years' | '%';
  hint?: Said;
  /** Asked at the start of a job. */
  main?: boolean;
}
export type NumberField = (typeof NUMBER_FIELDS)[number]['field'] | (typeof FEED_FIELDS)[number]['field'];
export const ALL_FIELDS: readonly (NumberFieldRow & { field: NumberField })[] = [...NUMBER_FIELDS, ...FEED_FIELDS];
/** Its unit on the sheet, canonical; none of what is no number. */
export const unitOf = (field: string): NumberFieldRow['unit'] | undefined => ALL_FIELDS.find((f) => f.field === field)?.unit;
export const labelOf = (field: string): string => ALL_FIELDS.find((f) => f.field === field)?.label ?? field;
