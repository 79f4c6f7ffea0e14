import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { isWaterUnsaid, type Finding } from '../Finding';
import { chargeOf, curveOf, NO_FEED_BAR, outKOf } from '../fit/draw';
import { SLOT } from '../fit/kernel';
import { WaterCurve } from '../fit/WaterCurve';
import { changeOver } from './changeOver';
import { isBetweenMarks, readingSd } from './readingSd';

/** A number that was measured beside what one draw of the circuit's parameters makes of it, and how far the two may lie apart where the
 *  draw is the truth. */
export interface ExpectedNumber {
  seen: number;
  expected: number;
  sd: number;
}

const BY_PHYSICS: ReadonlySet<string> = new Set([
  'precharge',
  'draw-off',
  'vessel-drained-volume',
  'second-gauge',
  'gauge-at-zero',
  'fill-disconnected-watch',
  'fill-isolated-watch',
  'cold-main-off-watch',
  'cold-main-on-watch',
  'coil-isolated-watch',
]);
/** Whether physics foretells a finding's number well enough to look for the circuit there. */
export const foretold = (f: Finding): boolean => BY_PHYSICS.has(f.test) && !f.heating;

/** What a finding's number should be by physics, given a draw; null for findings that carry no such number. What the faults themselves do
 *  to a test (a holed diaphragm under a tyre gauge, say) is not looked at here. */
export function expectedNumber(f: Finding, v: Float64Array, c: ResolvedCircuit): ExpectedNumber | null {
  switch (f.test) {
    case 'precharge': {
      const charge = chargeOf(v, c);
      if (f.valueBar === undefined || charge === null) return null;
      // All as seen from the gauge: the charge stands higher there by the head up to the vessel, and so does a vessel with nothing behind
      // it.
      return {
        seen: f.valueBar + c.vesselStaticBar,
        expected: Math.max(charge, waterBehind(f, c)),
        sd: !isWaterUnsaid(f) ? 0.06 : isBelowWater(f, c) ? 0.08 : 0.35,
      };
    }
    case 'draw-off': {
      if (f.volumeL === undefined || f.beforeBar === undefined || f.afterBar === undefined) return null;
      const curve = curveOf(v),
        offset = v[SLOT.offset]!,
        expected = givenBack(curve, f.beforeBar - offset, f.afterBar - offset, c);
      // A gauge at its foot says no more: the jug went on filling while air came in behind the water.
      // An open drain draws nothing below the outside's pressure, so a gauge that reads too high never comes down to its foot.
      // One that reads a little high stands as much above its foot.
      if (f.afterBar - Math.max(0, offset) <= AT_THE_FOOT_BAR && f.afterBar < FOOT_MOST_BAR && expected < f.volumeL)
        return {
          seen: f.volumeL,
          expected: f.volumeL + JUG_ANYHOW_L * (Math.max(0, offset - f.afterBar) / readingSd(c)),
          sd: JUG_ANYHOW_L,
        };
      const errorL = slopeAt(curve, f.afterBar - offset + c.atmosphericBar) * readingSd(c, f.beforeBar, f.afterBar);
      return { seen: f.volumeL, expected, sd: Math.hypot(errorL, 0.03, 0.03 * f.volumeL) };
    }
    case 'vessel-drained-volume': {
      if (f.volumeL === undefined || f.fromBar === undefined) return null;
      const boiler = c.boilerWaterSaid
        ? { meanL: c.boilerWaterL, sdL: SAID_WATER_SHARE * c.boilerWaterL + SAID_WATER_L }
        : boilerWater(v[SLOT.contentL]!);
      return { seen: f.volumeL, expected: givenBack(curveOf(v), f.fromBar - v[SLOT.offset]!, 0, c) + boiler.meanL, sd: boiler.sdL };
    }
    case 'second-gauge':
      return f.valueBar === undefined || f.firstGaugeBar === undefined
        ? null
        : {
            seen: f.firstGaugeBar - f.valueBar,
            expected: v[SLOT.offset]!,
            sd: stuckIn(v) ? STUCK_ANYWHERE_BAR : 0.04 + (isBetweenMarks(f.firstGaugeBar, c.gaugeStepBar) ? 0.35 : 0.5) * c.gaugeStepBar,
          };
    case 'gauge-at-zero':
      return f.valueBar === undefined
        ? null
        : {
            seen: f.valueBar,
            expected: stuckIn(v) ? c.fillGaugeBar : Math.max(0, v[SLOT.offset]!),
            sd: stuckIn(v) ? STUCK_ANYWHERE_BAR : 0.05 + 0.3 * c.gaugeStepBar,
          };
    case 'fill-disconnected-watch':
    case 'fill-isolated-watch':
    case 'cold-main-off-watch':
    case 'cold-main-on-watch':
    case 'coil-isolated-watch': {
      if (f.startBar === undefined || f.endBar === undefined || f.minutes === undefined) return null;
      return {
        seen: f.endBar - f.startBar,
        expected: (1 - v[SLOT.stuck]!) * watchedRiseBar(f, v, c),
        sd: readingSd(c, f.startBar, f.endBar),
      };
    }
    case 'heat-run-after': {
      if (f.coldBar === undefined || f.hotBar === undefined) return null;
      const grown = v[SLOT.contentL]! * v[SLOT.share]! * GROWTH_PER_K * Math.max(5, (f.hotC ?? c.maxFlowC) - 20),
        curve = curveOf(v),
        offset = v[SLOT.offset]!;
      // Whatever has nowhere to go comes up to the relief, and no farther.
      const coldAt = f.coldBar - offset + c.atmosphericBar,
        at = (litres: number) => curve.pressureAt(curve.excessAt(coldAt) + litres) - c.atmosphericBar + offset,
        liftBar = v[SLOT.lift]! + offset;
      const hot = at(grown),
        least = at(0.85 * grown),
        spreadBar = (at(1.15 * grown) - least) / 2;
      return {
        seen: f.hotBar - f.coldBar,
        expected: Math.min(hot, liftBar) - f.coldBar,
        sd: Math.hypot(Math.min(spreadBar, Math.max(AT_LIFT_BAR, liftBar - least)), 1.4 * readingSd(c, f.coldBar, f.hotBar)),
      };
    }
    default:
      return null;
  }
}

const AT_THE_FOOT_BAR = 0.06,
  FOOT_MOST_BAR = 0.2;
/** How much a jug may hold beyond what a circuit had to give, L. */
export const JUG_ANYHOW_L = 0.4;
/** Growth of water for a kelvin between cold and hot, about. */
const GROWTH_PER_K = 4.2e-4;
/** Where a relief holds what it lets go, a pressure is known to about so much, bar. */
const AT_LIFT_BAR = 0.15;
/** A needle that sticks may stand anywhere. */
const STUCK_ANYWHERE_BAR = 0.6;
const stuckIn = (v: Float64Array) => v[SLOT.stuck]! > 0.5;

/** Whether a charge was read well below what the circuit stands at: then no water stood behind it, whether anybody says so or not. */
const isBelowWater = (f: Finding, c: ResolvedCircuit): boolean =>
  f.valueBar !== undefined && f.valueBar + c.vesselStaticBar < c.fillGaugeBar - BELOW_WATER_BAR;
const BELOW_WATER_BAR = 0.2;
/** Whether the water's pressure may be all that a tyre gauge on the vessel showed, and nobody knows how high that was. */
export const mayBeTheWater = (f: Finding, c: ResolvedCircuit): boolean => isWaterUnsaid(f) && !isBelowWater(f, c);

/** Pressure on the vessel's water side while its charge is read, bar gauge. */
export const waterBehind = (f: Finding, c: ResolvedCircuit): number =>
  Math.max(c.vesselStaticBar, f.circuitBar ?? (f.drainOpen || isBelowWater(f, c) ? 0 : c.fillGaugeBar));

/** How far a boiler's content that somebody wrote down may be off. Common practice. */
const SAID_WATER_SHARE = 0.1,
  SAID_WATER_L = 0.3;
/** The boiler's own water comes with the vessel's: a wall boiler holds a litre or four, a larger one more than anyone knows. Common
 *  practice. */
function boilerWater(contentL: number): { meanL: number; sdL: number } {
  const more = Math.max(0, contentL - 130);
  return { meanL: 2.5 + 0.08 * more, sdL: 1.4 + 0.06 * more };
}

/** Water that a circuit gives back between two gauge pressures, L. */
function givenBack(curve: WaterCurve, fromGaugeBar: number, toGaugeBar: number, c: ResolvedCircuit): number {
  const absolute = (gaugeBar: number) => Math.max(0.05, gaugeBar + c.atmosphericBar);
  return curve.excessAt(absolute(fromGaugeBar)) - curve.excessAt(absolute(toGaugeBar));
}

const SLOPE_BAR = 0.02;
/** Room that a bar makes at a pressure, L/bar. */
const slopeAt = (curve: WaterCurve, absoluteBar: number): number => {
  const P = Math.max(0.3, absoluteBar);
  return (curve.excessAt(P + SLOPE_BAR) - curve.excessAt(P - SLOPE_BAR)) / (2 * SLOPE_BAR);
};

/** Ways in that a watch leaves open. */
const FILL_OPEN: ReadonlySet<string> = new Set(['coil-isolated-watch', 'cold-main-on-watch']),
  COIL_OPEN: ReadonlySet<string> = new Set(['fill-disconnected-watch', 'fill-isolated-watch', 'cold-main-on-watch']);

/** By how much the true pressure changes over a watch with no heat: what comes in by the ways left open, less what is lost. @param backK a
 *  hole by which water runs back */
function watchedRiseBar(f: Finding, v: Float64Array, c: ResolvedCircuit, backK = 0): number {
  const fill = FILL_OPEN.has(f.test),
    inK = (fill ? v[SLOT.inFill]! : 0) + (COIL_OPEN.has(f.test) ? v[SLOT.inCoil]! : 0),
    outK = outKOf(v) + backK;
  // A feed that stands open has had its say before the watch begins, unless it holds more than the gauge shows then.
  const feeds = fill && f.startBar! < v[SLOT.feedHolds]!;
  return changeOver(
    curveOf(v),
    f.startBar! - v[SLOT.offset]!,
    f.minutes! / 60,
    { inK, outK, feedGaugeBar: feeds ? v[SLOT.feedHolds]! : NO_FEED_BAR, liftGaugeBar: v[SLOT.lift]!, mainsGaugeBar: v[SLOT.mains]! },
    c,
  );
}

/** The same watch with the main shut where a tap stands open: what came in by a hole in the exchanger goes out by it. */
export function ranBack(f: Finding, v: Float64Array, c: ResolvedCircuit): ExpectedNumber | null {
  const n = expectedNumber(f, v, c);
  if (!n) return null;
  return { ...n, expected: watchedRiseBar(f, v, c, v[SLOT.inCoil]!) };
}
