import { seeded } from '../truth/random';
import { BALANCE_FAULTS, faultsMet, pairsMet } from './balanceFaults';
import { balanceFinding, FOUND_BY, SOON_DONE } from './balanceFindings';
import { balanceLog } from './balanceLog';
import { balancePlant, type BalancePlant } from './BalancePlant';
import { heldBeyondL, pressureHolding, runBalance, type BalanceRun } from './runBalance';

const home = (change: Partial<BalancePlant> = {}): BalancePlant => ({
  ...balancePlant(seeded(3)),
  kind: 'combi',
  contentL: 95,
  shares: { boiler: 0.3, emitters: 0.65, idle: 0.05 },
  mostKw: 24,
  leastKw: 6,
  carriesKwPerK: 1.8,
  roomsTakeKwPerK: 0.25,
  limitC: 70,
  roomC: 18,
  vesselL: 8,
  chargeBar: 0.75,
  wantedChargeBar: 0.75,
  gasWarms: 0,
  coldBar: 1.1,
  wantedColdBar: 1.05,
  stretchLPerBar: 0.03,
  airL: 0.05,
  relief: { liftBar: 3, seatShare: 0.88, simmers: false },
  reliefMarkedBar: 3,
  mainsBar: 3.5,
  feed: null,
  dhw: 'plate-exchanger',
  gauge: { offsetBar: 0, stuck: false, stepBar: 0.1, frictionBar: 0, pumpBar: 0 },
  ...change,
});
const HEAT: BalanceRun = { durationS: 3000, heat: [60, 3000], shut: [] },
  idle = (shut: string[] = []): BalanceRun => ({ durationS: 3600, heat: null, shut });
const endOf = (p: BalancePlant, shut: string[] = []) => runBalance(p, idle(shut)).bar.at(-1)!;

it('gives back on a draw-off what the gas law says, and finds each pressure again', () => {
  // 8 L, 1.0 bar, from 1.5 bar, half a litre: 1.318 bar by P0·Vn = ΔV / (1/P2 − 1/P1).
  const p = home({ chargeBar: 1, coldBar: 1.5, stretchLPerBar: 0, airL: 0, roomC: 20 });
  expect(Math.abs(pressureHolding(p, heldBeyondL(p, 1.5) - 0.5) - 1.318)).toBeLessThan(0.003);
  for (const bar of [0.3, 0.9, 1.6, 2.7]) expect(pressureHolding(home(), heldBeyondL(home(), bar))).toBeCloseTo(bar, 6);
});

it('burns up to its limit, circulates by its balance, and swings as practice says where all is right', () => {
  const { flowC, returnC, bar } = runBalance(home(), HEAT),
    flow = flowC.slice(-200),
    mean = (of: number[]) => of.reduce((a, b) => a + b, 0) / of.length;
  expect(Math.abs(mean(flow) - 70)).toBeLessThan(7);
  expect(mean(flow) - mean(returnC.slice(-200))).toBeGreaterThan(3);
  expect(Math.max(...bar) - bar[0]!).toBeGreaterThan(0.25);
  expect(Math.max(...bar) - bar[0]!).toBeLessThan(0.9);
  expect(Math.abs(endOf(home()) - 1.1)).toBeLessThan(1e-6);
});

it('goes up to its relief where the gas is missing or shut off, and either kind of relief holds it there', () => {
  for (const wrong of [{ chargeBar: -0.8 }, { way: 'shut' }, { way: 'blocked' }] as Partial<BalancePlant>[])
    for (const simmers of [true, false]) {
      const { bar, lifted } = runBalance(home({ ...wrong, relief: { liftBar: 3, seatShare: 0.88, simmers } }), HEAT),
        late = bar.slice(-300);
      expect(lifted).toBe(true);
      expect(Math.max(...bar)).toBeLessThan(3.4);
      expect(Math.min(...late)).toBeGreaterThan(simmers ? 2.85 : 2.6);
    }
});

it('lets water in and out each by its own way, and a feed makes good what it can', () => {
  expect(endOf(home({ outL: 0.5, outBy: 'circuit' }))).toBeLessThan(1);
  expect(endOf(home({ seatL: 0.5 }))).toBeLessThan(1);
  for (const [inBy, shut] of [
    ['fill', 'fill-disconnected'],
    ['bypass', 'cold-main-closed'],
    ['dhw', 'coil-isolated'],
  ] as const) {
    expect(endOf(home({ inL: 0.5, inBy }))).toBeGreaterThan(1.2);
    expect(Math.abs(endOf(home({ inL: 0.5, inBy }), [shut]) - 1.1)).toBeLessThan(1e-6);
  }
  expect(endOf(home({ outL: 1, outBy: 'circuit', coldBar: 1, feed: { fromBar: 1, toBar: 1 } }))).toBeGreaterThan(0.93);
});

it('a gauge shows what its needle, its pump and its offset make of the pressure', () => {
  const read = (gauge: Partial<BalancePlant['gauge']>) => {
    const p = home({ gauge: { ...home().gauge, stepBar: 0.01, ...gauge } });
    return balanceLog(p, runBalance(p, HEAT), HEAT, false, seeded(5)).samples.pressureBar.map((bar) => bar!);
  };
  expect(Math.max(...read({ stuck: true }))).toBeLessThan(1.2);
  expect(read({ offsetBar: 0.5 })[0]! - read({})[0]!).toBeGreaterThan(0.45);
  const jumps = read({ pumpBar: 0.3 }),
    still = read({}),
    last = Math.floor(0.98 * jumps.length);
  expect(Math.abs(jumps[0]! - still[0]!)).toBeLessThan(0.06);
  expect(jumps[last]! - still[last]!).toBeGreaterThan(0.2);
});

it('every test shows something on some plant, every fault can be met, and one that counts mostly speaks', () => {
  const plants = Array.from({ length: 40 }, (_, i) => balancePlant(seeded(i + 1)));
  for (const test of new Set([...Object.values(FOUND_BY).flat(), ...SOON_DONE]))
    expect(plants.some((p) => balanceFinding(test, p, false, seeded(3)) !== null)).toBe(true);
  const met = new Set(plants.flatMap((p) => faultsMet(p).map(([f]) => f)));
  expect(Object.keys(BALANCE_FAULTS).filter((f) => !met.has(f))).toEqual([]);
  expect(plants.flatMap((p) => pairsMet(p).flatMap(([pair]) => pair)).every((f) => met.has(f))).toBe(true);
  const holed = home({ holed: true, chargeBar: -0.6 }),
    pressed = Array.from({ length: 60 }, (_, i) => balanceFinding('gas-valve-press', holed, true, seeded(i))!.outcome);
  expect(pressed.filter((o) => o === 'water').length).toBeGreaterThan(35);
});
