import type { SheetRecord } from '@jumper/contract';
import { sizeCircuit, type CircuitSheet, type SheetWarning } from '@jumper/core';
import { quantityText } from '../units/quantity';
import { pressureText, type Units } from '../units/units';

export interface SummaryRow {
  label: string;
  value: string;
  assumed: boolean;
}
export interface SheetSummaryView {
  rows: SummaryRow[];
  worked: SummaryRow[];
  warnings: string[];
}

/** The sheet as rows, what it works out to, and what cannot be right. */
export function sheetSummary(record: SheetRecord, units: Units): SheetSummaryView {
  const s = record.sheet as unknown as CircuitSheet;
  const size = sizeCircuit(s);
  const is = (field: string) => record.assumed.includes(field) || field === 'fill.valve';
  const bar = (x: number) => pressureText(x, units.pressure),
    litres = (x: number) => quantityText(x, 'volume', units);
  const rows: SummaryRow[] = [];
  const add = (label: string, value: string | undefined, field: string) => {
    if (value !== undefined) rows.push({ label, value, assumed: is(field) });
  };
  add('Relief', s.reliefValve && bar(s.reliefValve.setBar), 'reliefValve.setBar');
  add(
    'Vessel',
    s.vessel?.nominalVolumeL === undefined
      ? undefined
      : `${litres(s.vessel.nominalVolumeL)}${s.vessel.labelPrechargeBar !== undefined ? `, label ${bar(s.vessel.labelPrechargeBar)}` : ''}`,
    'vessel.nominalVolumeL',
  );
  add('Content', s.waterVolumeL === undefined ? undefined : litres(s.waterVolumeL), 'waterVolumeL');
  add('Height above gauge', s.staticHeadM === undefined ? undefined : quantityText(s.staticHeadM, 'length', units), 'staticHeadM');
  add(
    'Filled by',
    s.fill &&
      {
        'manual-loop': 'loop, by hand',
        'reducing-valve': 'reducing valve',
        'pressurisation-unit': 'pressurisation unit',
        'automatic-feeder': 'automatic feeder',
        'hand-valve': 'hand valve',
        none: 'nothing fitted',
      }[s.fill.kind],
    'fill.kind',
  );
  if (s.fill?.kind === 'reducing-valve' || s.fill?.kind === 'pressurisation-unit')
    add(
      'Stop valve of the feed',
      { open: 'open', shut: 'kept shut' }[s.fill.valve ?? 'open'] + (s.fill.valve ? '' : '?'),
      s.fill.valve ? '' : 'fill.valve',
    );
  add(
    'Hot water',
    s.domesticHotWater &&
      { 'plate-exchanger': 'plate exchanger', 'indirect-coil': 'cylinder coil', none: 'neither' }[s.domesticHotWater.kind],
    'domesticHotWater.kind',
  );
  const worked: SummaryRow[] = [
    { label: 'Charge to set', value: bar(size.prechargeBar.chosen), assumed: false },
    { label: 'Fill to', value: bar(size.fillBar), assumed: false },
    { label: 'Normal for this system, hot', value: bar(size.hotBar), assumed: false },
    { label: 'Expansion volume', value: litres(size.expansionL), assumed: false },
  ];
  const leastL = size.leastVesselL[size.method];
  if (leastL !== null)
    worked.push({
      label: `Least vessel, ${size.method === 'diaphragmUs' ? 'US method' : 'EN 12828'}`,
      value: litres(leastL),
      assumed: false,
    });
  return { rows, worked, warnings: size.warnings.map((w) => warningText(w, units)) };
}

/** Under any of these the circuit is not the one that is judged: either the sheet was filled in wrongly, or the circuit was built so. */
const CANNOT_BE: ReadonlySet<SheetWarning['code']> = new Set(['fill-above-relief', 'charge-below-static-head', 'open-vented']);

/** What on a sheet cannot be right, as far as what is judged by it hangs on it. */
export const cannotBe = (warnings: readonly SheetWarning[], units: Units): string[] =>
  warnings.filter((w) => CANNOT_BE.has(w.code)).map((w) => warningText(w, units));

export function warningText({ code, data }: SheetWarning, units: Units): string {
  const bar = (x: number | undefined) => pressureText(x ?? 0, units.pressure),
    kw = (x: number | undefined) => quantityText(x ?? 0, 'power', units);
  switch (code) {
    case 'charge-below-static-head':
      return `The charge, ${bar(data.chargeBar)}, is below the water standing above, ${bar(data.staticBar)}.`;
    case 'relief-capacity-below-output':
      return `The relief passes ${kw(data.capacityKw)}, the boiler makes ${kw(data.outputKw)}: it is too small.`;
    case 'relief-old':
      return `The relief is ${data.ageYears} years old; about ten is usual.`;
    case 'valve-before-vessel':
      return 'A valve stands between vessel and circuit: check that it is open.';
    case 'hot-near-relief':
      return `Even with a right charge it comes to ${bar(data.hotBar)} hot; the relief opens at ${bar(data.setBar)}.`;
    case 'fill-above-relief':
      return `The fill, ${bar(data.fillBar)}, is not below the relief, ${bar(data.setBar)}.`;
    case 'relief-above-vessel-rating':
      return `The relief opens at ${bar(data.setBar)}, the vessel is only made for ${bar(data.ratedBar)}.`;
    case 'loop-left-connected':
      return 'The fill loop was left connected: heating water must be able to part from drinking water.';
    case 'open-vented':
      return 'A tank open to the air stands above: this circuit is not sealed, and its pressure is only the height of that tank.';
    case 'feed-bypass-open':
      return 'The bypass of the feed is not shut: mains pressure comes in past the reducing valve.';
    case 'no-relief':
      return 'No relief valve is on the sheet. A sealed circuit must never be without one.';
    case 'vessel-unknown':
      return 'The vessel’s size is not known: read its label if you can.';
  }
}
