import { vesselsOf, type CircuitSheet, type Vessel } from '../circuit/CircuitSheet';
import { staticHeadBar } from '../circuit/atmosphere';
import { chargeOfVessel, resolveCircuit } from '../circuit/resolveCircuit';
import type { FaultId } from '../judge/faults';
import type { PressureLog } from '../log/PressureLog';
import type { PlantSetup } from './PlantSetup';
import { PLANT_FAULTS } from './plantFaults';
import { seededRandom } from './seededRandom';
import { simulatePlant, type LaterChange, type PlantSchedule } from './simulatePlant';

export interface SimulationRequest {
  circuit: CircuitSheet;
  /** `parameters` set the fault's size exactly, instead of by its severity. */
  faults: { id: FaultId; severity: number; startS?: number; parameters?: Partial<Record<FaultParameter, number>> }[];
  schedule: PlantSchedule;
  gauge?: {
    resolutionBar?: number;
    noiseBar?: number;
    offsetBar?: number;
    stictionBar?: number;
    parallaxBar?: number;
    lagS?: number;
    driftBarPerDay?: number;
  };
  /** How the plant lives, where it differs from the sheet's plain one. */
  plant?: Partial<
    Pick<
      PlantSetup,
      | 'heatedShare'
      | 'zones'
      | 'roomC'
      | 'gasWarmsShare'
      | 'mainsSwingBar'
      | 'startHour'
      | 'topsUpBelowGaugeBar'
      | 'stretchLPerBar'
      | 'airBarL'
      | 'airHeightM'
    >
  > & { pumpHeadBar?: number };
  seed?: number;
}

export const FAULT_PARAMETERS = [
  'prechargeGaugeBar',
  'startGaugeBar',
  'inflowByCoil',
  'inflowByFill',
  'leak',
  'reliefPassing',
  'gasLossPerH',
  'reliefLiftGaugeBar',
  'airBarL',
  'contentL',
  'maxFlowC',
  'feedHoldsGaugeBar',
] as const;
export type FaultParameter = (typeof FAULT_PARAMETERS)[number];

export interface SimulationResult {
  log: PressureLog;
  truth: {
    faults: FaultId[];
    plant: PlantSetup;
    massKg: { first: number; last: number; in: number; out: number };
    reliefOpenS: number;
    toppedUpS: number[];
    unitStarts: number;
  };
}

/** Thrown for a fault that this simulator cannot show: `index` is its place in the request. */
export class FaultNotSimulated extends Error {
  constructor(
    readonly index: number,
    readonly id: string,
  ) {
    super(`faults.${index}.id: ${id} is not simulated yet`);
  }
}

/** A plant built from a sheet with faults in it, run through a schedule.
 *  @throws {FaultNotSimulated} a fault of circulation or steam, which no pressure of a sealed circuit shows
 *  @throws {OutOfRangeError} numbers outside the physics */
export function simulateCase(request: SimulationRequest): SimulationResult {
  const circuit = resolveCircuit(request.circuit);
  const plant = healthyPlant(request.circuit, request);
  const later: LaterChange[] = [];
  request.faults.forEach((fault, index) => {
    const bend = PLANT_FAULTS[fault.id];
    if (!bend) throw new FaultNotSimulated(index, fault.id);
    const change = (p: PlantSetup) => {
      bend(p, fault.severity, circuit);
      Object.assign(p, fault.parameters);
    };
    if (!fault.startS) return change(plant);
    // What is in the circuit by then stays in it: a fault that comes later does not change its size or where it began.
    later.push({
      atS: fault.startS,
      change: (p) => {
        const { contentL, startGaugeBar } = p;
        change(p);
        Object.assign(p, { contentL, startGaugeBar });
      },
    });
  });
  const run = simulatePlant(plant, request.schedule, seededRandom(request.seed ?? 1), later);
  const faults = request.faults
    .map((f) => f.id)
    .filter((id) => id !== 'none')
    .sort();
  return {
    log: run.log,
    truth: {
      faults: faults.length ? faults : ['none'],
      plant,
      massKg: run.massKg,
      reliefOpenS: run.reliefOpenS,
      toppedUpS: run.toppedUpS,
      unitStarts: run.unitStarts,
    },
  };
}

/** Litres an hour that a small pressurisation unit's pump gives. Common practice. */
const UNIT_FLOW_L_PER_H = 180;

function healthyPlant(sheet: CircuitSheet, { gauge, plant }: Pick<SimulationRequest, 'gauge' | 'plant'>): PlantSetup {
  const c = resolveCircuit(sheet);
  const isUnit = sheet.fill?.kind === 'pressurisation-unit';
  const vessels = vesselsOf(sheet);
  // Each vessel by the head that stands above it, and by its own label or target.
  const chargeOf = (v: Vessel | undefined) =>
    chargeOfVessel(v, Math.max(0, c.staticGaugeBar - staticHeadBar(v?.heightAboveGaugeM ?? 0))).prechargeGaugeBar;
  const firstGaugeBar = chargeOf(vessels[0]);
  const { pumpHeadBar = 0, ...life } = plant ?? {};
  return {
    fluid: c.fluid,
    contentL: c.contentL,
    heatedShare: 0.9,
    zones: [{ share: 1 }],
    heatOutputKw: c.heatOutputKw,
    maxFlowC: c.maxFlowC,
    roomC: 18,
    vesselL: vessels[0]?.nominalVolumeL ?? c.vesselL,
    prechargeGaugeBar: firstGaugeBar,
    targetPrechargeGaugeBar: firstGaugeBar,
    vesselHeightM: vessels[0]?.heightAboveGaugeM ?? 0,
    gasWarmsShare: 0,
    vesselConnected: true,
    gasLossPerH: 0,
    furtherVessels: vessels.slice(1).map((v) => ({
      nominalVolumeL: v.nominalVolumeL ?? c.vesselL / vessels.length,
      prechargeGaugeBar: chargeOf(v),
      heightAboveGaugeM: v.heightAboveGaugeM ?? 0,
    })),
    stretchLPerBar: c.stretchLPerBar,
    airBarL: 0,
    airHeightM: 0,
    reliefLiftGaugeBar: c.reliefSetGaugeBar,
    reliefReseatGaugeBar: 0.85 * c.reliefSetGaugeBar,
    reliefPassing: 0,
    reliefPassingAfterLift: 0.05,
    mainsGaugeBar: c.mainsGaugeBar,
    mainsSwingBar: 0,
    startHour: 9,
    inflowByFill: 0,
    inflowByCoil: 0,
    leak: 0,
    leakAtBoiler: false,
    feedHoldsGaugeBar: sheet.fill?.kind === 'reducing-valve' ? c.fillGaugeBar : null,
    unit: isUnit
      ? { cutInGaugeBar: sheet.fill?.cutInBar ?? c.fillGaugeBar - 0.2, cutOutGaugeBar: c.fillGaugeBar, flowLPerH: UNIT_FLOW_L_PER_H }
      : null,
    fillTargetGaugeBar: c.fillGaugeBar,
    startGaugeBar: c.fillGaugeBar,
    topsUpBelowGaugeBar: null,
    pump: { headBar: pumpHeadBar, position: sheet.pump?.position ?? 'away-from-vessel' },
    gauge: {
      offsetBar: 0,
      stuck: false,
      stepBar: gauge?.resolutionBar ?? c.gaugeStepBar,
      noiseBar: gauge?.noiseBar ?? 0.01,
      stictionBar: gauge?.stictionBar ?? 0,
      parallaxBar: gauge?.parallaxBar ?? 0,
      lagS: gauge?.lagS ?? 0,
      driftBarPerDay: gauge?.driftBarPerDay ?? 0,
      ...(gauge?.offsetBar !== undefined ? { offsetBar: gauge.offsetBar } : {}),
    },
    atmosphericBar: c.atmosphericBar,
    ...life,
  };
}
