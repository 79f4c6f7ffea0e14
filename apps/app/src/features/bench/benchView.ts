import { standingFacts, type FactRecord, type JobParts } from '@jumper/contract';
import { COMPLAINT_ROWS, cycleFeatures, expectedPressure, resolveCircuit, type Case, type PressureLog, type ResolvedCircuit } from '@jumper/core';
import { pressureNumber, pressureText, signedPressure, temperatureText, type Units } from '../units/units';

export interface Point { min: number; bar: number }
export interface Rung { id: string; label: string; bar: number; lowBar?: number; tone: 'relief' | 'right' | 'fill' | 'quiet'; line: 'solid' | 'dashed' | 'dotted' }

export interface FigureView {
  topBar: number;
  spanMin: number;
  readings: (Point & { id: string })[];
  band: { min: number; low: number; high: number }[];
  rungs: Rung[];
  reliefBar: number;
  nowBar: number | null;
  forecast: { from: Point; to: Point; text: string } | null;
  heat: { min: number; celsius: number }[];
  events: { min: number; label: string }[];
  lastC: number | null;
}

/** Pressure against temperature: what was read, and where a healthy circuit would go. */
export interface LoopView { points: { celsius: number; bar: number }[]; band: { celsius: number; low: number; high: number }[]; fromC: number; toC: number; topBar: number; reliefBar: number }

export interface BenchView {
  title: string;
  subtitle: string;
  number: { value: string; unit: string } | null;
  change: { text: string; tone: 'oxide' | 'verdigris' | 'slate' | 'ink' } | null;
  right: string | null;
  ruleOfThumb: string | null;
  figure: FigureView;
  loop: LoopView | null;
  heatOn: boolean;
  lastBar: number | null;
  /** When the last reading was taken. */
  lastAtMs: number | null;
  lastC: number | null;
}

export const EVENT_TITLES: Record<string, string> = {
  'heat-on': 'Heat on', 'heat-off': 'Heat off', 'top-up': 'Topped up', vented: 'Vented', drained: 'Drained', 'drawn-off': 'Drawn off', 'fill-disconnected': 'Loop off',
  'fill-closed': 'Fill shut', 'fill-opened': 'Fill open', 'cold-main-closed': 'Main shut', 'cold-main-opened': 'Main open', 'vessel-recharged': 'Recharged', 'relief-lifted': 'Relief lifted', note: 'Note',
};

const LEAST_SPAN_MIN = 30;

/** Everything the bench shows of a job's log, worked out; the screen only sets it. */
export function benchView(parts: JobParts, file: Case, units: Units): BenchView {
  const circuit = resolveCircuit(file.circuit);
  const facts = standingFacts(parts.facts);
  const log = file.logs?.at(-1) ?? null;
  const f = log ? cycleFeatures(log) : null;
  const heatOn = lastSwitch(log) === 'heat-on';
  const figure = figureView(log, circuit, facts, heatOn);
  const now = figure.nowBar;
  const hasHeated = log?.events?.some((e) => e.kind === 'heat-on') ?? false;
  const since = f?.coldBar != null && now !== null && figure.readings.length > 1 ? now - f.coldBar : null;
  const band = figure.band.length > 0 && figure.readings.length > 0 ? nearestBand(figure) : null;
  const tone = since === null || !band || now === null ? 'ink' : now > band.high + 0.08 ? 'oxide' : now < band.low - 0.08 ? 'slate' : 'verdigris';
  return {
    title: parts.sheet.site,
    subtitle: [parts.job.complaint.length ? capital(parts.job.complaint.map((c) => COMPLAINT_ROWS[c].short).join(', ')) : 'Service visit', parts.sheet.town].filter(Boolean).join(' · '),
    number: now === null ? null : { value: pressureNumber(now, units.pressure), unit: units.pressure },
    change: since === null ? null : { text: `${signedPressure(since, units.pressure)} since ${hasHeated ? 'heat on' : 'the first reading'}${tone === 'oxide' ? ', too much' : tone === 'slate' ? ', too little' : tone === 'verdigris' ? ', as it should' : ''}`, tone },
    right: f?.coldBar != null && band && hasHeated
      ? `${signedPressure(Math.max(0, band.low - f.coldBar), units.pressure)} to ${signedPressure(Math.max(0, band.high - f.coldBar), units.pressure)} is right here${figure.lastC !== null ? ` at ${temperatureText(figure.lastC, units.temperature)}` : ''}`
      : hasHeated || figure.readings.length === 0 ? null : 'No heat yet: it should stand still',
    ruleOfThumb: since !== null && hasHeated ? `Rule of thumb: ${pressureNumber(0.3, units.pressure)} to ${pressureText(0.5, units.pressure)} is ordinary, near ${pressureText(1, units.pressure)} is trouble` : null,
    figure, loop: loopView(log, circuit), heatOn, lastBar: now, lastAtMs: lastReadingMs(facts), lastC: figure.lastC,
  };
}

const lastReadingMs = (facts: FactRecord[]) => { const last = facts.findLast((f) => f.body.kind === 'reading'); return last ? Date.parse(last.body.at) : null; };
const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);
const lastSwitch = (log: PressureLog | null) => log?.events?.findLast((e) => e.kind === 'heat-on' || e.kind === 'heat-off')?.kind;

function nearestBand(figure: FigureView) {
  const last = figure.readings.at(-1)!.min;
  return figure.band.reduce((best, b) => (Math.abs(b.min - last) < Math.abs(best.min - last) ? b : best));
}

function figureView(log: PressureLog | null, c: ResolvedCircuit, facts: FactRecord[], heatOn: boolean): FigureView {
  const s = log?.samples;
  const ids = facts.filter((x) => x.body.kind === 'reading');
  const readings = (s?.tS ?? []).flatMap((t, i) => (s!.pressureBar[i] == null ? [] : [{ id: ids[i]?.id ?? String(i), min: t / 60, bar: s!.pressureBar[i]! }]));
  const heat = (s?.tS ?? []).flatMap((t, i) => (s!.flowC?.[i] == null ? [] : [{ min: t / 60, celsius: s!.flowC![i]! }]));
  const lastMin = Math.max(readings.at(-1)?.min ?? 0, heat.at(-1)?.min ?? 0);
  const spanMin = niceSpan(Math.max(LEAST_SPAN_MIN, lastMin * (heatOn ? 1.5 : 1.12)));
  const most = Math.max(...readings.map((r) => r.bar), 0);
  const topBar = Math.max(c.reliefSetGaugeBar * 1.1, most * 1.06);
  const hot = expectedPressure({ circuit: c, coldGaugeBar: coldBar(log, c), coldC: clampC(coldC(log)), flowC: c.maxFlowC });
  return {
    topBar, spanMin, readings, heat, reliefBar: c.reliefSetGaugeBar, nowBar: readings.at(-1)?.bar ?? null, lastC: heat.at(-1)?.celsius ?? null,
    band: healthyBand(log, c, spanMin, heatOn),
    rungs: rungs(c, hot.gaugeBar),
    forecast: forecast(readings, c.reliefSetGaugeBar, spanMin, heatOn),
    events: (log?.events ?? []).filter((e) => e.kind !== 'note').map((e) => ({ min: e.tS / 60, label: EVENT_TITLES[e.kind] ?? e.kind.replaceAll('-', ' ') })),
  };
}

const niceSpan = (min: number) => [30, 45, 60, 90, 120, 180, 240, 360, 720, 1440, 2880, 10_080, 43_200].find((n) => n >= min) ?? Math.ceil(min / 1440) * 1440;
const clampC = (x: number) => Math.min(150, Math.max(1, x));
const coldBar = (log: PressureLog | null, c: ResolvedCircuit) => (log ? cycleFeatures(log).coldBar : null) ?? c.fillGaugeBar;
const coldC = (log: PressureLog | null) => (log ? cycleFeatures(log).coldC : null) ?? 15;

function rungs(c: ResolvedCircuit, hotBar: number): Rung[] {
  const all: Rung[] = [
    { id: 'relief', label: 'relief', bar: c.reliefSetGaugeBar, tone: 'relief', line: 'solid' },
    { id: 'reseat', label: 'reseats', bar: 0.85 * c.reliefSetGaugeBar, tone: 'relief', line: 'dashed' },
    { id: 'hot', label: 'right, hot', bar: hotBar, tone: 'right', line: 'solid' },
    { id: 'fill', label: 'fill', bar: c.fillGaugeBar, tone: 'fill', line: 'solid' },
    { id: 'precharge', label: 'precharge', bar: c.prechargeGaugeBar, tone: 'quiet', line: 'dashed' },
    { id: 'height', label: 'height', bar: c.staticGaugeBar, tone: 'quiet', line: 'dotted' },
  ];
  return all.filter((r) => r.bar >= 0).sort((a, b) => b.bar - a.bar);
}

const BAND_POINTS = 40;

/** Where a healthy circuit of this sheet would run: at the temperatures read so far, and, with the heat on, towards the greatest flow temperature. */
function healthyBand(log: PressureLog | null, c: ResolvedCircuit, spanMin: number, heatOn: boolean): FigureView['band'] {
  const cold = coldBar(log, c), fromC = clampC(coldC(log));
  if (cold < -0.9 || cold > 24) return [];
  const flow = flowAt(log, c, heatOn);
  // After water was let in or out by hand the cold point no longer holds: the band ends there.
  const until = (log?.events?.find((e) => ['top-up', 'vented', 'drained', 'vessel-recharged'].includes(e.kind) && e.tS > 0)?.tS ?? Infinity) / 60;
  return Array.from({ length: BAND_POINTS + 1 }, (_, k) => {
    const min = (spanMin * k) / BAND_POINTS;
    const right = expectedPressure({ circuit: c, coldGaugeBar: cold, coldC: fromC, flowC: Math.max(fromC, clampC(flow(min))) });
    return { min, low: Math.min(right.lowGaugeBar, right.gaugeBar), high: Math.max(right.highGaugeBar, right.gaugeBar) + 0.02 };
  }).filter((b) => b.min <= until);
}

/** Flow temperature over time: as read, level beyond, and rising to the limit at its last pace while the heat is on. */
function flowAt(log: PressureLog | null, c: ResolvedCircuit, heatOn: boolean): (min: number) => number {
  const s = log?.samples;
  const known = (s?.tS ?? []).flatMap((t, i) => (s!.flowC?.[i] == null ? [] : [{ min: t / 60, celsius: s!.flowC![i]! }]));
  const onMin = (log?.events?.find((e) => e.kind === 'heat-on')?.tS ?? null);
  if (known.length === 0) {
    if (onMin === null && log) return () => 15;
    // Nothing read: the usual twenty minutes to the limit.
    return (min) => 15 + (c.maxFlowC - 15) * Math.min(1, Math.max(0, min - (onMin ?? 0) / 60) / 20);
  }
  const last = known.at(-1)!, before = known.at(-2);
  const pace = heatOn ? Math.max(0.5, before ? (last.celsius - before.celsius) / Math.max(0.5, last.min - before.min) : 2) : 0;
  return (min) => {
    if (min >= last.min) return heatOn ? Math.max(last.celsius, Math.min(c.maxFlowC, last.celsius + pace * (min - last.min))) : last.celsius;
    const k = known.findIndex((p) => p.min >= min);
    if (k <= 0) return known[0]!.celsius;
    const a = known[k - 1]!, b = known[k]!;
    return a.celsius + ((b.celsius - a.celsius) * (min - a.min)) / Math.max(1e-6, b.min - a.min);
  };
}

const LEAST_LOOP_K = 10;

/** Null until pressure and temperature were read together over ten kelvin. A loop that closes moved no water; one that opens did. */
function loopView(log: PressureLog | null, c: ResolvedCircuit): LoopView | null {
  const s = log?.samples;
  const points = (s?.tS ?? []).flatMap((_, i) => (s!.pressureBar[i] == null || s!.flowC?.[i] == null ? [] : [{ celsius: s!.flowC![i]!, bar: s!.pressureBar[i]! }]));
  if (points.length < 3) return null;
  const temperatures = points.map((p) => p.celsius);
  const fromC = clampC(Math.min(...temperatures)), toC = clampC(Math.max(...temperatures));
  if (toC - fromC < LEAST_LOOP_K) return null;
  const cold = coldBar(log, c);
  const band = cold < -0.9 ? [] : Array.from({ length: 13 }, (_, k) => {
    const celsius = fromC + ((toC - fromC) * k) / 12;
    const right = expectedPressure({ circuit: c, coldGaugeBar: cold, coldC: fromC, flowC: celsius });
    return { celsius, low: Math.min(right.lowGaugeBar, right.gaugeBar), high: Math.max(right.highGaugeBar, right.gaugeBar) + 0.02 };
  });
  return { points, band, fromC, toC, topBar: Math.max(...points.map((p) => p.bar), ...band.map((b) => b.high)) * 1.1, reliefBar: c.reliefSetGaugeBar };
}

/** Straight on from the last three readings, if that reaches the relief before the figure ends. */
export function forecast(readings: Point[], reliefBar: number, spanMin: number, heatOn: boolean): FigureView['forecast'] {
  if (readings.length < 3) return null;
  const last = readings.at(-1)!, from = readings.at(-3)!;
  const pace = (last.bar - from.bar) / Math.max(0.5, last.min - from.min);
  if (pace <= 0.005 || last.bar >= reliefBar) return null;
  const inMin = (reliefBar - last.bar) / pace;
  if (inMin > (heatOn ? 40 : 120) || last.min + inMin > spanMin * 1.3) return null;
  const shown = Math.min(last.min + inMin, spanMin);
  return { from: last, to: { min: shown, bar: last.bar + pace * (shown - last.min) }, text: `lifts in about ${Math.max(1, Math.round(inMin))} min` };
}
