import { densityKgPerL, SQUEEZE_PER_BAR } from './water';
import type { TruePlant } from './TruePlant';

export interface Schedule {
  durationS: number;
  /** Burner called between these times. */
  heat: { onS: number; offS: number }[];
  actions: { atS: number; kind: string }[];
}
export interface Trace {
  tS: number[];
  systemBar: number[];
  flowC: number[];
  returnC: number[];
}

const DT_S = 5;
/** A pump's switch answers so far before its limit. */
const SWITCH_BAR = 0.01;
const ATM = 1.013;
const KELVIN = 273.15;

/** A plant's life over a visit: boiler and three lumps of emitters in a ring, a dead leg, a vessel whose gas warms a little, water by mass.
 */
export function runPlant(p: TruePlant, schedule: Schedule): Trace {
  const live = p.contentL * (1 - p.deadShare) - p.boilerL;
  const volumes = [p.boilerL, live / 3, live / 3, live / 3, p.contentL * p.deadShare];
  const temps = volumes.map(() => p.roomC);
  const lossKwPerK = p.outputKw / 48;
  let gasC = 20;
  const gasMoles = ((p.chargeBar + ATM) * p.vesselL) / (20 + KELVIN);
  const airMoles = (p.airL * ATM) / (20 + KELVIN);
  // The circuit's own water at no pressure; worked out once for each step's temperatures.
  const unsqueezedKg = () =>
    volumes.reduce((m, v, i) => m + densityKgPerL(temps[i]!) * v * (1 + 3 * p.pipeExpansionPerK * (temps[i]! - p.roomC)), 0);
  let restingKg = unsqueezedKg();
  const held = (bar: number) => {
    const P = bar + ATM;
    const gasL = (gasMoles * (gasC + KELVIN)) / P;
    const vessel = p.vesselOpen ? Math.min(0.93 * p.vesselL, Math.max(0, p.vesselL - gasL)) : 0;
    const air = (airMoles * (p.roomC + KELVIN)) / P;
    return restingKg * (1 + SQUEEZE_PER_BAR * bar) + 0.998 * (vessel + p.stretchLPerBar * bar - air);
  };
  const pressureOf = (kg: number) => {
    let low = -0.98,
      high = 14;
    for (let i = 0; i < 42; i++) {
      const mid = (low + high) / 2;
      if (held(mid) < kg) low = mid;
      else high = mid;
    }
    return (low + high) / 2;
  };
  let kg = held(p.coldBar),
    bar = p.coldBar,
    lifting = false,
    lifted = false,
    firing = false;
  let pumping = false,
    fillOpen = true,
    mainsOpen = true,
    coilOpen = true;
  const trace: Trace = { tS: [], systemBar: [], flowC: [], returnC: [] };
  const actions = [...schedule.actions].sort((a, b) => a.atS - b.atS);
  for (let t = 0; t <= schedule.durationS; t += DT_S) {
    while (actions.length && actions[0]!.atS <= t) {
      const kind = actions.shift()!.kind;
      if (kind === 'fill-disconnected' || kind === 'fill-closed') fillOpen = false;
      if (kind === 'cold-main-closed') mainsOpen = false;
      if (kind === 'coil-isolated') coilOpen = false;
    }
    trace.tS.push(t);
    trace.systemBar.push(bar);
    trace.flowC.push(temps[0]!);
    trace.returnC.push(temps[3]!);
    heatStep(schedule.heat.some((h) => t >= h.onS && t < h.offS));
    restingKg = unsqueezedKg();
    gasC += (20 + p.vesselWarmth * (temps[0]! - 20) - gasC) * (DT_S / 1800);
    const mains = mainsOpen ? p.mainsBar + p.mainsSwingBar * Math.sin(t / 2900) : 0;
    const over = Math.max(0, mains - bar),
      hours = DT_S / 3600;
    const seepL = ((fillOpen ? p.seepFill : 0) + (coilOpen ? p.seepCoil : 0)) * Math.sqrt(over) * hours;
    pumping = p.feedBar !== null && bar < (pumping ? p.feedBar - SWITCH_BAR : (p.feedFromBar ?? p.feedBar));
    const feeds = pumping && fillOpen && mainsOpen;
    const drip = p.reliefDrip + (lifted ? p.reliefDripAfterLift : 0);
    let outL = (p.leak + drip) * Math.sqrt(Math.max(0, bar)) * hours;
    if (bar > p.reliefBar) lifting = true;
    if (bar < 0.87 * p.reliefBar) lifting = false;
    if (lifting) {
      lifted = true;
      outL += p.pace * Math.min(0.12, (40 * Math.max(0.003, bar / p.reliefBar - 0.93) * DT_S) / 60);
    }
    kg += 0.998 * (seepL - outL);
    // A feed shuts as its setting is reached, within the step: it never fills a stiff circuit beyond it.
    if (feeds) kg = Math.max(kg, Math.min(kg + 0.998 * 400 * p.pace * Math.max(0.1, p.feedBar! - bar) * hours, held(p.feedBar!)));
    bar = Math.max(0, pressureOf(kg));
    // Little water moves a stiff circuit far: the valve shuts as soon as its seat is reached, within the step.
    const seat = 0.87 * p.reliefBar;
    if (lifting && bar < seat) {
      bar = seat;
      kg = held(bar);
      lifting = false;
    }
  }
  return trace;

  function heatStep(called: boolean) {
    const limit = p.limitC + p.overheatsK;
    if (!called || temps[0]! > limit + 1.5) firing = false;
    else if (temps[0]! < limit - 4) firing = true;
    const modulated = Math.min(1, Math.max(0.3, (limit + 2 - temps[0]!) / 12));
    const kgPerS = (called || temps[0]! > p.roomC + 12 ? p.flowLPerH : 0.06 * p.flowLPerH) / 3600;
    const before = [...temps];
    for (let i = 0; i < 4; i++) {
      const from = before[(i + 3) % 4]!;
      const kwIn = i === 0 && firing ? p.outputKw * modulated : 0;
      const kwOut = i === 0 ? 0 : (lossKwPerK / 3) * (before[i]! - p.roomC);
      const capacity = volumes[i]! * 4.18 + (i === 0 ? 0.5 * 6 : 0.12 * volumes[i]! * 4.18);
      // Small lumps in a fast flow: the exchange is taken implicitly so that it cannot overshoot.
      const w = (kgPerS * 4.18 * DT_S) / capacity;
      temps[i] = (before[i]! + w * from + ((kwIn - kwOut) * DT_S) / capacity) / (1 + w);
    }
    temps[4]! += (temps[1]! - temps[4]!) * (DT_S / 4000);
  }
}
