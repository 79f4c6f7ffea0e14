import type { LogEvent, PressureLog } from '../log/PressureLog';
import { orificeFlowLPerH } from '../components/orificeFlow';
import { pumpShiftBar } from '../circuit/pumpShift';
import { GaugeReading, rounded } from './gaugeReading';
import { HeatSide, type HeatCall } from './heatSide';
import type { PlantSetup } from './PlantSetup';
import type { SeededRandom } from './seededRandom';
import { WaterSide } from './waterSide';

export interface PlantSchedule {
  /** Whole plant at the start, °C, 1–90. */
  startC: number;
  durationS: number;
  /** Spacing of the readings, s. */
  stepS: number;
  heat: HeatCall[];
  actions?: LogEvent[];
}

export interface SimulatedPlant {
  log: PressureLog;
  /** Water that crossed the plant's edge, kg, and what it held first and last: in − out = last − first. */
  massKg: { first: number; last: number; in: number; out: number };
  reliefOpenS: number;
  /** When the user topped up unasked; not in the log. */
  toppedUpS: number[];
  /** How often the pressurisation unit's pump started. */
  unitStarts: number;
}

/** Something that goes wrong during the run. The water stays where it is; what the plant makes of it changes. */
export interface LaterChange {
  atS: number;
  change: (plant: PlantSetup) => void;
}

/** Water is stepped at most this far at a time, s. */
const LONGEST_STEP_S = 5;
/** A user looks at the gauge a few times a day. */
const USER_LOOKS_S = 6 * 3600;
const MAINS_HIGHEST_H = 3;

/** Runs a sealed plant through a schedule and reads its gauge: heat, then the water that comes and goes, then the relief, then the gauge,
 *  step by step. Pure: all randomness comes from `random`. */
export function simulatePlant(setup: PlantSetup, schedule: PlantSchedule, random: SeededRandom, later: LaterChange[] = []): SimulatedPlant {
  const p = { ...setup };
  const heat = new HeatSide(
    p,
    [...schedule.heat].sort((a, b) => a.onS - b.onS),
    schedule.startC,
  );
  const water = new WaterSide(p, schedule.startC, heat.zoneC);
  const gauge = new GaugeReading(p.gauge, p.startGaugeBar);
  const pumpShift = p.pump.headBar > 0 ? pumpShiftBar(p.pump) : 0;
  const open = { fill: true, coil: true, boiler: true, relief: false, unitPump: false };
  const toppedUpS: number[] = [];
  let reliefOpenS = 0,
    unitStarts = 0,
    nextLookS = USER_LOOKS_S;
  const actions = [...(schedule.actions ?? [])].sort((a, b) => a.tS - b.tS);
  const pending = [...later].sort((a, b) => a.atS - b.atS);
  const samples = { tS: [] as number[], pressureBar: [] as number[], flowC: [] as number[], returnC: [] as number[] };
  let nextAction = 0,
    tS = 0;

  read(0);
  for (let next = schedule.stepS; next <= schedule.durationS + 1e-9; next += schedule.stepS) {
    while (tS < next - 1e-9) {
      while (nextAction < actions.length && actions[nextAction]!.tS <= tS + 1e-9) act(actions[nextAction++]!);
      while (pending.length && pending[0]!.atS <= tS + 1e-9) {
        pending.shift()!.change(p);
        settle();
      }
      const dt = Math.min(LONGEST_STEP_S, next - tS);
      heat.step(tS, dt);
      stepWater(dt);
      gauge.follow(water.gaugeBar + (heat.firing ? pumpShift : 0), dt);
      tS += dt;
    }
    read(next);
  }
  while (nextAction < actions.length && actions[nextAction]!.tS <= tS + 1e-9) act(actions[nextAction++]!);
  const events: LogEvent[] = schedule.heat.flatMap((h): LogEvent[] => [
    { tS: h.onS, kind: 'heat-on' },
    { tS: h.offS, kind: 'heat-off' },
  ]);
  events.push(...actions.filter((a) => a.tS <= schedule.durationS));
  events.sort((a, b) => a.tS - b.tS);
  return { log: { source: 'logger', samples, events }, massKg: { ...water.moved, last: water.kg }, reliefOpenS, toppedUpS, unitStarts };

  function settle() {
    water.settle(heat.zoneC, heat.gasAboveColdK);
  }
  function fillTo(gaugeBar: number) {
    if (gaugeBar > water.gaugeBar) water.moveTo(gaugeBar, heat.zoneC, heat.gasAboveColdK);
  }
  function drainTo(gaugeBar: number) {
    if (gaugeBar < water.gaugeBar) water.moveTo(gaugeBar, heat.zoneC, heat.gasAboveColdK);
  }

  function read(atS: number) {
    samples.tS.push(atS);
    samples.pressureBar.push(gauge.read(atS, random));
    samples.flowC.push(rounded(heat.flowC, 0.5));
    samples.returnC.push(rounded(heat.returnC, 0.5));
  }

  function stepWater(dt: number) {
    const hours = dt / 3600;
    if (p.gasLossPerH > 0) p.prechargeGaugeBar = (p.prechargeGaugeBar + p.atmosphericBar) * (1 - p.gasLossPerH * hours) - p.atmosphericBar;
    const mains =
      p.mainsGaugeBar +
      (p.mainsSwingBar === 0 ? 0 : p.mainsSwingBar * Math.cos((2 * Math.PI * (tS / 3600 + p.startHour - MAINS_HIGHEST_H)) / 24));
    const fromMains = mains - water.gaugeBar;
    const inLPerH =
      (open.fill ? orificeFlowLPerH(p.inflowByFill, fromMains) : 0) + (open.coil ? orificeFlowLPerH(p.inflowByCoil, fromMains) : 0);
    const leaks = p.leakAtBoiler && !open.boiler ? 0 : p.leak;
    water.moveLitres(inLPerH * hours);
    water.moveLitres(-orificeFlowLPerH(leaks + p.reliefPassing, water.gaugeBar) * hours);
    if (open.fill && p.unit) pressurise(p.unit, hours);
    settle();
    if (open.fill && p.feedHoldsGaugeBar !== null) fillTo(Math.min(p.feedHoldsGaugeBar, mains));
    if (p.topsUpBelowGaugeBar !== null && tS >= nextLookS) lookAtGauge(p.topsUpBelowGaugeBar);
    relieve(dt);
  }

  function pressurise(unit: NonNullable<PlantSetup['unit']>, hours: number) {
    if (!open.unitPump && water.gaugeBar < unit.cutInGaugeBar) {
      open.unitPump = true;
      unitStarts++;
    }
    if (open.unitPump && water.gaugeBar >= unit.cutOutGaugeBar) open.unitPump = false;
    if (open.unitPump) water.moveLitres(unit.flowLPerH * hours);
  }

  function lookAtGauge(belowGaugeBar: number) {
    nextLookS = tS + USER_LOOKS_S;
    if (water.gaugeBar + p.gauge.offsetBar >= belowGaugeBar) return;
    fillTo(p.fillTargetGaugeBar - p.gauge.offsetBar);
    toppedUpS.push(tS);
  }

  function relieve(dt: number) {
    if (water.gaugeBar > p.reliefLiftGaugeBar) open.relief = true;
    if (!open.relief) return;
    reliefOpenS += dt;
    p.reliefPassing = Math.max(p.reliefPassing, p.reliefPassingAfterLift);
    // A small relief simmers: it holds the pressure at its lift while the circuit grows, and shuts once the growth stops.
    if (water.gaugeBar > p.reliefLiftGaugeBar) drainTo(p.reliefLiftGaugeBar);
    else if (water.gaugeBar < p.reliefReseatGaugeBar || water.gaugeBar < p.reliefLiftGaugeBar - 0.05) open.relief = false;
  }

  function act(event: LogEvent) {
    switch (event.kind) {
      case 'top-up':
        fillTo(Math.max(p.fillTargetGaugeBar, water.gaugeBar + 0.05));
        break;
      // The air goes, water takes its place, and the pressure falls by itself; a little water always spits.
      case 'vented':
        p.airBarL = 0;
        settle();
        drainTo(Math.max(0, water.gaugeBar - 0.1));
        break;
      case 'drained':
        drainTo(0);
        break;
      case 'drawn-off':
        water.moveLitres(-(event.volumeL ?? 0));
        break;
      case 'cold-main-closed':
        open.fill = false;
        open.coil = false;
        break;
      case 'cold-main-opened':
        open.fill = true;
        open.coil = true;
        break;
      case 'fill-closed':
      case 'fill-disconnected':
        open.fill = false;
        break;
      case 'fill-opened':
        open.fill = true;
        break;
      case 'coil-isolated':
        open.coil = false;
        break;
      case 'coil-reopened':
        open.coil = true;
        break;
      case 'boiler-isolated':
        open.boiler = false;
        break;
      case 'boiler-reopened':
        open.boiler = true;
        break;
      case 'vessel-recharged':
        p.prechargeGaugeBar = p.targetPrechargeGaugeBar;
        break;
      default:
        break;
    }
    settle();
  }
}
