import type { Random } from '../truth/random';
import { scaleOf, type BalancePlant } from './BalancePlant';

type Break = (p: BalancePlant, size: number, r: Random) => void;
/** Whoever fills by hand makes up what was lost, roughly. */
const madeUp = (p: BalancePlant, r: Random) => {
  if (!p.feed) p.coldBar = Math.max(0.6, p.wantedColdBar + r.uniform(-0.25, 0.45));
};
const sunk = (p: BalancePlant, r: Random) => {
  if (!p.feed) p.coldBar = Math.max(0.3, p.coldBar - r.uniform(0, 0.5));
};
const opens = (p: BalancePlant, by: 'fill' | 'bypass' | 'dhw', lPerH: number, most: number, r: Random) => {
  p.inBy = by;
  p.inL = lPerH;
  p.coldBar += most * r.uniform();
  p.mainsBar = Math.max(p.mainsBar, p.coldBar + 0.7);
};
const runsOut = (p: BalancePlant, by: 'circuit' | 'boiler' | 'vent', lPerH: number, r: Random) => {
  p.outBy = by;
  p.outL = lPerH * scaleOf(p);
  sunk(p, r);
};

/** What each fault does, by a size from 0 (just what counts) to 1. */
export const BALANCE_FAULTS: Record<string, Break> = {
  none: () => {},
  'vessel-undercharged': (p, s, r) => {
    const least = p.wantedChargeBar - 0.25;
    p.chargeBar = s < 0.6 ? least - (s / 0.6) * (least - 0.05) : 0.05 - 0.85 * ((s - 0.6) / 0.4);
    madeUp(p, r);
  },
  'vessel-diaphragm-failed': (p, s, r) => {
    p.holed = true;
    p.chargeBar = -0.2 - 0.7 * s;
    if (r.chance(0.3)) p.airL += r.uniform(0, 0.6);
    madeUp(p, r);
  },
  'vessel-gas-valve-leaking': (p) => {
    p.coreLeaks = true;
  },
  'vessel-connection-blocked': (p, _s, r) => {
    p.way = 'blocked';
    madeUp(p, r);
  },
  'vessel-isolated': (p, _s, r) => {
    p.way = 'shut';
    madeUp(p, r);
  },
  'vessel-undersized': (p, s) => {
    p.vesselL = Math.max(3, Math.round(p.vesselL * (0.55 - 0.25 * s)));
  },
  'vessel-overcharged': (p, s) => {
    p.chargeBar = p.wantedChargeBar + 0.35 + 1.1 * s;
  },
  'relief-valve-passing': (p, s, r) => {
    p.seatL = 0.3 * 15 ** s * scaleOf(p);
    sunk(p, r);
  },
  'relief-valve-lifts-early': (p, s) => {
    p.relief.liftBar = Math.max(p.coldBar + 0.2, p.reliefMarkedBar * (0.84 - 0.3 * s));
  },
  'fill-loop-passing': (p, s, r) => opens(p, 'fill', 0.3 * 20 ** s, 0.9, r),
  'reducing-valve-creeping': (p, s, r) => opens(p, 'fill', 0.3 * 15 ** s, 0.6, r),
  'fill-bypass-open': (p, s, r) => opens(p, 'bypass', 3 * 10 ** s * scaleOf(p), 0.6, r),
  'reducing-valve-set-high': (p, s) => {
    const bar = p.wantedColdBar + 0.35 + 0.5 * s;
    p.feed = { fromBar: bar, toBar: bar };
    p.coldBar = bar;
  },
  'pressurisation-unit-fault': (p, s, r) => {
    if (r.chance(0.55)) {
      p.feed = null;
      p.coldBar = Math.max(0.3, p.wantedColdBar - 0.5 - 0.7 * s);
      return;
    }
    const bar = Math.min(p.relief.liftBar - 0.2, p.wantedColdBar + 0.7 + 0.6 * s);
    p.feed = { fromBar: bar - 0.2, toBar: bar };
    p.coldBar = bar - r.uniform(0, 0.2);
  },
  'feed-starved': (p, s) => {
    p.feed = null;
    p.coldBar = Math.max(0.1, p.wantedColdBar - 0.4 - 0.5 * s);
  },
  'dhw-plate-perforated': (p, s, r) => opens(p, 'dhw', 0.3 * 20 ** s, 0.9, r),
  'dhw-coil-perforated': (p, s, r) => opens(p, 'dhw', 0.3 * 20 ** s, 0.7, r),
  'circuit-leak': (p, s, r) => runsOut(p, 'circuit', 0.25 * 15 ** s, r),
  'boiler-exchanger-leak': (p, s, r) => runsOut(p, 'boiler', 0.25 * 12 ** s, r),
  'gauge-misreading': (p, s, r) => {
    if (r.chance(0.2)) p.gauge.stuck = true;
    else p.gauge.offsetBar = (r.chance(0.6) ? 1 : -1) * (0.28 + 0.6 * s);
  },
  'air-in-circuit': (p, s) => {
    p.airL = (1.3 + 4 * s) * scaleOf(p);
  },
  'air-vent-faulty': (p, s, r) => runsOut(p, 'vent', 0.25 * 6 ** s, r),
  'fill-pressure-too-low': (p, s) => {
    p.coldBar = Math.max(0.1, p.wantedColdBar - 0.4 - 0.5 * s);
  },
  'fill-pressure-too-high': (p, s) => {
    p.coldBar = Math.min(p.relief.liftBar - 0.25, p.wantedColdBar + 0.65 + 0.6 * s);
  },
  'boiler-overheating': (p, s) => {
    p.overK = 10 + 12 * s;
  },
};

/** How often each is met. */
const EVERYWHERE: [string, number][] = [
  ['none', 3],
  ['vessel-undercharged', 4],
  ['vessel-diaphragm-failed', 2.5],
  ['vessel-gas-valve-leaking', 1],
  ['vessel-connection-blocked', 1.2],
  ['vessel-isolated', 1],
  ['vessel-undersized', 1],
  ['vessel-overcharged', 1],
  ['relief-valve-passing', 2.5],
  ['relief-valve-lifts-early', 1],
  ['circuit-leak', 3],
  ['boiler-exchanger-leak', 1.3],
  ['gauge-misreading', 1.5],
  ['air-in-circuit', 1],
  ['air-vent-faulty', 0.8],
  ['boiler-overheating', 0.6],
];
const BY_HAND: [string, number][] = [
  ['fill-loop-passing', 2],
  ['fill-pressure-too-low', 1],
  ['fill-pressure-too-high', 1.5],
];
const BY_KIND: Record<BalancePlant['kind'], [string, number][]> = {
  combi: BY_HAND,
  system: BY_HAND,
  fed: [
    ['reducing-valve-creeping', 2],
    ['fill-bypass-open', 1],
    ['reducing-valve-set-high', 1],
    ['feed-starved', 1],
  ],
  unit: [
    ['pressurisation-unit-fault', 2.5],
    ['fill-bypass-open', 1],
    ['feed-starved', 0.6],
  ],
};
const BY_DHW: Record<BalancePlant['dhw'], [string, number][]> = {
  'plate-exchanger': [['dhw-plate-perforated', 2]],
  'indirect-coil': [['dhw-coil-perforated', 1.6]],
  none: [],
};
export const faultsMet = (p: BalancePlant): [string, number][] => [...EVERYWHERE, ...BY_KIND[p.kind], ...BY_DHW[p.dhw]];

/** Pairs that come together, as the trade tells them. */
const TOGETHER: [string, string, number][] = [
  ['vessel-undercharged', 'relief-valve-passing', 4],
  ['vessel-undercharged', 'vessel-gas-valve-leaking', 3],
  ['vessel-diaphragm-failed', 'relief-valve-passing', 2],
  ['dhw-plate-perforated', 'relief-valve-passing', 2],
  ['dhw-coil-perforated', 'relief-valve-passing', 2],
  ['fill-loop-passing', 'relief-valve-passing', 1.5],
  ['reducing-valve-creeping', 'relief-valve-passing', 1.5],
  ['circuit-leak', 'vessel-undercharged', 1.5],
  ['gauge-misreading', 'vessel-undercharged', 1],
  ['fill-pressure-too-high', 'vessel-undercharged', 1],
  ['dhw-coil-perforated', 'vessel-undercharged', 1],
  ['circuit-leak', 'air-in-circuit', 0.7],
  ['fill-pressure-too-high', 'relief-valve-passing', 1],
];
export function pairsMet(p: BalancePlant): [string[], number][] {
  const can = new Set(faultsMet(p).map(([f]) => f));
  return TOGETHER.filter(([a, b]) => can.has(a) && can.has(b)).map(([a, b, weight]) => [[a, b], weight]);
}
