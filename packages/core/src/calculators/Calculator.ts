/** What a number is, so that the interface can show it in the user's unit. Canonical units: bar gauge, bar, °C, K, L, L/h, L/day, m, mm,
 *  kW, ... */
export type Quantity =
  | 'pressure'
  | 'pressure-difference'
  | 'temperature'
  | 'temperature-difference'
  | 'volume'
  | 'small-volume'
  | 'flow'
  | 'loss'
  | 'length'
  | 'bore'
  | 'power'
  | 'percent'
  | 'years'
  | 'minutes'
  | 'hours'
  | 'seconds'
  | 'count'
  | 'per-month'
  | 'grams'
  | 'mg-per-litre'
  | 'kg-per-hour'
  | 'speed'
  | 'friction'
  | 'cubic-metres'
  | 'calorific'
  | 'edr'
  | 'factor'
  | 'litres-per-bar';

export interface NumberInput {
  id: string;
  label: string;
  quantity: Quantity;
  value: number;
  least: number;
  most: number;
  hint?: string;
}
export interface ChoiceInput {
  id: string;
  label: string;
  options: { value: string; label: string }[];
  value: string;
}
export type CalculatorInput = NumberInput | ChoiceInput;

/** Words and numbers in turn, so that numbers in a note follow the user's units too. */
export type Note = (string | { quantity: Quantity; value: number })[];

export interface Result {
  id: string;
  label: string;
  quantity: Quantity;
  value: number;
  main?: boolean;
  note?: Note;
}

/** One calculator of the catalogue: its inputs with usual values, what it works out, and how, in words that a technician reads. */
export interface Calculator {
  title: string;
  group: 'Water and vessel' | 'Pressure' | 'Losses' | 'Content' | 'Flow and heat' | 'Steam' | 'Combustion';
  /** When one reaches for it. */
  use: string;
  inputs: CalculatorInput[];
  /** @throws {OutOfRangeError} where a number lies outside the physics */
  compute: (n: Record<string, number>, c: Record<string, string>) => Result[];
  formula: string;
  source: string;
  /** A curve that teaches: one result over one input. */
  curve?: { over: string; of: string };
  /** Where a result belongs on a circuit's sheet. */
  sheetField?: { result: 'main'; field: 'waterVolumeL' | 'vessel.targetPrechargeBar'; measured?: boolean };
}

export const isChoice = (i: CalculatorInput): i is ChoiceInput => 'options' in i;
