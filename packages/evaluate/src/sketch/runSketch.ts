import { sizeOf, type SketchPlant } from './SketchPlant';

export interface SketchSchedule {
  durationS: number;
  heat: [onS: number, offS: number][];
  actions: { tS: number; kind: string }[];
}
export interface SketchTrace {
  tS: number[];
  bar: number[];
  flowC: number[];
  returnC: number[];
  lifted: boolean;
}

const DT_S = 5,
  ATM = 1.013;

/** Density of water near one atmosphere at every ten degrees, kg/m³ (CRC Handbook, from memory), with a parabola through the three nearest
 *  between. */
const TABLE = [999.84, 999.7, 998.21, 995.65, 992.22, 988.04, 983.2, 977.76, 971.8, 965.3, 958.36];
export function tableDensity(celsius: number): number {
  const x = celsius / 10,
    k = Math.min(TABLE.length - 2, Math.max(1, Math.round(x))),
    d = x - k;
  const [a, b, c] = [TABLE[k - 1]!, TABLE[k]!, TABLE[k + 1]!];
  return b + (d * (c - a)) / 2 + (d * d * (a - 2 * b + c)) / 2;
}

/** Water in a vessel at a pressure, L. */
const inVesselL = (p: SketchPlant, bar: number): number =>
  p.vesselOpen ? Math.min(0.9 * p.vesselL, Math.max(0, p.vesselL - ((p.chargeBar + ATM) * p.vesselL) / (bar + ATM))) : 0;
const elsewhereL = (p: SketchPlant, bar: number): number => p.stretchLPerBar * bar - (p.airL * ATM) / (bar + ATM);
/** Water over what the circuit holds empty, at a cold pressure, L. */
export const storedL = (p: SketchPlant, bar: number): number => inVesselL(p, bar) + elsewhereL(p, bar);

/** The pressure at which something that grows with it comes to a value. */
export function pressureWhere(grows: (bar: number) => number, value: number): number {
  let low = -0.95,
    high = 15;
  for (let i = 0; i < 45; i++) {
    const mid = (low + high) / 2;
    if (grows(mid) < value) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/** How fast water moves by itself at one moment, L/s: in through what lets by, out through what leaks. */
function waysLPerS(p: SketchPlant, bar: number, shut: ReadonlySet<string>): number {
  const shuts = (...kinds: string[]) => kinds.some((k) => shut.has(k));
  const inShut =
    p.inBy === null ||
    shuts('cold-main-closed') ||
    (p.inBy === 'fill' ? shuts('fill-closed', 'fill-disconnected') : shuts('coil-isolated'));
  return ((inShut ? 0 : p.inK * Math.sqrt(Math.max(0, p.mainsBar - bar))) - (p.outK + p.dripK) * Math.sqrt(Math.max(0, bar))) / 3600;
}

/** A visit's hours: the flow nears its limit by an exponential with a slow wave on it, the return follows, the water's mean follows both;
 *  water is counted by volume. */
export function runSketch(p: SketchPlant, schedule: SketchSchedule): SketchTrace {
  const trace: SketchTrace = { tS: [], bar: [], flowC: [], returnC: [], lifted: false };
  const actions = [...schedule.actions].sort((a, b) => a.tS - b.tS),
    shut = new Set<string>();
  const grownL = (c: number) => p.contentL * p.heatedShare * (tableDensity(p.roomC) / tableDensity(c) - 1 - 3 * 14e-6 * (c - p.roomC));
  let flowC = p.roomC,
    returnC = p.roomC,
    meanC = p.roomC,
    bar = p.coldBar,
    behindNarrowL = inVesselL(p, bar),
    lifting = false,
    pumping = false;
  const held = (at: number) => (p.narrowS > 0 ? behindNarrowL : inVesselL(p, at)) + elsewhereL(p, at);
  let stockL = held(bar);
  for (let t = 0; t <= schedule.durationS; t += DT_S) {
    while (actions.length && actions[0]!.tS <= t) shut.add(actions.shift()!.kind);
    trace.tS.push(t);
    trace.bar.push(bar);
    trace.flowC.push(flowC);
    trace.returnC.push(returnC);
    heatStep(
      t,
      schedule.heat.some(([on, off]) => t >= on && t < off),
    );
    stockL += waysLPerS(p, bar, shut) * DT_S;
    const feeds = !shut.has('fill-closed') && !shut.has('fill-disconnected') && !shut.has('cold-main-closed');
    if (p.setBar !== null && feeds && bar < p.setBar - 0.03) stockL += (120 * (p.setBar - bar) * DT_S) / 3600;
    if (p.pumpsFromBar !== null && feeds) {
      pumping = bar < p.pumpsFromBar || (pumping && bar < p.pumpsToBar!);
      if (pumping) stockL += (300 * DT_S) / 3600;
    }
    lifting = bar >= p.reliefBar || (lifting && bar >= p.seatShare * p.reliefBar);
    if (lifting) {
      trace.lifted = true;
      stockL -= sizeOf(p) * 0.02 * DT_S * Math.min(1, Math.max(0.1, (bar - 0.9 * p.reliefBar) / (0.1 * p.reliefBar)));
    }
    if (p.narrowS > 0) behindNarrowL += ((inVesselL(p, bar) - behindNarrowL) * DT_S) / p.narrowS;
    bar = Math.max(0, pressureWhere(held, stockL + grownL(meanC)));
    // A relief shuts within the step as its seat is reached.
    const seatBar = p.seatShare * p.reliefBar;
    if (lifting && bar < seatBar) {
      bar = seatBar;
      stockL = held(bar) - grownL(meanC);
      lifting = false;
    }
  }
  return trace;

  function heatStep(t: number, on: boolean) {
    const goalC = on ? p.limitC + p.overK + 2 * Math.sin(t / 200) : p.roomC,
      takesS = on ? p.warmsS : 4 * p.warmsS;
    flowC += ((goalC - flowC) * DT_S) / takesS;
    const drop = on ? Math.min(p.dropK, 0.5 * (flowC - p.roomC)) : Math.min(3, 0.15 * (flowC - p.roomC));
    returnC += ((flowC - drop - returnC) * DT_S) / (120 + 0.3 * takesS);
    meanC += ((p.flowShare * flowC + (1 - p.flowShare) * returnC - meanC) * DT_S) / 90;
  }
}
