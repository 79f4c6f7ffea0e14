import type { ResolvedCircuit } from '../../../circuit/resolveCircuit';
import { creepInflowsLPerH } from '../creepInflow';
import { inKOf } from '../draw';
import { SLOT } from '../kernel';
import type { LogModel } from '../logModel';
import type { LogTrack } from '../../layOut/LogTrack';
import { normalPdf } from '../normal';
import { sizeOf } from './circuitSize';
import { logNormal, type FreeParameter } from './FreeParameter';

/** Holes, L/h at one bar: they spread over decades, the usual size in the middle, those that let water out more widely. Common practice. */
const INFLOW_SPREAD = 1.5,
  OUTFLOW_SPREAD = 1.7;
/** Where among the holes one about the usual size is looked for. */
const A_USUAL_ONE = 0.2;
const leakage = (slot: number, median: number, spread: number): FreeParameter => ({
  ...logNormal(slot, median, spread),
  starts: [-1, A_USUAL_ONE, 1.4],
});
/** Where a way in of a size stands among them. */
const inflowZ = (lPerH: number, median: number): number => Math.max(-2, Math.min(2.8, Math.log(lPerH / median) / INFLOW_SPREAD));

/** A way in whose size the log tells is looked for there, and, since that may be heat after all, about where most are. */
const startedFrom = (p: FreeParameter, starts: number[]): FreeParameter => (starts.length ? { ...p, starts: [A_USUAL_ONE, ...starts] } : p);

/** Usual size of a way in, and of a way out, L/h at one bar. Common practice. */
const INFLOW_L_PER_H = 0.8,
  OUTFLOW_L_PER_H = 0.4;

/** Water that comes in: how much, and by what pressure. */
export function waysIn(model: LogModel, c: ResolvedCircuit, tracks: readonly LogTrack[]): FreeParameter[] {
  if (model.inflow === 'none') return [];
  const median = INFLOW_L_PER_H * sizeOf(c),
    inflow = leakage(model.inflow === 'fill' ? SLOT.inFill : SLOT.inCoil, median, INFLOW_SPREAD);
  return [
    startedFrom(
      inflow,
      creepInflowsLPerH(model.gas, c, tracks).map((lPerH) => inflowZ(lPerH, median)),
    ),
    logNormal(SLOT.mains, c.mainsGaugeBar, c.assumed.includes('fill.mainsBar') ? MAINS_GUESSED : MAINS_READ),
  ];
}

/** What every circuit loses at its seals and vents, L/h at one bar, and how widely that spreads: about 0.01 to 0.1. A feed that works makes it
 *  up unseen; behind one that gives nothing the pressure sinks by it. Common practice. */
const NATURAL_LOSS_L_PER_H = 0.03,
  NATURAL_LOSS_SPREAD = 0.8;

/** Water that goes out. */
export const waysOut = (model: LogModel, c: ResolvedCircuit): FreeParameter[] =>
  model.outflow === 'none'
    ? []
    : model.outflow === 'seeps'
      ? [logNormal(SLOT.outCircuit, NATURAL_LOSS_L_PER_H * sizeOf(c), NATURAL_LOSS_SPREAD)]
      : [leakage(model.outflow === 'boiler' ? SLOT.outBoiler : SLOT.outCircuit, OUTFLOW_L_PER_H * sizeOf(c), OUTFLOW_SPREAD)];

/** A bypass is a valve that stands open, if only by a crack: it lets by more than a hole or a worn seat does, L/h at one bar. Common
 *  practice. */
const BYPASS_L_PER_H = 5,
  BYPASS_SPREAD = 1.3;
/** How much oftener a bypass, or a unit that does not shut, lets by as much as in a draw than the other ways in do; 1 where nothing comes
 *  in. */
export function bypassTimes(v: Float64Array, c: ResolvedCircuit): number {
  const inK = inKOf(v);
  if (inK === 0) return 1;
  const size = sizeOf(c),
    at = Math.log(Math.max(1e-6, inK) / size),
    density = (median: number, spread: number) => normalPdf(at, Math.log(median), spread);
  return density(BYPASS_L_PER_H, BYPASS_SPREAD) / density(INFLOW_L_PER_H, INFLOW_SPREAD);
}

/** How far the mains may be from what was read once, and from what is taken where nobody read it, in their logarithms. They swing with the
 *  hour. Common practice. */
const MAINS_READ = 0.06,
  MAINS_GUESSED = 0.22;
