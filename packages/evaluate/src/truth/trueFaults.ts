import type { Random } from './random';
import type { TruePlant } from './TruePlant';

/** Topped up by somebody, though not so far that this were a fault of its own. */
const filled = (p: TruePlant, r: Random, meanBar: number) => Math.min(p.mostFillBar + 0.4, Math.max(0.5, r.normal(meanBar, 0.25)));

type Break = (p: TruePlant, r: Random) => void;

/** What each fault does to a real plant, at a size that counts (the catalogue of the case format says from when). */
export const TRUE_FAULTS: Record<string, Break> = {
  none: () => {},
  'vessel-undercharged': (p, r) => {
    p.chargeBar = r.chance(0.5) ? r.uniform(-0.85, 0.05) : r.uniform(0, Math.max(0.1, p.leastChargeBar - 0.3));
    p.coldBar = filled(p, r, 1.15);
  },
  'vessel-diaphragm-failed': (p, r) => {
    p.diaphragmHoled = true;
    p.chargeBar = r.uniform(-0.95, -0.35);
    p.coldBar = filled(p, r, 1.15);
  },
  'vessel-gas-valve-leaking': (p) => {
    p.coreLeaks = true;
  },
  'vessel-connection-blocked': (p, r) => {
    p.vesselOpen = false;
    p.blocked = true;
    p.coldBar = filled(p, r, 1.1);
  },
  'vessel-isolated': (p, r) => {
    p.vesselOpen = false;
    p.coldBar = filled(p, r, 1.1);
  },
  'vessel-undersized': (p, r) => {
    p.contentL = p.kind === 'plant-room' ? p.contentL * r.uniform(1.9, 2.8) : p.vesselL / r.uniform(0.03, 0.047);
    p.limitC = Math.max(p.limitC, 70);
  },
  'vessel-overcharged': (p, r) => {
    p.chargeBar = p.rightChargeBar + r.uniform(0.5, 1.3);
  },
  'relief-valve-passing': (p, r) => {
    p.reliefDrip = r.decade(0.25, 5);
    p.coldBar = Math.max(0.5, p.coldBar - r.uniform(0, 0.4));
  },
  'relief-valve-lifts-early': (p, r) => {
    p.reliefBar = Math.max(p.coldBar + 0.15, p.reliefMarkedBar * r.uniform(0.5, 0.8));
  },
  'fill-loop-passing': (p, r) => {
    p.seepFill = r.decade(0.25, 6);
    p.coldBar += r.uniform(0, 0.9);
  },
  'reducing-valve-creeping': (p, r) => {
    p.seepFill = r.decade(0.25, 4);
    p.coldBar += r.uniform(0, 0.5);
  },
  'fill-bypass-open': (p, r) => {
    p.seepFill = r.decade(2, 20);
    p.coldBar += r.uniform(0, 0.5);
  },
  'reducing-valve-set-high': (p, r) => {
    p.feedBar = 0.97 + r.uniform(0.4, 0.8);
    p.coldBar = p.feedBar;
  },
  'feed-starved': (p, r) => {
    p.feedBar = null;
    p.coldBar = r.uniform(0.1, 0.55);
  },
  // A pump that does not start, or a switch that does not stop it.
  'pressurisation-unit-fault': (p, r) => {
    if (r.chance(0.6)) {
      p.coldBar = r.uniform(0.3, Math.max(0.4, p.feedFromBar! - 0.3));
      p.feedBar = null;
      return;
    }
    p.feedBar = Math.min(p.reliefBar - 0.2, p.mostFillBar + r.uniform(0.4, 1));
    p.feedFromBar = p.feedBar - 0.3;
    p.coldBar = r.uniform(p.feedFromBar, p.feedBar);
  },
  'dhw-plate-perforated': (p, r) => {
    p.seepCoil = r.decade(0.25, 6);
    p.coldBar += r.uniform(0, 0.9);
  },
  'dhw-coil-perforated': (p, r) => {
    p.seepCoil = r.decade(0.25, 6);
    p.coldBar += r.uniform(0, 0.6);
  },
  'circuit-leak': (p, r) => {
    p.leak = r.decade(0.2, 4);
    p.coldBar = Math.max(0.5, p.coldBar - r.uniform(0, 0.4));
  },
  'boiler-exchanger-leak': (p, r) => {
    p.leak = r.decade(0.2, 3);
    p.leakInBoiler = true;
    p.coldBar = Math.max(0.5, p.coldBar - r.uniform(0, 0.4));
  },
  'gauge-misreading': (p, r) => {
    if (r.chance(0.25)) p.gauge.stuckShare = r.uniform(0.8, 1);
    else p.gauge.offsetBar = (r.chance(0.7) ? 1 : -1) * r.uniform(0.3, 0.9);
  },
  'air-in-circuit': (p, r) => {
    p.airL = r.uniform(1.2, 5) * p.pace;
  },
  'air-vent-faulty': (p, r) => {
    p.leak = r.decade(0.2, 1);
    p.coldBar = Math.max(0.5, p.coldBar - r.uniform(0, 0.4));
  },
  'fill-pressure-too-low': (p, r) => {
    p.coldBar = r.uniform(0.1, Math.max(0.2, p.rightChargeBar - 0.2));
  },
  'fill-pressure-too-high': (p, r) => {
    p.coldBar = Math.min(p.reliefBar - 0.25, p.mostFillBar + r.uniform(0.6, 1.3));
  },
  'boiler-overheating': (p, r) => {
    p.overheatsK = r.uniform(11, 22);
  },
};

const ANYWHERE = [
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
const BY_UNIT = ['pressurisation-unit-fault', 'fill-bypass-open'];
const BY_FEED = ['reducing-valve-creeping', 'fill-bypass-open', 'reducing-valve-set-high', 'feed-starved'];

/** How often each is met, relative; flatter than in practice, so that the rare ones are judged too. */
const COMMON: Record<string, number> = {
  none: 3,
  'vessel-undercharged': 4,
  'vessel-diaphragm-failed': 2,
  'relief-valve-passing': 2,
  'circuit-leak': 2,
  'fill-loop-passing': 1.5,
  'dhw-plate-perforated': 1.5,
  'vessel-isolated': 0.7,
  'boiler-overheating': 0.6,
  'air-vent-faulty': 0.6,
  'vessel-gas-valve-leaking': 0.7,
  'vessel-undersized': 0.8,
  'pressurisation-unit-fault': 3,
};
/** Ways in that each kind of plant has, beside what every one may have. */
const BY_FILL: Record<TruePlant['kind'], string[]> = {
  'wall-boiler': BY_HAND,
  'larger-home': BY_HAND,
  fed: BY_FEED,
  'plant-room': BY_UNIT,
};
const BY_DHW: Record<TruePlant['dhw'], string[]> = {
  'plate-exchanger': ['dhw-plate-perforated'],
  'indirect-coil': ['dhw-coil-perforated'],
  none: [],
};

export function singleFaults(p: Pick<TruePlant, 'kind' | 'dhw'>): (readonly [string, number])[] {
  const ids = [...ANYWHERE, ...BY_FILL[p.kind], ...BY_DHW[p.dhw]];
  return ids.map((id) => [id, COMMON[id] ?? 1] as const);
}

const PAIRS: [string, string][] = [
  ['vessel-undercharged', 'relief-valve-passing'],
  ['vessel-gas-valve-leaking', 'vessel-undercharged'],
  ['vessel-diaphragm-failed', 'relief-valve-passing'],
  ['dhw-plate-perforated', 'relief-valve-passing'],
  ['fill-loop-passing', 'relief-valve-passing'],
  ['reducing-valve-creeping', 'relief-valve-passing'],
  ['dhw-coil-perforated', 'relief-valve-passing'],
  ['circuit-leak', 'vessel-undercharged'],
  ['gauge-misreading', 'vessel-undercharged'],
  ['dhw-coil-perforated', 'vessel-undercharged'],
  ['fill-pressure-too-high', 'relief-valve-passing'],
  ['fill-pressure-too-high', 'vessel-undercharged'],
];

export function faultPairs(p: Pick<TruePlant, 'kind' | 'dhw'>): [string, string][] {
  const can = new Set(singleFaults(p).map(([id]) => id));
  return PAIRS.filter((pair) => pair.every((id) => can.has(id))).map((pair) => [...pair].sort() as [string, string]);
}
