import {
  cycleFeatures,
  expectedPressure,
  keepPeaks,
  standingLevel,
  type CircuitSheet,
  type Interval,
  type PressureLog,
  type ResolvedCircuit,
} from '@jumper/core';
import { EVENT_TITLES } from '../bench/eventTitles';
import type { FigureView, LoopView, Point } from './figureModel';
import { clampC, coldPointOf, healthyBand, rightAt } from './healthyBand';
import { rungs } from './rungs';

const LEAST_SPAN_MIN = 30;
const CHART_SLICES = 150,
  HEAT_SLICES = 60;

export interface FigureInput {
  log: PressureLog | null;
  sheet: CircuitSheet;
  circuit: ResolvedCircuit;
  heatOn: boolean;
  before?: { label: string; log: PressureLog } | null;
  chargeNow?: Interval | null;
}

/** All that the figure draws, in minutes and bar. */
export function figureView({ log, sheet, circuit: c, heatOn, before = null, chargeNow = null }: FigureInput): FigureView {
  const s = log?.samples;
  const kept = s ? keepPeaks(s.pressureBar, CHART_SLICES) : [];
  const readings = kept.flatMap((i) =>
    s!.pressureBar[i] == null ? [] : [{ id: String(i), min: s!.tS[i]! / 60, bar: s!.pressureBar[i]! }],
  );
  const heat = !s?.flowC
    ? []
    : keepPeaks(s.flowC, HEAT_SLICES).flatMap((i) => (s.flowC![i] == null ? [] : [{ min: s.tS[i]! / 60, celsius: s.flowC![i]! }]));
  const lastMin = Math.max(readings.at(-1)?.min ?? 0, heat.at(-1)?.min ?? 0);
  const earlier = before ? laidOver(before.log, log) : [];
  const earlierEnd = earlier.at(-1)?.min ?? 0;
  const spanMin = niceSpan(
    Math.max(
      LEAST_SPAN_MIN,
      lastMin * (heatOn ? 1.5 : lastMin > 240 ? 1 : 1.12),
      Math.min(earlierEnd, 3 * Math.max(lastMin, LEAST_SPAN_MIN)),
    ),
  );
  const most = [...readings, ...earlier].reduce((m, r) => Math.max(m, r.bar), 0);
  const cold = coldPointOf(log, c);
  // From a level that is wrong itself there is no right way up: the step is where it would stand if it were filled as wanted.
  const right = standingLevel(cold.gaugeBar, c).kind === 'right' ? cold.gaugeBar : c.fillGaugeBar;
  const hot = expectedPressure({ circuit: c, coldGaugeBar: right, coldC: cold.celsius, flowC: c.maxFlowC });
  return {
    topBar: Math.max(c.reliefSetGaugeBar * 1.1, most * 1.06),
    spanMin,
    readings,
    taken: s?.pressureBar.reduce<number>((n, p) => n + (p === null ? 0 : 1), 0) ?? 0,
    heat,
    reliefBar: c.reliefSetGaugeBar,
    before: earlier.length > 1 ? { label: before!.label, points: earlier.filter((p) => p.min >= 0 && p.min <= spanMin) } : null,
    nowBar: readings.at(-1)?.bar ?? null,
    lastC: heat.at(-1)?.celsius ?? null,
    band: healthyBand(log, c, cold, spanMin, heatOn),
    rungs: rungs(sheet, c, hot.gaugeBar, chargeNow),
    forecast: forecast(readings, c.reliefSetGaugeBar, spanMin, heatOn),
    events: (log?.events ?? []).filter((e) => e.kind !== 'note').map((e) => ({ min: e.tS / 60, label: EVENT_TITLES[e.kind] })),
    startMs: log?.startedAt ? Date.parse(log.startedAt) : null,
  };
}

const niceSpan = (min: number) =>
  [30, 45, 60, 90, 120, 180, 240, 360, 720, 1440, 2880, 4320, 7200, 10_080, 14_400, 20_160, 30_240, 43_200].find((n) => n >= min) ??
  Math.ceil(min / 1440) * 1440;
const heatOnMin = (log: PressureLog | null) => (log?.events?.find((e) => e.kind === 'heat-on')?.tS ?? 0) / 60;

/** An earlier log on this one's time axis, heat-on on heat-on. */
function laidOver(earlier: PressureLog, log: PressureLog | null): Point[] {
  const shift = heatOnMin(log) - heatOnMin(earlier);
  return keepPeaks(earlier.samples.pressureBar, CHART_SLICES).flatMap((i) =>
    earlier.samples.pressureBar[i] == null ? [] : [{ min: earlier.samples.tS[i]! / 60 + shift, bar: earlier.samples.pressureBar[i]! }],
  );
}

const LEAST_LOOP_K = 10;

/** Null until pressure and temperature were read together over ten kelvin. A loop that closes moved no water; one that opens did. */
export function loopView(log: PressureLog | null, c: ResolvedCircuit): LoopView | null {
  const s = log?.samples;
  const points = (s ? keepPeaks(s.pressureBar, CHART_SLICES) : []).flatMap((i) =>
    s!.pressureBar[i] == null || s!.flowC?.[i] == null ? [] : [{ celsius: s!.flowC![i]!, bar: s!.pressureBar[i]! }],
  );
  if (points.length < 3) return null;
  const temperatures = points.map((p) => p.celsius);
  const fromC = clampC(Math.min(...temperatures)),
    toC = clampC(Math.max(...temperatures));
  if (toC - fromC < LEAST_LOOP_K) return null;
  const at = coldPointOf(log, c),
    cold = { gaugeBar: at.gaugeBar, celsius: Math.min(at.celsius, fromC) };
  const band =
    cold.gaugeBar < -0.9
      ? []
      : Array.from({ length: 13 }, (_, k) => {
          const celsius = fromC + ((toC - fromC) * k) / 12;
          return { celsius, ...rightAt(c, cold, celsius) };
        });
  return {
    points,
    band,
    fromC,
    toC,
    topBar: Math.max(...points.map((p) => p.bar), ...band.map((b) => b.high)) * 1.1,
    reliefBar: c.reliefSetGaugeBar,
  };
}

const PACE_MIN = 6;

/** Straight on at the pace of the last six minutes (three readings at least), if that reaches the relief before the figure ends. */
export function forecast(readings: Point[], reliefBar: number, spanMin: number, heatOn: boolean): FigureView['forecast'] {
  if (readings.length < 3) return null;
  const last = readings.at(-1)!;
  const from =
    readings[
      Math.min(
        readings.length - 3,
        readings.findIndex((r) => r.min >= last.min - PACE_MIN),
      )
    ]!;
  const pace = (last.bar - from.bar) / Math.max(0.5, last.min - from.min);
  if (pace <= 0.005 || last.bar >= reliefBar) return null;
  const inMin = (reliefBar - last.bar) / pace;
  if (inMin > (heatOn ? 40 : 120) || last.min + inMin > spanMin * 1.3) return null;
  const shown = Math.min(last.min + inMin, spanMin);
  return {
    from: last,
    to: { min: shown, bar: last.bar + pace * (shown - last.min) },
    text: `lifts in about ${Math.max(1, Math.round(inMin))} min`,
  };
}

export const logHasHeat = (log: PressureLog): boolean =>
  (log.events?.some((e) => e.kind === 'heat-on') ?? false) && cycleFeatures(log).swingBar !== null;
