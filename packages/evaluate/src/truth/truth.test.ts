import { makeCase, TIERS } from './makeCase';
import { CHECKLIST, makeVisit } from './makeVisit';
import { seeded } from './random';
import { runPlant } from './runPlant';
import { soundPlant } from './TruePlant';
import { testsFor } from './testsFor';
import { TRUE_FAULTS } from './trueFaults';
import { trueFinding } from './trueFindings';
import { waterHeldL } from './trueVessel';
import { densityKgPerL } from './water';

const plant = (change: Partial<ReturnType<typeof soundPlant>> = {}) => ({
  ...soundPlant('wall-boiler', seeded(5)),
  contentL: 95,
  vesselL: 8,
  chargeBar: 0.75,
  coldBar: 1.1,
  feedBar: null,
  reliefBar: 3,
  limitC: 70,
  reliefDripAfterLift: 0,
  ...change,
});
const HEAT = { durationS: 1800, heat: [{ onS: 60, offS: 1800 }], actions: [] };
const hottest = (p: ReturnType<typeof plant>) => Math.max(...runPlant(p, HEAT).systemBar);

// CRC Handbook, near one atmosphere, from memory.
it.each([
  [10, 0.9997],
  [20, 0.99821],
  [60, 0.9832],
  [80, 0.9718],
  [100, 0.95836],
])('water at %d °C weighs %d kg a litre', (c, rho) => expect(Math.abs(densityKgPerL(c) - rho)).toBeLessThan(0.0002));

it('a sound small circuit swings by what practice calls ordinary, and a flat one into its relief', () => {
  const swing = hottest(plant()) - 1.1;
  expect(swing).toBeGreaterThan(0.25);
  expect(swing).toBeLessThan(0.8);
  expect(hottest(plant({ chargeBar: -0.6 }))).toBeGreaterThan(2.6);
});

it('more charge never raises the hot pressure, more content never lowers it', () => {
  for (const chargeBar of [-0.6, -0.3, 0, 0.3, 0.6])
    expect(hottest(plant({ chargeBar }))).toBeGreaterThanOrEqual(hottest(plant({ chargeBar: chargeBar + 0.15 })) - 1e-6);
  for (const contentL of [60, 80, 100])
    expect(hottest(plant({ contentL: contentL + 15 }))).toBeGreaterThanOrEqual(hottest(plant({ contentL })) - 1e-6);
});

it('cold and shut it stands still; a leak empties it and a hole fills it, the main shut or not', () => {
  const idle = { durationS: 3600, heat: [], actions: [] };
  const end = (p: ReturnType<typeof plant>, actions: { atS: number; kind: string }[] = []) =>
    runPlant({ ...p, roomC: 18 }, { ...idle, actions }).systemBar.at(-1)!;
  expect(Math.abs(end(plant()) - 1.1)).toBeLessThan(0.005);
  expect(end(plant({ leak: 0.5 }))).toBeLessThan(1);
  expect(end(plant({ seepCoil: 0.5 }))).toBeGreaterThan(1.2);
  expect(Math.abs(end(plant({ seepCoil: 0.5 }), [{ atS: 0, kind: 'cold-main-closed' }]) - 1.1)).toBeLessThan(0.01);
  expect(Math.abs(end(plant({ seepFill: 0.5 }), [{ atS: 0, kind: 'fill-disconnected' }]) - 1.1)).toBeLessThan(0.01);
});

describe('a plant room', () => {
  const rooms = Array.from({ length: 30 }, (_, i) => soundPlant('plant-room', seeded(i + 1)));
  it('has a vessel for its water, a charge that carries its head, limits between that and its relief', () => {
    for (const p of rooms) {
      expect(p.chargeBar).toBeGreaterThan(0.0981 * p.staticM);
      expect(p.feedFromBar!).toBeGreaterThan(p.rightChargeBar);
      expect(p.feedBar!).toBeGreaterThan(p.feedFromBar!);
      expect(p.reliefMarkedBar - p.feedBar!).toBeGreaterThan(1);
      const hot = Math.max(...runPlant({ ...p, limitC: 75 }, { durationS: 5400, heat: [{ onS: 0, offS: 5400 }], actions: [] }).systemBar);
      expect(hot).toBeLessThan(p.reliefBar);
    }
  });
  it('pumps up to its upper limit once it falls to its lower, and then rests', () => {
    const leaks = { ...rooms[0]!, leak: 60, roomC: 18, coldBar: rooms[0]!.feedFromBar! + 0.05 };
    const bars = runPlant(leaks, { durationS: 4 * 3600, heat: [], actions: [] }).systemBar;
    expect(Math.min(...bars)).toBeGreaterThan(leaks.feedFromBar! - 0.05);
    expect(Math.max(...bars)).toBeGreaterThan(leaks.feedBar! - 0.05);
    const starts = bars.filter((bar, i) => i > 0 && bar - bars[i - 1]! > 1e-4 && (i < 2 || bars[i - 1]! <= bars[i - 2]!)).length;
    expect(starts).toBeGreaterThan(0);
    expect(starts).toBeLessThan(30);
  });
});

it.each(TIERS)('the tier “%s” gives the same visit for the same seed, with faults that it knows', (tier) => {
  for (let seed = 1; seed <= (tier === 'days' ? 2 : 6); seed++) {
    const made = makeCase(tier, seed);
    expect(makeCase(tier, seed)).toEqual(made);
    expect(made.truth.faults.length).toBe(tier === 'pair' ? 2 : 1);
    for (const f of made.truth.faults) expect(Object.keys(TRUE_FAULTS)).toContain(f);
    expect([...made.truth.faults].sort()).toEqual(made.truth.faults);
  }
});

describe('a visit that goes on', () => {
  it('answers a test the same whenever it is asked, and refuses what cannot be done there', () => {
    const visits = Array.from({ length: 12 }, (_, i) => makeVisit(i + 1));
    for (const v of visits) {
      expect(v.case.findings).toEqual([]);
      expect(v.perform('discharge-pipe')).toEqual(v.perform('discharge-pipe'));
      expect(v.perform('no-such-test')).toBeNull();
    }
    const fed = visits.find((v) => (v.case.circuit as { fill: { kind: string } }).fill.kind === 'reducing-valve')!;
    expect(fed.perform('fill-outlet-drip')).toBeNull();
    expect(new Set(visits.map((v) => v.perform('second-gauge')!.firstGaugeBar)).size).toBeGreaterThan(5);
  });
  it('a checklist names every test once', () => expect(new Set(CHECKLIST).size).toBe(CHECKLIST.length));
  it('a log of days holds days, and a visit of several logs two', () => {
    const days = (makeCase('days', 3).case.logs as { samples: { tS: number[] } }[])[0]!.samples.tS;
    expect(days.at(-1)!).toBeGreaterThanOrEqual(2 * 86_400 - 300);
    expect(makeCase('several', 3).case.logs).toHaveLength(2);
  });
});

describe('tests on a real plant', () => {
  const shown = (test: string, change: Partial<ReturnType<typeof soundPlant>>, watchMin = 30) =>
    Array.from({ length: 40 }, (_, i) => trueFinding(test, plant(change), false, seeded(i + 1), watchMin)!);
  const share = (found: Record<string, unknown>[], outcome: string) => found.filter((f) => f.outcome === outcome).length / found.length;
  const mean = (found: Record<string, unknown>[], of: (f: Record<string, number>) => number) =>
    found.reduce((s, f) => s + of(f as Record<string, number>), 0) / found.length;

  it.each([
    ['gas-valve-press', 'water', { diaphragmHoled: true }],
    ['gas-valve-bubbles', 'bubbles', { coreLeaks: true }],
    ['vessel-valve-position', 'closed', { vesselOpen: false }],
    ['fill-outlet-drip', 'drips', { seepFill: 1 }],
    ['condensate-when-off', 'drips', { leak: 1, leakInBoiler: true }],
    ['visible-leak', 'found', { leak: 1 }],
    ['relief-reseat', 'still-drips', { reliefDrip: 1 }],
    ['bleed-radiators', 'much-air', { airL: 3 }],
  ] as const)('%s comes out “%s” more often with the fault than without, and slips now and then', (test, outcome, fault) => {
    expect(share(shown(test, fault), outcome)).toBeGreaterThan(share(shown(test, {}), outcome) + 0.3);
  });

  it('watches show what the way left open lets in, and nothing where it is shut', () => {
    const rise = (test: string, change: Partial<ReturnType<typeof soundPlant>>) =>
      mean(shown(test, change), (f) => f.endBar! - f.startBar!);
    expect(rise('fill-disconnected-watch', { seepCoil: 1 })).toBeGreaterThan(0.1);
    expect(Math.abs(rise('fill-disconnected-watch', { seepFill: 1 }))).toBeLessThan(0.03);
    expect(Math.abs(rise('cold-main-off-watch', { seepFill: 1, seepCoil: 1 }))).toBeLessThan(0.03);
    expect(rise('cold-main-on-watch', { seepFill: 1 })).toBeGreaterThan(0.1);
  });

  it('boiler and circuit shut off from each other fall each by its own leak', () => {
    const fall = (change: Partial<ReturnType<typeof soundPlant>>) => {
      const f = shown('boiler-isolated-hold', change);
      return [
        mean(f, (x) => x.boilerStartBar! - x.boilerEndBar!),
        mean(
          f.filter((x) => x.circuitEndBar !== undefined),
          (x) => x.circuitStartBar! - x.circuitEndBar!,
        ),
      ] as const;
    };
    const inside = fall({ leak: 0.5, leakInBoiler: true }),
      outside = fall({ leak: 0.5 });
    expect(inside[0]).toBeGreaterThan(inside[1] + 0.1);
    expect(outside[1]).toBeGreaterThan(outside[0] + 0.1);
  });

  it('a vessel gives back on draining what its gas and the boiler held', () => {
    expect(mean(shown('vessel-drained-volume', {}), (f) => f.volumeL!)).toBeGreaterThan(
      mean(shown('vessel-drained-volume', { chargeBar: -0.9 }), (f) => f.volumeL!) + 0.5,
    );
    expect(waterHeldL(plant({ chargeBar: 0.75, airL: 0 }), 1.5)).toBeGreaterThan(2);
    expect(waterHeldL(plant({ vesselOpen: false, airL: 0 }), 1.5)).toBeLessThan(0.2);
  });

  it('whoever looks for a fault mostly does a test that speaks of it', () => {
    const done = Array.from({ length: 60 }, (_, i) =>
      testsFor(['relief-valve-passing', 'vessel-gas-valve-leaking'], plant(), seeded(i + 1), 4),
    );
    expect(done.every((t) => new Set(t).size === t.length && t.length === 4)).toBe(true);
    expect(done.filter((t) => t.includes('gas-valve-bubbles')).length).toBeGreaterThan(45);
    expect(done.filter((t) => ['discharge-pipe', 'discharge-catch', 'relief-reseat'].some((x) => t.includes(x))).length).toBeGreaterThan(
      50,
    );
  });
});
