import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { has, INFLOW, LITTLE_GAS } from '../faultGroups';
import type { FaultId } from '../faults';
import type { Finding } from '../Finding';
import { outKOf } from '../fit/draw';
import { SLOT } from '../fit/kernel';
import type { Logged } from '../Logged';
import { normalPdf } from '../fit/normal';
import { drippingWater } from './numberTable';

/** As much as clings to the pipe. */
const JUST_WET_ML = 2;
/** Spread of a caught rate about what the seat's own leak makes of the pressure, in logarithms: a jug, a drip that comes and goes. Common
 *  practice. */
const RATE_SPREAD = 0.45;
/** What a relief lets go while it lifts, L/h in the middle, and how widely that spreads. Common practice. */
const LIFTED_L_PER_H = 1.2,
  LIFTED_SPREAD = 1.1;
/** A worn seat that happens to sit tight just then. Common practice. */
const SITS_TIGHT = 0.12;
/** How often something is caught where the pressure reached the relief's lift, how often where it stayed far below, and over what gap the
 *  one goes into the other, bar. */
const LIFTS = 0.68,
  SHUT = 0.01,
  GAP_BAR = 0.27;
/** The same cold: what a circuit stands at then is known, and no peak between two readings was missed. */
const GAP_COLD_BAR = 0.12;
/** The same far below, cold, where water comes in: it may have crept up since. */
const CREPT_UP = 0.05;

/** What was caught, as a rate; null where the finding carries none. */
export function caughtLPerH(f: Finding): number | null {
  return f.test !== 'discharge-catch' || f.volumeMl === undefined || !f.minutes ? null : (f.volumeMl / 1000) * (60 / f.minutes);
}

/** Whether a relief was seen to let go while its circuit was warm: water in the jug, or hot water at the pipe. */
export const letGoHot = (f: Finding): boolean =>
  f.test === 'discharge-catch' ? f.during !== 'cold' && (f.volumeMl ?? 0) > CAUGHT_ML : drippingWater(f) === 'hot';
const CAUGHT_ML = 20;

/** True pressure that a passing seat drips at while water is caught, bar gauge. */
const drippedAtBar = (f: Finding, v: Float64Array, c: ResolvedCircuit, logged: Logged): number =>
  Math.max(0.05, ((f.during === 'cold' ? logged.coldGaugeBar : logged.peakGaugeBar) ?? c.fillGaugeBar) - v[SLOT.offset]!);

/** How far a caught rate lies from what a draw's leak makes of it, in standard deviations; for leaks that go to the relief. Null where
 *  nothing was caught. */
export function catchMiss(f: Finding, v: Float64Array, c: ResolvedCircuit, logged: Logged): number | null {
  const rate = caughtLPerH(f),
    leak = outKOf(v);
  if (rate === null || f.volumeMl! <= JUST_WET_ML || leak <= 0) return null;
  return Math.log(rate / (leak * Math.sqrt(drippedAtBar(f, v, c, logged)))) / RATE_SPREAD;
}

/** How hard a caught rate pulls at a draw's leak, in standard deviations: the less, the likelier it was a lift. */
export const catchHint = (f: Finding, v: Float64Array, c: ResolvedCircuit, logged: Logged): number =>
  (catchMiss(f, v, c, logged) ?? 0) *
  (f.during === 'cold' || logged.peakGaugeBar === null ? 1 : 1 - LIFTS * nearOwnLift(logged.peakGaugeBar, v));

/** Likelihood of what was caught under the relief's discharge: a chance where the jug stayed dry, else a density in the logarithm of the
 *  rate. A passing seat drips by its leak; any other relief lets go only where the pressure came to its lift, however the pressure came
 *  there. */
export function catchLikelihood(
  f: Finding,
  faults: readonly FaultId[],
  v: Float64Array,
  c: ResolvedCircuit,
  logged: Logged,
): number | null {
  const rate = caughtLPerH(f);
  if (rate === null) return null;
  const dry = f.volumeMl! <= JUST_WET_ML;
  const cold = f.during === 'cold',
    atBar = cold ? logged.coldGaugeBar : logged.peakGaugeBar,
    least = cold && has(faults, ...INFLOW) ? CREPT_UP : SHUT;
  const chance =
    atBar === null
      ? chanceUnlogged(f.during ?? 'hot', faults)
      : least + (LIFTS - least) * nearOwnLift(atBar, v, cold ? GAP_COLD_BAR : GAP_BAR);
  if (!has(faults, 'relief-valve-passing')) return dry ? 1 - chance : chance * lifted(rate);
  // A worn seat lifts like any other.
  const miss = catchMiss(f, v, c, logged),
    drips = miss === null ? lifted(rate) : normalPdf(miss * RATE_SPREAD, 0, RATE_SPREAD);
  return dry ? SITS_TIGHT * (1 - chance) : (1 - SITS_TIGHT) * (1 - chance) * drips + chance * lifted(rate);
}

const lifted = (rate: number) => normalPdf(Math.log(rate / LIFTED_L_PER_H), 0, LIFTED_SPREAD);

/** How near to its lift a pressure comes for a relief, 1 at it and beyond, 0 far below. @param gapBar by how much it stays below @param overBar the gap over which the one goes into the other */
export const nearLift = (gapBar: number, overBar = GAP_BAR): number => Math.exp(-((Math.max(0, gapBar) / overBar) ** 2));

/** How near a pressure that the gauge showed came to a draw's own lift. */
export const nearOwnLift = (shownBar: number, v: Float64Array, overBar = GAP_BAR): number =>
  nearLift(v[SLOT.lift]! - (shownBar - v[SLOT.offset]!), overBar);

/** How often a jug under the discharge catches something where nobody logged the pressure. Common practice. */
function chanceUnlogged(during: string, faults: readonly FaultId[]): number {
  if (during === 'cold') return has(faults, ...INFLOW) ? 0.2 : has(faults, 'fill-pressure-too-high') ? 0.1 : 0.04;
  if (has(faults, ...LITTLE_GAS, 'relief-valve-lifts-early')) return 0.65;
  return has(faults, ...INFLOW)
    ? 0.5
    : has(faults, 'fill-pressure-too-high', 'reducing-valve-set-high', 'vessel-overcharged', 'boiler-overheating')
      ? 0.35
      : 0.07;
}
