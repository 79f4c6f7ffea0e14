import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { FaultId } from '../judge/faults';
import type { PressureLog } from '../log/PressureLog';
import type { PlantSetup } from './PlantSetup';
import { PLANT_FAULTS } from './plantFaults';
import { seededRandom } from './seededRandom';
import { simulatePlant, type LaterChange, type PlantSchedule } from './simulatePlant';

export interface SimulationRequest {
  circuit: CircuitSheet;
  faults: { id: FaultId; severity: number; startS?: number; parameters?: Partial<Pick<PlantSetup, 'prechargeGaugeBar' | 'startGaugeBar' | 'inflowByCoil' | 'inflowByFill' | 'leak' | 'reliefPassing'>> }[];
  schedule: PlantSchedule;
  gauge?: { resolutionBar?: number; noiseBar?: number };
  seed?: number;
}

export interface SimulationResult {
  log: PressureLog;
  truth: { faults: FaultId[]; plant: PlantSetup; massKg: { first: number; last: number; in: number; out: number }; reliefOpenS: number };
}

/** Thrown for a fault that this simulator cannot show: `index` is its place in the request. */
export class FaultNotSimulated extends Error {
  constructor(readonly index: number, readonly id: string) {
    super(`faults.${index}.id: ${id} is not simulated yet`);
  }
}

/** A plant built from a sheet with faults in it, run through a schedule. */
export function simulateCase(request: SimulationRequest): SimulationResult {
  const circuit = resolveCircuit(request.circuit);
  const plant = healthyPlant(request.circuit, request.gauge);
  const later: LaterChange[] = [];
  request.faults.forEach((fault, index) => {
    const bend = PLANT_FAULTS[fault.id];
    if (!bend) throw new FaultNotSimulated(index, fault.id);
    const change = (p: PlantSetup) => { bend(p, fault.severity, circuit); Object.assign(p, fault.parameters); };
    if (!fault.startS) return change(plant);
    // What is in the circuit by then stays in it: a fault that comes later does not change its size or where it began.
    later.push({ atS: fault.startS, change: (p) => { const { contentL, startGaugeBar } = p; change(p); Object.assign(p, { contentL, startGaugeBar }); } });
  });
  const run = simulatePlant(plant, request.schedule, seededRandom(request.seed ?? 1), later);
  const faults = request.faults.map((f) => f.id).filter((id) => id !== 'none').sort();
  return { log: run.log, truth: { faults: faults.length ? faults : ['none'], plant, massKg: run.massKg, reliefOpenS: run.reliefOpenS } };
}

function healthyPlant(sheet: CircuitSheet, gauge: SimulationRequest['gauge']): PlantSetup {
  const c = resolveCircuit(sheet);
  const fed = sheet.fill?.kind === 'reducing-valve' ? c.fillGaugeBar : sheet.fill?.kind === 'pressurisation-unit' ? (sheet.fill.cutInBar ?? c.fillGaugeBar - 0.2) : null;
  return {
    contentL: c.contentL, heatedShare: 0.9, heatOutputKw: sheet.heatOutputKw ?? 0.25 * c.contentL, maxFlowC: c.maxFlowC,
    vesselL: c.vesselL, prechargeGaugeBar: c.prechargeGaugeBar, targetPrechargeGaugeBar: c.prechargeGaugeBar, vesselConnected: true, gasLossPerH: 0,
    stretchLPerBar: c.stretchLPerBar, airBarL: 0,
    reliefLiftGaugeBar: c.reliefSetGaugeBar, reliefReseatGaugeBar: 0.85 * c.reliefSetGaugeBar, reliefPassing: 0, reliefPassingAfterLift: 0.05,
    mainsGaugeBar: c.mainsGaugeBar, inflowByFill: 0, inflowByCoil: 0, leak: 0, leakAtBoiler: false,
    feedHoldsGaugeBar: fed, fillTargetGaugeBar: c.fillGaugeBar, startGaugeBar: c.fillGaugeBar,
    gauge: { offsetBar: 0, stuck: false, stepBar: gauge?.resolutionBar ?? c.gaugeStepBar, noiseBar: gauge?.noiseBar ?? 0.01 },
    atmosphericBar: c.atmosphericBar,
  };
}
