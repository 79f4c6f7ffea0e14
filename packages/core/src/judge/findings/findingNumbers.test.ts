import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { Finding } from '../Finding';
import { restsAtHead } from './drawOffDensity';
import { findingLikelihood } from './findingLikelihood';
import { changeOver } from './changeOver';
import { expectedNumber, foretold, ranBack } from './findingNumbers';
import { readingSd } from './readingSd';
import { curveOf } from '../fit/draw';
import { SLOT } from '../fit/kernel';
import { NOTHING_LOGGED } from '../Logged';
import { WaterCurve } from '../fit/WaterCurve';

const c = resolveCircuit({
  kind: 'sealed-hot-water',
  waterVolumeL: 100,
  waterVolumeSource: 'measured',
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 1 },
  staticHeadM: 4,
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 4 },
  gauge: { resolutionBar: 0.02 },
  maxFlowC: 70,
});

/** A circuit with an 8 L vessel, as the kernel's parameters. */
function drawOf(change: Partial<Record<keyof typeof SLOT, number>> & { chargeBar?: number } = {}): Float64Array {
  const { chargeBar = 1, ...slots } = change;
  const v = new Float64Array(SLOT.start);
  const all = {
    gas: (chargeBar + c.atmosphericBar) * 8,
    vesselL: 8,
    contentL: 100,
    share: 0.9,
    lagS: 100,
    stretch: 0.03,
    air: 1e-6,
    lift: 3,
    feedHolds: -2,
    mains: 4,
    cap: 0.9,
    ...slots,
  };
  for (const [slot, x] of Object.entries(all)) v[SLOT[slot as keyof typeof SLOT]] = x;
  return v;
}
const number = (f: Finding, v = drawOf()) => expectedNumber(f, v, c)!;
const watch = (startBar: number, endBar: number, minutes: number): Finding => ({
  test: 'fill-disconnected-watch',
  startBar,
  endBar,
  minutes,
  boilerIsolated: true,
});

it('half a litre off an 8 L vessel charged to 1 bar brings 1.5 bar to 1.318: the worked value of the draw-off', () => {
  // By hand: P0·Vn = ΔV / (1/P2 − 1/P1), 2.01325 · 8 = 0.5 / (1/2.3313 − 1/2.51325); the stretch takes 5 mL of it.
  const { seen, expected } = number({ test: 'draw-off', volumeL: 0.5, beforeBar: 1.5, afterBar: 1.318 });
  expect(seen).toBe(0.5);
  expect(Math.abs(expected - 0.5)).toBeLessThan(0.008);
});

it('a gauge that fell to its foot does not contradict a full jug', () => {
  const { seen, expected } = number({ test: 'draw-off', volumeL: 1, beforeBar: 1, afterBar: 0 }, drawOf({ vesselL: 0, gas: 0 }));
  expect(expected).toBe(seen);
  expect(number({ test: 'draw-off', volumeL: 1, beforeBar: 1, afterBar: 0.7 }, drawOf({ vesselL: 0, gas: 0 })).expected).toBeLessThan(0.02);
});

it('a charge with water behind it repeats the water’s pressure', () => {
  expect(
    Math.abs(number({ test: 'precharge', valueBar: 0.4, circuitBar: 0, drainOpen: true }, drawOf({ chargeBar: 0.4 })).expected - 0.4),
  ).toBeLessThan(1e-9);
  expect(
    Math.abs(number({ test: 'precharge', valueBar: 1.2, circuitBar: 1.2, drainOpen: false }, drawOf({ chargeBar: 0.4 })).expected - 1.2),
  ).toBeLessThan(1e-9);
});

it('two gauges differ by what the first one is off, and a stuck one by anything', () => {
  const f: Finding = { test: 'second-gauge', valueBar: 1, firstGaugeBar: 1.5 };
  expect(number(f, drawOf({ offset: 0.5 }))).toMatchObject({ seen: 0.5, expected: 0.5 });
  expect(number(f, drawOf({ stuck: 0.9 })).sd).toBeGreaterThan(0.4);
});

describe('a watch', () => {
  it('shows nothing where nothing comes in or goes out', () => expect(number(watch(1.2, 1.2, 30)).expected).toBe(0));
  it('rises with the hole, falls with a leak, and never beyond the mains or the relief', () => {
    const rise = (inCoil: number) => number(watch(1.2, 1.2, 30), drawOf({ inCoil })).expected;
    expect(rise(0.3)).toBeGreaterThan(0.02);
    expect(rise(1)).toBeGreaterThan(rise(0.3));
    expect(rise(200)).toBeLessThanOrEqual(3 - 1.2 + 1e-9);
    expect(number(watch(1.2, 1.2, 30), drawOf({ outCircuit: 0.5 })).expected).toBeLessThan(-0.02);
  });
  it('from zero goes up fast to the charge and slowly from there', () => {
    const after = (minutes: number) => number(watch(0, 0, minutes), drawOf({ inCoil: 0.8 })).expected;
    expect(after(5)).toBeGreaterThan(0.9);
    expect(after(10) - after(5)).toBeLessThan(0.5 * after(5));
  });
  it('shows nothing on a needle that is stuck', () =>
    expect(number(watch(1.2, 1.2, 30), drawOf({ inCoil: 2, stuck: 1 })).expected).toBe(0));
  it('with heat on says too much else to look for it', () =>
    expect([foretold(watch(1, 1, 5)), foretold({ ...watch(1, 1, 5), heating: true })]).toEqual([true, false]));
});

it('pipes without a vessel fall at once, a side with one slowly', () => {
  const ways = { inK: 0, outK: 0.3, feedGaugeBar: -1, liftGaugeBar: 3, mainsGaugeBar: 4 };
  const bare = changeOver(new WaterCurve(0, 0, 0, 0.03, 1e-6), 1.5, 0.5, ways, c),
    whole = changeOver(curveOf(drawOf()), 1.5, 0.5, ways, c);
  expect(bare).toBeLessThan(-1.4);
  expect(whole).toBeGreaterThan(-0.3);
  expect(whole).toBeLessThan(0);
});

describe('with the main shut and a tap open', () => {
  const shut = (endBar: number): Finding => ({ test: 'cold-main-off-watch', startBar: 1.3, endBar, minutes: 15, heating: false });
  it('a holed exchanger may let the heating’s water out the way that the mains’ came in: as much as the hole lets by at that pressure', () => {
    expect(ranBack(shut(1), drawOf({ inCoil: 2 }), c)!.expected).toBeCloseTo(number(shut(1), drawOf({ outCircuit: 2 })).expected, 9);
    expect(number(shut(1), drawOf({ inCoil: 2 })).expected).toBe(0);
  });
  it('so that a fall does not need a second fault, and standing still stays the commoner', () => {
    const likely = (endBar: number) => findingLikelihood(shut(endBar), ['dhw-plate-perforated'], drawOf({ inCoil: 2 }), c);
    expect(likely(1.3)).toBeGreaterThan(2 * likely(1.1));
    expect(likely(1.1)).toBeGreaterThan(3 * findingLikelihood(shut(1.1), ['fill-loop-passing'], drawOf({ inFill: 2 }), c));
  });
});

it('what comes up to its relief hot is topped up more often, also where mains water drives it up', () => {
  const seldom = (peakGaugeBar: number) =>
    findingLikelihood({ test: 'top-ups-per-month', count: 5 }, ['fill-loop-passing'], drawOf({ inFill: 1 }), c, {
      ...NOTHING_LOGGED,
      peakGaugeBar,
      usualPeakGaugeBar: peakGaugeBar,
    });
  expect(seldom(2.95)).toBeGreaterThan(3 * seldom(1.6));
});

it('who reads between two marks reads with more care: the same change says more', () => {
  const dial = resolveCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 3 }, gauge: { kind: 'dial', resolutionBar: 0.1 } });
  expect(readingSd(dial, 1.2, 1.3)).toBe(readingSd(dial));
  expect(readingSd(dial, 1.2, 1.35)).toBeLessThan(0.85 * readingSd(dial));
  const sdOf = (f: Finding) => expectedNumber(f, drawOf(), dial)!.sd;
  expect(sdOf(watch(1.2, 1.35, 20))).toBeLessThan(sdOf(watch(1.2, 1.4, 20)));
  expect(sdOf({ test: 'second-gauge', firstGaugeBar: 1.25, valueBar: 1 })).toBeLessThan(
    sdOf({ test: 'second-gauge', firstGaugeBar: 1.2, valueBar: 1 }),
  );
});

describe('a circuit that has no more to give', () => {
  const HEAD_BAR = c.staticGaugeBar;
  const shutOff = drawOf({ gas: 0, vesselL: 0, cap: 0, air: 0.05 });
  const drawn = (afterBar: number, v = shutOff) =>
    findingLikelihood({ test: 'draw-off', volumeL: 0.5, beforeBar: 1.5, afterBar }, ['vessel-isolated'], v, c, NOTHING_LOGGED);

  it('comes to rest at the head of its water now and then while the jug goes on filling, or goes on falling', () => {
    expect(drawn(HEAD_BAR)).toBeGreaterThan(0.2);
    // Between the head and nothing, or above the head, it would go on falling.
    expect(drawn(HEAD_BAR - 0.25)).toBeLessThan(0.1 * drawn(HEAD_BAR));
    expect(drawn(HEAD_BAR + 0.3)).toBeLessThan(0.1 * drawn(HEAD_BAR));
    expect(drawn(0)).toBeGreaterThan(0.4);
  });
  it('is none that still has its vessel’s water', () => {
    const sound = drawOf(),
      given = number({ test: 'draw-off', volumeL: 0.2, beforeBar: 1.5, afterBar: HEAD_BAR }, sound);
    expect(given.expected).toBeGreaterThan(0.2);
    expect(restsAtHead({ test: 'draw-off', volumeL: 0.2, beforeBar: 1.5, afterBar: HEAD_BAR }, given, sound, c)).toBe(0);
  });
});
