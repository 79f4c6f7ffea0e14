import { jobToCase, standingFacts, type JobParts } from '@jumper/contract';
import { circuitHistory, coldPressureOf, lowerFirst, resolveCircuit, type Case, type CircuitSheet, type HistoryPoint } from '@jumper/core';
import { repairTitle } from '../bench/recordRows';
import { quantityText } from '../units/quantity';
import { pressureText, type Units } from '../units/units';
import { dayAndYear } from '../units/dates';

export interface VisitRow {
  jobId: string;
  at: string;
  when: string;
  cold: string;
  charge: string;
  work: string;
}
export interface TracePoint {
  day: number;
  bar: number;
}
export interface HistoryView {
  site: string;
  visits: VisitRow[];
  points: HistoryPoint[];
  lines: string[];
  coldTrace: TracePoint[];
  /** The vessel's charge, as found and then as left on each visit. */
  chargeTrace: TracePoint[];
  rightBar: number;
}

/** A circuit across its visits: cold pressure, charge found and left, top-ups, work, and what they come to. */
export function historyView(jobs: JobParts[], circuitId: string, units: Units): HistoryView | null {
  const own = jobs.filter((j) => j.job.circuitId === circuitId).sort((a, b) => Date.parse(a.job.openedAt) - Date.parse(b.job.openedAt));
  if (own.length === 0) return null;
  const sheet = own.at(-1)!.sheet,
    circuit = sheet.sheet as unknown as CircuitSheet,
    bar = (x: number | undefined) => (x === undefined ? '–' : pressureText(x, units.pressure));
  const visits = own.map((parts) => {
    const file = jobToCase(parts);
    return { parts, file, point: pointOf(parts, file) };
  });
  const points = visits.map((v) => v.point),
    history = circuitHistory(points, circuit),
    firstMs = Date.parse(points[0]!.at);
  const traceOf = (p: HistoryPoint, ...bars: (number | undefined)[]): TracePoint[] =>
    bars.flatMap((bar) => (bar === undefined ? [] : [{ day: (Date.parse(p.at) - firstMs) / 86_400_000, bar }]));
  const lines = [
    history.chargeLoss
      ? `The charge falls by ${pressureText(Math.max(0, history.chargeLoss.perYear), units.pressure)} a year; about ${pressureText(0.07, units.pressure)} is natural.`
      : 'How fast the charge falls shows once it was set on one visit and read on a later one.',
    ...(history.daysToLow !== null && history.daysToLow < 3650
      ? [`At that pace it is too low in about ${Math.max(1, Math.round(history.daysToLow / 30.4))} months.`]
      : []),
    history.waterLossLPerMonth !== null
      ? `About ${quantityText(history.waterLossLPerMonth, history.waterLossLPerMonth < 1 ? 'small-volume' : 'volume', units)} of water goes missing a month.`
      : 'No loss of water shows between the visits.',
  ];
  return {
    site: sheet.site,
    points,
    lines,
    rightBar: resolveCircuit(circuit).fillGaugeBar,
    coldTrace: points.flatMap((p) => traceOf(p, p.coldBar)),
    chargeTrace: points.flatMap((p) => traceOf(p, p.chargeFoundBar, p.chargeLeftBar)),
    visits: visits
      .map(({ parts, point, file }) => ({
        jobId: parts.job.id,
        at: point.at,
        when: dayAndYear(point.at),
        cold: bar(point.coldBar),
        charge:
          point.chargeLeftBar !== undefined ? `${bar(point.chargeFoundBar)} → ${bar(point.chargeLeftBar)}` : bar(point.chargeFoundBar),
        work: (file.repairs ?? []).map((r) => lowerFirst(repairTitle(r))).join(', ') || 'no work',
      }))
      .reverse(),
  };
}

function pointOf(parts: JobParts, file: Case): HistoryPoint {
  const log = file.logs?.[0],
    cold = log ? coldPressureOf(log) : null;
  const found = file.findings?.findLast((f) => f.test === 'precharge' && f.epoch !== 'after-work' && f.drainOpen === true)?.valueBar;
  const left = file.repairs?.findLast((r) => r.toBar !== undefined)?.toBar;
  const told = file.findings?.findLast((f) => f.test === 'top-ups-per-month')?.count;
  const events = standingFacts(parts.facts).filter((f) => f.body.kind === 'event' && f.body.event === 'top-up').length;
  const topUps = told !== undefined ? told : events;
  return {
    at: parts.job.openedAt,
    ...(cold !== null ? { coldBar: cold } : {}),
    ...(topUps ? { topUps } : {}),
    ...(found !== undefined ? { chargeFoundBar: found } : {}),
    ...(left !== undefined ? { chargeLeftBar: left } : {}),
  };
}
