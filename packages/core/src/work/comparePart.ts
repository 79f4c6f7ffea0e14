import type { CircuitSheet } from '../circuit/CircuitSheet';
import { vesselsOf } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { sizeCircuit } from '../size/sizeCircuit';

export const PART_KINDS = {
  vessel: 'Vessel',
  'relief-valve': 'Relief valve',
  'reducing-valve': 'Feed or reducing valve',
  'valve-core': 'Valve core',
  'plate-exchanger': 'Plate exchanger',
  gauge: 'Gauge or sensor',
  'automatic-vent': 'Automatic vent',
  washer: 'Washer',
  adapter: 'Adapter',
  elbow: 'Elbow',
  sensor: 'Sensor',
  other: 'Something else',
} as const;
/** Parts that are fitted without being held against an old one: recorded by one touch. */
export const SMALL_PARTS = [
  'valve-core',
  'automatic-vent',
  'washer',
  'adapter',
  'elbow',
  'sensor',
  'other',
] as const satisfies readonly PartKind[];
export type PartKind = keyof typeof PART_KINDS;

/** A part as its label says. Sizes of threads and ports as written on it. */
export interface PartFitted {
  kind: PartKind;
  /** What it is, of a part that is none of the others. */
  what?: string;
  make?: string;
  serial?: string;
  setBar?: number;
  capacityKw?: number;
  volumeL?: number;
  maxBar?: number;
  size?: string;
  oldSize?: string;
  chargeBar?: number;
  /** What the old one's label says. */
  oldSetBar?: number;
  oldVolumeL?: number;
}

export interface PartProblem {
  code:
    | 'old-not-as-sheet'
    | 'rating-unknown'
    | 'relief-other-rating'
    | 'relief-above-vessel'
    | 'relief-too-small'
    | 'vessel-smaller'
    | 'vessel-too-small'
    | 'vessel-below-relief'
    | 'charge-off-target'
    | 'other-size'
    | 'feed-above-relief';
  /** Nothing may be fitted like this. */
  stop: boolean;
  data: Record<string, number>;
}

/** Within this of the target a charge is set right. Common practice. */
const CHARGE_OFF_BAR = 0.1,
  SAME_BAR = 0.05;

/** A new part against the old one and the circuit, before it is fitted: rating, capacity, size, and a new vessel's charge. Empty when
 *  nothing speaks against it. */
export function comparePart(part: PartFitted, sheet: CircuitSheet): PartProblem[] {
  const c = resolveCircuit(sheet),
    out: PartProblem[] = [];
  const add = (code: PartProblem['code'], stop: boolean, data: Record<string, number> = {}) => out.push({ code, stop, data });
  const differ = (a: string | undefined, b: string | undefined) =>
    a !== undefined && b !== undefined && a.trim() !== '' && b.trim() !== '' && a.trim().toLowerCase() !== b.trim().toLowerCase();
  if (part.kind === 'relief-valve') {
    const weakest = Math.min(...vesselsOf(sheet).flatMap((v) => (v.maxBar === undefined ? [] : [v.maxBar])));
    // Without a sheet the old one's marking stands; with neither nobody knows what is right, and the usual 3 bar is no reason to refuse.
    const sheetBar = sheet.reliefValve?.setBar,
      wantedBar = sheetBar ?? part.oldSetBar;
    if (sheetBar !== undefined && part.oldSetBar !== undefined && Math.abs(part.oldSetBar - sheetBar) > SAME_BAR)
      add('old-not-as-sheet', false, { oldBar: part.oldSetBar, sheetBar });
    if (wantedBar === undefined) add('rating-unknown', false);
    else if (part.setBar !== undefined && Math.abs(part.setBar - wantedBar) > SAME_BAR)
      add('relief-other-rating', true, { setBar: part.setBar, wantedBar });
    if (part.setBar !== undefined && part.setBar > weakest) add('relief-above-vessel', true, { setBar: part.setBar, ratedBar: weakest });
    if (part.capacityKw !== undefined && sheet.heatOutputKw !== undefined && part.capacityKw < sheet.heatOutputKw)
      add('relief-too-small', true, { capacityKw: part.capacityKw, outputKw: sheet.heatOutputKw });
  }
  if (part.kind === 'vessel') {
    const oldL = part.oldVolumeL ?? vesselsOf(sheet)[0]?.nominalVolumeL,
      sizing = sizeCircuit(sheet),
      least = sizing.leastVesselL[sizing.method];
    if (part.volumeL !== undefined && oldL !== undefined && part.volumeL < oldL - 0.01)
      add('vessel-smaller', false, { newL: part.volumeL, oldL });
    if (part.volumeL !== undefined && least !== null && part.volumeL < 0.8 * least)
      add('vessel-too-small', false, { newL: part.volumeL, leastL: least, us: sizing.method === 'diaphragmUs' ? 1 : 0 });
    if (part.maxBar !== undefined && part.maxBar < c.reliefSetGaugeBar)
      add('vessel-below-relief', true, { ratedBar: part.maxBar, setBar: c.reliefSetGaugeBar });
    // Where its charge is not said here, the step that sets it asks for it.
    if (part.chargeBar !== undefined && Math.abs(part.chargeBar - c.prechargeGaugeBar) > CHARGE_OFF_BAR)
      add('charge-off-target', false, { chargeBar: part.chargeBar, targetBar: c.prechargeGaugeBar });
  }
  if (part.kind === 'reducing-valve' && part.setBar !== undefined && part.setBar >= c.reliefSetGaugeBar)
    add('feed-above-relief', true, { setBar: part.setBar, reliefBar: c.reliefSetGaugeBar });
  if (differ(part.size, part.oldSize)) add('other-size', true);
  return out;
}
