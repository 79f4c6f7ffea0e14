import { drainPlan, type DrainPlan, type Floor } from '@jumper/core';
import { fromField, toField } from '../units/formUnits';
import { quantityNumber, quantityText } from '../units/quantity';
import { parseTyped, type Units } from '../units/units';

export interface FloorForm {
  name: string;
  heightM: string;
  radiators: string;
}
export interface DrainForm {
  floors: FloorForm[];
  workHeightM: string;
  done: string[];
}
/** Two floors of a usual house; heights above the gauge. */
export const usualFloors = (units: Units): DrainForm => ({
  floors: [
    { name: 'Upper floor', heightM: toField(3, 'm', units), radiators: '4' },
    { name: 'Ground floor', heightM: toField(0.3, 'm', units), radiators: '5' },
  ],
  workHeightM: '0',
  done: [],
});

const LEAST_M = -50,
  MOST_M = 150,
  MOST_RADIATORS = 500;

/** The plan of what was entered, or what is wrong with it, naming the field. */
export function planOf(form: DrainForm, units: Units): { kind: 'ok'; plan: DrainPlan } | { kind: 'bad'; message: string } {
  const problems: string[] = [];
  const number = (label: string, text: string): number => {
    const typed = parseTyped(text);
    if (typed.kind === 'number') return typed.value;
    problems.push(`${label}: ${typed.kind === 'empty' ? 'say how much.' : `“${text.trim()}” is not a number.`}`);
    return 0;
  };
  const metres = (label: string, text: string): number => {
    const m = fromField(number(label, text), 'm', units);
    if (m < LEAST_M || m > MOST_M)
      problems.push(`${label}: must be from ${quantityNumber(LEAST_M, 'length', units)} to ${quantityText(MOST_M, 'length', units)}.`);
    return m;
  };
  const radiators = (label: string, text: string): number => {
    const count = number(label, text);
    if (count < 0 || count > MOST_RADIATORS) problems.push(`${label}: must be from 0 to ${MOST_RADIATORS}.`);
    return count;
  };
  const floors: Floor[] = form.floors.map((f, i) => ({
    name: f.name.trim() || `Floor ${i + 1}`,
    heightM: metres(`Height of ${f.name || `floor ${i + 1}`}`, f.heightM),
    radiators: radiators(`Radiators of ${f.name || `floor ${i + 1}`}`, f.radiators),
  }));
  const workHeightM = metres('Height of the work', form.workHeightM);
  return problems.length > 0 ? { kind: 'bad', message: problems[0]! } : { kind: 'ok', plan: drainPlan(floors, workHeightM) };
}
