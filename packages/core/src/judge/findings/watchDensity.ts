import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { fallenDensity } from './fallenDensity';
import { has, LITTLE_GAS } from '../faultGroups';
import type { FaultId } from '../faults';
import type { Finding } from '../Finding';
import { expectedNumber, ranBack, type ExpectedNumber } from './findingNumbers';
import { SLOT } from '../fit/kernel';
import { normalPdf } from '../fit/normal';

/** Density of what a watch of the gauge showed with something shut off; null where it was not written down. */
export function watchDensity(told: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number | null {
  // What a bypass lets by past the feed's valve comes in by no coil.
  const f: Finding =
    told.test === 'coil-isolated-watch' && has(faults, 'fill-bypass-open') && v[SLOT.inCoil]! > 0
      ? { ...told, test: 'cold-main-on-watch' }
      : told;
  const n = expectedNumber(f, v, c);
  if (!n) return null;
  if (f.test === 'fill-disconnected-watch' && f.startBar! < DRAINED_BAR) return fromNothingDensity(f, n, c);
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

/** A gauge that starts from here belongs to a boiler that was drained, bar. */
const DRAINED_BAR = 0.2;
/** Air stands in a drained boiler as often as not, and takes some of what comes in: so much of the rise is left, and so widely it spreads.
 *  Common practice. */
const AIR_LEAVES = 0.5,
  AIR_SPREAD = 0.3;

/** Density of a watch from nothing. Standing water above a boiler that is not shut off lifts a drained gauge by itself. */
function fromNothingDensity(f: Finding, { seen, expected, sd }: ExpectedNumber, c: ResolvedCircuit): number {
  const otherwise = f.boilerIsolated
    ? normalPdf(seen, AIR_LEAVES * expected, Math.hypot(sd, AIR_SPREAD * expected))
    : normalPdf(seen, expected + 0.5 * c.staticGaugeBar, sd + 0.3 * c.staticGaugeBar);
  return 0.5 * normalPdf(seen, expected, sd) + 0.5 * otherwise;
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
