import { seeded } from '../truth/random';
import { kindsFor, LOOP_FAULTS, LOOP_PAIRS } from './loopFaults';
import { loopFinding, LOOP_TESTS } from './loopFindings';
import { loopLog, loopVisit } from './loopLog';
import { LOOP_KINDS, loopPlant, type LoopPlant } from './LoopPlant';
import { airBar, growth, heldL, pressureHolding, runLoop, type LoopRun } from './runLoop';

const plain = loopPlant('flat', seeded(3));
const home = (change: Partial<LoopPlant> = {}): LoopPlant => ({
  ...plain,
  contentL: 95,
  idleShare: 0,
  glycolShare: 0,
  mostKw: 24,
  carriedLPerS: 0.4,
  pumpRunsOnS: 300,
  givesOffKwPerK: 0.3,
  limitC: 70,
  burnsToC: 70,
  altitudeM: 0,
  stretchLPerBar: 0.03,
  airL: 0.05,
  coldBar: 1.1,
  wantedColdBar: 1.1,
  mainsBar: 3.5,
  vessel: { ...plain.vessel, nominalL: 8, chargeBar: 0.75, wantedBar: 0.75, warms: 0 },
  relief: { markedBar: 3, liftBar: 3, seatShare: 0.88, weepsLPerH: 0 },
  gauge: { offsetBar: 0, slope: 1, stuck: false, stepBar: 0.1, frictionBar: 0 },
  ...change,
});
const vessel = (change: Partial<LoopPlant['vessel']>) => ({ vessel: { ...home().vessel, ...change } });
const HEAT: LoopRun = { durationS: 4200, heat: [[60, 4200]], roomC: 18 },
  idle = (shut?: LoopRun['shut']): LoopRun => ({ durationS: 3600, heat: [], roomC: 18, ...(shut ? { shut } : {}) });
const endOf = (p: LoopPlant, run: LoopRun) => runLoop(p, run).bar.at(-1)!;
const most = (of: number[]) => of.reduce((a, b) => Math.max(a, b), -Infinity);

it('gives back on a draw-off what the gas law says, finds each pressure again, and grows as a handbook has it', () => {
  // 8 L, 1.0 bar, from 1.5 bar, half a litre: 1.318 bar by P0·Vn = ΔV / (1/P2 − 1/P1).
  const p = home({ ...vessel({ chargeBar: 1 }), coldBar: 1.5, stretchLPerBar: 0, airL: 0 });
  expect(Math.abs(pressureHolding(p, heldL(p, 1.5, 20) - 0.5, 20) - 1.318)).toBeLessThan(0.003);
  for (const bar of [0.3, 0.9, 1.6, 2.7]) expect(pressureHolding(home(), heldL(home(), bar, 18), 18)).toBeCloseTo(bar, 5);
  // Water 15 to 65 °C by 1.89 % (IF97); propylene glycol of 30 % half as much again (handbooks, from memory).
  expect(growth({ glycolShare: 0 }, 15, 65)).toBeCloseTo(0.0189, 3);
  expect(growth({ glycolShare: 0.3 }, 15, 65) / growth({ glycolShare: 0 }, 15, 65)).toBeGreaterThan(1.3);
  // 899 mbar at 1000 m (ISO 2533).
  expect(airBar({ altitudeM: 1000 })).toBeCloseTo(0.8987, 3);
});

it('carries heat round the ring: the return follows late, the flow stops at its limit, and the swing is what practice says', () => {
  const { bar, flowC, returnC, everyS } = runLoop(home(), HEAT),
    after = (of: number[], c: number) => of.findIndex((x) => x > c) * everyS;
  expect(after(returnC, 25) - after(flowC, 25)).toBeGreaterThan(60);
  expect(Math.abs(most(flowC.slice(-200)) - 70)).toBeLessThan(6);
  expect(flowC.at(-1)! - returnC.at(-1)!).toBeGreaterThan(3);
  expect(most(bar) - bar[0]!).toBeGreaterThan(0.25);
  expect(most(bar) - bar[0]!).toBeLessThan(0.9);
  expect(Math.abs(endOf(home(), idle()) - 1.1)).toBeLessThan(1e-4);
});

it('sums the same whatever the step between its entries', () => {
  const fine = runLoop(home(), HEAT, 5),
    rough = runLoop(home(), HEAT, 20);
  for (let i = 0; i < rough.bar.length; i += 10) {
    expect(Math.abs(rough.bar[i]! - fine.bar[4 * i]!)).toBeLessThan(0.02);
    expect(Math.abs(rough.flowC[i]! - fine.flowC[4 * i]!)).toBeLessThan(3);
  }
});

it('once the pump stands the emitters grow cold by themselves, and the pressure with them', () => {
  const off: LoopRun = { durationS: 6000, heat: [[60, 3600]], roomC: 18 },
    stands = runLoop(home({ pumpRunsOnS: 0 }), off),
    goesOn = runLoop(home({ pumpRunsOnS: Infinity }), off),
    late = Math.round(5400 / 5);
  expect(stands.bar[late]!).toBeLessThan(stands.bar[Math.round(3600 / 5)]! - 0.1);
  expect(stands.flowC[late]! - goesOn.flowC[late]!).toBeGreaterThan(5);
});

it('goes up to its relief where the gas is missing or shut off, and stays below where it lifts', () => {
  for (const wrong of [{ chargeBar: -0.8 }, { way: 'shut' }, { way: 'blocked' }] as const) {
    const { bar, lifted } = runLoop(home(vessel(wrong)), HEAT);
    expect(lifted).toBe(true);
    expect(most(bar)).toBeLessThan(3.05);
  }
  const narrow = runLoop(home(vessel({ way: 'narrow' })), HEAT).bar;
  expect(most(narrow)).toBeGreaterThan(most(runLoop(home(), HEAT).bar) + 0.2);
});

it('lets water in and out each by its own way, and a feed makes good what it can, never past where it stops', () => {
  expect(endOf(home({ outLPerH: 0.5, outBy: 'circuit' }), idle())).toBeLessThan(1);
  for (const [inBy, shut] of [
    ['fill', 'fill'],
    ['bypass', 'main'],
    ['dhw', 'coil'],
  ] as const) {
    expect(endOf(home({ inLPerH: 0.8, inBy }), idle())).toBeGreaterThan(1.2);
    expect(Math.abs(endOf(home({ inLPerH: 0.8, inBy }), idle(shut)) - 1.1)).toBeLessThan(1e-4);
  }
  // A bypass begins before the valve that is shut.
  expect(endOf(home({ inLPerH: 0.8, inBy: 'bypass' }), idle('fill'))).toBeGreaterThan(1.2);
  const fed = home({ kind: 'fed', outLPerH: 1, outBy: 'circuit', coldBar: 1, feed: { fromBar: 1, toBar: 1 } });
  expect(endOf(fed, idle())).toBeGreaterThan(0.93);
  expect(endOf(fed, idle('fill'))).toBeLessThan(0.87);
  const unit = home({
    kind: 'block',
    ...vessel({ way: 'shut' }),
    outLPerH: 1,
    outBy: 'circuit',
    coldBar: 1.2,
    feed: { fromBar: 1, toBar: 1.4 },
  });
  expect(most(runLoop(unit, idle()).bar)).toBeLessThan(1.45);
});

it('a dose moves the pressure once, when it is given', () => {
  const { bar } = runLoop(home(), { ...idle(), doses: [{ atS: 1800, litres: 0.4 }] });
  expect(Math.abs(bar[300]! - 1.1)).toBeLessThan(1e-3);
  expect(bar[365]! - bar[355]!).toBeGreaterThan(0.1);
  expect(Math.abs(bar.at(-1)! - bar[365]!)).toBeLessThan(1e-3);
});

it('a gauge shows what friction, offset and a needle that sticks make of the pressure', () => {
  const read = (gauge: Partial<LoopPlant['gauge']>) => {
    const p = home({ gauge: { ...home().gauge, ...gauge } }),
      visit = { run: HEAT, readFromS: 0, noted: [] };
    return loopLog(p, runLoop(p, HEAT), visit, false, seeded(5)).samples.pressureBar.map((bar) => bar!);
  };
  expect(most(read({ stuck: true })) - read({ stuck: true })[0]!).toBeLessThan(0.05);
  expect(read({ offsetBar: 0.5 })[0]! - read({})[0]!).toBeGreaterThan(0.45);
});

it('every test shows something on some plant and none where it cannot be done, every pair is met on some kind, and every visit ends after it began', () => {
  const plants = LOOP_KINDS.flatMap((kind) => Array.from({ length: 10 }, (_, i) => loopPlant(kind, seeded(i + 1))));
  for (const test of LOOP_TESTS) expect(plants.some((p) => loopFinding(test, p, false, seeded(3)) !== null)).toBe(true);
  for (const p of plants) {
    if (p.kind === 'fed' || p.kind === 'block') expect(loopFinding('fill-disconnected-watch', p, false, seeded(3))).toBeNull();
    const { run, readFromS } = loopVisit(p, false, seeded(p.contentL));
    expect(run.durationS).toBeGreaterThan(readFromS);
  }
  for (const pair of LOOP_PAIRS) expect(kindsFor(pair).length).toBeGreaterThan(0);
  for (const { foundBy } of Object.values(LOOP_FAULTS)) for (const test of foundBy) expect(LOOP_TESTS).toContain(test);
});
