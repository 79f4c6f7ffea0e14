import { densityKgPerL, SQUEEZE_PER_BAR } from '../truth/water';
import { sizeOf, type LoopPlant } from './LoopPlant';

/** What goes on with a plant: heat from and to, what is shut, and what somebody lets in (or out, below nothing), litres. */
export interface LoopRun {
  durationS: number;
  heat: [onS: number, offS: number][];
  shut?: 'main' | 'fill' | 'coil';
  roomC: number;
  doses?: { atS: number; litres: number }[];
}
export interface LoopTrace {
  everyS: number;
  bar: number[];
  flowC: number[];
  returnC: number[];
  lifted: boolean;
}

const KELVIN = 273.15,
  CELLS = 14,
  KJ_PER_LK = 4.19,
  METAL = 1.1;
/** Cells of the ring where emitters stand; water comes out of the boiler into the first and back into it from the last. */
const EMITTERS = { from: 4, to: 10 };
/** Of a standing pump's flow, what goes round by gravity. */
const BY_GRAVITY = 0.02;
/** What a boiler, and each length of pipe, loses of the output while it stands 50 K above the room. Practice figure, from memory. */
const BOILER_LOSES = 0.012,
  PIPE_LOSES = 0.002;
/** The gas of a vessel follows this slowly, a vessel behind a narrow way fills so slowly, and a relief that has lifted weeps for so long,
 *  s. */
const GAS_FOLLOWS_S = 1800,
  NARROW_S = 900,
  WEEPS_S = 1200;
/** Growth of the room inside steel, 1/K. */
const STEEL_GROWS = 3.6e-5;

/** Pressure of the air, bar absolute; barometric formula of the standard atmosphere (ISO 2533, from memory). */
export const airBar = (p: Pick<LoopPlant, 'altitudeM'>): number => 1.01325 * (1 - 2.25577e-5 * p.altitudeM) ** 5.25588;

/** Litres beyond what the bare circuit takes, at a gauge pressure: what stands in the vessel, what pipes stretch by, less what air takes
 *  up. Perfect gas.
 *  @param inVesselL what stands in a vessel that it reaches only slowly */
export function heldL(p: LoopPlant, bar: number, gasC: number, inVesselL = vesselHoldsL(p, bar, gasC)): number {
  return inVesselL + p.stretchLPerBar * bar - (p.airL * airBar(p)) / (bar + airBar(p));
}

/** What a vessel holds that has had the time; none where it is cut off. Full at 93 of 100 parts. */
export function vesselHoldsL({ vessel: v, ...p }: LoopPlant, bar: number, gasC: number): number {
  if (v.way === 'shut' || v.way === 'blocked') return 0;
  const gasShare = ((v.chargeBar + airBar(p)) / (bar + airBar(p))) * ((gasC + KELVIN) / (20 + KELVIN));
  return v.nominalL * Math.min(0.93, Math.max(0, 1 - gasShare));
}

/** The gauge pressure at which something is held, by halving; a vacuum is as far as it goes down. */
function pressureAt(held: (bar: number) => number, litres: number): number {
  let low = -0.9,
    high = 30;
  for (let i = 0; i < 36; i++) {
    const mid = (low + high) / 2;
    if (held(mid) < litres) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}
export const pressureHolding = (p: LoopPlant, litres: number, gasC: number): number => pressureAt((bar) => heldL(p, bar, gasC), litres);

/** By how much a litre has grown since it was at a temperature; antifreeze adds what mixtures do (handbook figure for propylene glycol,
 *  from memory). */
export const growth = (p: Pick<LoopPlant, 'glycolShare'>, fromC: number, toC: number): number =>
  (1 - p.glycolShare) * (densityKgPerL(fromC) / densityKgPerL(toC) - 1) + p.glycolShare * 9.5e-4 * (toC - fromC);

const letsIn = ({ inBy }: LoopPlant, { shut }: LoopRun): boolean =>
  inBy !== null && shut !== 'main' && (inBy === 'dhw' ? shut !== 'coil' : inBy === 'bypass' || shut !== 'fill');

/** Runs a plant: cells of water that the pump carries round, a burner that follows its limit, a gas that is warmed from the boiler, a
 *  relief that pops and falls to its seat, feeds that make good.
 *  @param everyS how often the trace says something; the sum itself goes in shorter steps where water would move by more than a cell */
export function runLoop(p: LoopPlant, run: LoopRun, everyS = 5): LoopTrace {
  const trace: LoopTrace = { everyS, bar: [], flowC: [], returnC: [], lifted: false },
    { roomC } = run,
    cellL = (p.contentL * (1 - p.idleShare)) / CELLS,
    kjPerK = KJ_PER_LK * METAL * cellL,
    size = sizeOf(p),
    steps = Math.ceil((everyS * p.carriedLPerS) / (0.8 * cellL)),
    stepS = everyS / steps;
  let cells: number[] = new Array<number>(CELLS).fill(roomC),
    gasC = roomC,
    burns = false,
    lifts = false,
    pumps = false,
    sinceLiftS = Infinity,
    pumpsUntilS = 0,
    movedL = 0,
    bar = p.coldBar;
  const narrow = p.vessel.way === 'narrow';
  let slowL = vesselHoldsL(p, bar, gasC);
  const holds = (at: number) => heldL(p, at, gasC, narrow ? slowL : undefined),
    startL = holds(bar);
  for (let step = 0; step * stepS <= run.durationS; step++) {
    const t = step * stepS,
      on = run.heat.some(([from, to]) => t >= from && t < to);
    if (on) pumpsUntilS = t + p.pumpRunsOnS;
    const share = ((on || t < pumpsUntilS ? 1 : BY_GRAVITY) * p.carriedLPerS * stepS) / cellL,
      flowC = cells[0]!,
      backC = cells[CELLS - 1]!;
    burns = on && flowC < p.burnsToC + 2 && (burns || flowC < p.burnsToC - 5);
    const kw = burns ? p.mostKw * Math.min(1, Math.max(0.2, (p.burnsToC + 1.5 - flowC) / 10)) : 0,
      givesOff = (p.givesOffKwPerK / (EMITTERS.to - EMITTERS.from)) * (on ? 1 : 0.5);
    // What flows in is the cell before it as it was; the boiler gives its heat to the first, the emitters take theirs further on.
    cells = cells.map(
      (c, i) =>
        c +
        share * (cells[(i + CELLS - 1) % CELLS]! - c) +
        ((i === 0 ? kw : 0) -
          (i >= EMITTERS.from && i < EMITTERS.to ? givesOff : ((i === 0 ? BOILER_LOSES : PIPE_LOSES) * p.mostKw) / 50) * (c - roomC)) *
          (stepS / kjPerK),
    );
    gasC += (stepS / GAS_FOLLOWS_S) * (roomC + p.vessel.warms * (flowC - roomC) - gasC);
    for (const dose of run.doses ?? []) if (t >= dose.atS && t < dose.atS + stepS) movedL += dose.litres;
    if (letsIn(p, run)) movedL += (p.inLPerH * size * Math.sqrt(Math.max(0, p.mainsBar - bar) / 2) * stepS) / 3600;
    movedL -= (p.outLPerH * size * Math.sqrt(Math.max(0, bar) / 2) * stepS) / 3600;
    if (sinceLiftS < WEEPS_S) movedL -= (p.relief.weepsLPerH * (1 - sinceLiftS / WEEPS_S) * stepS) / 3600;
    movedL += fedL();
    const grownL = cellL * cells.reduce((sum, c) => sum + growth(p, roomC, c) - STEEL_GROWS * (c - roomC), 0),
      settled = () => pressureAt(holds, startL + movedL + grownL - SQUEEZE_PER_BAR * p.contentL * (bar - p.coldBar));
    bar = settled();
    if (narrow) slowL += (vesselHoldsL(p, bar, gasC) - slowL) * Math.min(1, stepS / NARROW_S);
    const seatBar = p.relief.liftBar * p.relief.seatShare;
    if (bar > p.relief.liftBar) lifts = true;
    if (lifts) {
      trace.lifted = true;
      sinceLiftS = 0;
      movedL -= Math.min(Math.max(0, holds(bar) - holds(seatBar)), (0.4 * size * size * Math.max(0.1, bar - seatBar) * stepS) / 5);
      bar = settled();
      lifts = bar > seatBar + 0.01;
    } else sinceLiftS += stepS;
    if (step % steps !== 0) continue;
    trace.bar.push(bar);
    trace.flowC.push(cells[1]!);
    trace.returnC.push(backC);
  }
  return trace;

  /** What a feed makes good in one step: a valve in proportion to what is missing, a unit by its pump between its limits; never past where
   *  it stops. */
  function fedL(): number {
    if (!p.feed || run.shut === 'main' || run.shut === 'fill') return 0;
    const { fromBar, toBar } = p.feed;
    pumps = bar < fromBar - (p.kind === 'fed' ? 0.02 : 0) || (p.kind === 'block' && pumps && bar < toBar - 0.01);
    const lPerH = p.kind === 'fed' ? Math.min(400, 1200 * (toBar - bar)) : 0.25 * p.contentL;
    return pumps ? Math.min((lPerH * stepS) / 3600, Math.max(0, holds(toBar) - holds(bar))) : 0;
  }
}
