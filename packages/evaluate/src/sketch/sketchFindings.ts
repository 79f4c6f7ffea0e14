import type { WrittenFinding } from '../truth/Doing';
import type { Random } from '../truth/random';
import { toStep } from '../truth/toStep';
import { pressureWhere, runSketch, storedL } from './runSketch';
import { sizeOf, type SketchPlant } from './SketchPlant';

const SLIPS = 0.04,
  ATM = 1.013;

interface Doing {
  p: SketchPlant;
  /** Whether its relief lifted while it was logged. */
  lifted: boolean;
  r: Random;
  say: (outcome: string, others: string[]) => { outcome: string };
  /** Reads the plant's own gauge. */
  read: (bar: number) => number;
}

const fedByItself = (p: SketchPlant) => p.kind === 'fed' || p.kind === 'unit';

/** A cold watch with something shut. */
function watch({ p, r, read }: Doing, kind: string, minutesOf: number[]): Record<string, unknown> {
  const minutes = r.pick(minutesOf),
    { bar } = runSketch(p, { durationS: 60 * minutes, heat: [], actions: [{ tS: 0, kind }] });
  return { startBar: read(bar[0]!), endBar: read(p.stuck ? bar[0]! : bar.at(-1)!), minutes, heating: false };
}

/** What each test shows; null where it cannot be done on such a plant. */
const SHOWN: Record<string, (d: Doing) => Record<string, unknown> | null> = {
  'gas-valve-press': ({ p, r, say }) =>
    say(p.holed && r.chance(0.9) ? 'water' : p.chargeBar < -0.05 && r.chance(0.8) ? 'nothing' : 'air', ['air', 'water', 'nothing']),
  precharge: ({ p, r }) => ({
    valueBar: toStep(Math.max(0, p.holed ? r.uniform(0, 0.3) : p.chargeBar) + Math.abs(r.normal(0, 0.02)), 0.05),
    circuitBar: 0,
    drainOpen: true,
  }),
  'draw-off': ({ p, r, read }) => {
    if (!p.vesselOpen || p.narrowS > 0) return null;
    const volumeL = 0.5 * Math.sqrt(p.contentL / 100),
      after = pressureWhere((bar) => storedL(p, bar), storedL(p, p.coldBar) - volumeL);
    return {
      volumeL: Math.max(0.05, toStep(volumeL * r.normal(1, 0.03), 0.05)),
      beforeBar: read(p.coldBar),
      afterBar: read(Math.max(0, after)),
    };
  },
  'vessel-drained-volume': ({ p, r, read }) =>
    p.kind === 'combi'
      ? { volumeL: toStep(Math.max(0, storedL(p, p.coldBar) - storedL(p, 0)) + r.uniform(1, 4), 0.1), fromBar: read(p.coldBar) }
      : null,
  'pump-up-hold': ({ p, r, say }) => say(p.holed ? r.pick(['bubbles-at-drain', 'fell', 'would-not-rise']) : 'held', ['held', 'fell']),
  'gas-valve-bubbles': ({ p, say }) => say(p.coreLeaks ? 'bubbles' : 'tight', ['tight', 'bubbles']),
  'vessel-connection-flow': ({ p, say }) =>
    say(p.narrowS > 0 ? 'restricted' : p.vesselOpen ? 'free' : 'blocked', ['free', 'restricted', 'blocked']),
  'vessel-valve-position': ({ p, say }) => say(p.shutOff ? 'closed' : 'open', ['open', 'closed', 'no-valve']),
  'vessel-tap-sound': ({ p, r, say }) =>
    say(r.chance(0.35) ? 'unclear' : p.chargeBar < 0 !== r.chance(0.3) ? 'dull' : 'hollow', ['hollow', 'dull', 'unclear']),
  'discharge-pipe': ({ p, lifted, r, say }) => {
    const drips = p.dripK > 0 || (p.coldBar > p.reliefBar - 0.2 && p.inK > 0);
    return say(
      p.dripK > 4 * sizeOf(p)
        ? 'running'
        : drips
          ? r.chance(0.9)
            ? 'dripping'
            : 'stained'
          : r.chance(lifted ? 0.6 : 0.07)
            ? 'stained'
            : 'dry',
      ['dry', 'stained', 'dripping'],
    );
  },
  'discharge-catch': ({ p, lifted, r }) => {
    const during = r.pick(['cold', 'hot']),
      minutes = 20;
    return {
      volumeMl: Math.round(
        1000 * ((p.dripK * Math.sqrt(Math.max(0, p.coldBar)) * minutes) / 60 + (during === 'hot' && lifted ? r.uniform(0.1, 1) : 0)),
      ),
      minutes,
      during,
    };
  },
  'relief-reseat': ({ p, r, say }) => say(p.dripK > 0 && r.chance(0.8) ? 'still-drips' : 'stopped', ['stopped', 'still-drips']),
  'relief-marking': ({ p, r }) => ({
    markedBar: p.reliefBar < 0.87 * p.reliefMarkedBar && r.chance(0.4) ? toStep(p.reliefBar, 0.25) : p.reliefMarkedBar,
  }),
  'second-gauge': ({ p, r, read }) => ({
    valueBar: Math.max(0, toStep(p.coldBar + r.normal(0, 0.02), 0.05)),
    firstGaugeBar: p.stuck ? read(p.coldBar + r.pick([-0.4, 0.4])) : read(p.coldBar),
  }),
  'gauge-at-zero': ({ p, read }) => ({ valueBar: read(p.stuck ? 0.95 * p.coldBar : 0) }),
  'low-pressure-stop': ({ p, say }) => say(p.stuck || p.offsetBar > 0.4 ? 'not-shown' : 'shown', ['shown', 'not-shown']),
  'fill-outlet-drip': ({ p, r, say }) =>
    fedByItself(p) ? null : say(p.inBy === 'fill' && r.chance(0.9) ? 'drips' : 'dry', ['dry', 'drips']),
  'fill-disconnected-watch': (d) => {
    if (fedByItself(d.p)) return null;
    const { heating: _, ...seen } = watch(d, 'fill-disconnected', [10, 15, 30]);
    return { ...seen, boilerIsolated: false };
  },
  'fill-isolated-watch': (d) => (fedByItself(d.p) ? watch(d, 'fill-closed', [10, 15, 30]) : null),
  'cold-main-off-watch': (d) => watch(d, 'cold-main-closed', [15, 20]),
  'coil-isolated-watch': (d) => (d.p.dhw === 'indirect-coil' ? watch(d, 'coil-isolated', [15, 30]) : null),
  'listen-at-exchanger': ({ p, r, say }) =>
    p.dhw === 'plate-exchanger' ? say(p.inBy === 'dhw' && p.inK > 0.8 && r.chance(0.8) ? 'hiss' : 'quiet', ['quiet', 'hiss']) : null,
  'visible-leak': ({ p, r, say }) =>
    say((p.outBy === 'circuit' || p.outBy === 'vent') && r.chance(0.7) ? 'found' : 'none', ['none', 'found']),
  'condensate-when-off': ({ p, say }) => say(p.outBy === 'boiler' ? 'drips' : 'dry', ['dry', 'drips']),
  'boiler-isolated-hold': ({ p, r, read }) => {
    const hours = r.pick([0.5, 1, 8]),
      withVessel = p.vesselOpen ? Math.max(0.3, ((p.chargeBar + ATM) * p.vesselL) / (p.coldBar + ATM) ** 2) : 0.15,
      bare = 0.15,
      inBoiler = p.kind === 'combi';
    const left = (k: number, room: number) => Math.max(0, p.coldBar - (k * Math.sqrt(Math.max(0, p.coldBar)) * hours) / room);
    const boiler = left((p.outBy === 'boiler' ? p.outK : 0) + p.dripK, inBoiler ? withVessel : bare),
      circuit = left(p.outBy === 'circuit' || p.outBy === 'vent' ? p.outK : 0, inBoiler ? bare : withVessel);
    return {
      boilerStartBar: read(p.coldBar),
      boilerEndBar: read(boiler),
      circuitStartBar: read(p.coldBar),
      circuitEndBar: read(circuit),
      minutes: 60 * hours,
    };
  },
  'bleed-radiators': ({ p, r, say }) =>
    say(p.airL > sizeOf(p) ? (r.chance(0.8) ? 'much-air' : 'some-air') : r.chance(0.8) ? 'none' : 'some-air', [
      'none',
      'some-air',
      'much-air',
    ]),
  'idle-cold-pressure': ({ p, r, read }) => ({ valueBar: read(p.coldBar), idleHours: r.pick([6, 10, 12]) }),
  'top-ups-per-month': ({ p, lifted, r }) => ({
    count: fedByItself(p)
      ? 0
      : p.outK + p.dripK > 0
        ? Math.round(r.uniform(2, 10))
        : lifted
          ? Math.round(r.uniform(1, 8))
          : r.chance(0.8)
            ? 0
            : 1,
  }),
  'flow-return': ({ p }) => ({
    flowC: Math.round(p.limitC + p.overK),
    returnC: Math.round(p.limitC + p.overK - p.dropK),
    minutesFiring: 20,
  }),
};

/** What a test shows on a sketched plant, with slips; null where it cannot be done there. */
export function sketchFinding(test: string, p: SketchPlant, lifted: boolean, r: Random): WrittenFinding | null {
  const slip = r.chance(SLIPS);
  const say = (outcome: string, others: string[]) => ({ outcome: slip ? r.pick(others) : outcome });
  const read = (bar: number) => Math.max(0, toStep(bar + p.offsetBar + r.normal(0, 0.2 * p.stepBar), p.stepBar / 2));
  const shown = SHOWN[test]?.({ p, lifted, r, say, read }) ?? null;
  return shown && { test, ...shown };
}

/** Tests that speak of each fault. Common practice. */
export const SPEAKS_OF: Record<string, string[]> = {
  none: [],
  'vessel-undercharged': ['precharge', 'draw-off', 'gas-valve-press', 'vessel-drained-volume'],
  'vessel-diaphragm-failed': ['gas-valve-press', 'pump-up-hold'],
  'vessel-gas-valve-leaking': ['gas-valve-bubbles'],
  'vessel-connection-blocked': ['vessel-connection-flow', 'precharge'],
  'vessel-isolated': ['vessel-valve-position'],
  'vessel-undersized': ['precharge', 'draw-off'],
  'vessel-overcharged': ['precharge', 'draw-off'],
  'relief-valve-passing': ['discharge-pipe', 'discharge-catch', 'relief-reseat'],
  'relief-valve-lifts-early': ['discharge-catch', 'relief-marking', 'second-gauge'],
  'fill-loop-passing': ['fill-outlet-drip', 'fill-disconnected-watch'],
  'reducing-valve-creeping': ['fill-isolated-watch', 'cold-main-off-watch'],
  'fill-bypass-open': ['fill-isolated-watch', 'cold-main-off-watch'],
  'reducing-valve-set-high': ['second-gauge', 'idle-cold-pressure'],
  'feed-starved': ['second-gauge', 'idle-cold-pressure'],
  'pressurisation-unit-fault': ['second-gauge', 'idle-cold-pressure'],
  'dhw-plate-perforated': ['fill-disconnected-watch', 'listen-at-exchanger', 'cold-main-off-watch'],
  'dhw-coil-perforated': ['coil-isolated-watch', 'fill-isolated-watch'],
  'circuit-leak': ['visible-leak', 'boiler-isolated-hold', 'top-ups-per-month'],
  'boiler-exchanger-leak': ['condensate-when-off', 'boiler-isolated-hold'],
  'gauge-misreading': ['second-gauge', 'gauge-at-zero', 'low-pressure-stop'],
  'air-in-circuit': ['bleed-radiators'],
  'air-vent-faulty': ['visible-leak', 'top-ups-per-month'],
  'fill-pressure-too-high': ['idle-cold-pressure', 'second-gauge'],
  'fill-pressure-too-low': ['idle-cold-pressure', 'second-gauge'],
  'boiler-overheating': ['flow-return'],
};
/** What is done besides. */
export const BESIDES = [
  'discharge-pipe',
  'gas-valve-press',
  'second-gauge',
  'visible-leak',
  'bleed-radiators',
  'top-ups-per-month',
  'precharge',
  'idle-cold-pressure',
  'vessel-tap-sound',
  'gas-valve-bubbles',
  'condensate-when-off',
  'relief-reseat',
  'listen-at-exchanger',
  'fill-isolated-watch',
  'fill-disconnected-watch',
];
