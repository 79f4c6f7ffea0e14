import type { Said } from '../units/said';
import type { PositionId } from '../valves/positions';

/** How a test is done: steps in order, each with what to mind where it matters. Common practice. */
export interface TestSteps {
  steps: Step[];
  /** What each outcome means, by outcome; of a measured test what a value at either end means, by `low`, `right`, `high`. */
  means: Record<string, Said>;
  /** When to break off. */
  stop?: Said;
  /** Who may do it, where that is not everybody on the job. */
  who?: string;
  /** Suggested length of a timed watch, min; those with something shut off are as long as the circuit needs (`watchLength.ts`). */
  watchMin?: number;
}

export interface Step {
  text: Said;
  note?: Said;
  caution?: Said;
  /** What this step turns, parts or puts back. Written into the record when it is done. */
  turns?: { position: PositionId; state: 'away' | 'back' | 'left' }[];
}

// What several tests say alike.
export const CATCH_WATER = 'Heating water is not drinking water: catch what runs out.';
export const NO_FIRING = 'No firing while anything is valved off.';
export const NOTE_VALVES = 'Note every valve that you turn; the bench keeps the list until it is put back.';
export const READ_AND_LEAVE: Step = { text: 'Flick the gauge, read it, start the watch, leave everything alone' };
export const READ_AGAIN: Step = { text: 'Read the gauge again when the time is up' };
