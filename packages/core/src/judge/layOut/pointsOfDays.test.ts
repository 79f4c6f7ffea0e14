import type { ReducedLog } from '../../log/reduceLog';
import { seededRandom } from '../../simulate/seededRandom';
import { pointsOfDays } from './pointsOfDays';

const HOUR_S = 3600,
  RELIEF_BAR = 3;

/** A log of pressures alone, each read once. */
const logOf = (tS: number[], barAt: (t: number) => number): ReducedLog => {
  const none = tS.map(() => null);
  return { tS, gaugeBar: tS.map(barAt), count: tS.map(() => 1), flowC: none, returnC: none };
};

/** Heats of three hours every eight, of which each lifts the pressure by as much as is said from where it stands cold. */
function days(count: number, stepS: number, risesBar: (heat: number, intoS: number) => number, coldBar = 1) {
  const tS = Array.from({ length: (count * 24 * HOUR_S) / stepS }, (_, i) => stepS * i),
    into = (t: number) => (t % (8 * HOUR_S)) - 2 * HOUR_S,
    heatAt = (t: number) => Math.floor(t / (8 * HOUR_S)),
    warmth = (t: number) => {
      const s = into(t);
      return s < 0 ? 0 : s < HOUR_S ? s / HOUR_S : s < 3 * HOUR_S ? 1 : Math.exp(-(s - 3 * HOUR_S) / 2000);
    };
  return { log: logOf(tS, (t) => coldBar + risesBar(heatAt(t), into(t)) * warmth(t)), meanC: tS.map((t) => 18 + 45 * warmth(t)) };
}

it('keeps where a relief let go in minutes while the water stayed hot, from the top to the foot', () => {
  const fellFromS = 1.2 * HOUR_S;
  const { log, meanC } = days(2, 60, (heat, s) => (heat === 1 && s < fellFromS ? 0.6 : 0.42));
  const { kept, closely } = pointsOfDays(log, meanC, 0.01, RELIEF_BAR);
  const fellAtS = 8 * HOUR_S + 2 * HOUR_S + fellFromS,
    foot = kept.findIndex((i) => log.tS[i]! >= fellAtS),
    [top, low] = [kept[foot - 1]!, kept[foot]!];
  expect(log.gaugeBar[top]!).toBeCloseTo(1.6, 2);
  expect(log.gaugeBar[low]!).toBeCloseTo(1.42, 2);
  expect(log.tS[low]! - log.tS[top]!).toBeLessThanOrEqual(300);
  expect(log.tS[closely!.from]!).toBeLessThan(fellAtS);
  expect(log.tS[closely!.to]!).toBeGreaterThan(fellAtS);
});

it('of days it keeps each heat’s cold and hot ends, and leaves no long gap', () => {
  const { log, meanC } = days(3, 60, () => 0.5);
  const { kept, anew } = pointsOfDays(log, meanC, 0.01, RELIEF_BAR);
  for (let heat = 0; heat < 9; heat++) {
    const within = kept.filter((i) => Math.floor(log.tS[i]! / (8 * HOUR_S)) === heat);
    expect(Math.max(...within.map((i) => meanC[i]!))).toBeCloseTo(63, 0);
    expect(Math.min(...within.map((i) => meanC[i]!))).toBeLessThan(19.5);
    expect(Math.max(...within.map((i) => log.gaugeBar[i]!))).toBeCloseTo(1.5, 2);
  }
  kept.slice(1).forEach((i, k) => expect(log.tS[i]! - log.tS[kept[k]!]!).toBeLessThanOrEqual((1.6 * 72 * HOUR_S) / 16));
  expect(kept.length).toBeLessThan(100);
  expect(anew).toEqual([]);
});

it('of a month it takes some cycles, the farthest of all closely; and after such as nobody sees and that came near the relief the water begins anew', () => {
  const nearIn = [40, 41];
  const { log, meanC } = days(30, 900, (heat) => (heat === 60 ? 1.9 : nearIn.includes(heat) ? 1.8 : 0.5));
  const { kept, closely, anew } = pointsOfDays(log, meanC, 0.01, RELIEF_BAR);
  expect(kept.length).toBeLessThan(110);
  const heatOf = (i: number) => Math.floor(log.tS[i]! / (8 * HOUR_S));
  expect(heatOf(closely!.from)).toBe(60);
  const wholeHeats = new Set(kept.filter((i) => meanC[i]! > 60).map(heatOf));
  expect(wholeHeats.size).toBeGreaterThanOrEqual(16);
  // The one that is laid out closely is seen, the two of the fortieth heats are not.
  expect(nearIn.some((heat) => wholeHeats.has(heat))).toBe(false);
  expect(anew).toHaveLength(1);
  expect(heatOf(anew[0]!)).toBeGreaterThan(41);
  expect(heatOf(anew[0]!)).toBeLessThan(47);
  expect(kept).toContain(anew[0]!);
});

it('a log in which the water never turns keeps where it begins and ends, and some places between', () => {
  const tS = Array.from({ length: 2000 }, (_, i) => 90 * i);
  const { kept, closely } = pointsOfDays(
    logOf(tS, (t) => 1.5 - t / 1e6),
    tS.map(() => 17),
    0.01,
    RELIEF_BAR,
  );
  expect(closely).toBeNull();
  expect([kept[0], kept.at(-1)]).toEqual([0, 1999]);
  expect(kept.length).toBeGreaterThan(10);
});

it('the noise of a sensor is no turn, however often it is read', () => {
  const random = seededRandom(5),
    tS = Array.from({ length: 1440 }, (_, i) => 60 * i);
  const { kept, evenGaugeBar } = pointsOfDays(
    logOf(tS, () => 1.2 + 0.016 * random.normal()),
    tS.map(() => 18),
    0.01,
    RELIEF_BAR,
  );
  expect(kept.length).toBeLessThanOrEqual(20);
  for (const i of kept) expect(Math.abs(evenGaugeBar[i]! - 1.2)).toBeLessThan(0.03);
});
