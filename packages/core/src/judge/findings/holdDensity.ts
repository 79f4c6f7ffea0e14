import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { fallenDensity } from './fallenDensity';
import { has, INFLOW } from '../faultGroups';
import { trappedRise, type TrappedRise } from '../../valves/regionState';
import type { FaultId } from '../faults';
import type { Finding } from '../Finding';
import { changeOver } from './changeOver';
import { readingSd } from './readingSd';
import { bareCurveOf, curveOf, inKOf, NO_FEED_BAR, outKOf } from '../fit/draw';
import { SLOT } from '../fit/kernel';
import { normalPdf } from '../fit/normal';
import type { WaterCurve } from '../fit/WaterCurve';

/** Boiler and circuit shut off from each other: each side falls by what leaks on it and rises by what comes in there. Which side has the
 *  vessel, and with it the room, is not said: half and half; nor on which the air stands, where there is some. */
export function holdDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number | null {
  if (f.boilerStartBar === undefined || f.boilerEndBar === undefined || f.minutes === undefined) return null;
  const hours = f.minutes / 60,
    sd = readingSd(c, f.boilerStartBar, f.boilerEndBar);
  const sides = [
    { share: AIR_HERE, whole: curveOf(v), bare: bareCurveOf(v) },
    { share: 1 - AIR_HERE, whole: curveOf(v, 0), bare: bareCurveOf(v, 0) },
  ];
  const rise = trappedRise(c);
  const side = (start: number, end: number, loses: boolean, gains: boolean, withVessel: number, fromC?: number, toC?: number) => {
    const seen = end - start,
      warm = warmedBar(rise, fromC, toC),
      still = withVessel * normalPdf(seen, 0, sd) + (1 - withVessel) * normalPdf(seen, warm.bar, Math.hypot(sd, warm.sdBar));
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
    return sides.reduce((sum, { share, whole, bare }) => sum + 0.42 * share * (by(whole) + by(bare)), 0.08 * still + 0.08 * ANYWHERE);
  };
  const density = (ventInBoiler: boolean) => {
    const boiler = side(
      f.boilerStartBar!,
      f.boilerEndBar!,
      has(faults, 'boiler-exchanger-leak', 'relief-valve-passing') || (ventInBoiler && has(faults, 'air-vent-faulty')),
      has(faults, 'dhw-plate-perforated'),
      c.vesselAtBoiler,
      f.boilerStartC,
      f.boilerEndC,
    );
    if (f.circuitStartBar === undefined || f.circuitEndBar === undefined) return boiler;
    return (
      boiler *
      side(
        f.circuitStartBar,
        f.circuitEndBar,
        has(faults, 'circuit-leak') || (!ventInBoiler && has(faults, 'air-vent-faulty')),
        has(faults, ...INFLOW) && !has(faults, 'dhw-plate-perforated'),
        1 - c.vesselAtBoiler,
        f.circuitStartC,
        f.circuitEndC,
      )
    );
  };
  // A boiler has a vent of its own, and the circuit has others.
  return has(faults, 'air-vent-faulty') ? 0.5 * density(true) + 0.5 * density(false) : density(false);
}

/** What a section without a vessel gains by its temperature alone, bar, and how far that may be off: where nobody read the temperatures, a
 *  fraction of a kelvin either way. Common practice. */
function warmedBar(rise: TrappedRise, fromC?: number, toC?: number): { bar: number; sdBar: number } {
  const perK = (rise.lowBarPerK + rise.highBarPerK) / 2;
  if (fromC === undefined || toC === undefined) return { bar: 0, sdBar: UNREAD_K * perK };
  const bar = perK * (toC - fromC);
  return { bar, sdBar: 0.5 * Math.abs(bar) + 0.05 };
}
const UNREAD_K = 0.5;

/** How often the air stands on the side that was looked at. Common practice. */
const AIR_HERE = 0.6;
/** Density of a change that has nothing to do with the faults: a valve that does not shut, a room that cools. */
const ANYWHERE = 0.5;
