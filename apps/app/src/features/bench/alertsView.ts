import { standingFacts, type JobParts } from '@jumper/contract';
import { heatOffNow, isAutomaticFeed, type Finding, type HeatOffNow } from '@jumper/core';
import { sheetOfJob } from '../work/workState';
import type { BenchView } from './benchView';

export interface AlertsView {
  heatOff: HeatOffNow;
  /** When the gauge was seen to fall to about zero at once and nobody said why; null where it was not. */
  drainedAt: string | null;
  /** Nobody has said how the stop valve of an automatic feed stands. */
  asksFeed: boolean;
  /** After work, the heat on, no temperature read: the boiler's own set temperature may end the run. */
  asksSteady: boolean;
}

/** A gauge that reads this and less is at about zero; one that stood so much higher just before did not leak there, bar. */
const ABOUT_ZERO_BAR = 0.1,
  FELL_BAR = 0.5;
/** Between two readings so far apart a circuit may well have emptied by itself, ms. */
const AT_ONCE_MS = 20 * 60_000;

/** What the bench asks or warns of before it judges anything. */
export function alertsView(parts: JobParts, view: Pick<BenchView, 'lastBar' | 'heatOn' | 'heatUnsaid' | 'lastC'>): AlertsView {
  const circuit = sheetOfJob(parts),
    facts = standingFacts(parts.facts);
  const findings = facts.flatMap((f) => (f.body.kind === 'finding' ? [f.body.finding as unknown as Finding] : [])),
    marked = findings.findLast((f) => f.test === 'relief-marking')?.markedBar;
  const repaired = facts.some((f) => f.body.kind === 'repair'),
    isHeatOn = view.heatOn || view.heatUnsaid;
  return {
    heatOff: heatOffNow(circuit, view.lastBar, isHeatOn, marked),
    drainedAt: fellToNothing(facts),
    asksFeed:
      isAutomaticFeed(circuit) &&
      circuit.fill!.valve === undefined &&
      view.lastBar !== null &&
      !findings.some((f) => f.test === 'feed-valve-position'),
    asksSteady: repaired && view.heatOn && !facts.some((f) => f.body.kind === 'event' && f.body.event === 'steady-hot'),
  };
}

function fellToNothing(facts: ReturnType<typeof standingFacts>): string | null {
  const read = facts.flatMap((f) =>
      f.body.kind === 'reading' && f.body.pressureBar !== null ? [{ at: f.body.at, bar: f.body.pressureBar }] : [],
    ),
    last = read.at(-1),
    before = read.at(-2);
  if (!last || !before || last.bar > ABOUT_ZERO_BAR || before.bar - last.bar < FELL_BAR) return null;
  const lastMs = Date.parse(last.at),
    beforeMs = Date.parse(before.at);
  if (lastMs - beforeMs > AT_ONCE_MS) return null;
  const at = new Date(Math.max(beforeMs, lastMs - 1000)).toISOString();
  const explained = facts.some(
    ({ body }) =>
      // Said not to have been drained: a note that stands at that very moment.
      (body.kind === 'event' && body.event === 'note' && body.at === at) ||
      (((body.kind === 'event' && (body.event === 'drained' || body.event === 'drawn-off')) ||
        (body.kind === 'position' && (body.position === 'drain' || body.position === 'vessel-drain'))) &&
        Date.parse(body.at) >= beforeMs &&
        Date.parse(body.at) <= lastMs),
  );
  return explained ? null : at;
}
