import fc from 'fast-check';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { FaultId } from '../judge/faults';
import { simulateCase } from '../simulate/simulateCase';
import { cleanLog } from './cleanLog';
import type { PressureLog } from './PressureLog';
import { readLog } from './readLog';

const CIRCUIT: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.6,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  maxFlowC: 70,
};
const logged = (
  id: FaultId,
  severity: number,
  rest: {
    stepS?: number;
    durationS?: number;
    heat?: { onS: number; offS: number }[];
    resolutionBar?: number;
    actions?: NonNullable<PressureLog['events']>;
  } = {},
): PressureLog =>
  simulateCase({
    circuit: CIRCUIT,
    faults: [{ id, severity }],
    schedule: {
      startC: 18,
      durationS: rest.durationS ?? 28_800,
      stepS: rest.stepS ?? 60,
      heat: rest.heat ?? [{ onS: 1800, offS: 5400 }],
      ...(rest.actions ? { actions: rest.actions } : {}),
    },
    gauge: { resolutionBar: rest.resolutionBar ?? 0.01, noiseBar: 0.003 },
    seed: 2,
  }).log;
const kinds = (log: PressureLog) => readLog(log, 0.01).segments.map((s) => s.kind);

describe('cleaning', () => {
  const even = (n: number, everyS = 30): PressureLog => ({
    samples: { tS: Array.from({ length: n }, (_, i) => everyS * i), pressureBar: Array.from({ length: n }, (_, i) => 1 + 0.001 * i) },
  });
  it('leaves a clean log as it is', () => {
    const log = even(60);
    expect(cleanLog(log)).toMatchObject({ log, repairs: [], spacingS: 30 });
  });
  it('the usual time between readings is the median, whether most keep it to the second or none does', () => {
    const spacing = (tS: number[]) => cleanLog({ samples: { tS, pressureBar: tS.map(() => 1) } }).spacingS;
    expect(spacing([0, 5, 10, 15, 20, 40, 100])).toBe(5);
    expect(spacing([0, 5, 15, 35])).toBe(10);
    expect(spacing([0])).toBe(0);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 40 }), (gaps) => {
        const tS = gaps.reduce((at, g) => [...at, at.at(-1)! + g], [0]);
        expect(spacing(tS)).toBe([...gaps].sort((a, b) => a - b)[Math.floor(gaps.length / 2)]);
      }),
    );
  });
  it('makes one of readings of one moment', () => {
    const c = cleanLog({ samples: { tS: [0, 60, 60, 120], pressureBar: [1, 1.1, 1.3, null], flowC: [20, null, 30, 40] } });
    expect(c.log.samples).toEqual({ tS: [0, 60, 120], pressureBar: [1, 1.2000000000000002, null], flowC: [20, 30, 40] });
    expect(c.repairs).toEqual([{ kind: 'duplicate-times', atS: 60, count: 1 }]);
  });
  it('takes out the hour that a clock was put forward, events with it, but not an hour in which something happened', () => {
    const log = even(100);
    const put = {
      ...log,
      samples: { ...log.samples, tS: log.samples.tS.map((t, i) => (i < 40 ? t : t + 3600)) },
      events: [{ tS: 50 * 30 + 3600, kind: 'heat-on' as const }],
    };
    expect(cleanLog(put).log.samples.tS).toEqual(log.samples.tS);
    expect(cleanLog(put).log.events![0]!.tS).toBe(1500);
    expect(cleanLog(put).repairs.map((r) => r.kind)).toEqual(['clock-change']);
    const happened = { ...put, samples: { ...put.samples, pressureBar: put.samples.pressureBar.map((p, i) => (i < 40 ? p : p! + 0.4)) } };
    expect(cleanLog(happened).repairs).toEqual([{ kind: 'gap', atS: 39 * 30, count: 3630 }]);
  });
  it('drops a lone spike and keeps a real peak', () => {
    const log = even(60);
    const spiked = log.samples.pressureBar.slice();
    spiked[20] = 4;
    expect(cleanLog({ samples: { ...log.samples, pressureBar: spiked } }).log.samples.pressureBar[20]).toBeNull();
    spiked[21] = 4;
    expect(cleanLog({ samples: { ...log.samples, pressureBar: spiked } }).repairs).toEqual([]);
  });
  it('names a gauge that stands while the water warms', () => {
    expect(
      cleanLog({ samples: { tS: [0, 300, 600, 900], pressureBar: [1.2, 1.2, 1.2, 1.2], flowC: [18, 35, 52, 66] } }).repairs.map(
        (r) => r.kind,
      ),
    ).toEqual(['stuck']);
    expect(cleanLog({ samples: { tS: [0, 300, 600, 900], pressureBar: [1.2, 1.2, 1.2, 1.2], flowC: [18, 18, 18, 18] } }).repairs).toEqual(
      [],
    );
  });
  it('never turns time round nor loses an event', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(4000), fc.double({ min: 0, max: 4, noNaN: true })), { minLength: 1, maxLength: 60 }),
        (steps) => {
          let t = 0;
          const tS = steps.map(([gap]) => (t += gap));
          const c = cleanLog({ samples: { tS, pressureBar: steps.map(([, p]) => p) }, events: [{ tS: tS.at(-1)!, kind: 'note' }] }).log;
          return (
            c.samples.tS.every((x, i) => i === 0 || x > c.samples.tS[i - 1]!) &&
            c.events!.length === 1 &&
            c.samples.tS.length === c.samples.pressureBar.length
          );
        },
      ),
    );
  });
});

describe('reading', () => {
  it('cuts a day into what happened', () => {
    expect(kinds(logged('none', 0))).toEqual(['idle-cold', 'heating', 'hot-hold', 'cooling', 'idle-cold']);
  });
  it('reads cold, hot and swing of a sound cycle with their doubt, and a loop that closes', () => {
    const r = readLog(logged('none', 0), 0.01);
    expect(r.cycles).toHaveLength(1);
    expect(Math.abs(r.cycles[0]!.coldBar.value - 1.05)).toBeLessThan(0.02);
    expect(Math.abs(r.cycles[0]!.swingBar.value - (r.cycles[0]!.hotBar.value - r.cycles[0]!.coldBar.value))).toBeLessThan(1e-12);
    expect(r.cycles[0]!.swingBar.sd).toBeLessThan(0.02);
    expect(r.loop).toBe('closed');
    expect(r.plateauBar).toBeNull();
    expect(Math.abs(r.idleCreepBarPerH!.value)).toBeLessThan(3 * r.idleCreepBarPerH!.sd + 0.005);
  });
  it('sees the flat top of a relief, at its set pressure, and that the loop did not close', () => {
    const r = readLog(logged('vessel-isolated', 1), 0.01);
    expect(r.loop).toBe('flat-topped');
    expect(Math.abs(r.plateauBar!.value - 3)).toBeLessThan(0.1);
    expect(r.coldToColdBar!.value).toBeLessThan(-0.3);
  });
  it('sees little gas as a rise that steepens', () => {
    const of = (id: FaultId, s: number) => readLog(logged(id, s), 0.01).cycles[0]!;
    expect(of('vessel-undercharged', 0.3).risePerK!.value).toBeGreaterThan(1.3 * of('none', 0).risePerK!.value);
    expect(of('vessel-undercharged', 0.3).curvature!.value).toBeGreaterThan(of('none', 0).curvature!.value);
  });
  it('measures the creep of a pinhole as the plant makes it, and of a leak with its sign', () => {
    const idle = (id: FaultId) => readLog(logged(id, 0.4, { heat: [], durationS: 7200 }), 0.01).idleCreepBarPerH!;
    const pinhole = logged('dhw-plate-perforated', 0.4, { heat: [], durationS: 7200 }).samples.pressureBar as number[];
    expect(Math.abs(idle('dhw-plate-perforated').value - (pinhole.at(-1)! - pinhole[0]!) / 2)).toBeLessThan(0.02);
    expect(idle('circuit-leak').value).toBeLessThan(-3 * idle('circuit-leak').sd);
  });
  it('finds a top-up by its event, and without one by the step alone, less surely', () => {
    const log = logged('fill-pressure-too-low', 0.8, { heat: [], durationS: 3600, stepS: 30, actions: [{ tS: 1800, kind: 'top-up' }] });
    const told = readLog(log, 0.01).segments.find((s) => s.kind === 'step-up')!;
    const untold = readLog({ ...log, events: [] }, 0.01).segments.find((s) => s.kind === 'step-up')!;
    expect(told.sureness).toBeGreaterThan(0.9);
    expect(untold.sureness).toBeLessThan(0.7);
    expect(Math.abs(told.toS - 1800)).toBeLessThanOrEqual(60);
  });
  it('works from ten hand readings as from a logger, and without temperatures, less surely', () => {
    const log = logged('vessel-undercharged', 0.5, { resolutionBar: 0.1 });
    const pick = [0, 15, 29, 34, 40, 50, 60, 75, 89, 200, 400];
    const of = (values: (number | null)[]) => pick.map((i) => values[i]!);
    const hand: PressureLog = {
      source: 'hand',
      samples: { tS: of(log.samples.tS) as number[], pressureBar: of(log.samples.pressureBar), flowC: of(log.samples.flowC!) },
      events: log.events!,
    };
    const r = readLog(hand, 0.1),
      fine = readLog(log, 0.1);
    expect(Math.abs(r.cycles[0]!.swingBar.value - fine.cycles[0]!.swingBar.value)).toBeLessThan(0.15);
    const { flowC: _, ...blind } = hand.samples;
    const without = readLog({ ...hand, samples: blind }, 0.1);
    expect(without.cycles[0]!.risePerK).toBeNull();
    expect(Math.abs(without.cycles[0]!.swingBar.value - r.cycles[0]!.swingBar.value)).toBeLessThan(0.15);
    const surest = (x: typeof r) => Math.max(...x.segments.map((s) => s.sureness));
    expect(surest(without)).toBeLessThan(surest(r));
    expect(surest(readLog({ samples: blind }, 0.1))).toBeLessThan(0.5);
  });
  it('reads every cycle of a week', () => {
    const heat = Array.from({ length: 14 }, (_, i) => ({ onS: 43_200 * i + 7200, offS: 43_200 * i + 14_400 }));
    const r = readLog(logged('none', 0, { heat, durationS: 7 * 86_400, stepS: 60 }), 0.01);
    expect(r.cycles).toHaveLength(14);
    expect(r.loop).toBe('closed');
  });
  const read = (minutes: number[], pressureBar: number[], flowC: number[], events: PressureLog['events'] = []) =>
    readLog({ source: 'hand', samples: { tS: minutes.map((m) => 60 * m), pressureBar, flowC }, events }, 0.05);
  it('counts a heating once that a relief broke off for a moment', () =>
    expect(
      read(
        [0, 5, 10, 15, 18, 21, 26, 31],
        [1, 1, 1.6, 2.9, 2.4, 2.5, 2.7, 2.8],
        [16, 16, 40, 62, 62.5, 63, 66, 68],
        [{ tS: 300, kind: 'heat-on' }],
      ).cycles,
    ).toHaveLength(1));
  it('holds a cold pressure against another cold one only, not against where a burner went on again', () => {
    const hot = read([0, 6, 12, 20, 28, 36, 44, 52, 60], [1, 1.2, 1.5, 1.7, 1.6, 1.4, 1.5, 1.7, 1.7], [16, 30, 55, 68, 60, 50, 58, 68, 68]);
    expect(hot.cycles.length).toBeGreaterThan(1);
    expect(hot.cycles.map((c) => c.coldC)).toEqual([16, 50]);
    expect(hot.coldToColdBar).toBeNull();
  });
  it('answers for next to nothing', () => {
    expect(readLog({ samples: { tS: [], pressureBar: [] } }).cycles).toEqual([]);
    expect(readLog({ samples: { tS: [0], pressureBar: [1] } }).loop).toBeNull();
    expect(readLog({ samples: { tS: [0, 60], pressureBar: [null, null] } }).segments).toEqual([]);
  });
});
