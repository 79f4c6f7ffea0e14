import type { WrittenFinding } from '../truth/Doing';
import type { Random } from '../truth/random';
import { toStep } from '../truth/toStep';
import { feedsItself, sizeOf, type LoopPlant } from './LoopPlant';
import { airBar, heldL, pressureHolding, runLoop, vesselHoldsL } from './runLoop';

const SLIPS = 0.03,
  HOUR_MIN = 60,
  ROOM_C = 18;
interface Visit {
  p: LoopPlant;
  lifted: boolean;
  r: Random;
  say: (outcome: string, others: string[]) => { outcome: string };
  read: (bar: number) => number;
}

/** Somebody watches the gauge with something shut. A stuck needle stays. */
function watched({ p, r, read }: Visit, shut: 'main' | 'fill' | 'coil' | undefined, minutes: number): Record<string, unknown> {
  const { bar } = runLoop(p, { durationS: 60 * minutes, heat: [], roomC: ROOM_C, ...(shut ? { shut } : {}) }, 20),
    first = read(bar[0]!);
  return { startBar: first, endBar: p.gauge.stuck ? first : read(bar.at(-1)! + r.normal(0, 0.008)), minutes };
}
const lossLPerH = (p: LoopPlant, bar = p.coldBar) => p.outLPerH * sizeOf(p) * Math.sqrt(Math.max(0, bar) / 2);
const early = (p: LoopPlant) => p.relief.liftBar < p.relief.markedBar - 0.3;
const flat = (p: LoopPlant) => p.vessel.holed || p.vessel.chargeBar < 0.03;
const unheated = (v: Visit, shut: 'main' | 'fill' | 'coil' | undefined, minutes: number[]) => ({
  ...watched(v, shut, v.r.pick(minutes)),
  heating: false,
});

/** What each test shows; null where nobody can do it there. Shares are this maker's own reading of the trade. */
const SHOWS: Record<string, (v: Visit) => Record<string, unknown> | null> = {
  'idle-cold-pressure': ({ p, r, read }) => ({ valueBar: read(p.coldBar), idleHours: r.pick([3, 6, 8, 10]) }),
  'discharge-pipe': ({ p, lifted, r, say }) =>
    say(
      p.outBy === 'seat'
        ? lossLPerH(p) > 4 * sizeOf(p)
          ? 'running'
          : r.chance(0.85)
            ? 'dripping'
            : 'stained'
        : lifted || early(p)
          ? r.weighted([
              ['stained', 0.55],
              ['dripping', 0.25],
              ['dry', 0.2],
            ] as const)
          : r.chance(0.07)
            ? 'stained'
            : 'dry',
      ['dry', 'stained', 'dripping'],
    ),
  'discharge-catch': ({ p, lifted, r }) => {
    const minutes = r.pick([10, 15, 30]),
      during = r.pick(['cold', 'hot']),
      hot = during === 'hot';
    return {
      volumeMl: Math.round(
        ((1000 * minutes * (p.outBy === 'seat' ? lossLPerH(p, p.coldBar + (hot ? 0.5 : 0)) : 0)) / HOUR_MIN) * r.uniform(0.85, 1.1) +
          (hot && lifted ? r.uniform(30, 700) : 0),
      ),
      minutes,
      during,
    };
  },
  'second-gauge': ({ p, r, read }) => ({
    valueBar: Math.max(0, toStep(p.coldBar + r.normal(0, 0.025), 0.05)),
    firstGaugeBar: p.gauge.stuck ? read(p.coldBar + r.pick([-0.4, 0.6])) : read(p.coldBar),
  }),
  'gauge-at-zero': ({ p, read }) => ({ valueBar: p.gauge.stuck ? read(p.coldBar) : Math.max(0, read(0)) }),
  'low-pressure-stop': ({ p, say }) => say(p.gauge.stuck || p.gauge.offsetBar > 0.4 ? 'not-shown' : 'shown', ['shown', 'not-shown']),
  'gas-valve-press': ({ p, r, say }) =>
    say(p.vessel.holed ? (r.chance(0.88) ? 'water' : 'nothing') : p.vessel.chargeBar < 0.03 ? (r.chance(0.8) ? 'nothing' : 'air') : 'air', [
      'air',
      'water',
      'nothing',
    ]),
  precharge: ({ p, r }) => {
    const drainOpen = r.chance(0.92),
      circuitBar = drainOpen ? 0 : toStep(p.coldBar, 0.1),
      behindBar = p.vessel.way === 'open' || p.vessel.way === 'narrow' ? circuitBar : 0;
    return {
      valueBar: Math.max(
        0,
        toStep(Math.max(p.vessel.holed ? r.uniform(0, 0.1) : p.vessel.chargeBar, behindBar) + r.normal(0, 0.025), 0.05),
      ),
      circuitBar,
      drainOpen,
    };
  },
  'pump-up-hold': ({ p, r, say }) =>
    say(p.vessel.holed ? r.pick(['fell', 'bubbles-at-drain', 'would-not-rise']) : p.vessel.coreLeaks && r.chance(0.4) ? 'fell' : 'held', [
      'held',
      'fell',
    ]),
  'gas-valve-bubbles': ({ p, r, say }) => say(p.vessel.coreLeaks && r.chance(0.92) ? 'bubbles' : 'tight', ['tight', 'bubbles']),
  'draw-off': ({ p, r, read }) => {
    const volumeL = toStep(Math.max(0.3, 0.05 * p.vessel.nominalL * r.uniform(0.6, 1.6)), 0.1);
    return {
      volumeL: toStep(volumeL * r.normal(1, 0.03), 0.05),
      beforeBar: read(p.coldBar),
      afterBar: read(Math.max(0, pressureHolding(p, heldL(p, p.coldBar, ROOM_C) - volumeL, ROOM_C))),
    };
  },
  'vessel-drained-volume': ({ p, r, read }) =>
    p.kind === 'flat' ? { volumeL: toStep(vesselHoldsL(p, p.coldBar, ROOM_C) + r.uniform(0.4, 1.5), 0.1), fromBar: read(p.coldBar) } : null,
  'vessel-connection-flow': ({ p, r, say }) =>
    say(
      p.vessel.way === 'narrow'
        ? 'restricted'
        : p.vessel.way === 'open'
          ? 'free'
          : p.vessel.way === 'blocked' && r.chance(0.25)
            ? 'restricted'
            : 'blocked',
      ['free', 'restricted', 'blocked'],
    ),
  'vessel-valve-position': ({ p, r, say }) =>
    say(p.vessel.way === 'shut' ? 'closed' : p.kind === 'flat' || r.chance(0.3) ? 'no-valve' : 'open', ['open', 'closed']),
  'vessel-tap-sound': ({ p, r, say }) =>
    say(r.chance(0.3) ? 'unclear' : flat(p) === r.chance(0.7) ? 'dull' : 'hollow', ['hollow', 'dull', 'unclear']),
  'fill-disconnected-watch': (v) => (feedsItself(v.p) ? null : { ...watched(v, 'fill', v.r.pick([10, 15, 30])), boilerIsolated: false }),
  'fill-isolated-watch': (v) => (feedsItself(v.p) ? unheated(v, 'fill', [15, 30, 60]) : null),
  'fill-outlet-drip': ({ p, r, say }) =>
    feedsItself(p) ? null : say(p.inBy === 'fill' && r.chance(0.95) ? 'drips' : 'dry', ['dry', 'drips']),
  'cold-main-off-watch': (v) => unheated(v, 'main', [15, 30, 60]),
  'cold-main-on-watch': (v) => unheated(v, undefined, [15, 30, 60]),
  'coil-isolated-watch': (v) => (v.p.dhw === 'indirect-coil' ? unheated(v, 'coil', [15, 30, 60]) : null),
  'boiler-isolated-hold': ({ p, r, read }) => {
    const minutes = r.pick([30, 60, 240]),
      byBoiler = p.outBy === 'boiler' || p.outBy === 'seat',
      stiff = 0.03 * sizeOf(p) ** 2,
      gives = (hasVessel: boolean) =>
        hasVessel && p.vessel.way === 'open'
          ? Math.max(stiff, (p.vessel.nominalL * (p.vessel.chargeBar + airBar(p))) / (p.coldBar + airBar(p)) ** 2)
          : stiff;
    const falls = (leaks: boolean, hasVessel: boolean) =>
      read(Math.max(0, p.coldBar - (leaks ? ((lossLPerH(p) * minutes) / HOUR_MIN) * r.uniform(0.7, 1) : 0) / gives(hasVessel)));
    return {
      boilerStartBar: read(p.coldBar),
      boilerEndBar: falls(byBoiler, p.kind === 'flat'),
      circuitStartBar: read(p.coldBar),
      circuitEndBar: falls(p.outBy !== null && !byBoiler, p.kind !== 'flat'),
      minutes,
    };
  },
  'listen-at-exchanger': ({ p, r, say }) =>
    p.dhw === 'plate-exchanger'
      ? say(p.inBy === 'dhw' && r.chance(p.inLPerH > 1 ? 0.8 : 0.35) ? 'hiss' : 'quiet', ['quiet', 'hiss'])
      : null,
  'relief-reseat': ({ p, r, say }) => say(p.outBy === 'seat' && r.chance(0.8) ? 'still-drips' : 'stopped', ['stopped', 'still-drips']),
  'relief-marking': ({ p, r }) => ({ markedBar: early(p) && r.chance(0.35) ? toStep(p.relief.liftBar, 0.25) : p.relief.markedBar }),
  'bleed-radiators': ({ p, r, say }) =>
    say(
      p.airL > Math.max(1, 0.01 * p.contentL)
        ? r.chance(0.8)
          ? 'much-air'
          : 'some-air'
        : r.chance(p.outBy ? 0.35 : 0.18)
          ? 'some-air'
          : 'none',
      ['none', 'some-air', 'much-air'],
    ),
  'visible-leak': ({ p, r, say }) =>
    say((p.outBy === 'circuit' || p.outBy === 'vent') && r.chance(0.7) ? 'found' : 'none', ['none', 'found']),
  'condensate-when-off': ({ p, r, say }) => say(p.outBy === 'boiler' && r.chance(0.88) ? 'drips' : 'dry', ['dry', 'drips']),
  'top-ups-per-month': ({ p, lifted, r }) =>
    feedsItself(p) ? null : { count: Math.round(p.outBy ? r.uniform(2, 14) : lifted ? r.uniform(1, 6) : r.uniform(0, 1.3)) },
  'flow-return': ({ p, r }) => ({
    flowC: Math.round(p.burnsToC + r.normal(0, 1.5)),
    returnC: Math.round(p.burnsToC - r.uniform(8, 18)),
    minutesFiring: r.pick([15, 20, 30]),
  }),
};
/** All that this maker knows to do. */
export const LOOP_TESTS = Object.keys(SHOWS);

/** What a test shows on a plant; null where it cannot be done there.
 *  @param maySlip whether whoever does it may write down another outcome than he sees */
export function loopFinding(test: string, p: LoopPlant, lifted: boolean, r: Random, maySlip = true): WrittenFinding | null {
  const slips = r.chance(SLIPS) && maySlip,
    say = (outcome: string, others: string[]) => ({ outcome: slips ? r.pick(others.filter((o) => o !== outcome)) : outcome });
  const read = (bar: number) =>
      Math.max(0, toStep(bar * p.gauge.slope + p.gauge.offsetBar + r.normal(0, 0.15 * p.gauge.stepBar), p.gauge.stepBar / 2)),
    shows = SHOWS[test]?.({ p, lifted, r, say, read }) ?? null;
  return shows && { test, ...shows };
}
