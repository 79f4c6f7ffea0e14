import type { FactBody, JobParts } from '@jumper/contract';
import type { CircuitSheet } from '@jumper/core';
import { alertsView } from './alertsView';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  vessel: { nominalVolumeL: 12, maxBar: 3 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
};
const at = (min: number) => new Date(Date.UTC(2026, 2, 4, 9, min)).toISOString();
const job = (bodies: FactBody[], sheet = SHEET): JobParts => ({
  job: { id: 'j', circuitId: 'c', openedAt: at(0), complaint: [] },
  sheet: { id: 's', circuitId: 'c', recordedAt: at(0), site: 'x', sheet: sheet as never, assumed: [] },
  facts: bodies.map((body, i) => ({ id: `f${i}`, jobId: 'j', recordedAt: body.at, body })) as never,
});
const view = (lastBar: number | null, heatOn = false) => ({ lastBar, heatOn, heatUnsaid: false, lastC: null });

describe('heat off now', () => {
  it('at or near the relief with the heat on, before any test', () => {
    expect(alertsView(job([]), view(2.9, true)).heatOff).toMatchObject({ reason: 'at-relief', limitGaugeBar: 3 });
    expect(alertsView(job([]), view(2.5, true)).heatOff).toBeNull();
    expect(alertsView(job([]), view(2.9)).heatOff).toBeNull();
  });
  it('above what the vessel or the relief is marked with, whatever the heat does', () => {
    expect(alertsView(job([]), view(3.1)).heatOff).toMatchObject({ reason: 'above-vessel' });
    const marked: FactBody = { kind: 'finding', at: at(1), finding: { test: 'relief-marking', markedBar: 2 } as never };
    expect(alertsView(job([marked]), view(2.5)).heatOff).toMatchObject({ reason: 'above-relief-marking', limitGaugeBar: 2 });
  });
});

it('asks whether it was drained when the gauge falls to about zero at once, and no more once that is said', () => {
  const reading = (min: number, pressureBar: number): FactBody => ({ kind: 'reading', at: at(min), pressureBar });
  const fell = [reading(0, 1.4), reading(5, 0)];
  const asked = alertsView(job(fell), view(0)).drainedAt;
  expect(asked).not.toBeNull();
  expect(alertsView(job([...fell, { kind: 'event', at: asked!, event: 'drained' }]), view(0)).drainedAt).toBeNull();
  expect(alertsView(job([reading(0, 1.4), reading(5, 0.9)]), view(0.9)).drainedAt).toBeNull();
  // Overnight a circuit may well have emptied by itself.
  expect(alertsView(job([reading(0, 1.4), reading(600, 0)]), view(0)).drainedAt).toBeNull();
});

it('asks how the stop valve of an automatic feed stands, once, and of no other feed', () => {
  const fed = (valve?: 'open' | 'shut'): CircuitSheet => ({
    ...SHEET,
    fill: { kind: 'reducing-valve', setBar: 1, ...(valve ? { valve } : {}) },
  });
  expect([alertsView(job([], fed()), view(1)).asksFeed, alertsView(job([], fed('open')), view(1)).asksFeed]).toEqual([true, false]);
  expect(alertsView(job([]), view(1)).asksFeed).toBe(false);
});
