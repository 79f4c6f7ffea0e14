import { drainPlan, type DrainPlan, type Floor } from '@jumper/core';
import { parseTyped } from '../units/units';

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
export const USUAL_FLOORS: DrainForm = {
  floors: [
    { name: 'Upper floor', heightM: '3', radiators: '4' },
    { name: 'Ground floor', heightM: '0.3', radiators: '5' },
  ],
  workHeightM: '0',
  done: [],
};

/** The plan of what was entered, or what is wrong with it, naming the field. */
export function planOf(form: DrainForm): { kind: 'ok'; plan: DrainPlan } | { kind: 'bad'; message: string } {
  const problems: string[] = [];
  const number = (label: string, text: string, least: number, most: number): number => {
    const typed = parseTyped(text);
    if (typed.kind !== 'number')
      problems.push(`${label}: ${typed.kind === 'empty' ? 'say how much.' : `“${text.trim()}” is not a number.`}`);
    else if (typed.value < least || typed.value > most) problems.push(`${label}: must be from ${least} to ${most}.`);
    return typed.kind === 'number' ? typed.value : 0;
  };
  const floors: Floor[] = form.floors.map((f, i) => ({
    name: f.name.trim() || `Floor ${i + 1}`,
    heightM: number(`Height of ${f.name || `floor ${i + 1}`}`, f.heightM, -50, 150),
    radiators: number(`Radiators of ${f.name || `floor ${i + 1}`}`, f.radiators, 0, 500),
  }));
  const workHeightM = number('Height of the work', form.workHeightM, -50, 150);
  return problems.length > 0 ? { kind: 'bad', message: problems[0]! } : { kind: 'ok', plan: drainPlan(floors, workHeightM) };
}
