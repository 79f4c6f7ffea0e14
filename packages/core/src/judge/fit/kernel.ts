import { blindGrowth, type BlindHeat } from '../layOut/blindHeat';
import { ANEW_AFTER, RELIEF_LET_GO, type LogTrack } from '../layOut/LogTrack';
import { WaterCurve } from './WaterCurve';

/** Places in the kernel's parameter vector; the starting pressures of a track's stretches follow from START on. */
export const SLOT = {
  gas: 0,
  vesselL: 1,
  contentL: 2,
  share: 3,
  lagS: 4,
  stretch: 5,
  air: 6,
  inFill: 7,
  inCoil: 8,
  outCircuit: 9,
  outBoiler: 10,
  lift: 11,
  offset: 12,
  feedHolds: 13,
  stuck: 14,
  mains: 15,
  cap: 16,
  heatTempo: 17,
  coolTempo: 18,
  doubt: 19,
  seat: 20,
  blowsLPerS: 21,
  narrow: 22,
  feedLPerS: 23,
  tired: 24,
  parted: 25,
  start: 26,
} as const;

const LONGEST_STEP_S = 60;
const MOST_STEPS = 6;
/** How much finer the steps are where a stiff circuit fills its vessel through a narrow way. */
const FINER = 4;
/** A feed that is open for so much of the time has had its say. */
const FEEDS_FROM = 0.1;
/** Where in its saw a relief stands that has lifted more than once, as a share of the saw's height. */
const SAW_DOUBT = 0.3;
/** Growth of water for a kelvin at about 45 °C. */
const GROWTH_PER_K = 4e-4;
/** The relief and the gauge's foot keep even the stiffest circuit within its range. */
const MOST_BAR_PER_K = 0.5;
/** So long a doubt about the temperature lasts: what a narrow way lets through in it gives way to it. */
const DOUBT_LASTS_S = 600;
function blindGrowthOf(track: LogTrack, heat: BlindHeat, v: Float64Array): Float64Array {
  const out = scratchFor(track.n);
  blindGrowth(heat, track.tS, track.n, v[17]!, v[18]!, out);
  return out;
}
/** Growth where a share of the content stands in emitters that cool by themselves. */
function partedGrowthOf({ n, growth }: LogTrack, away: Float64Array, share: number): Float64Array {
  const out = scratchFor(n);
  for (let i = 0; i < n; i++) out[i] = growth[i]! + share * away[i]!;
  return out;
}
function scratchFor(n: number): Float64Array {
  if (scratch.length < n) scratch = new Float64Array(n);
  return scratch;
}
let scratch = new Float64Array(256);

/** Pressure from which a stretch begins, bar absolute. */
const beginsAtBar = (v: Float64Array, stretch: number, atmosphericBar: number): number =>
  Math.max(0.05, v[SLOT.start + stretch]! - v[SLOT.offset]! + atmosphericBar);

/** Predicts what the gauge shows at each point of a track. The judge's own model, apart from the simulator's on purpose.
 *  Gas amounts are absolute bar · L, pressures gauge bar inside with the atmosphere added where the gas law wants it.
 *  No checks or objects in here: it runs some hundred thousand times a diagnosis.
 *  @param v parameters by {@link SLOT} @param out receives the prediction, one entry a point
 *  @param perKelvin receives by how much a kelvin more of the water's mean would move each point, bar/K */
export function predictGauge(track: LogTrack, v: Float64Array, atmosphericBar: number, out: Float64Array, perKelvin: Float64Array): void {
  const gas = v[0]!,
    vesselL = v[1]!,
    content = v[2]! * v[3]!,
    lagS = v[4]!,
    s = v[5]!,
    air = v[6]!;
  const lift = v[11]! + atmosphericBar,
    feed = v[13]! + atmosphericBar,
    mains = v[15]! + atmosphericBar;
  const feedLPerS = v[23]!,
    stuck = v[14]!,
    doubt = v[19]!,
    seat = v[20]! * v[11]! + atmosphericBar;
  // One that has lifted once may give way from lower down, to where it merely simmers at its seat.
  const again = lift - v[24]! * (lift - seat);
  const whole = new WaterCurve(gas, vesselL, v[16]!, s, air),
    emptyBelow = whole.emptyBelowBar,
    fullAbove = whole.fullAboveBar;
  // Behind a narrow way the vessel's water is a matter of its own, and the circuit before it has only its stretch and its air.
  const narrow = v[22]!,
    curve = narrow > 0 ? new WaterCurve(0, 0, 0, s, air) : whole,
    mostL = v[16]! * vesselL;
  const longestStepS = narrow > 0 ? LONGEST_STEP_S / FINER : LONGEST_STEP_S,
    mostSteps = narrow > 0 ? MOST_STEPS * FINER : MOST_STEPS;
  let behindL = 0;
  const growth = track.blind
    ? blindGrowthOf(track, track.blind, v)
    : track.away && v[25]! > 0
      ? partedGrowthOf(track, track.away, v[25]!)
      : track.growth;
  let open = false,
    blows = false,
    lifts = 0,
    liftsFrom = lift,
    keepS = -1,
    keep = 1,
    wholeS = -1,
    keepWhole = 1;
  let stretch = 0,
    lagged = growth[0]!,
    water = 0,
    P = 1,
    first = 0;
  for (let i = 0; i < track.n; i++) {
    const target = growth[i]!;
    if (i > 0) {
      const gap = track.tS[i]! - track.tS[i - 1]!;
      // Two readings of one moment have nothing between them.
      let steps = gap > 0 ? Math.max(1, Math.min(mostSteps, Math.ceil(gap / longestStepS))) : 0;
      const dt = gap / steps,
        hours = dt / 3600;
      const from = growth[i - 1]!;
      // Loggers read at even times: the same share is kept again and again.
      if (dt !== keepS) {
        keepS = dt;
        keep = Math.exp(-dt / lagS);
      }
      const rise = (target - from) / steps,
        ramp = rise / dt;
      const inFill = track.fillOn[i]! * v[7]!,
        inCoil = track.coilOn[i]! * v[8]!,
        feeds = track.fillOn[i]! > FEEDS_FROM;
      const into = inFill + inCoil;
      const leak = v[9]! + track.boilerOn[i]! * v[10]! + track.tapped[i]! * v[8]!;
      if (steps > 1 && !open && into === 0 && leak === 0 && narrow === 0) {
        // Where no water moves, the lag's exact answer holds for the whole gap at once, unless it ends where a relief or a feed has its
        // say.
        if (gap !== wholeS) {
          wholeS = gap;
          keepWhole = Math.exp(-gap / lagS);
        }
        const after = target - ramp * lagS + (lagged - from + ramp * lagS) * keepWhole,
          reached = curve.pressureAt(water + content * after);
        if (reached <= liftsFrom && (reached >= feed || !feeds)) {
          lagged = after;
          P = reached;
          blows = false;
          steps = 0;
        }
      }
      for (let k = 1; k <= steps; k++) {
        // The first-order lag's exact answer to a ramp: no error from the step.
        const behind = ramp * lagS,
          begin = from + rise * (k - 1);
        lagged = begin + rise - behind + (lagged - begin + behind) * keep;
        if (into > 0 && mains > P) water += into * Math.sqrt(mains - P) * hours;
        if (leak > 0 && P > atmosphericBar) water -= leak * Math.sqrt(P - atmosphericBar) * hours;
        P = curve.pressureAt(water + content * lagged - behindL);
        const opens = P > liftsFrom && !open;
        if (opens) {
          open = true;
          lifts++;
          liftsFrom = again;
        }
        blows = open;
        if (open) {
          const shut = curve.excessAt(seat) + behindL - content * lagged;
          // However much comes in, an open relief lets as much go: the pressure never stands above where it lifts.
          water = Math.min(water - v[21]! * dt, curve.excessAt(lift) + behindL - content * lagged);
          if (water <= shut) {
            // It opens and shuts within a step again and again: somewhere between.
            water = opens && lifts > 1 ? curve.excessAt(0.5 * (seat + again)) + behindL - content * lagged : shut;
            open = false;
          }
          P = curve.pressureAt(water + content * lagged - behindL);
        }
        if (P < feed && feeds) {
          // A unit's pump takes its time; what a valve gives from the mains is there at once.
          const wanted = curve.excessAt(feed) + behindL - content * lagged,
            given = water + feedLPerS * dt;
          if (feedLPerS > 0 && given < wanted) {
            water = given;
            P = curve.pressureAt(water + content * lagged - behindL);
          } else {
            water = wanted;
            P = feed;
          }
        }
        if (narrow > 0) {
          // What goes through in the step, with both sides giving way to it: no step is too long.
          const behind = behindL > 0 ? gas / (vesselL - behindL) : emptyBelow,
            gives = narrow / dt + 1 / (s + air / (P * P)) + (behind * behind) / gas;
          behindL = Math.min(mostL, Math.max(0, behindL + (P - behind) / gives));
          P = curve.pressureAt(water + content * lagged - behindL);
        }
      }
    }
    if (track.starts[i] && track.starts[i] !== ANEW_AFTER) {
      P = beginsAtBar(v, stretch++, atmosphericBar);
      open = false;
      if (track.starts[i] === RELIEF_LET_GO) liftsFrom = again;
      // What stands behind a narrow way does not jump with what was let in or out before it.
      if (narrow > 0 && i === 0) behindL = whole.excessAt(P) - curve.excessAt(P);
      water = curve.excessAt(P) + behindL - content * lagged;
      if (i === 0 || stretch === 1) first = P;
    }
    if (track.drawnL[i]! > 0) {
      water -= track.drawnL[i]!;
      P = curve.pressureAt(water + content * lagged - behindL);
      // An open drain draws nothing below the outside's pressure.
      if (P < atmosphericBar) {
        P = atmosphericBar;
        water = curve.excessAt(P) + behindL - content * lagged;
      }
    }
    const shown = stuck > 0 ? first + (1 - stuck) * (P - first) : P;
    const gauge = shown - atmosphericBar + v[12]!;
    out[i] = gauge > 0 ? gauge : 0;
    const inPlay = P > emptyBelow && P < fullAbove ? (narrow > 0 ? Math.min(gas, (P * P * DOUBT_LASTS_S) / narrow) : gas) + air : air;
    const bend = (content * GROWTH_PER_K * (1 - stuck)) / (s + inPlay / (P * P));
    // What a relief holds does not follow the temperature, and near the gauge's foot it cannot fall much farther.
    perKelvin[i] = gauge > 0 && !blows ? doubt * Math.min(bend, MOST_BAR_PER_K, gauge) : 0;
    if (lifts > 1 && gauge > 0) perKelvin[i] = Math.hypot(perKelvin[i]!, (SAW_DOUBT * (again - seat)) / track.temperatureErrorK[i]!);
    if (track.starts[i] === ANEW_AFTER) {
      P = beginsAtBar(v, stretch++, atmosphericBar);
      open = false;
      liftsFrom = again;
      water = curve.excessAt(P) + behindL - content * lagged;
    }
  }
}
