import type { CircuitSheet } from '@jumper/core';

// One made-up circuit of each kind.
export const WALL_BOILER: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  waterVolumeSource: 'estimated',
  heatOutputKw: 24,
  staticHeadM: 3.7,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75, isolationValve: 'none', ageYears: 9 },
  reliefValve: { setBar: 3, ageYears: 9 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 70,
};

/** A fed circuit of a larger house: reducing valve, external vessel, cylinder with a coil; 30 psi relief. */
export const FED: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 240,
  waterVolumeSource: 'estimated',
  heatOutputKw: 40,
  staticHeadM: 5.5,
  gauge: { kind: 'dial', resolutionBar: 0.05 },
  vessel: { nominalVolumeL: 35, labelPrechargeBar: 0.83, isolationValve: 'fitted', ageYears: 6 },
  reliefValve: { setBar: 2.07, ageYears: 6, capacityKw: 98 },
  fill: { kind: 'reducing-valve', setBar: 0.97, mainsBar: 4 },
  domesticHotWater: { kind: 'indirect-coil' },
  maxFlowC: 80,
  valveMap: {
    boilerValves: 'fitted',
    coilValves: 'fitted',
    vessel: 'boiler',
    relief: 'boiler',
    gauge: 'boiler',
    feed: 'boiler',
    drain: 'both',
    coil: 'circuit',
    pump: 'circuit',
  },
};

/** A larger home: external vessel on a valve, cylinder with a coil, filled by hand. */
export const LARGER: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 190,
  waterVolumeSource: 'estimated',
  heatOutputKw: 30,
  staticHeadM: 5,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  vessel: { nominalVolumeL: 18, labelPrechargeBar: 0.75, isolationValve: 'fitted-with-drain', ageYears: 8 },
  reliefValve: { setBar: 3, ageYears: 8, capacityKw: 60 },
  fill: { kind: 'manual-loop', mainsBar: 3.2 },
  domesticHotWater: { kind: 'indirect-coil' },
  maxFlowC: 70,
};

/** A plant room: pressurisation unit, several boilers, a vessel of two hundred litres. */
export const PLANT_ROOM: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 1800,
  waterVolumeSource: 'estimated',
  heatOutputKw: 240,
  staticHeadM: 9,
  gauge: { kind: 'dial', resolutionBar: 0.05 },
  vessel: { nominalVolumeL: 200, targetPrechargeBar: 1.2, isolationValve: 'fitted-with-drain', ageYears: 11 },
  reliefValve: { setBar: 4, ageYears: 6, capacityKw: 300 },
  fill: { kind: 'pressurisation-unit', cutInBar: 1.5, cutOutBar: 1.8 },
  domesticHotWater: { kind: 'none' },
  maxFlowC: 80,
};
