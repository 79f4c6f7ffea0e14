import type { Random } from './random';
import type { TruePlant } from './TruePlant';
import { canBeDone } from './trueFindings';

/** Tests that come out otherwise with a fault about than without. Common practice. */
const TELLING: Record<string, string[]> = {
  'vessel-undercharged': ['precharge', 'draw-off', 'gas-valve-press', 'vessel-drained-volume'],
  'vessel-diaphragm-failed': ['gas-valve-press', 'pump-up-hold'],
  'vessel-gas-valve-leaking': ['gas-valve-bubbles'],
  'vessel-connection-blocked': ['vessel-connection-flow'],
  'vessel-isolated': ['vessel-valve-position'],
  'vessel-undersized': ['precharge', 'draw-off'],
  'vessel-overcharged': ['precharge', 'draw-off'],
  'relief-valve-passing': ['discharge-pipe', 'discharge-catch', 'relief-reseat'],
  'relief-valve-lifts-early': ['discharge-catch', 'relief-marking', 'discharge-pipe'],
  'fill-loop-passing': ['fill-outlet-drip', 'fill-disconnected-watch'],
  'reducing-valve-creeping': ['fill-isolated-watch', 'coil-isolated-watch'],
  'fill-bypass-open': ['fill-isolated-watch', 'coil-isolated-watch'],
  'reducing-valve-set-high': ['second-gauge', 'idle-cold-pressure', 'fill-isolated-watch'],
  'feed-starved': ['second-gauge', 'idle-cold-pressure'],
  'pressurisation-unit-fault': ['second-gauge', 'idle-cold-pressure', 'fill-isolated-watch'],
  'dhw-plate-perforated': ['fill-disconnected-watch', 'listen-at-exchanger', 'cold-main-off-watch'],
  'dhw-coil-perforated': ['coil-isolated-watch', 'fill-isolated-watch', 'cold-main-off-watch'],
  'circuit-leak': ['visible-leak', 'boiler-isolated-hold', 'top-ups-per-month'],
  'boiler-exchanger-leak': ['condensate-when-off', 'boiler-isolated-hold'],
  'gauge-misreading': ['second-gauge', 'gauge-at-zero', 'low-pressure-stop'],
  'air-in-circuit': ['bleed-radiators'],
  'air-vent-faulty': ['visible-leak', 'boiler-isolated-hold'],
  'fill-pressure-too-low': ['second-gauge', 'idle-cold-pressure'],
  'fill-pressure-too-high': ['second-gauge', 'idle-cold-pressure', 'fill-disconnected-watch'],
};
const CHEAP = [
  'gas-valve-press',
  'discharge-pipe',
  'gas-valve-bubbles',
  'second-gauge',
  'idle-cold-pressure',
  'top-ups-per-month',
  'vessel-tap-sound',
  'visible-leak',
  'bleed-radiators',
];
/** How often whoever is there finds his way to a test that speaks of a fault. */
const FINDS_IT = 0.9;

/** Tests that a technician would do with such faults about: for each fault mostly one that speaks of it, and beside that what is quickly
 *  done. */
export function testsFor(faults: string[], p: TruePlant, r: Random, count: number): string[] {
  const chosen = new Set<string>();
  const take = (tests: string[]) => {
    const open = tests.filter((t) => canBeDone(t, p) && !chosen.has(t));
    if (open.length) chosen.add(r.pick(open));
  };
  for (const f of faults) if (r.chance(FINDS_IT)) take(TELLING[f] ?? []);
  while (chosen.size < count) take(r.chance(0.4) ? (TELLING[r.pick(faults)] ?? CHEAP) : CHEAP);
  return [...chosen];
}
