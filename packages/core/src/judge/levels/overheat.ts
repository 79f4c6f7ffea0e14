import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { FaultId } from '../faults';
import { normalCdf } from '../fit/normal';

/** How far a boiler's flow goes beyond its limit by its own control, K. Common practice. */
const OVERSHOOT_K = 7;
/** A flow that stayed so far under the limit was not heated through, or needed no more: it says little. */
const NOT_REACHED_K = 5;
/** Limits that boilers of hot-water circuits are set to, where the sheet does not say, °C. Common practice. */
const USUAL_LIMIT_C = 78,
  LIMIT_SPREAD_K = 6;
/** How well a flow and the limit that a boiler is set to are known, K. */
const READ_K = 1;
/** How often a flow beyond the limit and its overshoot is met where the boiler overheats, and where it does not. Common practice. */
export const BEYOND = { faulty: 0.85, sound: 0.03 };
/** The same of one near the limit, and of one that never came near. */
/** The farther beyond, the less it is the control's swing or a thermometer's fault: down by e for so many kelvins. Common practice. */
const SOUND_FADES_K = 6;
const NEAR = { faulty: 0.15, sound: 0.97 },
  UNDER = { faulty: 0.5, sound: 0.97 };

/** How often the flow is met as hot as it was, by whether the boiler overheats. Where its limit is not on the sheet, over all limits that
 *  are usual.
 *  @param hottestC the hottest flow that was logged or read, °C; null where none was */
export function overheatShare(hottestC: number | null, c: ResolvedCircuit, faults: readonly FaultId[]): number {
  if (hottestC === null) return 1;
  const which = faults.includes('boiler-overheating') ? 'faulty' : 'sound';
  /** Share of limits that lie under a temperature. */
  const limitsUnder = (flowC: number) =>
    c.assumed.includes('maxFlowC') ? normalCdf((flowC - USUAL_LIMIT_C) / LIMIT_SPREAD_K) : normalCdf((flowC - c.maxFlowC) / READ_K);
  const beyond = limitsUnder(hottestC - OVERSHOOT_K),
    reached = limitsUnder(hottestC + NOT_REACHED_K);
  // By a guessed limit nobody knows how far beyond it is.
  const farK = c.assumed.includes('maxFlowC') ? 0 : Math.max(0, hottestC - c.maxFlowC - OVERSHOOT_K);
  return (
    beyond * (which === 'faulty' ? BEYOND.faulty : BEYOND.sound * Math.exp(-farK / SOUND_FADES_K)) +
    (reached - beyond) * NEAR[which] +
    (1 - reached) * UNDER[which]
  );
}

/** What a flow that was read by hand adds to what the logs have said of overheating already. */
export function overheatAdded(flowC: number, loggedC: number | null, c: ResolvedCircuit, faults: readonly FaultId[]): number {
  return overheatShare(loggedC === null ? flowC : Math.max(loggedC, flowC), c, faults) / overheatShare(loggedC, c, faults);
}
