import { vesselsOf, type CircuitSheet } from '../circuit/CircuitSheet';
import { staticHeadBar } from '../circuit/atmosphere';

/** The charge each school of practitioners would set, bar gauge; null where its input is missing. */
export interface ChargeBySchool {
  label: number | null;
  staticHead: { low: number; high: number } | null;
  /** Half a bar for every floor (2.7 m) above the vessel. */
  perFloor: number | null;
  oneBar: number;
  /** Matched to the feed's own setting. */
  matchedToFeed: number | null;
}

const FLOOR_M = 2.7;

/** Common practice; practitioners differ, so each school is shown and none is hidden. */
export function chargeBySchool(sheet: CircuitSheet): ChargeBySchool {
  const vessel = vesselsOf(sheet)[0];
  // What a vessel has to carry is the water above it, not above the gauge.
  const aboveM = sheet.staticHeadM === undefined ? undefined : Math.max(0, sheet.staticHeadM - (vessel?.heightAboveGaugeM ?? 0));
  const head = aboveM === undefined ? null : staticHeadBar(aboveM);
  return {
    label: vessel?.labelPrechargeBar ?? null,
    staticHead: head === null ? null : { low: head + 0.2, high: head + 0.3 },
    perFloor: aboveM === undefined ? null : 0.5 * Math.max(1, Math.ceil(aboveM / FLOOR_M)),
    oneBar: 1,
    matchedToFeed: sheet.fill?.kind === 'reducing-valve' ? (sheet.fill.setBar ?? null) : null,
  };
}
