import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import { coldLevelDensity } from './coldLevel';
import { has, INFLOW, LITTLE_GAS, OUTFLOW } from './faultGroups';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { changeOver, chargeOf, curveOf, expectedNumber, NO_FEED_BAR, ranBack, readingSd, waterBehind } from './findingNumbers';
import { SLOT } from './kernel';
import { NOTHING_LOGGED, type Logged } from './Logged';
import { normalPdf } from './normal';
import { drippingWater, drippingWaterShare, NUMBER_TABLES, numberDensity } from './numberTable';
import { OUTCOME_TABLES, outcomeShares, together } from './outcomeTable';
import { overheatAdded } from './overheat';
import { catchLikelihood, nearLift } from './reliefCatch';
import { WaterCurve } from './WaterCurve';

/** Likelihood of one finding under one fault set, given one draw of the circuit's parameters, beside what was logged. A density for numbers, a probability for outcomes;
 *  only ratios between sets matter. Never 0: a share of every number is put down to a slip of the hand. */
export function findingLikelihood(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit, logged: Logged = NOTHING_LOGGED): number {
  const number = numericLikelihood(f, faults, v, c, logged);
  if (number !== null) return 0.98 * number + (PLAIN_TO_SEE.has(f.test) ? PLAIN_SLIP : 0.02) * SLIP_DENSITY;
  const tabled = numberDensity(f, faults), tooHot = f.test === 'flow-return' && typeof f.flowC === 'number' ? overheatAdded(f.flowC, logged.hottestC, c, faults) : 1;
  if (tabled !== null) return tooHot * tabled * (f.outcome === undefined ? 1 : (outcomeShares(f.test, faults)?.[f.outcome] ?? 1));
  if (f.outcome === undefined) return tooHot;
  if (f.test === 'gas-valve-press' && faults.includes('vessel-undercharged')) return pressOfUndercharged(v, c)[f.outcome as keyof ReturnType<typeof pressOfUndercharged>] ?? 1;
  if (f.test === 'low-pressure-stop') return f.outcome === 'not-shown' ? notShown(v) : 1 - notShown(v);
  if (f.test === 'discharge-pipe') return (dischargeShares(faults, drippingWater(f), v, c, logged)[f.outcome] ?? 1) * drippingWaterShare(f, faults);
  const shares = outcomeShares(f.test, faults);
  if (f.test === 'relief-reseat' && shares && logged.topGaugeBar !== null) return reseatShares(shares, faults, logged.topGaugeBar, v, c)[f.outcome] ?? 1;
  return (shares?.[f.outcome] ?? 1) * drippingWaterShare(f, faults);
}

/** Faults by which a relief drips wherever the pressure stands. */
const DRIPS_ANYWHERE: FaultId[] = ['relief-valve-passing', 'relief-valve-lifts-early'];
/** Who fills by a gauge that reads so far low fills too high, bar. */
const READS_LOW_BAR = 0.35;
/** By how much a lying gauge is off in a draw, bar; 0 where no gauge lies, null where it sticks and nobody knows. */
const liesByBar = (faults: readonly FaultId[], v: Float64Array): number | null => (!has(faults, 'gauge-misreading') ? 0 : v[SLOT.stuck]! > 0.5 ? null : v[SLOT.offset]!);
/** A relief with a sound seat drips less and less often the farther below its lift the logged pressure stayed, whatever else is wrong; what it lifted before may still show. */
const LIFTS_AT = 0.98, DRIPS_BELOW = 0.1, STAINED_BELOW = 0.3;
/** Outcomes at the discharge pipe where mains water comes in and the pressure stands at the relief's lift. Common practice. */
const AT_THE_RELIEF: Record<string, number> = { dry: 0.12, stained: 0.2, dripping: 0.52, running: 0.16 };
/** The same where every run of heat comes up to the lift, and the pressure is lower between. Common practice. */
const LIFTED_HOT: Record<string, number> = { dry: 0.22, stained: 0.42, dripping: 0.29, running: 0.07 };

/** How far the pressure that was logged lets a relief drip, 1 at its lift and 0 far below. */
function nearRelief(faults: readonly FaultId[], gaugeBar: number, v: Float64Array, c: ResolvedCircuit): number {
  const offBar = liesByBar(faults, v);
  return has(faults, ...DRIPS_ANYWHERE) || offBar === null ? 1 : nearLift(LIFTS_AT * c.reliefSetGaugeBar - (gaugeBar - offBar));
}

/** Outcomes that are one table's by a share, and another's for the rest. */
const blended = (one: Record<string, number>, other: Record<string, number>, share: number): Record<string, number> => Object.fromEntries(Object.entries(one).map(([outcome, p]) => [outcome, share * p + (1 - share) * (other[outcome] ?? 0)]));

/** Outcomes at the discharge pipe. A seat that drips wherever the pressure stands does so beside whatever else is wrong; all else drips by how high it takes the pressure. */
function dischargeShares(faults: readonly FaultId[], water: 'cold' | 'hot' | null, v: Float64Array, c: ResolvedCircuit, logged: Logged): Record<string, number> {
  const told: FaultId[] = (liesByBar(faults, v) ?? 0) < -READS_LOW_BAR ? [...faults, 'fill-pressure-too-high'] : [...faults];
  const seats = told.filter((f) => DRIPS_ANYWHERE.includes(f)), others = told.filter((f) => !DRIPS_ANYWHERE.includes(f));
  if (seats.length === 0) return pressedShares(told, water, v, c, logged);
  const ofSeats = outcomeShares('discharge-pipe', seats)!;
  return others.length === 0 ? ofSeats : together(OUTCOME_TABLES['discharge-pipe']!, [pressedShares(others, water, v, c, logged), ofSeats]);
}

/** What the pressure alone drives out at a sound seat, given how high it went while it was logged and would have gone, and where it stands without heat. */
function pressedShares(faults: readonly FaultId[], water: 'cold' | 'hot' | null, v: Float64Array, c: ResolvedCircuit, logged: Logged): Record<string, number> {
  const shares = outcomeShares('discharge-pipe', faults)!;
  // What comes in without heat, up to the relief's lift, goes out there all the time.
  const restingBar = Math.max(logged.coldGaugeBar ?? -1, logged.peakGaugeBar === null ? (logged.topGaugeBar ?? -1) : -1), near = nearRelief(faults, restingBar, v, c);
  if (has(faults, ...INFLOW) && near > 0.5) return blended(AT_THE_RELIEF, shares, near);
  const reachedBar = logged.usualPeakGaugeBar ?? (water === 'cold' ? logged.topGaugeBar : null);
  if (reachedBar === null) return shares;
  const reaches = nearRelief(faults, reachedBar, v, c), left = DRIPS_BELOW + (1 - DRIPS_BELOW) * reaches;
  const dripping = (shares.dripping ?? 0) * left, running = (shares.running ?? 0) * left;
  const moved = (shares.dripping ?? 0) + (shares.running ?? 0) - dripping - running;
  // What does not reach the relief in a run of every day seldom stained its pipe before.
  const usual = OUTCOME_TABLES['discharge-pipe']!.base.stained!, kept = STAINED_BELOW + (1 - STAINED_BELOW) * reaches, stained = usual + kept * ((shares.stained ?? 0) - usual + 0.6 * moved);
  // What comes up to its relief lifts it, whatever brings it there.
  return blended(LIFTED_HOT, { ...shares, dripping, running, stained, dry: 1 - dripping - running - stained }, reaches);
}

/** Outcomes of trying a relief by hand: only a pressure near its lift holds one with a sound seat open; farther below it closes like any other. */
function reseatShares(shares: Record<string, number>, faults: readonly FaultId[], topGaugeBar: number, v: Float64Array, c: ResolvedCircuit): Record<string, number> {
  return blended(shares, OUTCOME_TABLES['relief-reseat']!.base, nearRelief(faults, topGaugeBar, v, c));
}

/** Whether a finding's likelihood hangs on the circuit's parameters, or only on which faults there are: then one draw will do for all. */
export function hangsOnDraw(f: Pick<Finding, 'test' | 'outcome'>, faults: readonly FaultId[]): boolean {
  if (HANGS_ON_THE_GAUGE.has(f.test)) return faults.includes('gauge-misreading');
  if (f.outcome !== undefined) return f.test === 'gas-valve-press' && faults.includes('vessel-undercharged');
  return f.test !== 'relief-marking' && NUMBER_TABLES[f.test] === undefined;
}

const HANGS_ON_THE_GAUGE: ReadonlySet<string> = new Set(['low-pressure-stop', 'discharge-pipe', 'relief-reseat', 'top-ups-per-month']);

/** Whether a fault itself changes the number that a test gives, beyond what the circuit's parameters foretell. */
export const changesTheNumber = (f: Finding, faults: readonly FaultId[]): boolean =>
  (f.test === 'precharge' && has(faults, 'vessel-diaphragm-failed', 'vessel-connection-blocked', 'vessel-isolated')) || (f.test === 'fill-isolated-watch' && has(faults, 'fill-bypass-open'));

/** How often a drained boiler does not report low pressure: a sensor that over-reads, or stands where it got stuck, mostly does not. Common practice. */
const notShown = (v: Float64Array): number => (v[SLOT.offset]! > 0.3 || v[SLOT.stuck]! > 0.5 ? 0.7 : 0.05);

/** Density of a slip: any number over about three bars (or litres) alike. */
const SLIP_DENSITY = 0.3;
/** What is printed is seldom misread, a jug that stayed dry is seldom taken for a full one, and a gauge on an empty boiler stands at nothing. */
const PLAIN_TO_SEE: ReadonlySet<string> = new Set(['relief-marking', 'discharge-catch', 'gauge-at-zero', 'top-ups-per-month']), PLAIN_SLIP = 0.004;

/** How often nothing comes where no gas is left: pressed before anything is drained, even little gas hisses with the water behind it. Common practice. */
const NOTHING_COMES = 0.78;

/** Pressing an undercharged vessel's valve: what is left decides between air and nothing. */
function pressOfUndercharged(v: Float64Array, c: ResolvedCircuit): { air: number; nothing: number; water: number } {
  const nothing = NOTHING_COMES / (1 + Math.exp(((chargeOf(v, c) ?? 0) + 0.15) / 0.2));
  return { air: 0.97 * (0.98 - nothing), nothing: 0.97 * (nothing + 0.02), water: 0.03 };
}

function numericLikelihood(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit, logged: Logged): number | null {
  switch (f.test) {
    case 'idle-cold-pressure': return f.valueBar === undefined ? null : coldLevelDensity(f.valueBar, faults, c, v);
    case 'precharge': return f.valueBar === undefined ? null : prechargeDensity(f, faults, v, c);
    case 'fill-disconnected-watch': case 'fill-isolated-watch': case 'cold-main-off-watch': case 'cold-main-on-watch': case 'coil-isolated-watch': return watchDensity(f, faults, v, c);
    case 'boiler-isolated-hold': return holdDensity(f, faults, v, c);
    case 'top-ups-per-month': {
      if (f.count === undefined) return null;
      // Gamma–Poisson, shape 1: rates differ widely from house to house. Some top up for reasons of their own.
      const count = Math.min(f.count, DAILY), counted = (mean: number) => Math.pow(mean / (1 + mean), count) / (1 + mean), { mean, oftenMean } = topUpsAMonth(faults);
      // What comes up to its relief whenever it is heated spills there, whatever drives it up, and somebody makes that good.
      const spills = logged.usualPeakGaugeBar === null || mean >= SPILLS ? 0 : SPILLS_SEEN * nearRelief(faults, logged.usualPeakGaugeBar, v, c);
      // What feeds itself is topped up by nobody, unless its feed is kept shut.
      const byHand = c.fedByItself ? FEED_SHUT : 1;
      return 0.93 * (byHand * ((1 - spills) * ((1 - OFTEN) * counted(mean) + OFTEN * counted(oftenMean)) + spills * counted(SPILLS)) + (1 - byHand) * counted(NEVER)) + 0.07 * counted(4);
    }
    case 'relief-marking': {
      if (f.markedBar === undefined) return null;
      const right = normalPdf(f.markedBar, c.reliefSetGaugeBar, 0.1);
      // One that lifts early has a tired spring, or was the wrong one from the start. Common practice.
      const wrong = f.markedBar < c.reliefSetGaugeBar ? normalPdf(f.markedBar, 0.78 * c.reliefSetGaugeBar, 0.15 * c.reliefSetGaugeBar) : 0;
      return has(faults, 'relief-valve-lifts-early') ? 0.65 * right + 0.35 * wrong : right;
    }
    case 'discharge-catch': return catchLikelihood(f, faults, v, c, logged);
    default: { const n = expectedNumber(f, v, c); return n && normalPdf(n.seen, n.expected, n.sd); }
  }
}

/** Of circuits that could feed themselves, those whose feed is kept shut and that are topped up by hand. Common practice. */
const FEED_SHUT = 0.4;
/** Top-ups a month where nobody needs to. */
const NEVER = 0.3;
/** Top-ups a month where the relief lifts hot, and how often that is made good by hand. Common practice. */
const SPILLS = 3, SPILLS_SEEN = 0.6;
/** Of circuits that have to be topped up, those where it is done daily or nearly. More often than daily says no more. Common practice. */
const OFTEN = 0.15, DAILY = 30;
/** How often it is topped up, a month, and how often where it is bad. Common practice. */
function topUpsAMonth(faults: readonly FaultId[]): { mean: number; oftenMean: number } {
  if (has(faults, ...OUTFLOW)) return { mean: 4, oftenMean: 20 };
  if (has(faults, ...LITTLE_GAS, 'relief-valve-lifts-early')) return { mean: 3, oftenMean: 10 };
  const mean = has(faults, 'fill-pressure-too-high', 'vessel-overcharged', 'boiler-overheating', 'air-in-circuit', 'fill-pressure-too-low') ? 0.8 : NEVER;
  return { mean, oftenMean: mean };
}

/** With water still standing behind the diaphragm the tyre gauge only repeats the water's pressure. */
function prechargeDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number {
  const seen = f.valueBar! + c.vesselStaticBar, nothingBar = c.vesselStaticBar, behindBar = waterBehind(f, c);
  if (has(faults, 'vessel-diaphragm-failed')) {
    // A holed one shows what stands on the water side, or what little air is caught.
    return 0.7 * normalPdf(seen, behindBar, 0.12) + 0.3 * normalPdf(seen, Math.max(behindBar, nothingBar + 0.15), 0.3);
  }
  if (has(faults, 'vessel-connection-blocked', 'vessel-isolated')) {
    // Drained circuit, but the vessel's own water may still stand behind the stop.
    const charge = Math.max(nothingBar, chargeOf(v, c) ?? c.prechargeGaugeBar);
    return 0.78 * normalPdf(seen, Math.max(charge, behindBar), 0.12) + 0.22 * normalPdf(seen, charge + 0.4, 0.35);
  }
  const n = expectedNumber(f, v, c)!;
  return normalPdf(n.seen, n.expected, n.sd);
}

function watchDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number | null {
  const n = expectedNumber(f, v, c);
  if (!n) return null;
  // Standing water above a boiler that is not shut off lifts a drained gauge by itself.
  if (f.test === 'fill-disconnected-watch' && !f.boilerIsolated && f.startBar! < 0.2)
    return 0.5 * normalPdf(n.seen, n.expected, n.sd) + 0.5 * normalPdf(n.seen, n.expected + 0.5 * c.staticGaugeBar, n.sd + 0.3 * c.staticGaugeBar);
  if (f.heating) {
    const swing = has(faults, ...LITTLE_GAS) ? 1 : 0.4;
    return normalPdf(n.seen, n.expected + 0.5 * swing, n.sd + 0.5 * swing);
  }
  const density = runsBackDensity(f, v, c, fallenDensity(n.seen, n.expected, n.sd, f.startBar! - v[SLOT.offset]!, c));
  if (f.test !== 'fill-isolated-watch' || !has(faults, 'fill-bypass-open')) return density;
  // Whether the bypass begins before or behind the valve that was shut is not said.
  const open = expectedNumber({ ...f, test: 'cold-main-on-watch' }, v, c)!;
  return (1 - PAST_THE_VALVE) * density + PAST_THE_VALVE * normalPdf(open.seen, open.expected, open.sd);
}

/** With the main shut and a tap open somewhere, heating water passes a hole in the exchanger the other way: how often, and how much of what it would be with the tap open all the while. Common practice. */
const RUNS_BACK = 0.35, RUN_BACK_SHARE = 0.55, RUN_BACK_SPREAD = 0.4;

/** Density of a watch with the main shut: as told, or falling by what runs back through a hole to the drinking water. */
function runsBackDensity(f: Finding, v: Float64Array, c: ResolvedCircuit, told: number): number {
  const n = f.test === 'cold-main-off-watch' && v[SLOT.inCoil]! > 0 ? ranBack(f, v, c) : null;
  return n ? (1 - RUNS_BACK) * told + RUNS_BACK * normalPdf(n.seen, RUN_BACK_SHARE * n.expected, Math.hypot(n.sd, RUN_BACK_SPREAD * n.expected)) : told;
}

/** How often a bypass goes on feeding while the feed's own valve is shut. Common practice. */
const PAST_THE_VALVE = 0.5;

/** Density of a change of pressure. A fall that the vessel's water no longer makes up comes to rest at the water standing above, if air gets in at the top, else it goes on: half and half. */
function fallenDensity(seenBar: number, expectedBar: number, sd: number, startGaugeBar: number, c: ResolvedCircuit): number {
  const on = normalPdf(seenBar, expectedBar, sd), toHeadBar = c.staticGaugeBar - startGaugeBar;
  if (expectedBar >= toHeadBar || toHeadBar >= 0) return on;
  return 0.5 * on + 0.5 * normalPdf(seenBar, toHeadBar, Math.hypot(sd, c.assumed.includes('staticHeadM') ? HEAD_GUESSED_BAR : HEAD_TOLD_BAR));
}
const HEAD_GUESSED_BAR = 0.2, HEAD_TOLD_BAR = 0.06;

/** Boiler and circuit shut off from each other: each side falls by what leaks on it and rises by what comes in there. Which side has the vessel, and with it the
 *  room, is not said: half and half. */
function holdDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number | null {
  if (f.boilerStartBar === undefined || f.boilerEndBar === undefined || f.minutes === undefined) return null;
  const hours = f.minutes / 60, sd = readingSd(c);
  const bare = new WaterCurve(0, 0, 0, v[SLOT.stretch]!, v[SLOT.air]!), whole = curveOf(v);
  const side = (start: number, end: number, loses: boolean, gains: boolean) => {
    const seen = end - start, still = normalPdf(seen, 0, sd);
    if (!loses && !gains) return 0.94 * still + 0.06 * ANYWHERE;
    const ways = { inK: gains ? v[SLOT.inFill]! + v[SLOT.inCoil]! : 0, outK: loses ? v[SLOT.outCircuit]! + v[SLOT.outBoiler]! : 0, feedGaugeBar: NO_FEED_BAR, liftGaugeBar: v[SLOT.lift]!, mainsGaugeBar: v[SLOT.mains]! };
    const by = (curve: WaterCurve) => { const change = changeOver(curve, start, hours, ways, c); return fallenDensity(seen, change, Math.hypot(sd, 0.15 * change), start, c); };
    return 0.42 * by(whole) + 0.42 * by(bare) + 0.08 * still + 0.08 * ANYWHERE;
  };
  const density = (ventInBoiler: boolean) => {
    const boiler = side(f.boilerStartBar!, f.boilerEndBar!, has(faults, 'boiler-exchanger-leak', 'relief-valve-passing') || (ventInBoiler && has(faults, 'air-vent-faulty')), has(faults, 'dhw-plate-perforated'));
    if (f.circuitStartBar === undefined || f.circuitEndBar === undefined) return boiler;
    return boiler * side(f.circuitStartBar, f.circuitEndBar, has(faults, 'circuit-leak') || (!ventInBoiler && has(faults, 'air-vent-faulty')), has(faults, ...INFLOW) && !has(faults, 'dhw-plate-perforated'));
  };
  // A boiler has a vent of its own, and the circuit has others.
  return has(faults, 'air-vent-faulty') ? 0.5 * density(true) + 0.5 * density(false) : density(false);
}

/** Density of a change that has nothing to do with the faults: a valve that does not shut, a room that cools. */
const ANYWHERE = 0.5;
