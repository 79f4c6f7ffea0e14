import type { WrittenFinding } from './Doing';
import { makeCaseWithPlant, type TruthCase } from './makeCase';
import { canBeDone, randomOfTest, trueFinding } from './trueFindings';

/** A made-up visit that goes on: whoever asks for a test gets what the real plant shows, slips and all; null where it cannot be done there.
 */
export interface Visit extends TruthCase {
  perform(test: string, watchMin?: number): WrittenFinding | null;
}

/** A visit that begins with a hand log and no findings. The same seed gives the same plant, and the same test on it the same outcome
 *  whenever it is done. */
export function makeVisit(seed: number): Visit {
  const { made, plant, liftedHot } = makeCaseWithPlant('hand', seed);
  return {
    ...made,
    perform: (test, watchMin) => (canBeDone(test, plant) ? trueFinding(test, plant, liftedHot, randomOfTest(seed, test), watchMin) : null),
  };
}

/** The order in which a careful technician without a judge goes: look and listen, then what needs no draining, then what does. Common
 *  practice. */
export const CHECKLIST = [
  'discharge-pipe',
  'top-ups-per-month',
  'second-gauge',
  'gas-valve-press',
  'gas-valve-bubbles',
  'vessel-valve-position',
  'idle-cold-pressure',
  'relief-marking',
  'listen-at-exchanger',
  'visible-leak',
  'fill-outlet-drip',
  'condensate-when-off',
  'relief-reseat',
  'fill-disconnected-watch',
  'fill-isolated-watch',
  'cold-main-off-watch',
  'coil-isolated-watch',
  'bleed-radiators',
  'draw-off',
  'boiler-isolated-hold',
  'precharge',
  'pump-up-hold',
  'vessel-connection-flow',
];
