import { seeded, type Random } from './random';
import { runPlant } from './runPlant';
import type { TruePlant } from './TruePlant';

export interface WrittenFinding { test: string; outcome?: string; [value: string]: unknown }

const ATM = 1.013;
const read = (bar: number, p: TruePlant, r: Random) => Math.max(0, Math.round((bar + r.normal(0, 0.25 * p.gauge.stepBar)) / (p.gauge.stepBar / 2)) * (p.gauge.stepBar / 2));
const digits = (x: number) => Math.round(x * 1000) / 1000;

/** Whether a test can be done at all on this plant: a fed one has no loop to part. */
export const canBeDone = (test: string, p: TruePlant): boolean => p.kind !== 'fed' || !['fill-outlet-drip', 'fill-disconnected-watch'].includes(test);

/** The same for a test on a plant whenever it is done. */
export const randomOfTest = (seed: number, test: string): Random => seeded(seed * 9973 + ([...test].reduce((s, c) => 31 * s + c.charCodeAt(0), 7) % 1_000_003));

/** What each test shows on the real plant, with slips. Shares are this package's own reading of the trade, apart from the judge's. */
export function trueFinding(test: string, p: TruePlant, liftedHot: boolean, r: Random, watchMin?: number): WrittenFinding | null {
  const slip = r.chance(0.03);
  const say = (outcome: string, others: string[]) => ({ test, outcome: slip ? r.pick(others) : outcome });
  const waterIn = p.seepFill > 0 || p.seepCoil > 0;
  switch (test) {
    case 'gas-valve-press': {
      const water = p.diaphragmHoled ? r.chance(0.85) : false;
      const left = p.chargeBar + ATM;
      const nothing = !water && left < 0.9 && r.chance(0.85);
      return say(water ? 'water' : nothing ? 'nothing' : 'air', ['air', 'nothing', 'water']);
    }
    case 'discharge-pipe': {
      const dripping = p.reliefDrip > 0.1 ? r.chance(0.88) : liftedHot ? r.chance(0.25) : false;
      const stained = !dripping && (liftedHot ? r.chance(0.65) : waterIn ? r.chance(0.3) : r.chance(0.06));
      return say(dripping ? (p.reliefDrip > 3 ? 'running' : 'dripping') : stained ? 'stained' : 'dry', ['dry', 'stained', 'dripping']);
    }
    case 'gas-valve-bubbles': return say(p.coreLeaks ? (r.chance(0.93) ? 'bubbles' : 'tight') : 'tight', ['tight', 'bubbles']);
    case 'vessel-connection-flow': return say(p.blocked ? (r.chance(0.7) ? 'blocked' : 'restricted') : !p.vesselOpen ? 'blocked' : 'free', ['free', 'restricted', 'blocked']);
    case 'vessel-valve-position': return say(p.vesselOpen || p.blocked ? 'open' : 'closed', ['open', 'closed', 'no-valve']);
    case 'pump-up-hold': return say(p.diaphragmHoled ? r.pick(['fell', 'bubbles-at-drain', 'would-not-rise']) : p.coreLeaks && r.chance(0.3) ? 'fell' : 'held', ['held', 'fell']);
    case 'precharge': {
      const shown = p.diaphragmHoled ? r.uniform(0, 0.25) : Math.max(0, p.chargeBar);
      return { test, valueBar: digits(Math.max(0, shown + r.normal(0, 0.03))), circuitBar: 0, drainOpen: true };
    }
    case 'draw-off': {
      if (!p.vesselOpen && p.airL < 0.02) return null;
      const volumeL = r.pick([0.25, 0.5, 0.5, 1]), before = p.coldBar;
      const after = drawOff(p, before, volumeL);
      return { test, volumeL: digits(volumeL * r.normal(1, 0.02)), beforeBar: digits(read(before + p.gauge.offsetBar, p, r)), afterBar: digits(read(after + p.gauge.offsetBar, p, r)) };
    }
    case 'second-gauge': return { test, firstGaugeBar: digits(read(p.coldBar + p.gauge.offsetBar, p, r)), valueBar: digits(Math.max(0, Math.round((p.coldBar + r.normal(0, 0.02)) * 50) / 50)) };
    case 'fill-disconnected-watch': case 'cold-main-off-watch': case 'coil-isolated-watch': {
      const kind = { 'fill-disconnected-watch': 'fill-disconnected', 'cold-main-off-watch': 'cold-main-closed', 'coil-isolated-watch': 'coil-isolated' }[test];
      const minutes = watchMin ?? r.pick([10, 15, 20]);
      const t = runPlant({ ...p, roomC: 18 }, { durationS: 60 * minutes, heat: [], actions: [{ atS: 0, kind }] });
      return { test, startBar: digits(read(t.systemBar[0]! + p.gauge.offsetBar, p, r)), endBar: digits(read(t.systemBar.at(-1)! + p.gauge.offsetBar, p, r)), minutes, heating: false, ...(test === 'fill-disconnected-watch' ? { boilerIsolated: false } : {}) };
    }
    case 'fill-outlet-drip': return say(p.seepFill > 0.15 ? (r.chance(0.93) ? 'drips' : 'dry') : 'dry', ['dry', 'drips']);
    case 'listen-at-exchanger': return say(p.seepCoil > 1 && p.dhw === 'plate-exchanger' && r.chance(0.65) ? 'hiss' : 'quiet', ['quiet', 'hiss']);
    case 'visible-leak': return say(p.leak > 0 && !p.leakInBoiler && r.chance(0.55) ? 'found' : 'none', ['none', 'found']);
    case 'condensate-when-off': return say(p.leakInBoiler ? (r.chance(0.88) ? 'drips' : 'dry') : 'dry', ['dry', 'drips']);
    case 'bleed-radiators': return say(p.airL > 1 ? (r.chance(0.75) ? 'much-air' : 'some-air') : r.chance(0.25) ? 'some-air' : 'none', ['none', 'some-air', 'much-air']);
    case 'idle-cold-pressure': return { test, valueBar: digits(read(p.coldBar + p.gauge.offsetBar, p, r)), idleHours: r.pick([8, 10, 12]) };
    default: return null;
  }
}

function drawOff(p: TruePlant, beforeBar: number, volumeL: number): number {
  const held = (bar: number) => { const P = bar + ATM; return (p.vesselOpen ? Math.min(0.93 * p.vesselL, Math.max(0, p.vesselL - ((p.chargeBar + ATM) * p.vesselL) / P)) : 0) + p.stretchLPerBar * bar - (p.airL * ATM) / P; };
  const want = held(beforeBar) - volumeL;
  let low = 0, high = beforeBar;
  for (let i = 0; i < 40; i++) { const mid = (low + high) / 2; if (held(mid) < want) low = mid; else high = mid; }
  return (low + high) / 2;
}

/** Tests that a technician would do with such a fault about: half of them after the trouble, half whatever comes first. */
export function testsFor(faults: string[], p: TruePlant, r: Random, count: number): string[] {
  const cheap = ['gas-valve-press', 'discharge-pipe', 'gas-valve-bubbles', 'second-gauge', 'idle-cold-pressure'];
  const by: Record<string, string[]> = {
    vessel: ['precharge', 'draw-off', 'gas-valve-press', 'pump-up-hold', 'vessel-connection-flow', 'vessel-valve-position', 'gas-valve-bubbles'],
    in: ['fill-disconnected-watch', 'fill-outlet-drip', 'cold-main-off-watch', ...(p.dhw === 'indirect-coil' ? ['coil-isolated-watch'] : ['listen-at-exchanger'])],
    out: ['visible-leak', 'condensate-when-off', 'discharge-pipe', 'bleed-radiators'],
    other: ['second-gauge', 'bleed-radiators', 'precharge', 'idle-cold-pressure'],
  };
  const group = (f: string) => (f.startsWith('vessel-') ? 'vessel' : /fill-loop|bypass|creeping|dhw-/.test(f) ? 'in' : /leak|relief-valve-passing|vent-faulty/.test(f) ? 'out' : 'other');
  const chosen = new Set<string>();
  for (let tries = 0; chosen.size < count && tries < 60; tries++) {
    const t = r.chance(0.65) ? r.pick(by[group(r.pick(faults))]!) : r.pick(cheap);
    if (canBeDone(t, p)) chosen.add(t);
  }
  return [...chosen];
}
