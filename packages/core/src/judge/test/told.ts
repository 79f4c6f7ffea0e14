import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { PressureLog } from '../../log/PressureLog';

/** Circuits that several of the stories are about, with sheets as thin as they are told: a wall boiler, and a home that feeds itself. */
export const WALL: CircuitSheet = {
  kind: 'sealed-hot-water',
  heatOutputKw: 24,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  domesticHotWater: { kind: 'plate-exchanger' },
  gauge: { kind: 'dial', resolutionBar: 0.1 },
};
export const FED: CircuitSheet = {
  kind: 'sealed-hot-water',
  heatOutputKw: 30,
  staticHeadM: 4,
  vessel: { nominalVolumeL: 17, labelPrechargeBar: 0.83 },
  reliefValve: { setBar: 2.07 },
  fill: { kind: 'reducing-valve', setBar: 0.97 },
  domesticHotWater: { kind: 'indirect-coil' },
  gauge: { kind: 'dial', resolutionBar: 0.1 },
};

/** Minute, bar and, where it was read, °C. */
export type Reading = [min: number, bar: number, flowC?: number];

/** What was read by hand, as a log holds it. */
export const samplesOf = (readings: readonly Reading[]): PressureLog['samples'] => ({
  tS: readings.map(([min]) => 60 * min),
  pressureBar: readings.map(([, bar]) => bar),
  ...(readings.some((r) => r[2] !== undefined) ? { flowC: readings.map((r) => r[2] ?? null) } : {}),
});
