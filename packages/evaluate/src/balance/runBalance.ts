import { densityKgPerL } from '../truth/water';
import { scaleOf, type BalancePlant } from './BalancePlant';

export interface BalanceRun {
  durationS: number;
  heat: [onS: number, offS: number] | null;
  shut: string[];
  /** Somebody began to read only so long after the start. */
  readFromS?: number;
}
export interface BalanceTrace {
  tS: number[];
  bar: number[];
  flowC: number[];
  returnC: number[];
  pumps: boolean[];
  lifted: boolean;
}

const DT_S = 4,
  ATM = 1.01325,
  KELVIN = 273.15;
/** A relief that does not pop opens little by little from this share of its lift on. */
const SIMMERS_FROM = 0.97;
/** Heat capacity of a litre of water and the metal round it, kJ/K. */
const KJ_PER_LK = 4.18 * 1.2;

/** Water that a plant holds beyond its own volume at a pressure, with the gas at a temperature, L. */
export function heldBeyondL(p: BalancePlant, bar: number, gasC = p.roomC): number {
  const abs = bar + ATM,
    gas = (((p.chargeBar + ATM) * p.vesselL) / abs) * ((gasC + KELVIN) / (20 + KELVIN));
  return (p.way === 'open' ? Math.min(0.92 * p.vesselL, Math.max(0, p.vesselL - gas)) : 0) + p.stretchLPerBar * bar - (p.airL * ATM) / abs;
}

/** The pressure at which a plant holds so much, by halving; gauge bar, never less than nothing. */
export function pressureHolding(p: BalancePlant, beyondL: number, gasC = p.roomC): number {
  let low = 0,
    high = 20;
  for (let i = 0; i < 40; i++) {
    const mid = (low + high) / 2;
    if (heldBeyondL(p, mid, gasC) < beyondL) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

const inletShut = (p: BalancePlant, shut: readonly string[]): boolean =>
  shut.includes('cold-main-closed') ||
  (p.inBy === 'dhw' ? shut.includes('coil-isolated') : shut.includes('fill-closed') || shut.includes('fill-disconnected'));

/** Runs a plant. Burner with a band, two lumps of water, a gas that is warmed a little, a relief that pops or simmers. */
export function runBalance(p: BalancePlant, run: BalanceRun): BalanceTrace {
  const trace: BalanceTrace = { tS: [], bar: [], flowC: [], returnC: [], pumps: [], lifted: false };
  const scale = scaleOf(p),
    boilerKjPerK = KJ_PER_LK * p.contentL * p.shares.boiler,
    emittersKjPerK = KJ_PER_LK * p.contentL * p.shares.emitters;
  const grown = (c: number) => densityKgPerL(p.roomC) / densityKgPerL(c) - 1 - 3.6e-5 * (c - p.roomC);
  let boilerC = p.roomC,
    emittersC = p.roomC,
    burns = false,
    lifts = false,
    pumping = false;
  const grownL = () => p.contentL * (p.shares.boiler * grown(boilerC) + p.shares.emitters * grown(emittersC)),
    gasC = () => p.roomC + p.gasWarms * (boilerC - p.roomC);
  let stockL = heldBeyondL(p, p.coldBar),
    bar = pressureHolding(p, stockL);
  const feedOpen = !['cold-main-closed', 'fill-closed', 'fill-disconnected'].some((s) => run.shut.includes(s));
  for (let t = 0; t <= run.durationS; t += DT_S) {
    const on = run.heat !== null && t >= run.heat[0] && t < run.heat[1];
    trace.tS.push(t);
    trace.bar.push(bar);
    trace.flowC.push(boilerC);
    trace.returnC.push(emittersC);
    trace.pumps.push(on);
    const topC = p.limitC + p.overK;
    burns = on && boilerC < topC + p.bandK && (burns || boilerC < topC - p.bandK);
    const kw = burns ? Math.max(p.leastKw, Math.min(p.mostKw, (p.mostKw * (topC + 1 - boilerC)) / 8)) : 0,
      round = (on ? p.carriesKwPerK : 0.15 * p.carriesKwPerK) * (boilerC - emittersC);
    boilerC += ((kw - round - 0.002 * p.mostKw * ((boilerC - p.roomC) / 50)) * DT_S) / boilerKjPerK;
    emittersC += ((round - p.roomsTakeKwPerK * (emittersC - p.roomC)) * DT_S) / emittersKjPerK;
    const inLPerH = inletShut(p, run.shut) ? 0 : p.inL * Math.sqrt(Math.max(0, p.mainsBar - bar)),
      outLPerH = (p.outL + p.seatL) * Math.sqrt(Math.max(0, bar));
    stockL += ((inLPerH - outLPerH) * DT_S) / 3600;
    if (p.feed && feedOpen) {
      pumping = bar < p.feed.fromBar - 0.02 || (pumping && bar < p.feed.toBar);
      if (pumping) stockL += (scale * (p.kind === 'unit' ? 80 : 200 * Math.min(1, Math.max(0.05, p.feed.toBar - bar))) * DT_S) / 3600;
    }
    const { liftBar, seatShare, simmers } = p.relief;
    lifts = simmers ? bar > SIMMERS_FROM * liftBar : bar > liftBar || (lifts && bar > seatShare * liftBar);
    if (lifts) {
      trace.lifted ||= bar > 0.985 * liftBar;
      stockL -= scale * DT_S * (simmers ? 0.05 * Math.min(1, (bar - SIMMERS_FROM * liftBar) / (0.05 * liftBar)) : 0.03);
    }
    bar = pressureHolding(p, stockL + grownL(), gasC());
    // It shuts within the step as it comes to where it shuts.
    const shutsBar = (simmers ? SIMMERS_FROM : seatShare) * liftBar;
    if (lifts && bar < shutsBar) {
      bar = shutsBar;
      stockL = heldBeyondL(p, bar, gasC()) - grownL();
      lifts = false;
    }
  }
  return trace;
}
