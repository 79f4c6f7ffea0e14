import type { Random } from '../truth/random';
import { LOOP_KINDS, type LoopKind, type LoopPlant } from './LoopPlant';

/** A fault: on which kinds of plant, what it does by a size from 0 (just what counts) to 1, and the tests that speak of it. */
interface LoopFault {
  on: readonly LoopKind[];
  breaks: (p: LoopPlant, size: number, r: Random) => void;
  foundBy: readonly string[];
}

const ALL = LOOP_KINDS,
  BY_HAND = ['flat', 'house'] as const,
  FED = ['fed', 'block'] as const;
/** Evenly over the decades between two sizes. */
const between = (least: number, most: number, size: number) => least * (most / least) ** size;
const comesIn = (p: LoopPlant, by: NonNullable<LoopPlant['inBy']>, lPerH: number, r: Random) => {
  p.inBy = by;
  p.inLPerH = lPerH;
  if (!p.feed || by !== 'dhw') p.coldBar += r.uniform(0, 0.5);
  p.mainsBar = Math.max(p.mainsBar, p.coldBar + 0.8);
};
/** Somebody who loses water and fills by hand has filled up last at some time. */
const goesOut = (p: LoopPlant, by: NonNullable<LoopPlant['outBy']>, lPerH: number, r: Random) => {
  p.outBy = by;
  p.outLPerH = lPerH;
  if (!p.feed) p.coldBar = Math.max(0.25, p.coldBar - r.uniform(0, 0.4));
};

export const LOOP_FAULTS: Record<string, LoopFault> = {
  none: { on: ALL, breaks: () => {}, foundBy: [] },
  'vessel-undercharged': {
    on: ALL,
    breaks: ({ vessel }, s) => {
      vessel.chargeBar = vessel.wantedBar - 0.25 - s * (vessel.wantedBar + 0.5);
    },
    foundBy: ['precharge', 'gas-valve-press', 'draw-off', 'vessel-tap-sound', 'vessel-drained-volume'],
  },
  'vessel-diaphragm-failed': {
    on: ALL,
    breaks: ({ vessel }, s) => {
      vessel.holed = true;
      vessel.chargeBar = Math.min(vessel.chargeBar, 0.05 - 0.95 * s);
    },
    foundBy: ['gas-valve-press', 'pump-up-hold'],
  },
  'vessel-gas-valve-leaking': {
    on: ALL,
    breaks: ({ vessel }) => {
      vessel.coreLeaks = true;
    },
    foundBy: ['gas-valve-bubbles'],
  },
  'vessel-connection-blocked': {
    on: ['flat', 'house', 'fed'],
    breaks: ({ vessel }, s) => {
      vessel.way = s < 0.3 ? 'narrow' : 'blocked';
    },
    foundBy: ['vessel-connection-flow'],
  },
  'vessel-isolated': {
    on: ['house', 'fed', 'block'],
    breaks: ({ vessel }) => {
      vessel.way = 'shut';
    },
    foundBy: ['vessel-valve-position'],
  },
  'vessel-undersized': {
    on: ALL,
    breaks: ({ vessel }, s) => {
      vessel.nominalL = Math.max(3, Math.round(vessel.nominalL * (0.55 - 0.3 * s)));
    },
    foundBy: ['precharge', 'draw-off'],
  },
  'vessel-overcharged': {
    on: ALL,
    breaks: (p, s) => {
      p.vessel.chargeBar = Math.min(p.vessel.wantedBar + 0.4 + s, p.relief.markedBar - 0.4);
    },
    foundBy: ['precharge', 'draw-off'],
  },
  'relief-valve-passing': {
    on: ALL,
    breaks: (p, s, r) => goesOut(p, 'seat', between(0.35, 6, s), r),
    foundBy: ['discharge-pipe', 'discharge-catch', 'relief-reseat'],
  },
  'relief-valve-lifts-early': {
    on: ALL,
    breaks: (p, s) => {
      p.relief.liftBar = Math.max(p.coldBar + 0.25, Math.min(p.relief.markedBar - 0.4, p.relief.markedBar * (0.86 - 0.3 * s)));
    },
    foundBy: ['discharge-pipe', 'discharge-catch', 'relief-marking'],
  },
  'fill-loop-passing': {
    on: BY_HAND,
    breaks: (p, s, r) => comesIn(p, 'fill', between(0.3, 8, s), r),
    foundBy: ['fill-outlet-drip', 'fill-disconnected-watch', 'cold-main-on-watch'],
  },
  'reducing-valve-creeping': {
    on: ['fed'],
    breaks: (p, s, r) => comesIn(p, 'fill', between(0.3, 8, s), r),
    foundBy: ['fill-isolated-watch', 'cold-main-on-watch'],
  },
  'fill-bypass-open': {
    on: FED,
    breaks: (p, s, r) => comesIn(p, 'bypass', between(4, 60, s), r),
    foundBy: ['cold-main-off-watch', 'fill-isolated-watch', 'cold-main-on-watch'],
  },
  'reducing-valve-set-high': {
    on: ['fed'],
    breaks: (p, s) => {
      const bar = p.wantedColdBar + 0.3 + 0.6 * s;
      p.feed = { fromBar: bar, toBar: bar };
      p.coldBar = bar;
    },
    foundBy: ['idle-cold-pressure', 'second-gauge', 'fill-isolated-watch'],
  },
  'pressurisation-unit-fault': {
    on: ['block'],
    breaks: (p, s, r) => {
      if (r.chance(0.5)) {
        p.feed = null;
        p.coldBar = Math.max(0.3, p.wantedColdBar - 0.55 - 0.6 * s);
        return;
      }
      const bar = Math.min(p.relief.liftBar - 0.3, p.wantedColdBar + 0.6 + 0.8 * s);
      p.feed = { fromBar: bar - 0.2, toBar: bar };
      p.coldBar = bar - r.uniform(0, 0.15);
    },
    foundBy: ['idle-cold-pressure', 'second-gauge'],
  },
  'feed-starved': {
    on: FED,
    breaks: (p, s) => {
      p.feed = null;
      p.coldBar = Math.max(0.15, p.wantedColdBar - 0.4 - 0.4 * s);
    },
    foundBy: ['idle-cold-pressure', 'second-gauge'],
  },
  'dhw-plate-perforated': {
    on: ['flat'],
    breaks: (p, s, r) => comesIn(p, 'dhw', between(0.3, 8, s), r),
    foundBy: ['fill-disconnected-watch', 'listen-at-exchanger', 'cold-main-off-watch'],
  },
  'dhw-coil-perforated': {
    on: ['house', 'fed', 'block'],
    breaks: (p, s, r) => comesIn(p, 'dhw', between(0.3, 8, s), r),
    foundBy: ['coil-isolated-watch', 'cold-main-off-watch', 'fill-isolated-watch'],
  },
  'circuit-leak': {
    on: ALL,
    breaks: (p, s, r) => goesOut(p, 'circuit', between(0.3, 6, s), r),
    foundBy: ['visible-leak', 'boiler-isolated-hold', 'top-ups-per-month'],
  },
  'boiler-exchanger-leak': {
    on: ALL,
    breaks: (p, s, r) => goesOut(p, 'boiler', between(0.3, 4, s), r),
    foundBy: ['condensate-when-off', 'boiler-isolated-hold'],
  },
  'gauge-misreading': {
    on: ALL,
    breaks: (p, s, r) => {
      if (r.chance(0.2)) {
        p.gauge.stuck = true;
        return;
      }
      const off = 0.3 + 0.5 * s;
      p.gauge.offsetBar = p.coldBar - off > 0.15 && r.chance(0.5) ? -off : off;
    },
    foundBy: ['second-gauge', 'gauge-at-zero', 'low-pressure-stop'],
  },
  'air-in-circuit': {
    on: ALL,
    breaks: (p, s) => {
      p.airL = Math.max(1.3, p.contentL * (0.012 + 0.04 * s));
    },
    foundBy: ['bleed-radiators'],
  },
  'air-vent-faulty': {
    on: ALL,
    breaks: (p, s, r) => goesOut(p, 'vent', between(0.3, 2.5, s), r),
    foundBy: ['visible-leak', 'top-ups-per-month'],
  },
  'fill-pressure-too-low': {
    on: BY_HAND,
    breaks: (p, s) => {
      p.coldBar = Math.max(0.1, p.wantedColdBar - 0.5 - 0.5 * s);
    },
    foundBy: ['idle-cold-pressure', 'second-gauge'],
  },
  'fill-pressure-too-high': {
    on: BY_HAND,
    breaks: (p, s) => {
      p.coldBar = Math.min(p.relief.liftBar - 0.25, p.wantedColdBar + 0.6 + 0.7 * s);
    },
    foundBy: ['idle-cold-pressure', 'fill-disconnected-watch', 'second-gauge'],
  },
  'boiler-overheating': {
    on: ALL,
    breaks: (p, s) => {
      p.burnsToC = p.limitC + 11 + 12 * s;
    },
    foundBy: ['flow-return'],
  },
};
/** Drawn in turn, each as often as any other. */
export const LOOP_FAULT_IDS = Object.keys(LOOP_FAULTS);

/** Two faults that are met together: one makes the other, or hides it. Common practice. */
export const LOOP_PAIRS: readonly (readonly [string, string])[] = [
  ['vessel-undercharged', 'relief-valve-passing'],
  ['vessel-diaphragm-failed', 'relief-valve-passing'],
  ['vessel-isolated', 'relief-valve-passing'],
  ['vessel-connection-blocked', 'relief-valve-passing'],
  ['vessel-undersized', 'relief-valve-passing'],
  ['vessel-gas-valve-leaking', 'vessel-undercharged'],
  ['dhw-plate-perforated', 'relief-valve-passing'],
  ['dhw-coil-perforated', 'relief-valve-passing'],
  ['reducing-valve-creeping', 'relief-valve-passing'],
  ['fill-loop-passing', 'relief-valve-passing'],
  ['fill-loop-passing', 'vessel-undercharged'],
  ['dhw-coil-perforated', 'vessel-undercharged'],
  ['circuit-leak', 'vessel-undercharged'],
  ['fill-pressure-too-high', 'vessel-undercharged'],
  ['gauge-misreading', 'vessel-undercharged'],
  ['circuit-leak', 'feed-starved'],
  ['reducing-valve-set-high', 'vessel-undercharged'],
  ['air-in-circuit', 'fill-pressure-too-low'],
  ['gauge-misreading', 'relief-valve-passing'],
  ['boiler-exchanger-leak', 'vessel-diaphragm-failed'],
];

/** Kinds of plant on which all of some faults are met. */
export const kindsFor = (faults: readonly string[]): LoopKind[] =>
  LOOP_KINDS.filter((kind) => faults.every((f) => LOOP_FAULTS[f]!.on.includes(kind)));
