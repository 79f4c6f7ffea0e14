import type { FaultId } from '../faults';
import { SLOT } from '../fit/kernel';
import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { PressureLog } from '../../log/PressureLog';
import { layOutLog } from '../layOut/layOutLog';
import { letsGoThere, seenLift, type SeenLift } from './seenLift';

/** From 1.8 bar on a sensor it fell by 0.4 within a minute, and the water warmed meanwhile. */
const SEEN: SeenLift = {
  gaugeBar: 1.8,
  unreadBar: 0.1,
  times: 1,
  timesWarming: 1,
  fellBar: 0.4,
  tookS: 60,
  cooledK: -1,
  noted: false,
  belowSd: 0.07,
  aboveSd: 0.07,
  atmosphericBar: 1.013,
};
const COOLED = { ...SEEN, times: 0, timesWarming: 0, cooledK: 2 };

/** A house: 100 L, a vessel of 8 L charged to 0.75 bar, and a relief that lifts far above. */
const SOUND: Partial<Record<keyof typeof SLOT, number>> = {
  gas: 8 * 1.763,
  vesselL: 8,
  cap: 0.9,
  contentL: 100,
  share: 1,
  stretch: 0.03,
  air: 0.05,
  lift: 2.94,
};
/** The same with its vessel shut off, of which only the pipes' stretch and a little air are left. */
const SHUT_OFF = { ...SOUND, gas: 0, vesselL: 0, cap: 0 };
const share = (draw: typeof SOUND, seen: Partial<SeenLift> = {}, faults: FaultId[] = ['none'], comesThere = 1) => {
  const v = new Float64Array(SLOT.start);
  for (const [slot, value] of Object.entries(draw)) v[SLOT[slot as keyof typeof SLOT]] = value;
  return letsGoThere(v, faults, { ...SEEN, ...seen }, comesThere);
};

it('a relief that lifts there explains it, however often it fell', () => {
  for (const times of [0, 1, 3, 9]) expect(share({ ...SOUND, lift: 1.8 }, { times })).toBeCloseTo(1, 6);
});

it('a sound circuit hardly falls so, and the less the oftener it did though the water grew no colder', () => {
  const shares = [1, 2, 3, 4].map((times) => share(SOUND, { times }));
  for (let i = 1; i < shares.length; i++) expect(shares[i]!).toBeLessThan(0.6 * shares[i - 1]!);
  expect(shares[0]!).toBeLessThan(0.01);
  // Nothing more is learnt from the fifth.
  expect(share(SOUND, { times: 12 })).toBe(shares[3]);
});

it('a circuit without its vessel falls all at once when it cools, and not again and again when it does not', () => {
  expect(share(SHUT_OFF, COOLED)).toBeGreaterThan(5 * share(SOUND, COOLED));
  expect(share(SHUT_OFF, { cooledK: -6, times: 4 })).toBeLessThan(0.1 * share(SHUT_OFF, COOLED));
});

it('a hole lets a circuit without its vessel fall so, and neither one with its vessel nor one that is let in as much', () => {
  // Two litres an hour at a bar: 0.4 bar of 0.03 L are gone in half a minute.
  const leaks = { ...SHUT_OFF, outCircuit: 2 };
  expect(share(leaks, { cooledK: -6 })).toBeGreaterThan(0.1);
  expect(share({ ...leaks, inFill: 2, mains: 3.6 }, { cooledK: -6 })).toBeLessThan(0.01);
  expect(share({ ...SOUND, outCircuit: 2 }, { cooledK: -6 })).toBeLessThan(0.01);
});

it('a pump that stops with the heat may have moved the gauge by a little', () => {
  const cooled = (fellBar: number) => share(SOUND, { ...COOLED, fellBar });
  expect(cooled(0.22)).toBeGreaterThan(4 * cooled(0.5));
  expect(cooled(0.22)).toBeGreaterThan(5 * share(SOUND, { fellBar: 0.22 }));
});

it('a gauge that lies shows a sound relief lifting elsewhere as often as it lifts', () => {
  expect(share(SOUND, { times: 4 }, ['gauge-misreading'])).toBe(share(SOUND, { times: 1 }, ['gauge-misreading']));
});

it('heat seldom takes a sound circuit to where its relief lifts, unseen or not', () => {
  const liftsThere = { ...SOUND, lift: SEEN.gaugeBar };
  expect(share(liftsThere, {}, ['none'], 0.06)).toBeLessThan(0.07);
  expect(share(liftsThere, {}, ['none'], 1)).toBeCloseTo(1, 6);
});

it('what stands without its vessel does not fall by itself while the water grows warmer', () => {
  const cooled = { cooledK: 0.2, times: 1 };
  expect(share(SHUT_OFF, { ...cooled, timesWarming: 1 })).toBeLessThan(0.3 * share(SHUT_OFF, { ...cooled, timesWarming: 0 }));
});

describe('a lift that somebody saw', () => {
  it('is doubted the less where the gauge fell as well', () => {
    const noted = { noted: true, fellBar: 0, tookS: 0 };
    expect(share({ ...SOUND, lift: 1.8 }, noted)).toBeCloseTo(1, 6);
    expect(share(SOUND, noted)).toBeLessThan(0.05);
    expect(share(SOUND, { noted: true })).toBeLessThan(0.2 * share(SOUND, noted));
    expect(share(SOUND, { noted: true })).toBeLessThan(0.2 * share(SOUND));
  });
  it('may be a drip where the relief passes', () =>
    expect(share(SOUND, { noted: true, fellBar: 0 }, ['relief-valve-passing'])).toBeGreaterThan(
      3 * share(SOUND, { noted: true, fellBar: 0 }),
    ));
});

describe('how far above what was read it may have gone', () => {
  const C = resolveCircuit({
    kind: 'sealed-hot-water',
    waterVolumeL: 150,
    reliefValve: { setBar: 3 },
    vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
    gauge: { kind: 'dial', resolutionBar: 0.1 },
  });
  const seen = (rows: [min: number, bar: number, flowC: number][], source: PressureLog['source'] = 'hand') => {
    const log: PressureLog = {
      source,
      samples: { tS: rows.map((r) => 60 * r[0]), pressureBar: rows.map((r) => r[1]), flowC: rows.map((r) => r[2]) },
      events: [{ tS: 0, kind: 'heat-on' }],
    };
    return seenLift(layOutLog(log, C)!, log, C)!;
  };
  const until = (fellMin: number): [number, number, number][] => [
    [0, 1.4, 18],
    [8, 1.7, 38],
    [15, 2.1, 52],
    [20, 2.35, 60],
    [20 + fellMin, 2, 61],
    [40, 2.2, 66],
  ];

  it('hangs on how fast it rose and for how long nobody looked', () => {
    // 0.25 bar in five minutes, at twice that for two and for eight.
    expect(Math.abs(seen(until(2)).unreadBar - 0.2)).toBeLessThan(1e-9);
    expect(Math.abs(seen(until(8)).unreadBar - 0.8)).toBeLessThan(1e-9);
    expect(seen(until(2)).aboveSd).toBeLessThan(0.6 * seen(until(8)).aboveSd);
  });
  it('is known the better the oftener it fell from there, and by a sensor at once', () => {
    const again = seen([...until(2), [44, 2.35, 70], [46, 2, 70]]);
    expect(again.times).toBe(2);
    expect(again.timesWarming).toBe(1);
    expect(again.aboveSd).toBeLessThan(seen(until(2)).aboveSd);
    expect(seen(until(2), 'logger').aboveSd).toBeLessThan(seen(until(2)).aboveSd);
  });
});
