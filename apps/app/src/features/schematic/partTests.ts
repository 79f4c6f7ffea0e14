import type { TestId } from '@jumper/core';
import type { DrawnPart } from './Schematic';

/** Tests that look at a part of the drawing, and what the part is called in the list of tests. */
const TESTS_AT: Partial<Record<DrawnPart['kind'], { title: string; tests: TestId[] }>> = {
  relief: { title: 'Relief valve', tests: ['discharge-pipe', 'discharge-catch', 'relief-marking', 'relief-reseat', 'relief-dripping'] },
  gauge: {
    title: 'Gauge',
    tests: [
      'second-gauge',
      'idle-cold-pressure',
      'gauge-at-zero',
      'low-pressure-stop',
      'glass-level',
      'glass-follows-drain',
      'pigtail-blow',
    ],
  },
  vessel: {
    title: 'Vessel',
    tests: [
      'gas-valve-press',
      'gas-valve-bubbles',
      'precharge',
      'draw-off',
      'pump-up-hold',
      'vessel-drained-volume',
      'vessel-connection-flow',
      'vessel-tap-sound',
    ],
  },
  'vessel-valve': { title: 'Valve of the vessel', tests: ['vessel-valve-position', 'vessel-connection-flow'] },
  feed: {
    title: 'Feed',
    tests: [
      'feed-valve-position',
      'fill-disconnected-watch',
      'fill-isolated-watch',
      'fill-outlet-drip',
      'top-ups-per-month',
      'feeder-refill',
      'make-up-per-month',
    ],
  },
  plate: { title: 'Plate exchanger', tests: ['listen-at-exchanger', 'cold-main-off-watch', 'cold-main-on-watch'] },
  coil: { title: 'Coil', tests: ['coil-isolated-watch', 'cold-main-off-watch', 'cold-main-on-watch'] },
  boiler: {
    title: 'Boiler',
    tests: [
      'condensate-when-off',
      'boiler-isolated-hold',
      'flow-return',
      'low-water-cutoff-trip',
      'flooded-section-check',
      'steam-at-flue',
    ],
  },
  zone: {
    title: 'Zone',
    tests: [
      'zone-pipe-temperatures',
      'zone-valve-supply-24v',
      'zone-valve-moves',
      'zone-valve-end-switch',
      'mixed-supply',
      'bleed-radiators',
      'visible-leak',
    ],
  },
  pump: { title: 'Pump', tests: ['pump-running', 'isolation-valves-open', 'flow-return'] },
};

/** What looks at a kind of part; null of one that no test looks at. @param kind as the address names it */
export const partTests = (kind: string): { title: string; tests: TestId[] } | null => TESTS_AT[kind as DrawnPart['kind']] ?? null;
