import type { FaultId } from './faults';
import type { TestId } from './tests';

/** By which tests a fault of the pressure side is looked for: those that come out otherwise where it is there. Common practice. */
export const LOOKED_FOR_BY: Partial<Record<FaultId, TestId[]>> = {
  'vessel-undercharged': ['precharge', 'draw-off', 'vessel-drained-volume', 'gas-valve-press'],
  'vessel-diaphragm-failed': ['gas-valve-press', 'pump-up-hold'],
  'vessel-gas-valve-leaking': ['gas-valve-bubbles'],
  'vessel-connection-blocked': ['vessel-connection-flow', 'draw-off', 'vessel-drained-volume'],
  'vessel-isolated': ['vessel-valve-position', 'vessel-connection-flow', 'draw-off'],
  'vessel-undersized': ['draw-off', 'precharge'],
  'vessel-overcharged': ['precharge', 'draw-off', 'vessel-drained-volume'],
  'relief-valve-passing': ['discharge-pipe', 'discharge-catch', 'relief-reseat'],
  'relief-valve-lifts-early': ['discharge-pipe', 'discharge-catch', 'relief-marking', 'relief-reseat'],
  'fill-loop-passing': ['fill-outlet-drip', 'fill-disconnected-watch', 'cold-main-off-watch', 'cold-main-on-watch'],
  'reducing-valve-creeping': ['fill-isolated-watch', 'coil-isolated-watch', 'cold-main-off-watch', 'cold-main-on-watch'],
  'reducing-valve-set-high': ['idle-cold-pressure', 'second-gauge', 'fill-isolated-watch'],
  'fill-bypass-open': ['fill-isolated-watch', 'coil-isolated-watch', 'cold-main-off-watch', 'cold-main-on-watch'],
  'pressurisation-unit-fault': ['idle-cold-pressure', 'second-gauge', 'fill-isolated-watch'],
  'feed-starved': ['idle-cold-pressure', 'second-gauge'],
  'dhw-plate-perforated': [
    'fill-disconnected-watch',
    'fill-outlet-drip',
    'cold-main-off-watch',
    'cold-main-on-watch',
    'listen-at-exchanger',
  ],
  'dhw-coil-perforated': [
    'coil-isolated-watch',
    'fill-isolated-watch',
    'fill-disconnected-watch',
    'cold-main-off-watch',
    'cold-main-on-watch',
  ],
  'circuit-leak': ['visible-leak', 'boiler-isolated-hold', 'top-ups-per-month', 'fill-disconnected-watch', 'fill-isolated-watch'],
  'boiler-exchanger-leak': ['condensate-when-off', 'boiler-isolated-hold'],
  'gauge-misreading': ['second-gauge', 'gauge-at-zero', 'low-pressure-stop'],
  'air-in-circuit': ['bleed-radiators'],
  'air-vent-faulty': ['visible-leak', 'boiler-isolated-hold'],
  'fill-pressure-too-low': ['idle-cold-pressure', 'second-gauge'],
  'fill-pressure-too-high': ['idle-cold-pressure', 'second-gauge', 'fill-disconnected-watch'],
  'boiler-overheating': ['flow-return'],
};

/** Whoever makes tests looks for what he has reason to suspect, and has seen and heard more than he writes down: once some were made, what
 *  none of them speaks of is less likely, and two causes are likelier where both were looked for. Factor on a set. Common practice; its
 *  size by the evaluation, where tests were chosen by what is wrong and where they were drawn by lot.
 *  @param chosen tests that somebody chose to make; what the judge itself asked for says nothing of the kind */
export function lookedForTimes(faults: readonly FaultId[], chosen: ReadonlySet<string>): number {
  const lookedFor = (f: FaultId) => LOOKED_FOR_BY[f]?.some((t) => chosen.has(t)),
    missed = faults.filter((f) => lookedFor(f) === false).length,
    both = faults.length > 1 && faults.every(lookedFor);
  const whole = both ? BOTH_LOOKED_FOR : NOT_LOOKED_FOR ** (missed / faults.length);
  return whole ** Math.min(1, chosen.size / ENOUGH_TESTS);
}
const NOT_LOOKED_FOR = 0.62,
  BOTH_LOOKED_FOR = 1.8,
  ENOUGH_TESTS = 3;
