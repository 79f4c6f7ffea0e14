import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { has, INFLOW } from '../faultGroups';
import type { FaultId } from '../faults';
import { SLOT } from '../fit/kernel';
import type { Logged } from '../Logged';
import { OUTCOME_TABLES, outcomeShares, together } from './outcomeTable';
import { nearLift } from './reliefCatch';

/** Faults by which a relief drips wherever the pressure stands. */
const DRIPS_ANYWHERE: FaultId[] = ['relief-valve-passing', 'relief-valve-lifts-early'];
/** Who fills by a gauge that reads so far low fills too high, bar. */
const READS_LOW_BAR = 0.35;
/** By how much a lying gauge is off in a draw, bar; 0 where no gauge lies, null where it sticks and nobody knows. */
const liesByBar = (faults: readonly FaultId[], v: Float64Array): number | null =>
  !has(faults, 'gauge-misreading') ? 0 : v[SLOT.stuck]! > 0.5 ? null : v[SLOT.offset]!;
/** A relief with a sound seat drips less and less often the farther below its lift the logged pressure stayed, whatever else is wrong; what
 *  it lifted before may still show. */
const LIFTS_AT = 0.98,
  DRIPS_BELOW = 0.1,
  STAINED_BELOW = 0.3;
/** Outcomes at the discharge pipe where mains water comes in and the pressure stands at the relief's lift. Common practice. */
const AT_THE_RELIEF: Record<string, number> = { dry: 0.12, stained: 0.2, dripping: 0.52, running: 0.16 };
/** The same where every run of heat comes up to the lift, and the pressure is lower between. Common practice. */
const LIFTED_HOT: Record<string, number> = { dry: 0.22, stained: 0.42, dripping: 0.29, running: 0.07 };

/** How far the pressure that was logged lets a relief drip, 1 at its lift and 0 far below. */
export function nearRelief(faults: readonly FaultId[], gaugeBar: number, v: Float64Array, c: ResolvedCircuit): number {
  const offBar = liesByBar(faults, v);
  return has(faults, ...DRIPS_ANYWHERE) || offBar === null ? 1 : nearLift(LIFTS_AT * c.reliefSetGaugeBar - (gaugeBar - offBar));
}

/** Outcomes that are one table's by a share, and another's for the rest. */
const blended = (one: Record<string, number>, other: Record<string, number>, share: number): Record<string, number> =>
  Object.fromEntries(Object.entries(one).map(([outcome, p]) => [outcome, share * p + (1 - share) * (other[outcome] ?? 0)]));

/** Outcomes at the discharge pipe. A seat that drips wherever the pressure stands does so beside whatever else is wrong; all else drips by
 *  how high it takes the pressure. */
export function dischargeShares(
  faults: readonly FaultId[],
  water: 'cold' | 'hot' | null,
  v: Float64Array,
  c: ResolvedCircuit,
  logged: Logged,
): Record<string, number> {
  const told: FaultId[] = (liesByBar(faults, v) ?? 0) < -READS_LOW_BAR ? [...faults, 'fill-pressure-too-high'] : [...faults];
  const seats = told.filter((f) => DRIPS_ANYWHERE.includes(f)),
    others = told.filter((f) => !DRIPS_ANYWHERE.includes(f));
  if (seats.length === 0) return pressedShares(told, water, v, c, logged);
  const ofSeats = outcomeShares('discharge-pipe', seats)!;
  return others.length === 0 ? ofSeats : together(OUTCOME_TABLES['discharge-pipe']!, [pressedShares(others, water, v, c, logged), ofSeats]);
}

/** What the pressure alone drives out at a sound seat, given how high it went while it was logged and would have gone, and where it stands
 *  without heat. */
function pressedShares(
  faults: readonly FaultId[],
  water: 'cold' | 'hot' | null,
  v: Float64Array,
  c: ResolvedCircuit,
  logged: Logged,
): Record<string, number> {
  const shares = outcomeShares('discharge-pipe', faults)!;
  // What comes in without heat, up to the relief's lift, goes out there all the time.
  const restingBar = Math.max(logged.coldGaugeBar ?? -1, logged.peakGaugeBar === null ? (logged.topGaugeBar ?? -1) : -1),
    near = nearRelief(faults, restingBar, v, c);
  if (has(faults, ...INFLOW) && near > 0.5) return blended(AT_THE_RELIEF, shares, near);
  const reachedBar = logged.usualPeakGaugeBar ?? (water === 'cold' ? logged.topGaugeBar : null);
  if (reachedBar === null) return shares;
  const reaches = nearRelief(faults, reachedBar, v, c),
    left = DRIPS_BELOW + (1 - DRIPS_BELOW) * reaches;
  const dripping = (shares.dripping ?? 0) * left,
    running = (shares.running ?? 0) * left;
  const moved = (shares.dripping ?? 0) + (shares.running ?? 0) - dripping - running;
  // What does not reach the relief in a run of every day seldom stained its pipe before.
  const usual = OUTCOME_TABLES['discharge-pipe']!.base.stained!,
    kept = STAINED_BELOW + (1 - STAINED_BELOW) * reaches,
    stained = usual + kept * ((shares.stained ?? 0) - usual + 0.6 * moved);
  // What comes up to its relief lifts it, whatever brings it there.
  return blended(LIFTED_HOT, { ...shares, dripping, running, stained, dry: 1 - dripping - running - stained }, reaches);
}

/** Outcomes of trying a relief by hand: only a pressure near its lift holds one with a sound seat open; farther below it closes like any
 *  other. */
export function reseatShares(
  shares: Record<string, number>,
  faults: readonly FaultId[],
  topGaugeBar: number,
  v: Float64Array,
  c: ResolvedCircuit,
): Record<string, number> {
  return blended(shares, OUTCOME_TABLES['relief-reseat']!.base, nearRelief(faults, topGaugeBar, v, c));
}
