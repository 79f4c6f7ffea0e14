import type { LogEvent, PressureLog } from '../log/PressureLog';
import { orificeFlowLPerH } from '../components/orificeFlow';
import { systemPressureGaugeBar } from '../circuit/systemPressure';
import { waterDensity } from '../water/waterDensity';
import { LINEAR_EXPANSION_PER_K } from '../water/netGrowth';
import type { PlantSetup } from './PlantSetup';
import type { SeededRandom } from './seededRandom';

export interface PlantSchedule {
  /** Whole plant at the start, °C, 1–90. */
  startC: number;
  durationS: number;
  /** Spacing of the readings, s. */
  stepS: number;
  heat: { onS: number; offS: number; maxC?: number }[];
  actions?: LogEvent[];
}

export interface SimulatedPlant {
  log: PressureLog;
  /** Water that crossed the plant's edge, kg, and what it held first and last: in − out = last − first. */
  massKg: { first: number; last: number; in: number; out: number };
  reliefOpenS: number;
}

/** Something that goes wrong during the run. The water stays where it is; what the plant makes of it changes. */
export interface LaterChange { atS: number; change: (plant: PlantSetup) => void }

/** Water is stepped at most this far at a time, s. */
const LONGEST_STEP_S = 5;
const ROOM_C = 18;
const WATER_HEAT_KJ_PER_L_K = 4.18;

/** Runs a sealed plant through a schedule and reads its gauge. Water is counted by mass; the vessel's water stands at the
 *  starting temperature. Pure: all randomness comes from `random`. */
export function simulatePlant(plant: PlantSetup, schedule: PlantSchedule, random: SeededRandom, later: LaterChange[] = []): SimulatedPlant {
  const p = { ...plant };
  const coldDensity = waterDensity(schedule.startC);
  const alpha = LINEAR_EXPANSION_PER_K.mixed;
  const flags = { fill: true, coil: true, boiler: true, reliefOpen: false };
  let meanC = schedule.startC;
  let gaugeBar = plant.startGaugeBar;
  let massKg = massAt(p, gaugeBar, meanC);
  const mass = { first: massKg, last: 0, in: 0, out: 0 };
  let reliefOpenS = 0;
  let flowC = meanC, returnC = meanC;
  const actions = [...(schedule.actions ?? [])].sort((a, b) => a.tS - b.tS);
  const events: LogEvent[] = [];
  for (const h of schedule.heat) events.push({ tS: h.onS, kind: 'heat-on' }, { tS: h.offS, kind: 'heat-off' });
  const samples = { tS: [] as number[], pressureBar: [] as number[], flowC: [] as number[], returnC: [] as number[] };
  let nextAction = 0;
  const pending = [...later].sort((a, b) => a.atS - b.atS);
  const add = (kg: number) => { if (kg >= 0) mass.in += kg; else mass.out -= kg; massKg += kg; };

  const read = (tS: number) => {
    const seen = p.gauge.stuck ? plant.startGaugeBar : gaugeBar;
    const noisy = seen + p.gauge.offsetBar + p.gauge.noiseBar * random.normal();
    samples.tS.push(tS);
    samples.pressureBar.push(Math.max(0, round(noisy, p.gauge.stepBar)));
    samples.flowC.push(round(flowC, 0.5));
    samples.returnC.push(round(returnC, 0.5));
  };

  let tS = 0;
  read(0);
  for (let next = schedule.stepS; next <= schedule.durationS + 1e-9; next += schedule.stepS) {
    while (tS < next - 1e-9) {
      while (nextAction < actions.length && actions[nextAction]!.tS <= tS + 1e-9) act(actions[nextAction++]!);
      while (pending.length && pending[0]!.atS <= tS + 1e-9) { pending.shift()!.change(p); gaugeBar = pressureAt(p, massKg, meanC); }
      const dt = Math.min(LONGEST_STEP_S, next - tS);
      stepHeat(tS, dt);
      stepWater(dt);
      tS += dt;
    }
    read(next);
  }
  while (nextAction < actions.length && actions[nextAction]!.tS <= tS + 1e-9) act(actions[nextAction++]!);
  mass.last = massKg;
  events.push(...actions.filter((a) => a.tS <= schedule.durationS));
  events.sort((a, b) => a.tS - b.tS);
  return { log: { source: 'logger', samples, events }, massKg: mass, reliefOpenS };

  function stepHeat(t: number, dt: number) {
    const run = schedule.heat.find((h) => t >= h.onS && t < h.offS);
    const emittedKw = 0.5 * p.heatOutputKw * Math.sign(meanC - ROOM_C) * Math.pow(Math.abs(meanC - ROOM_C) / 50, 1.3) * (run ? 1 : 0.25);
    const limitC = run?.maxC ?? p.maxFlowC;
    const fullDropK = 15;
    // The burner modulates over the last 6 K below its limit.
    const load = run ? Math.min(1, Math.max(0, (limitC - flowC) / 6 + 0.25)) * (flowC >= limitC ? 0 : 1) : 0;
    const heatedL = p.contentL * p.heatedShare;
    meanC += ((load * p.heatOutputKw - emittedKw) * dt) / (heatedL * WATER_HEAT_KJ_PER_L_K);
    const dropK = run ? Math.max(2, fullDropK * Math.max(load, emittedKw / p.heatOutputKw)) : 1;
    const settle = Math.min(1, dt / 60);
    flowC += settle * (meanC + dropK / 2 - flowC);
    returnC += settle * (Math.max(ROOM_C, meanC - dropK / 2) - returnC);
  }

  function stepWater(dt: number) {
    const hours = dt / 3600;
    if (p.gasLossPerH > 0) p.prechargeGaugeBar = (p.prechargeGaugeBar + p.atmosphericBar) * (1 - p.gasLossPerH * hours) - p.atmosphericBar;
    const fromMains = p.mainsGaugeBar - gaugeBar;
    const inLPerH = (flags.fill ? orificeFlowLPerH(p.inflowByFill, fromMains) : 0) + (flags.coil ? orificeFlowLPerH(p.inflowByCoil, fromMains) : 0);
    const leaks = p.leakAtBoiler && !flags.boiler ? 0 : p.leak;
    const outLPerH = orificeFlowLPerH(leaks + p.reliefPassing, gaugeBar);
    add((inLPerH * hours * coldDensity) / 1000);
    add((-outLPerH * hours * coldDensity) / 1000);
    if (flags.fill && p.feedHoldsGaugeBar !== null && gaugeBar < p.feedHoldsGaugeBar) fillTo(p.feedHoldsGaugeBar);
    gaugeBar = pressureAt(p, massKg, meanC);
    relieve(dt);
  }

  function relieve(dt: number) {
    if (gaugeBar > p.reliefLiftGaugeBar) flags.reliefOpen = true;
    if (!flags.reliefOpen) return;
    reliefOpenS += dt;
    p.reliefPassing = Math.max(p.reliefPassing, p.reliefPassingAfterLift);
    // A small relief simmers: it holds the pressure at its lift while the circuit grows, and shuts once the growth stops.
    if (gaugeBar > p.reliefLiftGaugeBar) { drainTo(p.reliefLiftGaugeBar); gaugeBar = p.reliefLiftGaugeBar; }
    else if (gaugeBar < p.reliefReseatGaugeBar || gaugeBar < p.reliefLiftGaugeBar - 0.05) flags.reliefOpen = false;
  }

  function fillTo(targetGaugeBar: number) { const kg = massAt(p, targetGaugeBar, meanC) - massKg; if (kg > 0) add(kg); }
  function drainTo(targetGaugeBar: number) { const kg = massAt(p, targetGaugeBar, meanC) - massKg; if (kg < 0) add(kg); }

  function act(event: LogEvent) {
    switch (event.kind) {
      case 'top-up': fillTo(Math.max(p.fillTargetGaugeBar, gaugeBar + 0.05)); break;
      case 'vented': p.airBarL = 0; drainTo(Math.max(0, gaugeBar - 0.1)); break;
      case 'drained': drainTo(0); break;
      case 'drawn-off': add((-(event.volumeL ?? 0) * coldDensity) / 1000); break;
      case 'cold-main-closed': flags.fill = false; flags.coil = false; break;
      case 'cold-main-opened': flags.fill = true; flags.coil = true; break;
      case 'fill-closed': case 'fill-disconnected': flags.fill = false; break;
      case 'fill-opened': flags.fill = true; break;
      case 'coil-isolated': flags.coil = false; break;
      case 'coil-reopened': flags.coil = true; break;
      case 'boiler-isolated': flags.boiler = false; break;
      case 'boiler-reopened': flags.boiler = true; break;
      case 'vessel-recharged': p.prechargeGaugeBar = p.targetPrechargeGaugeBar; break;
      default: break;
    }
    gaugeBar = pressureAt(p, massKg, meanC);
  }

  function growthFactor(atC: number) { return 1 + 3 * alpha * (atC - schedule.startC); }

  /** Litres of the circuit's own volume counted by where the water is: heated share at the mean, the rest cold. */
  function ownMassKg(plantNow: PlantSetup, atC: number) {
    const hotL = plantNow.contentL * plantNow.heatedShare * growthFactor(atC);
    const restL = plantNow.contentL * (1 - plantNow.heatedShare);
    return (hotL * waterDensity(atC) + restL * coldDensity) / 1000;
  }

  function massAt(plantNow: PlantSetup, atGaugeBar: number, atC: number) {
    return ownMassKg(plantNow, atC) + (excessAt(plantNow, atGaugeBar) * coldDensity) / 1000;
  }

  function pressureAt(plantNow: PlantSetup, kg: number, atC: number) {
    return pressureOfExcess(plantNow, ((kg - ownMassKg(plantNow, atC)) * 1000) / coldDensity);
  }
}

/** Water that vessel, stretch and squeezed air make room for, L above the circuit's own volume. */
function excessAt(p: PlantSetup, gaugeBar: number): number {
  const abs = gaugeBar + p.atmosphericBar;
  const charge = p.prechargeGaugeBar + p.atmosphericBar;
  const vessel = p.vesselConnected && abs > charge ? p.vesselL * Math.min(0.9, 1 - charge / abs) : 0;
  return vessel + p.stretchLPerBar * gaugeBar - p.airBarL / Math.max(abs, 0.05);
}

function pressureOfExcess(p: PlantSetup, excessL: number): number {
  if (p.airBarL === 0)
    return Math.max(-0.95, systemPressureGaugeBar({ excessL, nominalVolumeL: p.vesselConnected ? p.vesselL : 0, prechargeGaugeBar: p.prechargeGaugeBar, stretchLPerBar: p.stretchLPerBar, atmosphericBar: p.atmosphericBar }));
  let low = -0.95, high = 60;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (excessAt(p, mid) < excessL) low = mid; else high = mid;
  }
  return (low + high) / 2;
}

const round = (value: number, step: number) => (step > 0 ? Number((Math.round(value / step) * step).toFixed(6)) : value);
