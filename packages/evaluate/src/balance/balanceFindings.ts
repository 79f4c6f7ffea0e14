import type { WrittenFinding } from '../truth/Doing';
import type { Random } from '../truth/random';
import { toStep } from '../truth/toStep';
import { scaleOf, type BalancePlant } from './BalancePlant';
import { heldBeyondL, pressureHolding, runBalance } from './runBalance';

const SLIPS = 0.03;
interface Visit {
  p: BalancePlant;
  lifted: boolean;
  r: Random;
  say: (outcome: string, others: string[]) => { outcome: string };
  read: (bar: number) => number;
}

const watched = ({ p, r, read }: Visit, shut: string, minutes: number): Record<string, unknown> => {
  const { bar } = runBalance(p, { durationS: 60 * minutes, heat: null, shut: shut ? [shut] : [] });
  const first = read(bar[0]!);
  return { startBar: first, endBar: p.gauge.stuck ? first : read(bar.at(-1)! + r.normal(0, 0.01)), minutes, heating: false };
};
/** What stands at the relief hot, cold, or for good. */
const dripsFor = (p: BalancePlant): 'seat' | 'mains' | null =>
  p.seatL > 0 ? 'seat' : p.inL > 0 && p.coldBar > 0.93 * p.relief.liftBar ? 'mains' : null;

/** What each test shows; null where nobody can do it there. */
const SHOWS: Record<string, (v: Visit) => Record<string, unknown> | null> = {
  'idle-cold-pressure': ({ p, r, read }) => ({ valueBar: read(p.coldBar), idleHours: r.pick([7, 9, 12]) }),
  'discharge-pipe': ({ p, lifted, r, say }) => {
    const by = dripsFor(p),
      lifts = lifted || p.relief.liftBar < 0.85 * p.reliefMarkedBar;
    const outcome =
      by === 'seat'
        ? p.seatL > 3.5 * scaleOf(p)
          ? 'running'
          : r.chance(0.85)
            ? 'dripping'
            : 'stained'
        : by === 'mains'
          ? r.chance(0.7)
            ? 'dripping'
            : 'stained'
          : lifts
            ? r.weighted([
                ['dripping', 0.2],
                ['stained', 0.55],
                ['dry', 0.25],
              ] as const)
            : r.weighted([
                ['dry', 0.92],
                ['stained', 0.08],
              ] as const);
    return {
      ...say(outcome, ['dry', 'stained', 'dripping']),
      ...(outcome === 'dripping' && r.chance(0.35) ? { water: by ? 'cold' : 'hot' } : {}),
    };
  },
  'discharge-catch': ({ p, lifted, r }) => {
    const during = r.pick(['cold', 'heating', 'hot']),
      minutes = r.pick([10, 20]),
      seat = (p.seatL * Math.sqrt(Math.max(0.1, p.coldBar + (during === 'cold' ? 0 : 0.4))) * minutes) / 60;
    return {
      volumeMl: Math.round(1000 * (seat * r.normal(1, 0.1) + (during !== 'cold' && lifted ? r.uniform(0.05, 0.8) : 0))),
      minutes,
      during,
    };
  },
  'second-gauge': ({ p, r, read }) => ({
    valueBar: Math.max(0, toStep(p.coldBar + r.normal(0, 0.03), 0.05)),
    firstGaugeBar: p.gauge.stuck ? read(p.coldBar + r.pick([-0.5, 0.5])) : read(p.coldBar),
  }),
  'gauge-at-zero': ({ p, read }) => ({ valueBar: p.gauge.stuck ? read(p.coldBar) : read(0) }),
  'low-pressure-stop': ({ p, say }) => say(p.gauge.stuck || p.gauge.offsetBar > 0.35 ? 'not-shown' : 'shown', ['shown', 'not-shown']),
  'gas-valve-press': ({ p, r, say }) =>
    say(p.holed ? (r.chance(0.85) ? 'water' : 'nothing') : p.chargeBar < 0.03 ? (r.chance(0.75) ? 'nothing' : 'air') : 'air', [
      'air',
      'nothing',
      'water',
    ]),
  precharge: ({ p, r }) => {
    const open = r.chance(0.9),
      circuitBar = open ? 0 : toStep(p.coldBar, 0.1);
    return {
      valueBar: Math.max(
        0,
        toStep(
          Math.max(p.holed ? r.uniform(0, 0.15) : Math.max(0, p.chargeBar), p.way === 'open' ? circuitBar : 0) + r.normal(0, 0.03),
          0.05,
        ),
      ),
      circuitBar,
      drainOpen: open,
    };
  },
  'pump-up-hold': ({ p, r, say }) =>
    say(
      p.holed
        ? r.pick(['fell', 'bubbles-at-drain', 'bubbles-at-drain', 'would-not-rise'])
        : p.coreLeaks && r.chance(0.25)
          ? 'fell'
          : 'held',
      ['held', 'fell'],
    ),
  'gas-valve-bubbles': ({ p, r, say }) => say(p.coreLeaks && r.chance(0.9) ? 'bubbles' : 'tight', ['tight', 'bubbles']),
  'draw-off': ({ p, r, read }) => {
    const volumeL = r.pick([0.3, 0.5, 1]) * Math.max(1, Math.round(p.contentL / 150)),
      after = pressureHolding(p, heldBeyondL(p, p.coldBar) - volumeL);
    return { volumeL: toStep(volumeL * r.normal(1, 0.03), 0.05), beforeBar: read(p.coldBar), afterBar: read(after) };
  },
  'vessel-connection-flow': ({ p, r, say }) =>
    say(p.way === 'blocked' ? (r.chance(0.65) ? 'blocked' : 'restricted') : p.way === 'shut' ? 'blocked' : 'free', [
      'free',
      'restricted',
      'blocked',
    ]),
  'vessel-valve-position': ({ p, r, say }) =>
    say(p.way === 'shut' ? 'closed' : r.chance(0.4) ? 'no-valve' : 'open', ['open', 'closed', 'no-valve']),
  'vessel-tap-sound': ({ p, r, say }) =>
    say(r.chance(0.35) ? 'unclear' : r.chance(0.6) === (p.holed || p.chargeBar < 0.1) ? 'dull' : 'hollow', ['hollow', 'dull', 'unclear']),
  'fill-disconnected-watch': (v) => {
    if (v.p.feed || v.p.kind === 'fed' || v.p.kind === 'unit') return null;
    const { heating: _, ...seen } = watched(v, 'fill-disconnected', v.r.pick([5, 10, 15, 30]));
    return { ...seen, boilerIsolated: v.r.chance(0.3) };
  },
  'fill-isolated-watch': (v) =>
    v.p.kind === 'fed' || v.p.kind === 'unit' ? watched(v, v.p.inBy === 'bypass' ? '' : 'fill-closed', v.r.pick([10, 20, 30])) : null,
  'fill-outlet-drip': ({ p, r, say }) =>
    p.kind === 'fed' || p.kind === 'unit' ? null : say(p.inBy === 'fill' && r.chance(0.92) ? 'drips' : 'dry', ['dry', 'drips']),
  'cold-main-off-watch': (v) => watched(v, 'cold-main-closed', v.r.pick([10, 20])),
  'coil-isolated-watch': (v) => (v.p.dhw === 'indirect-coil' ? watched(v, 'coil-isolated', v.r.pick([15, 30])) : null),
  'boiler-isolated-hold': ({ p, r, read }) => {
    const hours = r.pick([1, 2, 8]),
      vesselSide = p.kind === 'combi' ? 'boiler' : 'circuit';
    const side = (name: string, lPerH: number) => {
      const gives = name === vesselSide && p.way === 'open' ? Math.max(0.2, ((p.chargeBar + 1) * p.vesselL) / (p.coldBar + 1) ** 2) : 0.1;
      return Math.max(0, p.coldBar - (lPerH * Math.sqrt(p.coldBar) * hours) / gives);
    };
    return {
      boilerStartBar: read(p.coldBar),
      boilerEndBar: read(side('boiler', (p.outBy === 'boiler' ? p.outL : 0) + p.seatL)),
      circuitStartBar: read(p.coldBar),
      circuitEndBar: read(side('circuit', p.outBy === 'circuit' || p.outBy === 'vent' ? p.outL : 0)),
      minutes: 60 * hours,
    };
  },
  'listen-at-exchanger': ({ p, r, say }) =>
    p.dhw === 'plate-exchanger' ? say(p.inBy === 'dhw' && r.chance(p.inL > 1 ? 0.75 : 0.3) ? 'hiss' : 'quiet', ['quiet', 'hiss']) : null,
  'relief-reseat': ({ p, r, say }) =>
    say(p.seatL > 0 ? (r.chance(0.75) ? 'still-drips' : 'stopped') : 'stopped', ['stopped', 'still-drips']),
  'relief-marking': ({ p, r }) => ({
    markedBar: p.relief.liftBar < 0.85 * p.reliefMarkedBar && r.chance(0.4) ? toStep(p.relief.liftBar, 0.5) : p.reliefMarkedBar,
  }),
  'bleed-radiators': ({ p, r, say }) =>
    say(
      p.airL > scaleOf(p) ? (r.chance(0.75) ? 'much-air' : 'some-air') : r.chance(p.outL + p.seatL > 0 ? 0.4 : 0.2) ? 'some-air' : 'none',
      ['none', 'some-air', 'much-air'],
    ),
  'visible-leak': ({ p, r, say }) =>
    say((p.outBy === 'circuit' || p.outBy === 'vent') && r.chance(0.6) ? 'found' : 'none', ['none', 'found']),
  'condensate-when-off': ({ p, r, say }) => say(p.outBy === 'boiler' && r.chance(0.85) ? 'drips' : 'dry', ['dry', 'drips']),
  'top-ups-per-month': ({ p, lifted, r }) => ({
    count:
      p.kind === 'fed' || p.kind === 'unit'
        ? 0
        : Math.round(p.outL + p.seatL > 0 ? r.uniform(2, 12) : lifted ? r.uniform(1, 6) : r.uniform(0, 1.2)),
  }),
  'flow-return': ({ p, r }) => ({
    flowC: Math.round(p.limitC + p.overK + r.normal(0, 1)),
    returnC: Math.round(p.limitC + p.overK - r.uniform(8, 16)),
    minutesFiring: 15,
  }),
};

/** What a test shows on a plant, with slips; null where it cannot be done there. */
export function balanceFinding(test: string, p: BalancePlant, lifted: boolean, r: Random): WrittenFinding | null {
  const slips = r.chance(SLIPS),
    say = (outcome: string, others: string[]) => ({ outcome: slips ? r.pick(others) : outcome });
  const read = (bar: number) => Math.max(0, toStep(bar + p.gauge.offsetBar + r.normal(0, 0.15 * p.gauge.stepBar), p.gauge.stepBar / 2)),
    shows = SHOWS[test]?.({ p, lifted, r, say, read }) ?? null;
  return shows && { test, ...shows };
}

/** Tests by which each fault is found. */
export const FOUND_BY: Record<string, string[]> = {
  'vessel-undercharged': ['gas-valve-press', 'precharge', 'draw-off'],
  'vessel-diaphragm-failed': ['gas-valve-press', 'gas-valve-press', 'pump-up-hold'],
  'vessel-gas-valve-leaking': ['gas-valve-bubbles'],
  'vessel-connection-blocked': ['vessel-connection-flow', 'precharge'],
  'vessel-isolated': ['vessel-valve-position'],
  'vessel-undersized': ['precharge', 'draw-off'],
  'vessel-overcharged': ['precharge', 'draw-off'],
  'relief-valve-passing': ['discharge-pipe', 'discharge-catch', 'relief-reseat'],
  'relief-valve-lifts-early': ['discharge-pipe', 'relief-marking', 'second-gauge'],
  'fill-loop-passing': ['fill-outlet-drip', 'fill-disconnected-watch'],
  'reducing-valve-creeping': ['fill-isolated-watch', 'coil-isolated-watch'],
  'fill-bypass-open': ['fill-isolated-watch', 'cold-main-off-watch'],
  'reducing-valve-set-high': ['second-gauge', 'idle-cold-pressure'],
  'pressurisation-unit-fault': ['second-gauge', 'idle-cold-pressure'],
  'feed-starved': ['second-gauge', 'idle-cold-pressure'],
  'dhw-plate-perforated': ['fill-disconnected-watch', 'listen-at-exchanger', 'cold-main-off-watch'],
  'dhw-coil-perforated': ['coil-isolated-watch', 'fill-isolated-watch'],
  'circuit-leak': ['visible-leak', 'boiler-isolated-hold', 'top-ups-per-month'],
  'boiler-exchanger-leak': ['condensate-when-off', 'boiler-isolated-hold'],
  'gauge-misreading': ['second-gauge', 'gauge-at-zero'],
  'air-in-circuit': ['bleed-radiators'],
  'air-vent-faulty': ['visible-leak', 'boiler-isolated-hold'],
  'fill-pressure-too-low': ['idle-cold-pressure', 'second-gauge'],
  'fill-pressure-too-high': ['idle-cold-pressure', 'fill-disconnected-watch'],
  'boiler-overheating': ['flow-return'],
};
/** What is soon done on any visit. */
export const SOON_DONE = [
  'discharge-pipe',
  'gas-valve-press',
  'second-gauge',
  'idle-cold-pressure',
  'visible-leak',
  'top-ups-per-month',
  'bleed-radiators',
  'vessel-tap-sound',
  'gas-valve-bubbles',
  'relief-reseat',
  'condensate-when-off',
  'precharge',
  'fill-disconnected-watch',
  'fill-isolated-watch',
];
