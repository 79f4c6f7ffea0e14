import type { Calculator } from './Calculator';
import { COMBUSTION } from './combustion';
import { CONTENT_OF_CIRCUIT } from './content';
import { FLOW_AND_HEAT } from './flowAndHeat';
import { LOSSES } from './losses';
import { PRESSURE } from './pressure';
import { STEAM } from './steam';
import { WATER_AND_VESSEL } from './waterAndVessel';

/** Every calculator, by subject. A new one is a function in its own folder and an entry in its subject's file. */
export const CALCULATORS = {
  ...WATER_AND_VESSEL,
  ...PRESSURE,
  ...LOSSES,
  ...CONTENT_OF_CIRCUIT,
  ...FLOW_AND_HEAT,
  ...STEAM,
  ...COMBUSTION,
} satisfies Record<string, Calculator>;

export type CalculatorId = keyof typeof CALCULATORS;
export const CALCULATOR_IDS = Object.keys(CALCULATORS) as CalculatorId[];
export const calculator = (id: CalculatorId): Calculator => CALCULATORS[id];
