import { heldFromGaugeBar, type ResolvedCircuit } from '../../circuit/resolveCircuit';
import { SET_HIGH_BAR, TOO_HIGH_BAR, TOO_LOW_BAR } from '../../circuit/standingLevel';
import { has, INFLOW, LITTLE_GAS, OUTFLOW } from '../faultGroups';
import type { FaultId } from '../faults';
import { chargeOf, curveOf, inKOf, NO_FEED_BAR, outKOf } from '../fit/draw';
import { SLOT } from '../fit/kernel';
import { normalCdf, normalPdf } from '../fit/normal';

/** How often a cold circuit is found at a pressure, by fault. Cold pressures are set by hand, so they spread even where nothing is wrong.
 *  @param c the circuit with its vessel at the gauge's level
 *  @param v the draw: how far the gauge is off counts where the set says that it lies, what the feed holds where it is set high, the charge
 *  where the vessel is in order, and how fast water comes in; see {@link levelHangsOnDraw} */
export function coldLevelDensity(gaugeBar: number, faults: readonly FaultId[], c: ResolvedCircuit, v: Float64Array | null = null): number {
  // A needle that sticks stands at any pressure.
  if (v && v[SLOT.stuck]! > 0.5) return 1 / ANY_LEVEL_BAR;
  const offsetBar = v ? v[SLOT.offset]! : 0,
    feedHoldsBar = v && v[SLOT.feedHolds]! > NO_FEED_BAR ? v[SLOT.feedHolds]! : null;
  const lies = faults.includes('gauge-misreading'),
    leastBar = heldFromGaugeBar(c),
    chargeBar = v && !has(faults, ...GAS_OUT_OF_ORDER) ? chargeOf(v, c) : null;
  const others = faults.filter((f) => f !== 'gauge-misreading');
  // A fault of the level itself decides where the pressure stands; any other leaves it where its own fault would. A unit that neither holds
  // it high nor lets by in this draw does not pump.
  const level = others.filter((f) => LEVEL_FAULTS.has(f)),
    sinks = has(others, ...OUTFLOW) && level.includes('fill-pressure-too-high');
  const density = (atGaugeBar: number) => {
    const of = (f: FaultId): number =>
      HOLDS_HIGH.has(f) && feedHoldsBar !== null
        ? heldHigh(atGaugeBar, feedHoldsBar, v![SLOT.feedLPerS]! > 0, c)
        : coldLevelOf(
            atGaugeBar,
            v && f === 'pressurisation-unit-fault' ? (v[SLOT.inFill]! > 0 ? 'fill-bypass-open' : 'feed-starved') : f,
            c,
            chargeBar,
            v,
          );
    const mean = (some: readonly FaultId[]): number => some.reduce((sum, f) => sum + of(f), 0) / some.length;
    // What was overfilled and loses water is found anywhere below; what was left to itself, where it was filled to.
    if (level.length) return mean(sinks ? [...level, 'circuit-leak'] : level);
    if (others.length === 0) return mean(['none']);
    if (!v || !has(others, ...INFLOW) || !has(others, ...OUTFLOW)) return mean(others);
    // Where water comes in and goes out at once, the stronger of the two ways decides where the circuit stands; what lets water out may have
    // begun to do so only now that the other has filled it.
    const ways = (which: readonly FaultId[]) => mean(others.filter((f) => which.includes(f)));
    return comesInFaster(atGaugeBar, v) ? ways(INFLOW) : (1 - FILLED_BEFORE) * ways(OUTFLOW) + FILLED_BEFORE * ways(INFLOW);
  };
  // Whoever fills by a lying gauge fills to what it shows; a feed fills to what is there. Half and half where a hand fills.
  const filledByIt = c.fedByItself ? 0.2 : 0.5;
  const all = lies
    ? (1 - filledByIt) * density(gaugeBar - offsetBar) + filledByIt * density(gaugeBar) * carriesHead(gaugeBar - offsetBar, c)
    : density(gaugeBar);
  // So far off that it would itself be called a fault, it is one.
  const bar = gaugeBar - offsetBar,
    isOff = bar < leastBar - TOO_LOW_BAR - CLEARLY_LOW_BAR || bar > c.fillGaugeBar + tooHighBar(c) + CLEARLY_HIGH_BAR,
    share = isOff ? ANY_FAULTY_LEVEL : ANY_LEVEL;
  return (1 - share) * all + share / ANY_LEVEL_BAR;
}

/** Of circuits into which less comes than goes out, those that are still as full as before they let go. Common practice. */
const FILLED_BEFORE = 0.25;

const comesInFaster = (gaugeBar: number, v: Float64Array): boolean =>
  inKOf(v) * Math.sqrt(Math.max(0, v[SLOT.mains]! - gaugeBar)) > outKOf(v) * Math.sqrt(Math.max(0, gaugeBar));

/** Whether a cold level says more than which faults there are: how far the gauge is off, what the feed holds, what the vessel is charged
 *  to, or how fast water comes in and goes out. */
export const levelHangsOnDraw = (gaugeBar: number, faults: readonly FaultId[], c: ResolvedCircuit): boolean =>
  has(faults, 'gauge-misreading', ...HOLDS_HIGH) ||
  has(faults, ...INFLOW) ||
  (!has(faults, ...GAS_OUT_OF_ORDER) && (c.fillSpreadBar > 0 || gaugeBar < c.prechargeGaugeBar + CHARGES_REACH_BAR));
/** No charge that is in order comes so far above what is wanted, bar: a level from there on is above it whatever the draw. */
const CHARGES_REACH_BAR = 0.3;
/** Faults by which a vessel's charge says nothing of the pressure that the circuit was filled to. */
const GAS_OUT_OF_ORDER: readonly FaultId[] = [...LITTLE_GAS, 'vessel-overcharged'];
const HOLDS_HIGH: ReadonlySet<FaultId> = new Set(['reducing-valve-set-high', 'pressurisation-unit-fault']);

/** Share of circuits that stand at any pressure, for reasons of their own, and over what range. Common practice. */
const ANY_LEVEL = 0.07,
  ANY_LEVEL_BAR = 3.5;
/** The same beyond where a level counts as a fault (the catalogue), with the gauge's reading and the fill wanted in doubt by a little, bar.
 */
const ANY_FAULTY_LEVEL = 0.03,
  CLEARLY_LOW_BAR = 0.1,
  CLEARLY_HIGH_BAR = 0.08;
/** How far above the fill wanted a level is a fault: sooner where a valve holds it. */
const tooHighBar = (c: ResolvedCircuit): number => (c.fedByItself && c.cutInGaugeBar === null ? SET_HIGH_BAR : TOO_HIGH_BAR);
/** Whether a true pressure at the gauge still holds the water above it up: below, the top of the circuit sucks air and somebody would have
 *  noticed. */
const carriesHead = (trueGaugeBar: number, c: ResolvedCircuit): number =>
  0.05 + 0.95 * normalCdf((trueGaugeBar - HEAD_SHARE * c.staticGaugeBar) / HEAD_SD_BAR);
const HEAD_SHARE = 0.6,
  HEAD_SD_BAR = 0.12;
/** The same of a circuit that lost its water or was never filled up: some are left so until they lock out. */
const overHead = (gaugeBar: number, c: ResolvedCircuit): number => LEFT_DRY + (1 - LEFT_DRY) * carriesHead(gaugeBar, c);
const LEFT_DRY = 0.4;
/** Whoever fills a circuit as it should be fills it above the vessel's charge: below, no water stands in the vessel, and that is the fault
 *  itself. Some feeds are set to the charge. Common practice. */
const aboveCharge = (atGaugeBar: number, chargeBar: number | null): number =>
  chargeBar === null ? 1 : LEAST_BELOW + (1 - LEAST_BELOW) * normalCdf((atGaugeBar - chargeBar + AT_CHARGE_BAR) / CHARGE_SD_BAR);
const LEAST_BELOW = 0.06,
  AT_CHARGE_BAR = 0.12,
  CHARGE_SD_BAR = 0.09;
const LEVEL_FAULTS: ReadonlySet<FaultId> = new Set([
  'fill-pressure-too-low',
  'fill-pressure-too-high',
  'feed-starved',
  'pressurisation-unit-fault',
  'reducing-valve-set-high',
]);
/** Spread of a cold pressure that was set by hand, and of one that a feed holds. Common practice. */
const BY_HAND_SD = 0.22,
  BY_FEED_SD = 0.14;
/** A feed that holds a pressure holds it from below: the circuit stands at it or a little above. Common practice. */
const HELD_ABOVE_BAR = 0.04,
  HELD_SD = 0.06;
/** Limits of a unit that lie nearer together than this are one. */
const LEAST_BAND_BAR = 0.1;
/** Where a circuit stands of which the feed holds too much: at that; a unit's anywhere from there to where its pump stops, and, where it
 *  takes its time, on the way to it. */
function heldHigh(p: number, feedHoldsBar: number, isPumped: boolean, c: ResolvedCircuit): number {
  const sd = Math.hypot(HELD_SD, 0.4 * c.gaugeStepBar),
    bandBar = c.cutInGaugeBar === null ? 0 : Math.max(0, c.fillGaugeBar - c.cutInGaugeBar);
  const held =
    bandBar > LEAST_BAND_BAR ? smoothBox(p, feedHoldsBar, feedHoldsBar + bandBar, sd) : normalPdf(p, feedHoldsBar + HELD_ABOVE_BAR, sd);
  return isPumped
    ? (1 - PUMPING) * held + PUMPING * smoothBox(p, heldFromGaugeBar(c), Math.max(feedHoldsBar, heldFromGaugeBar(c) + 0.2), sd)
    : held;
}
/** Of units that pump past their limit, those that are met while they pump. Common practice. */
const PUMPING = 0.2;

/** Who fills by hand fills to what the circuit needs, or to a round bar and a half, where that is not yet too high.
 *  @param shareInOrder how much of what stands there, filled to what it needs, is no fault itself */
const byHand = (p: number, fillGaugeBar: number, sd: number, c: ResolvedCircuit, shareInOrder = 1): number => {
  const wanted = fillGaugeBar + 0.05,
    aboveBar = ROUND_FILL_BAR - fillGaugeBar;
  const rounds =
    c.reliefSetGaugeBar > ROOM_FOR_ROUND_BAR && aboveBar > 0 && aboveBar <= TOO_HIGH_BAR + 2 * c.fillSpreadBar ? FILLS_ROUND : 0;
  return (
    (1 - rounds) * shareInOrder * normalPdf(p, wanted, sd) +
    rounds * normalPdf(p, ROUND_FILL_BAR, Math.hypot(ROUND_SD_BAR, 0.4 * c.gaugeStepBar))
  );
};
/** "1.0 cold, or 1.5": the second school's fill, how many follow it where less is wanted, and what a relief has to be set to for that.
 *  Common practice. */
const ROUND_FILL_BAR = 1.5,
  FILLS_ROUND = 0.12,
  ROUND_SD_BAR = 0.08,
  ROOM_FOR_ROUND_BAR = 2.6;

/** Share of circuits into which water comes that somebody has let down or filled anew not long ago, and after how long they are found as
 *  full as they go otherwise, h. Common practice. */
const LET_DOWN = 0.6,
  FOUND_AFTER_H = 6,
  FULL_SD_BAR = 0.15;

/** Where a circuit stands into which more water comes than goes out: what comes in fast has filled it up to the relief, or to where as much
 *  goes out as the mains press in, unless somebody let it down. @param onTheWay density of where it stands until then */
function filling(p: number, onTheWay: number, c: ResolvedCircuit, v: Float64Array | null): number {
  if (!v) return onTheWay;
  const inK = inKOf(v),
    outK = outKOf(v);
  if (inK <= 0) return onTheWay;
  const evenBar = (v[SLOT.mains]! * inK * inK) / (inK * inK + outK * outK),
    fullBar = Math.min(v[SLOT.lift]!, evenBar);
  if (fullBar <= c.fillGaugeBar) return onTheWay;
  const curve = curveOf(v),
    roomL = curve.excessAt(fullBar + c.atmosphericBar) - curve.excessAt(c.fillGaugeBar + c.atmosphericBar);
  const netLPerH = inK * Math.sqrt(Math.max(0.05, v[SLOT.mains]! - c.fillGaugeBar)) - outK * Math.sqrt(Math.max(0, c.fillGaugeBar)),
    hours = Math.max(0, roomL) / netLPerH;
  const full = (1 - LET_DOWN) * (FOUND_AFTER_H / (FOUND_AFTER_H + hours));
  return (1 - full) * onTheWay + full * normalPdf(p, fullBar - 0.05, Math.hypot(FULL_SD_BAR, 0.4 * c.gaugeStepBar));
}

/** The fill that is wanted, and how far it is doubted, bar. Where nobody wrote down what that is, one height decides it and the charge:
 *  under a charge in order that is lower than was taken, so is the fill. */
function wantedFill(chargeBar: number | null, c: ResolvedCircuit): { fillGaugeBar: number; spreadBar: number } {
  const inCommon = chargeBar === null ? 0 : Math.min(1, (c.fillSpreadBar / c.chargeSpreadBar) ** 2);
  return {
    fillGaugeBar: c.fillGaugeBar + inCommon * ((chargeBar ?? 0) - c.prechargeGaugeBar),
    spreadBar: c.fillSpreadBar * Math.sqrt(1 - inCommon),
  };
}

/** Density of a pressure that was filled to what is wanted, by hand or by a valve, and is so near to it that it is no fault itself (the
 *  catalogue); all of it seen through the gauge. */
function filled(p: number, chargeBar: number | null, c: ResolvedCircuit): number {
  const { fillGaugeBar, spreadBar } = wantedFill(chargeBar, c),
    seenSd = Math.hypot(SEEN_SD_BAR, 0.4 * c.gaugeStepBar),
    least = fillGaugeBar - TOO_LOW_BAR,
    most = fillGaugeBar + tooHighBar(c);
  if (c.fedByItself)
    return heldRight(p, fillGaugeBar + 0.05, Math.hypot(BY_FEED_SD, spreadBar), seenSd, least - spreadBar, most + spreadBar);
  return byHand(
    p,
    fillGaugeBar,
    Math.hypot(BY_HAND_SD, 0.4 * c.gaugeStepBar, spreadBar),
    c,
    shareWithin(p, Math.hypot(seenSd, spreadBar), least, most),
  );
}

/** A normal spread between two bounds, seen through a gauge that is off a little. */
function heldRight(p: number, mean: number, sd: number, seenSd: number, least: number, most: number): number {
  const both = Math.hypot(sd, seenSd),
    there = (mean * seenSd * seenSd + p * sd * sd) / (both * both),
    thereSd = (sd * seenSd) / both;
  return (normalPdf(p, mean, both) * shareWithin(there, thereSd, least, most)) / shareWithin(mean, sd, least, most);
}
/** Share of a normal spread that lies between two bounds. */
const shareWithin = (mean: number, sd: number, least: number, most: number): number =>
  normalCdf((most - mean) / sd) - normalCdf((least - mean) / sd);
/** How far a gauge in order is off, bar. */
const SEEN_SD_BAR = 0.05;

/** @param chargeBar what the vessel is charged to, as seen from the gauge; null where that says nothing of the level
 *  @param v the draw, where more may come in than goes out */
function coldLevelOf(p: number, fault: FaultId, c: ResolvedCircuit, chargeBar: number | null, v: Float64Array | null): number {
  const fill = c.fillGaugeBar;
  const flat = (least: number, most: number) =>
    smoothBox(p, least, Math.max(most, least + 0.2), Math.hypot(0.06 + 0.5 * c.gaugeStepBar, c.fillSpreadBar));
  const byHandSd = Math.hypot(BY_HAND_SD, 0.4 * c.gaugeStepBar, c.fillSpreadBar);
  // A unit lets it fall to its lower limit before it pumps.
  const near = aboveCharge(p, chargeBar) * (c.cutInGaugeBar !== null ? flat(c.cutInGaugeBar, fill) : filled(p, chargeBar, c)),
    least = heldFromGaugeBar(c);
  switch (fault) {
    case 'fill-pressure-too-low':
    case 'feed-starved':
      return overHead(p, c) * flat(0, least - 0.25);
    case 'pressurisation-unit-fault':
      return 0.65 * flat(0, least - 0.1) + 0.35 * flat(fill + 0.1, Math.max(c.reliefSetGaugeBar, fill + 0.5));
    case 'fill-pressure-too-high': {
      const from = wantedFill(chargeBar, c).fillGaugeBar + TOO_HIGH_BAR;
      return flat(from, Math.max(c.reliefSetGaugeBar, from + 0.3));
    }
    case 'reducing-valve-set-high':
      return flat(fill + 0.2, fill + 1.3);
    case 'fill-loop-passing':
    case 'reducing-valve-creeping':
    case 'fill-bypass-open':
    case 'dhw-plate-perforated':
    case 'dhw-coil-perforated':
      return filling(p, 0.45 * near + 0.55 * flat(fill, c.reliefSetGaugeBar), c, v);
    case 'circuit-leak':
    case 'boiler-exchanger-leak':
    case 'relief-valve-passing':
    case 'air-vent-faulty':
    case 'vessel-overcharged':
    case 'relief-valve-lifts-early':
      return (1 - fallenShare(c)) * near + fallenShare(c) * overHead(p, c) * flat(0, least);
    case 'vessel-undercharged':
    case 'vessel-diaphragm-failed':
    case 'vessel-connection-blocked':
    case 'vessel-isolated':
    case 'vessel-undersized':
      // Topped up to where it should be, or fallen since; not so far that the top of the house stands dry.
      return c.fedByItself
        ? 0.88 * near + 0.09 * flat(0.1, least) + 0.03 * flat(fill, fill + 0.8)
        : 0.85 * byHand(p, fill, 1.3 * byHandSd, c) + 0.15 * flat(Math.max(0.2, TOPPED_UP_FROM * c.staticGaugeBar), fill);
    default:
      return near;
  }
}

/** How often what loses water is found low: what feeds itself is made up as it is lost, unless its feed is kept shut. Common practice. */
const fallenShare = (c: ResolvedCircuit): number => (c.fedByItself ? c.feedShutShare : 0.45);

/** Share of the static head under which whoever has a circuit tops it up. Common practice. */
const TOPPED_UP_FROM = 0.75;

/** A box with soft shoulders that integrates to about 1. */
const smoothBox = (x: number, least: number, most: number, shoulder: number) => shareWithin(x, shoulder, least, most) / (most - least);
