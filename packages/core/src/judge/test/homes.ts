import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { PressureLog } from '../../log/PressureLog';
import { simulateCase } from '../../simulate/simulateCase';
import type { FaultId } from '../faults';

/** Homes that several of the judge's tests are about: one filled by hand, its content measured, and one whose content was estimated; and a
 *  smaller one. */
export const HOME: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 110,
  waterVolumeSource: 'measured',
  heatOutputKw: 24,
  staticHeadM: 4,
  vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.8 },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 70,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
};
export const ESTIMATED_HOME: CircuitSheet = { ...HOME, waterVolumeSource: 'estimated', heatOutputKw: 28, staticHeadM: 4.2 };

export const SMALL_HOME: CircuitSheet = {
  ...HOME,
  waterVolumeL: 95,
  waterVolumeSource: 'estimated',
  staticHeadM: 3.6,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
};

/** A heat cycle of 70 minutes, read every two unless another step is given. */
export const heatCycleOf = (circuit: CircuitSheet, id: FaultId, severity: number, stepS = 120): PressureLog =>
  simulateCase({
    circuit,
    faults: [{ id, severity }],
    schedule: { startC: 17, durationS: 4200, stepS, heat: [{ onS: 300, offS: 2400 }] },
    seed: 11,
  }).log;
