import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { LogEvent } from '../../log/PressureLog';
import { meanTemperatures } from './meanTemperatures';

const C = resolveCircuit({ kind: 'sealed-hot-water', waterVolumeL: 95, heatOutputKw: 24, reliefValve: { setBar: 3 }, maxFlowC: 70 });
const MINUTES = [0, 5, 10, 20, 30, 45, 60];
const read = (flowC: (number | null)[], events: { tS: number; kind: 'heat-on' | 'heat-off' }[]) =>
  meanTemperatures(
    { tS: MINUTES.map((m) => 60 * m), gaugeBar: MINUTES.map(() => 1.2), flowC, returnC: MINUTES.map(() => null) },
    events,
    C,
    {},
  );
const ON = { tS: 300, kind: 'heat-on' as const },
  OFF = { tS: 1500, kind: 'heat-off' as const };

it('a temperature that was not read between two lies between them', () => {
  const { meanC, guessedK } = read([18, 18, null, 60, 66, 50, 40], [ON]);
  expect(meanC[2]!).toBeGreaterThan(meanC[1]!);
  expect(meanC[2]!).toBeLessThan(meanC[3]!);
  expect(guessedK.every((k) => k === 0)).toBe(true);
});

it('in a long gap it may have been hotter than at either end, where nothing says that it was not', () => {
  const GAP = [18, 30, null, null, null, 60, 55],
    unsaid = read(GAP, []),
    wentOff = read(GAP, [ON, OFF]);
  for (const { guessedK } of [unsaid, wentOff]) {
    expect(Math.min(guessedK[2]!, guessedK[3]!, guessedK[4]!)).toBeGreaterThan(1);
    expect([0, 1, 5, 6].map((i) => guessedK[i])).toEqual([0, 0, 0, 0]);
  }
  // By no more than to its limit; and not at all while the heat is known to be on, or where the gap is short.
  expect(Math.max(...unsaid.guessedK)).toBeLessThan(0.35 * (C.maxFlowC - 30) + 1e-9);
  expect(read(GAP, [ON]).guessedK.every((k) => k === 0)).toBe(true);
  expect(read([18, null, 40, 55, 60, 60, 55], []).guessedK.every((k) => k === 0)).toBe(true);
});

it('what stands cold at the end of a long gap was not hot in it', () => {
  // Readings of a circuit that nobody heated, three of which forgot the flow.
  const { guessedK } = read([13, 13, 13, null, null, null, 13], []);
  expect(Math.max(...guessedK)).toBeLessThan(1);
  expect(Math.max(...read([13, 13, 13, null, null, null, 40], []).guessedK)).toBeGreaterThan(2);
});

it('where the first reading came after the heat, the circuit was as cold as rooms are before, in a line from there, and doubted by what nobody read', () => {
  const { meanC, guessedK } = read([null, null, 38, 50, 62, 66, 68], [{ tS: 120, kind: 'heat-on' }]);
  expect(meanC[0]!).toBeLessThanOrEqual(18);
  expect(meanC[1]!).toBeGreaterThan(meanC[0]!);
  expect(meanC[1]!).toBeLessThan(meanC[2]!);
  expect(guessedK.slice(0, 3)).toEqual([guessedK[0], guessedK[0], 0]);
  expect(guessedK[0]!).toBeGreaterThan(1);
  // Nothing was heated before the first reading: level, and no doubt.
  const level = read([null, null, 19, 50, 62, 66, 68], [{ tS: 900, kind: 'heat-on' }]);
  expect(level.meanC[0]).toBeCloseTo(level.meanC[2]!, 6);
  expect(level.guessedK[0]).toBe(0);
});

it('where it was hot at the first reading and the pressure had not risen for it, it was hot before', () => {
  const found = (gaugeBar: number[]) =>
    meanTemperatures(
      { tS: MINUTES.map((m) => 60 * m), gaugeBar, flowC: [null, null, 63, 63, 61, 53, 43], returnC: MINUTES.map(() => null) },
      [
        { tS: 0, kind: 'heat-on' },
        { tS: 1200, kind: 'heat-off' },
      ],
      C,
      {},
    );
  const hot = found([1.4, 1.4, 1.4, 1.45, 1.35, 1.2, 1.05]),
    heated = found([1, 1.15, 1.4, 1.45, 1.35, 1.2, 1.05]);
  expect(hot.meanC[0]).toBeCloseTo(hot.meanC[2]!, 6);
  expect(heated.meanC[0]!).toBeLessThan(25);
});

it('what stopped being read cools once the heat is off, and is doubted by part of what it may have cooled', () => {
  const { meanC, guessedK } = read([18, 18, 40, 60, null, null, null], [ON, OFF]);
  for (let i = 4; i < 7; i++) {
    expect(meanC[i]!).toBeLessThan(meanC[i - 1]!);
    expect(guessedK[i]!).toBeGreaterThan(guessedK[i - 1]!);
  }
  expect(meanC[6]!).toBeGreaterThan(18);
  // 95 L at 24 kW cool by half in about twenty minutes (a time constant of half an hour: common practice).
  expect(meanC[6]!).toBeLessThan(40);
});

it('and stands where it was last read while nothing says that the heat went off, doubted by what was left to its limit', () => {
  const on = read([18, 18, 40, 50, null, null, null], [ON]),
    unsaid = read([18, 18, 40, 50, null, null, null], []);
  expect(on.meanC[6]).toBe(on.meanC[3]);
  expect(on.guessedK[6]!).toBeGreaterThan(3);
  expect(unsaid.meanC[6]).toBe(unsaid.meanC[3]);
  expect(unsaid.guessedK[6]).toBe(0);
});

it('stays level until the heat is switched, whichever way', () => {
  const gap = [18, null, null, 60, null, 40, 30],
    { meanC } = read(gap, [
      { tS: 600, kind: 'heat-on' },
      { tS: 1800, kind: 'heat-off' },
    ]);
  expect(meanC[1]).toBe(meanC[0]);
  expect(meanC[2]).toBe(meanC[0]);
  expect(meanC[4]).toBe(meanC[3]);
});

describe('with no temperature read', () => {
  const blind = (gaugeBar: number[], events: LogEvent[]) =>
    meanTemperatures(
      { tS: MINUTES.map((m) => 60 * m), gaugeBar, flowC: MINUTES.map(() => null), returnC: MINUTES.map(() => null) },
      events,
      C,
      {},
    );
  const LEVEL = MINUTES.map(() => 1.2),
    FALLS = [2.2, 2.1, 1.9, 1.7, 1.5, 1.4, 1.3];

  it('what is switched off first was on before: it begins hot and cools', () => {
    const { meanC, heat } = blind(FALLS, [OFF]);
    expect(heat!.beginsHot).toBe(true);
    expect(meanC[0]!).toBeGreaterThan(50);
    expect(meanC[6]!).toBeLessThan(meanC[4]!);
  });

  it('"heat on" at the first reading only says that it runs, where nothing rises for it and it falls afterwards', () => {
    const first = { tS: 0, kind: 'heat-on' as const },
      stands = [2.2, 2.2, 2.2, 2.2, 1.7, 1.4, 1.3],
      rises = [1.2, 1.3, 1.5, 1.8, 1.6, 1.4, 1.3];
    const hot = blind(stands, [first, OFF]);
    expect(hot.heat!.beginsHot).toBe(true);
    expect(hot.heat!.switchS).toEqual([OFF.tS]);
    expect(blind(rises, [first, OFF]).heat!.beginsHot).toBe(false);
    expect(blind(stands, [ON, OFF]).heat!.beginsHot).toBe(false);
    // What loses as much as grows stands still while it is heated, too.
    expect(
      blind(
        stands.map(() => 1.2),
        [first, OFF],
      ).heat!.beginsHot,
    ).toBe(false);
    expect(blind(stands, [first]).heat!.beginsHot).toBe(false);
  });

  it('a clear fall from the first reading on says so where nobody said a word of heat; a level one does not', () => {
    const fell = blind(FALLS, []);
    expect(fell.heat!.beginsHot).toBe(true);
    // It is read as a leak all the same: that it cooled is one of two ways.
    expect(Math.max(...fell.meanC)).toBe(Math.min(...fell.meanC));
    expect(blind(FALLS, [ON]).heat!.beginsHot).toBe(false);
    const swings = blind([1, 2.4, 1.1, 2.5, 1, 2.4, 1], []);
    expect(swings.heat).toMatchObject({ beginsHot: false, switchS: MINUTES.slice(0, 6).map((m) => 60 * m) });
    expect(swings.meanC[1]!).toBeGreaterThan(swings.meanC[2]!);
    expect(blind([1, 1, 1.5, 2, 2.2, 2.2, 1.6], []).heat).toMatchObject({ beginsHot: false, switchS: [300, 2700] });
    // What was topped up had not been heated.
    expect(blind([1.5, 1.45, 0.7, 1.5, 1.45, 1.4, 1.4], [{ tS: 1200, kind: 'top-up' }]).heat!.switchS).toEqual([0]);
    const still = blind(LEVEL, []);
    expect(still.heat!.beginsHot).toBe(false);
    expect(Math.max(...still.meanC) - Math.min(...still.meanC)).toBe(0);
  });
});
