import type { Glycol } from '../water/antifreeze';
import { chargeOutcome } from '../size/chargeOutcome';
import type { CalculatorInput, ChoiceInput, Note, NumberInput, Quantity, Result } from './Calculator';

export const number = (
  id: string,
  label: string,
  quantity: Quantity,
  value: number,
  least: number,
  most: number,
  hint?: string,
): NumberInput => ({ id, label, quantity, value, least, most, ...(hint ? { hint } : {}) });
export const choice = (id: string, label: string, value: string, options: Record<string, string>): ChoiceInput => ({
  id,
  label,
  value,
  options: Object.entries(options).map(([v, l]) => ({ value: v, label: l })),
});
export const result = (id: string, label: string, quantity: Quantity, value: number, note?: string | Note): Result => ({
  id,
  label,
  quantity,
  value,
  ...(note ? { note: typeof note === 'string' ? [note] : note } : {}),
});
export const main = (id: string, label: string, quantity: Quantity, value: number, note?: string | Note): Result => ({
  ...result(id, label, quantity, value, note),
  main: true,
});

/** What a circuit is filled with, for tools whose result hangs on it. */
export const FLUID: CalculatorInput[] = [
  choice('fluid', 'Filled with', 'water', { water: 'Water', propylene: 'Propylene glycol', ethylene: 'Ethylene glycol' }),
  number('massPercent', 'Glycol', 'percent', 30, 0, 60, 'By mass; counts only where there is some'),
];
export const fluidOf = (n: Record<string, number>, c: Record<string, string>): { glycol?: Glycol; massPercent?: number } =>
  c.fluid === 'propylene' || c.fluid === 'ethylene' ? { glycol: c.fluid, massPercent: n.massPercent! } : {};

export const CONTENT = number('contentL', 'Content', 'volume', 95, 1, 100_000);
export const VESSEL = number('nominalVolumeL', 'Vessel', 'volume', 8, 1, 10_000);
export const CHARGE = number('prechargeGaugeBar', 'Charge of the vessel', 'pressure', 0.75, -0.9, 8);
export const FILL = number('fillGaugeBar', 'Fill, cold', 'pressure', 1.05, 0, 10);
export const COLD = number('coldC', 'Cold', 'temperature', 15, 1, 60);
export const HOT = number('hotC', 'Mean, hot', 'temperature', 65, 2, 120, 'Flow less half the drop');
export const RELIEF = number('reliefSetGaugeBar', 'Relief opens at', 'pressure', 3, 0.5, 20);
export const STRETCH = number(
  'stretchLPerBar',
  'Stretch of pipes and radiators',
  'litres-per-bar',
  0.03,
  0.001,
  10,
  '0.01 to 0.08 in a home',
);
export const circuit: CalculatorInput[] = [CONTENT, VESSEL, FILL, COLD, HOT, RELIEF];
export const outcome = (n: Record<string, number>) => chargeOutcome(n as never);
