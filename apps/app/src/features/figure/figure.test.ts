import { resolveCircuit, simulateCase, type CircuitSheet, type PressureLog } from '@jumper/core';
import { METRIC } from '../units/units';
import { FIGURE_SAMPLES } from '../parts/samples';
import { figureView, loopView } from './figureView';
import { readAt, stepAt } from './readAt';
import { rungLabel } from './rungs';
import { resamplePeaks } from './scale';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.7,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
};
const of = (log: PressureLog | null, more = {}) =>
  figureView({ log, sheet: SHEET, circuit: resolveCircuit(SHEET), heatOn: false, ...more });
const run = (minutes: number, onS: number) =>
  simulateCase({
    circuit: SHEET,
    faults: [{ id: 'none', severity: 0 }],
    schedule: { startC: 16, durationS: 60 * minutes, stepS: 60, heat: [{ onS, offS: 9e9 }] },
  }).log;

describe('a log of more readings than can be drawn', () => {
  const n = 200_000;
  const tS = Array.from({ length: n }, (_, i) => i),
    pressureBar = tS.map((t) => (t === 123_457 ? 2.9 : 1 + 0.2 * Math.sin(t / 4000)));
  const view = of({ samples: { tS, pressureBar, flowC: tS.map((t) => 20 + (t % 4000) / 100) } });
  it('keeps its single peak, its ends and its count, in few points', () => {
    expect(view.taken).toBe(n);
    expect(view.readings.length).toBeLessThan(700);
    expect(Math.max(...view.readings.map((r) => r.bar))).toBe(2.9);
    expect([view.readings[0]!.min, view.readings.at(-1)!.min]).toEqual([0, (n - 1) / 60]);
    expect(view.heat.length).toBeLessThan(300);
  });
  it('still shows the peak on the chart’s grid', () => {
    const grid = resamplePeaks(view.readings, view.spanMin, 241);
    expect(Math.max(...grid.map((v) => v ?? 0))).toBe(2.9);
    expect(grid.length).toBe(241);
  });
});

it('the step that is right when hot says at which temperature, in the units that are read; the others say what they are', () => {
  const labels = (units: typeof METRIC) => of(null).rungs.map((r) => rungLabel(r, units).replace('\u00a0', ' '));
  expect(labels(METRIC)).toEqual(['relief', 'reseats', 'right, 70 °C', 'fill', 'precharge', 'height']);
  expect(labels({ ...METRIC, temperature: '°F' })).toContain('right, 158 °F');
});

it('where it stands at a wrong level cold, right when hot is where it would stand filled as wanted', () => {
  const hotOf = (bar: number) =>
    of({ samples: { tS: [0, 600], pressureBar: [bar, bar], flowC: [18, 18] } }).rungs.find((r) => r.id === 'hot')!.bar;
  expect(hotOf(1.2)).toBeGreaterThan(hotOf(1.05));
  expect(hotOf(2.2)).toBeCloseTo(hotOf(1.05), 9);
  expect(hotOf(0.2)).toBeCloseTo(hotOf(1.05), 9);
});

it('lays the run before the work with its heat-on on this one’s', () => {
  const now = run(20, 300),
    earlier = run(20, 60);
  const view = of(now, { before: { label: 'before the work', log: earlier } });
  // Heat-on came four minutes later this time: the earlier run is moved by as much.
  expect(view.before!.points[0]!.min).toBe(4);
  expect(view.spanMin).toBeGreaterThanOrEqual(24);
});

it('draws an unknown charge as the band that the schools leave, and what the judge makes of it beside', () => {
  const unknown = { ...SHEET, vessel: { nominalVolumeL: 8 } };
  const view = figureView({
    log: null,
    sheet: unknown,
    circuit: resolveCircuit(unknown),
    heatOn: false,
    chargeNow: { median: -0.1, p05: -0.3, p95: 0.3 },
  });
  const precharge = view.rungs.find((r) => r.id === 'precharge')!,
    now = view.rungs.find((r) => r.id === 'charge-now')!;
  expect(precharge).toMatchObject({ label: 'precharge?', line: 'none' });
  expect(precharge.reach!.low).toBeLessThan(precharge.reach!.high);
  expect(precharge.reach!.high).toBeGreaterThanOrEqual(1);
  // Nothing stands below the ladder's foot: what lies there stands at it, and says so.
  expect(now).toMatchObject({ bar: 0, belowFoot: true, reach: { low: 0, high: 0.3 } });
  expect(of(null, { chargeNow: { median: 0.5, p05: -0.5, p95: 1.5 } }).rungs.some((r) => r.id === 'charge-now')).toBe(false);
  expect(of(null, { chargeNow: { median: 0.3, p05: 0.1, p95: 0.6 } }).rungs.find((r) => r.id === 'charge-now')!.belowFoot).toBe(false);
  // Where it is what it should be, one step says so.
  const right = of(null, { chargeNow: { median: 0.78, p05: 0.65, p95: 0.9 } }).rungs;
  expect(right.some((r) => r.id === 'charge-now')).toBe(false);
  expect(right.find((r) => r.id === 'precharge')).toMatchObject({
    label: 'charge now',
    bar: 0.75,
    tone: 'right',
    reach: { low: 0.65, high: 0.9 },
  });
});

it('reads the trace at a touch, with what is right there and what was before', () => {
  const log = { ...run(20, 60), startedAt: '2026-03-04T09:10:00Z' };
  const view = of(log, { before: { label: 'before the work', log: run(20, 60) } });
  const at = readAt(view, 10.3, METRIC)!;
  expect(at.min).toBe(10);
  expect(at.lines).toEqual([
    expect.stringMatching(/^\d\d:20 {2}\d\.\d+ bar, \d+ °C$/),
    expect.stringMatching(/^right: .* bar to .* bar$/),
    expect.stringMatching(/^before the work: /),
  ]);
  expect(readAt(of(null), 3, METRIC)).toBeNull();
  expect([stepAt(view, 10, 1), stepAt(view, 10, -1), stepAt(view, 20, 1), stepAt(view, null, -1)]).toEqual([11, 9, 20, 20]);
});

it.each(FIGURE_SAMPLES.map((s) => [s.id, s] as const))('the sample “%s” draws only finite numbers inside its scale', (_id, { view }) => {
  for (const p of [...view.readings, ...(view.before?.points ?? [])]) {
    expect(Number.isFinite(p.bar) && p.bar <= view.topBar).toBe(true);
    expect(p.min >= 0 && p.min <= view.spanMin).toBe(true);
  }
  for (const r of view.rungs) expect(r.bar >= 0 && r.bar <= view.topBar).toBe(true);
  for (const b of view.band) expect(b.low).toBeLessThanOrEqual(b.high);
});

it('has no loop before ten kelvin were read', () => {
  expect(loopView(run(2, 9e8), resolveCircuit(SHEET))).toBeNull();
  const loop = loopView(run(20, 60), resolveCircuit(SHEET))!;
  expect(loop.toC - loop.fromC).toBeGreaterThan(30);
});
