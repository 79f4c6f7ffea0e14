import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import { coldLevelDensity } from './coldLevel';
import { dischargeShares, nearRelief, reseatShares } from './dischargePipe';
import { has, INFLOW, LITTLE_GAS, OUTFLOW } from './faultGroups';
import type { FaultId } from './faults';
import { isWaterUnsaid, type Finding } from './Finding';
import {
  changeOver,
  chargeOf,
  curveOf,
  expectedNumber,
  inKOf,
  mayBeTheWater,
  NO_FEED_BAR,
  outKOf,
  ranBack,
  readingSd,
  waterBehind,
} from './findingNumbers';
import { SLOT } from './kernel';
import { NOTHING_LOGGED, type Logged } from './Logged';
import { normalPdf } from './normal';
import { drippingWater, drippingWaterShare, NUMBER_TABLES, numberDensity } from './numberTable';
import { outcomeShares } from './outcomeTable';
import { overheatAdded } from './overheat';
import { catchLikelihood } from './reliefCatch';
import { WaterCurve } from './WaterCurve';

/** Likelihood of one finding under one fault set, given one draw of the circuit's parameters, beside what was logged. A density for
 *  numbers, a probability for outcomes; only ratios between sets matter. Never 0: a share of every number is put down to a slip of the
 *  hand. */
export function findingLikelihood(
  f: Finding,
  faults: readonly FaultId[],
  v: Float64Array,
  c: ResolvedCircuit,
  logged: Logged = NOTHING_LOGGED,
): number {
  const number = numericLikelihood(f, faults, v, c, logged);
  if (number !== null) return 0.98 * number + (PLAIN_TO_SEE.has(f.test) || isPumpedUp(f, c) ? PLAIN_SLIP : 0.02) * SLIP_DENSITY;
  const tabled = numberDensity(f, faults),
    tooHot = f.test === 'flow-return' && typeof f.flowC === 'number' ? overheatAdded(f.flowC, logged.hottestC, c, faults) : 1;
  if (tabled !== null) return tooHot * tabled * (f.outcome === undefined ? 1 : (outcomeShares(f.test, faults)?.[f.outcome] ?? 1));
  if (f.outcome === undefined) return tooHot;
  if (f.test === 'gas-valve-press' && faults.includes('vessel-undercharged'))
    return pressOfUndercharged(v, c)[f.outcome as keyof ReturnType<typeof pressOfUndercharged>] ?? 1;
  if (f.test === 'low-pressure-stop') return f.outcome === 'not-shown' ? notShown(v) : 1 - notShown(v);
  if (f.test === 'discharge-pipe')
    return (dischargeShares(faults, drippingWater(f), v, c, logged)[f.outcome] ?? 1) * drippingWaterShare(f, faults);
  const shares = outcomeShares(f.test, faults);
  if (f.test === 'relief-reseat' && shares && logged.topGaugeBar !== null)
    return reseatShares(shares, faults, logged.topGaugeBar, v, c)[f.outcome] ?? 1;
  return (shares?.[f.outcome] ?? 1) * drippingWaterShare(f, faults);
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
  (f.test === 'precharge' && has(faults, 'vessel-diaphragm-failed', 'vessel-connection-blocked', 'vessel-isolated')) ||
  (f.test === 'fill-isolated-watch' && has(faults, 'fill-bypass-open'));

/** How often a drained boiler does not report low pressure: a sensor that over-reads, or stands where it got stuck, mostly does not. Common
 *  practice. */
const notShown = (v: Float64Array): number => (v[SLOT.offset]! > 0.3 || v[SLOT.stuck]! > 0.5 ? 0.7 : 0.05);

/** Density of a slip: any number over about three bars (or litres) alike. */
const SLIP_DENSITY = 0.3;
/** What is printed is seldom misread, a jug that stayed dry is seldom taken for a full one, and a gauge on an empty boiler stands at
 *  nothing. */
const PLAIN_TO_SEE: ReadonlySet<string> = new Set(['relief-marking', 'discharge-catch', 'gauge-at-zero', 'top-ups-per-month']),
  PLAIN_SLIP = 0.004;

/** A tyre gauge that shows more than the circuit ever holds, with the water let out, does so for what is in the vessel: no slip of a tap or
 *  a drain makes that. */
const isPumpedUp = (f: Finding, c: ResolvedCircuit): boolean =>
  f.test === 'precharge' &&
  f.valueBar !== undefined &&
  !isWaterUnsaid(f) &&
  f.valueBar > PUMPED_UP_SHARE * c.reliefSetGaugeBar &&
  f.valueBar > (f.circuitBar ?? 0) + 0.2;
const PUMPED_UP_SHARE = 0.75;

/** How often nothing comes where no gas is left: pressed before anything is drained, even little gas hisses with the water behind it.
 *  Common practice. */
const NOTHING_COMES = 0.65;

/** Pressing an undercharged vessel's valve: what is left decides between air and nothing. */
function pressOfUndercharged(v: Float64Array, c: ResolvedCircuit): { air: number; nothing: number; water: number } {
  const nothing = NOTHING_COMES / (1 + Math.exp(((chargeOf(v, c) ?? 0) + 0.15) / 0.2));
  return { air: 0.97 * (0.98 - nothing), nothing: 0.97 * (nothing + 0.02), water: 0.03 };
}

function numericLikelihood(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit, logged: Logged): number | null {
  switch (f.test) {
    case 'idle-cold-pressure':
      return f.valueBar === undefined ? null : coldLevelDensity(f.valueBar, faults, c, v);
    case 'precharge':
      return f.valueBar === undefined ? null : prechargeDensity(f, faults, v, c);
    case 'fill-disconnected-watch':
    case 'fill-isolated-watch':
    case 'cold-main-off-watch':
    case 'cold-main-on-watch':
    case 'coil-isolated-watch':
      return watchDensity(f, faults, v, c);
    case 'boiler-isolated-hold':
      return holdDensity(f, faults, v, c);
    case 'top-ups-per-month': {
      if (f.count === undefined) return null;
      // Gamma–Poisson, shape 1: rates differ widely from house to house. Some top up for reasons of their own.
      const count = Math.min(f.count, DAILY),
        counted = (mean: number) => Math.pow(mean / (1 + mean), count) / (1 + mean),
        { mean, oftenMean } = topUpsAMonth(faults);
      // What comes up to its relief whenever it is heated spills there, whatever drives it up, and somebody makes that good.
      const spills =
        logged.usualPeakGaugeBar === null || mean >= SPILLS ? 0 : SPILLS_SEEN * nearRelief(faults, logged.usualPeakGaugeBar, v, c);
      // What feeds itself is topped up by nobody, unless its feed is kept shut.
      const byHand = c.fedByItself ? FEED_SHUT : 1;
      return (
        0.93 *
          (byHand * ((1 - spills) * ((1 - OFTEN) * counted(mean) + OFTEN * counted(oftenMean)) + spills * counted(SPILLS)) +
            (1 - byHand) * counted(NEVER)) +
        0.07 * counted(4)
      );
    }
    case 'relief-marking': {
      if (f.markedBar === undefined) return null;
      const right = normalPdf(f.markedBar, c.reliefSetGaugeBar, 0.1);
      // One that lifts early has a tired spring, or was the wrong one from the start. Common practice.
      const wrong = f.markedBar < c.reliefSetGaugeBar ? normalPdf(f.markedBar, 0.78 * c.reliefSetGaugeBar, 0.15 * c.reliefSetGaugeBar) : 0;
      return has(faults, 'relief-valve-lifts-early') ? 0.65 * right + 0.35 * wrong : right;
    }
    case 'discharge-catch':
      return catchLikelihood(f, faults, v, c, logged);
    default: {
      const n = expectedNumber(f, v, c);
      return n && normalPdf(n.seen, n.expected, n.sd);
    }
  }
}

/** Of circuits that could feed themselves, those whose feed is kept shut and that are topped up by hand. Common practice. */
const FEED_SHUT = 0.4;
/** Top-ups a month where nobody needs to. */
const NEVER = 0.3;
/** Top-ups a month where the relief lifts hot, and how often that is made good by hand. Common practice. */
const SPILLS = 3,
  SPILLS_SEEN = 0.6;
/** Of circuits that have to be topped up, those where it is done daily or nearly. More often than daily says no more. Common practice. */
const OFTEN = 0.15,
  DAILY = 30;
/** How often it is topped up, a month, and how often where it is bad. Common practice. */
function topUpsAMonth(faults: readonly FaultId[]): { mean: number; oftenMean: number } {
  if (has(faults, ...OUTFLOW)) return { mean: 4, oftenMean: 20 };
  if (has(faults, ...LITTLE_GAS, 'relief-valve-lifts-early')) return { mean: 3, oftenMean: 10 };
  const mean = has(faults, 'fill-pressure-too-high', 'vessel-overcharged', 'boiler-overheating', 'air-in-circuit', 'fill-pressure-too-low')
    ? 0.8
    : NEVER;
  return { mean, oftenMean: mean };
}

/** How often a charge of which nobody says how it was read is the water's pressure, which may be any up to the relief. Common practice. */
const ANY_WATER = 0.4;

/** With water still standing behind the diaphragm the tyre gauge only repeats the water's pressure. */
function prechargeDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number {
  const density = chargeShownDensity(f, faults, v, c);
  return mayBeTheWater(f, c) ? (1 - ANY_WATER) * density + ANY_WATER / c.reliefSetGaugeBar : density;
}

function chargeShownDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number {
  const seen = f.valueBar! + c.vesselStaticBar,
    nothingBar = c.vesselStaticBar,
    behindBar = waterBehind(f, c);
  if (has(faults, 'vessel-diaphragm-failed')) {
    // A holed one shows what stands on the water side, or what little air is caught.
    return 0.7 * normalPdf(seen, behindBar, 0.08) + 0.3 * normalPdf(seen, Math.max(behindBar, nothingBar + 0.15), 0.3);
  }
  if (has(faults, 'vessel-connection-blocked', 'vessel-isolated')) {
    // Drained circuit, but the vessel's own water may still stand behind the stop.
    const charge = Math.max(nothingBar, chargeOf(v, c) ?? c.prechargeGaugeBar);
    return 0.78 * normalPdf(seen, Math.max(charge, behindBar), 0.12) + 0.22 * normalPdf(seen, charge + 0.4, 0.35);
  }
  const n = expectedNumber(f, v, c)!;
  return normalPdf(n.seen, n.expected, n.sd);
}

function watchDensity(told: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number | null {
  // What a bypass lets by past the feed's valve comes in by no coil.
  const f: Finding =
    told.test === 'coil-isolated-watch' && has(faults, 'fill-bypass-open') && v[SLOT.inCoil]! > 0
      ? { ...told, test: 'cold-main-on-watch' }
      : told;
  const n = expectedNumber(f, v, c);
  if (!n) return null;
  // Standing water above a boiler that is not shut off lifts a drained gauge by itself.
  if (f.test === 'fill-disconnected-watch' && !f.boilerIsolated && f.startBar! < 0.2)
    return (
      0.5 * normalPdf(n.seen, n.expected, n.sd) +
      0.5 * normalPdf(n.seen, n.expected + 0.5 * c.staticGaugeBar, n.sd + 0.3 * c.staticGaugeBar)
    );
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

/** With the main shut and a tap open somewhere, heating water passes a hole in the exchanger the other way: how often, and how much of what
 *  it would be with the tap open all the while. Common practice. */
const RUNS_BACK = 0.35,
  RUN_BACK_SHARE = 0.55,
  RUN_BACK_SPREAD = 0.4;

/** Density of a watch with the main shut: as told, or falling by what runs back through a hole to the drinking water. */
function runsBackDensity(f: Finding, v: Float64Array, c: ResolvedCircuit, told: number): number {
  const n = f.test === 'cold-main-off-watch' && v[SLOT.inCoil]! > 0 ? ranBack(f, v, c) : null;
  return n
    ? (1 - RUNS_BACK) * told + RUNS_BACK * normalPdf(n.seen, RUN_BACK_SHARE * n.expected, Math.hypot(n.sd, RUN_BACK_SPREAD * n.expected))
    : told;
}

/** How often a bypass goes on feeding while the feed's own valve is shut. Common practice. */
export const PAST_THE_VALVE = 0.5;

/** Density of a change of pressure. A fall that the vessel's water no longer makes up comes to rest at the water standing above, if air
 *  gets in at the top, else it goes on: half and half. */
function fallenDensity(seenBar: number, expectedBar: number, sd: number, startGaugeBar: number, c: ResolvedCircuit): number {
  const on = normalPdf(seenBar, expectedBar, sd),
    toHeadBar = c.staticGaugeBar - startGaugeBar;
  if (expectedBar >= toHeadBar || toHeadBar >= 0) return on;
  return (
    0.5 * on + 0.5 * normalPdf(seenBar, toHeadBar, Math.hypot(sd, c.assumed.includes('staticHeadM') ? HEAD_GUESSED_BAR : HEAD_TOLD_BAR))
  );
}
const HEAD_GUESSED_BAR = 0.2,
  HEAD_TOLD_BAR = 0.06;

/** Boiler and circuit shut off from each other: each side falls by what leaks on it and rises by what comes in there. Which side has the
 *  vessel, and with it the room, is not said: half and half. */
function holdDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number | null {
  if (f.boilerStartBar === undefined || f.boilerEndBar === undefined || f.minutes === undefined) return null;
  const hours = f.minutes / 60,
    sd = readingSd(c, f.boilerStartBar, f.boilerEndBar);
  const bare = new WaterCurve(0, 0, 0, v[SLOT.stretch]!, v[SLOT.air]!),
    whole = curveOf(v);
  const side = (start: number, end: number, loses: boolean, gains: boolean) => {
    const seen = end - start,
      still = normalPdf(seen, 0, sd);
    if (!loses && !gains) return 0.94 * still + 0.06 * ANYWHERE;
    const ways = {
      inK: gains ? inKOf(v) : 0,
      outK: loses ? outKOf(v) : 0,
      feedGaugeBar: NO_FEED_BAR,
      liftGaugeBar: v[SLOT.lift]!,
      mainsGaugeBar: v[SLOT.mains]!,
    };
    const by = (curve: WaterCurve) => {
      const change = changeOver(curve, start, hours, ways, c);
      return fallenDensity(seen, change, Math.hypot(sd, 0.15 * change), start, c);
    };
    return 0.42 * by(whole) + 0.42 * by(bare) + 0.08 * still + 0.08 * ANYWHERE;
  };
  const density = (ventInBoiler: boolean) => {
    const boiler = side(
      f.boilerStartBar!,
      f.boilerEndBar!,
      has(faults, 'boiler-exchanger-leak', 'relief-valve-passing') || (ventInBoiler && has(faults, 'air-vent-faulty')),
      has(faults, 'dhw-plate-perforated'),
    );
    if (f.circuitStartBar === undefined || f.circuitEndBar === undefined) return boiler;
    return (
      boiler *
      side(
        f.circuitStartBar,
        f.circuitEndBar,
        has(faults, 'circuit-leak') || (!ventInBoiler && has(faults, 'air-vent-faulty')),
        has(faults, ...INFLOW) && !has(faults, 'dhw-plate-perforated'),
      )
    );
  };
  // A boiler has a vent of its own, and the circuit has others.
  return has(faults, 'air-vent-faulty') ? 0.5 * density(true) + 0.5 * density(false) : density(false);
}

/** Density of a change that has nothing to do with the faults: a valve that does not shut, a room that cools. */
const ANYWHERE = 0.5;
