import type { Doing, WrittenFinding } from './Doing';
import { seeded, type Random } from './random';
import type { TruePlant } from './TruePlant';
import { drawnOffBar, waterHeldL } from './trueVessel';
import { isolatedHold, watchedChange } from './trueWatches';

const SLIPS = 0.03;
const digits = (x: number) => Math.round(x * 1000) / 1000;

/** Whether a test can be done at all on this plant: a fed one has no loop to part, a loop no valve that feeds by itself, a plate no coil to
 *  shut off. */
export function canBeDone(test: string, p: TruePlant): boolean {
  if (['fill-outlet-drip', 'fill-disconnected-watch'].includes(test)) return !fedByItself(p);
  if (test === 'fill-isolated-watch') return fedByItself(p);
  if (test === 'coil-isolated-watch') return p.dhw === 'indirect-coil';
  if (test === 'listen-at-exchanger') return p.dhw === 'plate-exchanger';
  // What a large boiler holds by itself drowns what its vessel gives back.
  if (test === 'vessel-drained-volume') return p.kind === 'wall-boiler';
  return test in SHOWN;
}

/** The same for a test on a plant whenever it is done. */
export const randomOfTest = (seed: number, test: string): Random =>
  seeded(seed * 9973 + ([...test].reduce((s, c) => 31 * s + c.charCodeAt(0), 7) % 1_000_003));

/** What a test shows on the real plant, with slips; null where it shows nothing there. Shares are this package's own reading of the trade,
 *  apart from the judge's. */
export function trueFinding(test: string, p: TruePlant, liftedHot: boolean, r: Random, watchMin?: number): WrittenFinding | null {
  const slip = r.chance(SLIPS);
  const say = (outcome: string, others: string[]) => ({ outcome: slip ? r.pick(others) : outcome });
  const half = p.gauge.stepBar / 2;
  const read = (bar: number) =>
    digits(Math.max(0, Math.round((bar + p.gauge.offsetBar + r.normal(0, 0.25 * p.gauge.stepBar)) / half) * half));
  const shown = SHOWN[test]?.({ p, liftedHot, r, say, read, watchMin }) ?? null;
  return shown && { test, ...shown };
}

/** What has a valve or a unit for its filling, not a hose. */
export const fedByItself = (p: TruePlant) => p.kind === 'fed' || p.kind === 'plant-room';
const letsWaterIn = (p: TruePlant) => p.seepFill > 0 || p.seepCoil > 0;
/** Water that leaves at a pressure, L/h. */
const lossLPerH = (p: TruePlant, bar: number) => (p.leak + p.reliefDrip) * Math.sqrt(Math.max(0, bar));

const SHOWN: Record<string, (d: Doing) => Record<string, unknown> | null> = {
  'gas-valve-press': ({ p, r, say }) => {
    const water = p.diaphragmHoled && r.chance(0.85),
      nothing = !water && p.chargeBar + 1.013 < 0.9 && r.chance(0.85);
    return say(water ? 'water' : nothing ? 'nothing' : 'air', ['air', 'nothing', 'water']);
  },
  'discharge-pipe': ({ p, liftedHot, r, say }) => {
    const dripping =
      p.reliefDrip > 0.1 ? r.chance(0.88) : letsWaterIn(p) && p.coldBar > p.reliefBar - 0.2 ? r.chance(0.6) : liftedHot && r.chance(0.25);
    const stained = !dripping && r.chance(liftedHot ? 0.65 : letsWaterIn(p) ? 0.3 : 0.06);
    const what = say(dripping ? (p.reliefDrip > 3 * p.pace ? 'running' : 'dripping') : stained ? 'stained' : 'dry', [
      'dry',
      'stained',
      'dripping',
    ]);
    const felt = ['dripping', 'running'].includes(what.outcome) && r.chance(0.4);
    return { ...what, ...(felt ? { water: p.reliefDrip > 0.1 && r.chance(0.65) ? 'cold' : 'hot' } : {}) };
  },
  'discharge-catch': ({ p, liftedHot, r }) => {
    const during = r.pick(['cold', 'hot']),
      minutes = r.pick([10, 15, 30]);
    const lPerH = p.reliefDrip * Math.sqrt(Math.max(0, p.coldBar)) + (during === 'hot' && liftedHot ? r.uniform(0.5, 3) : 0);
    return { volumeMl: Math.round((lPerH * minutes * 1000) / 60), minutes, during };
  },
  'relief-reseat': ({ p, r, say }) =>
    say(
      p.reliefDrip > 0.1
        ? r.chance(0.75)
          ? 'still-drips'
          : 'stopped'
        : r.chance(p.coldBar > 0.88 * p.reliefBar ? 0.35 : 0.06)
          ? 'still-drips'
          : 'stopped',
      ['stopped', 'still-drips'],
    ),
  'relief-marking': ({ p, r }) => ({
    markedBar: digits(p.reliefBar < 0.87 * p.reliefMarkedBar && r.chance(0.35) ? Math.round(p.reliefBar * 4) / 4 : p.reliefMarkedBar),
  }),
  'gas-valve-bubbles': ({ p, r, say }) => say(p.coreLeaks && r.chance(0.93) ? 'bubbles' : 'tight', ['tight', 'bubbles']),
  'vessel-connection-flow': ({ p, r, say }) =>
    say(p.blocked ? (r.chance(0.7) ? 'blocked' : 'restricted') : p.vesselOpen ? 'free' : 'blocked', ['free', 'restricted', 'blocked']),
  'vessel-valve-position': ({ p, say }) => say(p.vesselOpen || p.blocked ? 'open' : 'closed', ['open', 'closed', 'no-valve']),
  'vessel-tap-sound': ({ p, r, say }) =>
    say(r.chance(0.3) ? 'unclear' : (p.diaphragmHoled || p.chargeBar < 0) === r.chance(0.65) ? 'dull' : 'hollow', [
      'hollow',
      'dull',
      'unclear',
    ]),
  'pump-up-hold': ({ p, r, say }) =>
    say(p.diaphragmHoled ? r.pick(['fell', 'bubbles-at-drain', 'would-not-rise']) : p.coreLeaks && r.chance(0.3) ? 'fell' : 'held', [
      'held',
      'fell',
    ]),
  precharge: ({ p, r }) => ({
    valueBar: digits(Math.max(0, (p.diaphragmHoled ? r.uniform(0, 0.25) : Math.max(0, p.chargeBar)) + r.normal(0, 0.03))),
    circuitBar: 0,
    drainOpen: true,
  }),
  'draw-off': ({ p, r, read }) => {
    if (!p.vesselOpen && p.airL < 0.02) return null;
    const volumeL = r.pick([0.25, 0.5, 0.5, 1]) * Math.round(p.pace);
    return { volumeL: digits(volumeL * r.normal(1, 0.02)), beforeBar: read(p.coldBar), afterBar: read(drawnOffBar(p, p.coldBar, volumeL)) };
  },
  'vessel-drained-volume': ({ p, r, read }) => ({
    volumeL: Math.round(10 * (waterHeldL(p, p.coldBar) + p.boilerL * r.uniform(0.5, 1))) / 10,
    fromBar: read(p.coldBar),
  }),
  'second-gauge': ({ p, r, read }) => {
    const first = read(shownByStuck(p, p.coldBar, r));
    return { firstGaugeBar: first, valueBar: digits(Math.max(0, Math.round((p.coldBar + r.normal(0, 0.02)) * 50) / 50)) };
  },
  'gauge-at-zero': ({ p, r, read }) => ({ valueBar: read(shownByStuck(p, 0, r)) }),
  'low-pressure-stop': ({ p, r, say }) =>
    say((p.gauge.offsetBar > 0.35 || p.gauge.stuckShare > 0.5) && r.chance(0.7) ? 'not-shown' : 'shown', ['shown', 'not-shown']),
  'fill-disconnected-watch': (d) => ({ ...watchedChange(d, 'fill-disconnected', [10, 15, 20]), boilerIsolated: false }),
  'fill-isolated-watch': (d) => watchedChange(d, 'fill-closed', [15, 20, 30]),
  'cold-main-off-watch': (d) => watchedChange(d, 'cold-main-closed', [10, 15, 20]),
  'cold-main-on-watch': (d) => watchedChange(d, null, [15, 20]),
  'coil-isolated-watch': (d) => watchedChange(d, 'coil-isolated', [15, 20, 30]),
  'boiler-isolated-hold': isolatedHold,
  'fill-outlet-drip': ({ p, r, say }) => say(p.seepFill > 0.15 && r.chance(0.93) ? 'drips' : 'dry', ['dry', 'drips']),
  'listen-at-exchanger': ({ p, r, say }) =>
    say(p.seepCoil > 1 && p.dhw === 'plate-exchanger' && r.chance(0.65) ? 'hiss' : 'quiet', ['quiet', 'hiss']),
  'visible-leak': ({ p, r, say }) => say(p.leak > 0 && !p.leakInBoiler && r.chance(0.55) ? 'found' : 'none', ['none', 'found']),
  'condensate-when-off': ({ p, r, say }) => say(p.leakInBoiler && r.chance(0.88) ? 'drips' : 'dry', ['dry', 'drips']),
  'bleed-radiators': ({ p, r, say }) =>
    say(p.airL > p.pace ? (r.chance(0.75) ? 'much-air' : 'some-air') : r.chance(0.25) ? 'some-air' : 'none', [
      'none',
      'some-air',
      'much-air',
    ]),
  'idle-cold-pressure': ({ p, r, read }) => ({ valueBar: read(p.coldBar), idleHours: r.pick([8, 10, 12]) }),
  // A household tops up when it stops or when it happens to look.
  'top-ups-per-month': ({ p, liftedHot, r }) => ({
    count: Math.round(
      r.uniform(0, 1) * (letsWaterIn(p) || p.feedBar !== null ? 1 : lossLPerH(p, p.coldBar) > 0.15 ? 10 : liftedHot ? 6 : 1),
    ),
  }),
};

/** A stuck needle stands wherever it got stuck; a sound one follows. */
const shownByStuck = (p: TruePlant, bar: number, r: Random): number =>
  p.gauge.stuckShare > 0 ? bar + p.gauge.stuckShare * (r.uniform(0.5, 2) - bar) : bar;
