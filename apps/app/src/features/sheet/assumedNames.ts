import type { SheetRecord } from '@jumper/contract';
import { resolveCircuit, type CircuitSheet } from '@jumper/core';

/** What a field of the sheet is called in a sentence. */
const NAMES: Record<string, string> = {
  waterVolumeL: 'content of the circuit',
  staticHeadM: 'height above the gauge',
  'vessel.nominalVolumeL': 'size of the vessel',
  'vessel.labelPrechargeBar': 'charge on the vessel’s label',
  'reliefValve.setBar': 'setting of the relief',
  'fill.mainsBar': 'mains pressure',
  'fill.setBar': 'setting of the feed',
  maxFlowC: 'highest flow temperature',
  heatPowerKw: 'output of the boiler',
};

/** The numbers of a circuit that nobody read off the plant, in words. */
export function assumedNames(record: Pick<SheetRecord, 'sheet' | 'assumed'>): string[] {
  const fields = new Set([...record.assumed, ...resolveCircuit(record.sheet as unknown as CircuitSheet).assumed]);
  return Object.entries(NAMES).flatMap(([field, name]) => (fields.has(field) ? [name] : []));
}

/** One line that says what a warning or verdict rests on; null where every number was read. */
export function assumedLine(record: Pick<SheetRecord, 'sheet' | 'assumed'>): string | null {
  const names = assumedNames(record);
  return names.length === 0 ? null : `Assumed, not read on the plant: ${names.join(', ')}. Enter them on the sheet.`;
}
