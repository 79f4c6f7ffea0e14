import type { Random } from '../truth/random';
import { sizeOf, type SketchPlant } from './SketchPlant';

/** Topped up by hand to somewhere about right. */
const toppedUp = (p: SketchPlant, r: Random) => {
  if (p.setBar === null && p.pumpsFromBar === null) p.coldBar = r.uniform(Math.max(0.7, p.rightChargeBar + 0.1), p.rightChargeBar + 0.7);
};
/** Fallen a little, where nothing makes it up. */
const fallen = (p: SketchPlant, r: Random) => {
  if (p.setBar === null && p.pumpsFromBar === null) p.coldBar -= r.uniform(0, 0.3);
};
const SIZES_L = [3, 4, 6, 8, 10, 12, 18, 24, 35, 50, 80, 100, 140, 200, 300];

type Break = (p: SketchPlant, severity: number, r: Random) => void;
const lets = (p: SketchPlant, by: 'fill' | 'dhw', lPerH: number, aboveBar: number) => {
  p.inBy = by;
  p.inK = lPerH;
  p.coldBar += aboveBar;
};
const loses = (p: SketchPlant, by: 'circuit' | 'boiler' | 'vent', lPerH: number) => {
  p.outBy = by;
  p.outK = lPerH * sizeOf(p);
};

/** What each fault does, by a severity from 0 to 1; at 0 it is just what counts. */
export const SKETCH_FAULTS: Record<string, Break> = {
  none: () => {},
  'vessel-undercharged': (p, s, r) => {
    p.chargeBar = p.rightChargeBar - 0.3 - s * (p.rightChargeBar + 0.55);
    toppedUp(p, r);
  },
  'vessel-diaphragm-failed': (p, s, r) => {
    p.holed = true;
    p.chargeBar = r.uniform(-0.2, 0.1) - 0.75 * s;
    toppedUp(p, r);
  },
  'vessel-gas-valve-leaking': (p) => {
    p.coreLeaks = true;
  },
  'vessel-connection-blocked': (p, s, r) => {
    if (r.chance(0.25)) p.narrowS = 1500 + 6000 * s;
    else p.vesselOpen = false;
    toppedUp(p, r);
  },
  'vessel-isolated': (p, _s, r) => {
    p.vesselOpen = false;
    p.shutOff = true;
    toppedUp(p, r);
  },
  'vessel-undersized': (p, s) => {
    p.vesselL = SIZES_L.filter((l) => l <= p.vesselL * (0.6 - 0.3 * s)).at(-1) ?? SIZES_L[0]!;
  },
  'vessel-overcharged': (p, s) => {
    p.chargeBar = p.rightChargeBar + 0.4 + 1.2 * s;
  },
  'relief-valve-passing': (p, s) => {
    p.dripK = 0.3 * 12 ** s * sizeOf(p);
  },
  'relief-valve-lifts-early': (p, s, r) => {
    p.reliefBar = p.reliefMarkedBar * (0.85 - 0.3 * s);
    p.coldBar = Math.min(p.coldBar, p.reliefBar - 0.2);
    if (r.chance(0.5)) p.seatShare = r.uniform(0.8, 0.95);
  },
  'fill-loop-passing': (p, s, r) => lets(p, 'fill', 0.4 * 15 ** s, r.uniform(0, 0.8)),
  'reducing-valve-creeping': (p, s, r) => lets(p, 'fill', 0.4 * 12 ** s, r.uniform(0, 0.5)),
  'fill-bypass-open': (p, s, r) => {
    lets(p, 'fill', 2 * 15 ** s * sizeOf(p), r.uniform(0, 0.5));
    p.mainsBar = Math.max(p.mainsBar, p.reliefMarkedBar + 0.3);
  },
  'reducing-valve-set-high': (p, s) => {
    p.setBar = p.setBar! + 0.4 + 0.6 * s;
    p.coldBar = p.setBar;
  },
  'pressurisation-unit-fault': (p, s, r) => {
    if (r.chance(0.5)) {
      p.pumpsFromBar = null;
      p.coldBar = r.uniform(0.3, p.rightChargeBar + 0.1);
      return;
    }
    p.pumpsToBar = p.pumpsToBar! + 0.5 + 0.7 * s;
    p.pumpsFromBar = p.pumpsToBar - 0.3;
    p.coldBar = r.uniform(p.pumpsFromBar, p.pumpsToBar);
  },
  'feed-starved': (p, _s, r) => {
    p.setBar = null;
    p.coldBar = r.uniform(0.15, 0.6);
  },
  'dhw-plate-perforated': (p, s, r) => lets(p, 'dhw', 0.3 * 20 ** s, r.uniform(0, 0.9)),
  'dhw-coil-perforated': (p, s, r) => lets(p, 'dhw', 0.3 * 20 ** s, r.uniform(0, 0.6)),
  'circuit-leak': (p, s, r) => {
    loses(p, 'circuit', 0.3 * 12 ** s);
    fallen(p, r);
  },
  'boiler-exchanger-leak': (p, s, r) => {
    loses(p, 'boiler', 0.3 * 12 ** s);
    fallen(p, r);
  },
  'gauge-misreading': (p, s, r) => {
    if (r.chance(0.2)) p.stuck = true;
    else p.offsetBar = (r.chance(0.6) ? 1 : -1) * (0.3 + 0.6 * s);
  },
  'air-in-circuit': (p, s) => {
    p.airL = (1.5 + 6 * s) * sizeOf(p);
  },
  'air-vent-faulty': (p, s) => loses(p, 'vent', 0.25 * 6 ** s),
  'fill-pressure-too-low': (p, s) => {
    p.coldBar = Math.max(0.15, 0.5 - 0.35 * s);
  },
  'fill-pressure-too-high': (p, s) => {
    p.coldBar = Math.min(p.reliefBar - 0.3, p.rightChargeBar + 0.9 + 0.7 * s);
  },
  'boiler-overheating': (p, s) => {
    p.overK = 10 + 12 * s;
  },
};

const ANYWHERE = [
  'none',
  'none',
  'vessel-undercharged',
  'vessel-diaphragm-failed',
  'vessel-gas-valve-leaking',
  'vessel-connection-blocked',
  'vessel-isolated',
  'vessel-undersized',
  'vessel-overcharged',
  'relief-valve-passing',
  'relief-valve-lifts-early',
  'circuit-leak',
  'boiler-exchanger-leak',
  'gauge-misreading',
  'air-in-circuit',
  'air-vent-faulty',
  'boiler-overheating',
];
const BY_HAND = ['fill-loop-passing', 'fill-pressure-too-low', 'fill-pressure-too-high'];
const BY_KIND: Record<SketchPlant['kind'], string[]> = {
  combi: BY_HAND,
  system: BY_HAND,
  fed: ['reducing-valve-creeping', 'reducing-valve-set-high', 'fill-bypass-open', 'feed-starved'],
  unit: ['pressurisation-unit-fault', 'fill-bypass-open'],
};
const BY_DHW: Record<SketchPlant['dhw'], string[]> = {
  'plate-exchanger': ['dhw-plate-perforated'],
  'indirect-coil': ['dhw-coil-perforated'],
  none: [],
};

/** Faults that a plant can have, all alike, nothing wrong twice. */
export const faultsOf = (p: SketchPlant): string[] => [...ANYWHERE, ...BY_KIND[p.kind], ...BY_DHW[p.dhw]];

const PAIRS = [
  ['vessel-undercharged', 'relief-valve-passing'],
  ['vessel-gas-valve-leaking', 'vessel-undercharged'],
  ['vessel-diaphragm-failed', 'relief-valve-passing'],
  ['dhw-plate-perforated', 'relief-valve-passing'],
  ['dhw-coil-perforated', 'relief-valve-passing'],
  ['fill-loop-passing', 'relief-valve-passing'],
  ['reducing-valve-creeping', 'relief-valve-passing'],
  ['circuit-leak', 'vessel-undercharged'],
  ['gauge-misreading', 'vessel-undercharged'],
  ['fill-pressure-too-high', 'relief-valve-passing'],
  ['circuit-leak', 'air-in-circuit'],
];
export const pairsOf = (p: SketchPlant): string[][] => {
  const can = faultsOf(p);
  return PAIRS.filter((pair) => pair.every((f) => can.includes(f)));
};
