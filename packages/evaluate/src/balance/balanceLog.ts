import type { WrittenLog } from '../truth/readings';
import type { Random } from '../truth/random';
import { toStep } from '../truth/toStep';
import type { BalancePlant } from './BalancePlant';
import type { BalanceRun, BalanceTrace } from './runBalance';

/** What the gauge shows: a needle with friction moves when it has to and then most of the way; a pump's head moves it; a sensor lags. */
function shown(p: BalancePlant, trace: BalanceTrace, byHand: boolean): number[] {
  let needle = trace.bar[0]!,
    sensor = trace.bar[0]!;
  return trace.bar.map((bar, i) => {
    const here = bar + (trace.pumps[i] ? p.gauge.pumpBar : 0);
    if (Math.abs(here - needle) > p.gauge.frictionBar) needle = here - 0.3 * Math.sign(here - needle) * p.gauge.frictionBar;
    sensor += 0.4 * (here - sensor);
    return Math.max(0, (p.gauge.stuck ? trace.bar[0]! : byHand ? needle : sensor) + p.gauge.offsetBar);
  });
}

const MIN_S = 60;
/** When somebody reads: now and again while it stands idle, every minute or two once it heats, then seldom. */
function readingTimes(run: BalanceRun, r: Random): number[] {
  if (!run.heat) {
    const n = 6 + Math.floor(r.uniform(0, 6));
    return Array.from({ length: n }, (_, i) => Math.round((i * run.durationS) / (n - 1) / MIN_S) * MIN_S);
  }
  const [on, off] = run.heat,
    before = 1 + Math.floor(r.uniform(0, 3.5)),
    idle = Array.from({ length: before }, (_, i) => (i * on) / before);
  const hot = [1, 2, 3, 5, 7, 10, 15, 20, 25, 30, 40, 50].filter(() => r.chance(0.75)).map((m) => on + m * MIN_S),
    cool = [5, 15, 30, 45, 60].filter(() => r.chance(0.7)).map((m) => off + m * MIN_S);
  return [...new Set([...idle, ...hot.filter((s) => s <= off), off, ...cool].map((s) => Math.round(s / MIN_S) * MIN_S))]
    .filter((s) => s >= 0 && s <= run.durationS)
    .sort((a, b) => a - b);
}

/** What somebody was there for. */
function readPart(trace: BalanceTrace, run: BalanceRun): { trace: BalanceTrace; run: BalanceRun } {
  const fromS = run.readFromS ?? 0,
    cut = <T>(of: T[]) => of.slice(trace.tS.findIndex((t) => t >= fromS));
  return fromS === 0
    ? { trace, run }
    : {
        trace: { ...trace, bar: cut(trace.bar), flowC: cut(trace.flowC), returnC: cut(trace.returnC), pumps: cut(trace.pumps) },
        run: { ...run, durationS: run.durationS - fromS, heat: run.heat && [run.heat[0] - fromS, run.heat[1] - fromS] },
      };
}

/** Writes down a run as a hand or a logger does. */
export function balanceLog(p: BalancePlant, whole: BalanceTrace, ran: BalanceRun, byHand: boolean, r: Random): WrittenLog {
  const { trace, run } = readPart(whole, ran);
  const seen = shown(p, trace, byHand),
    at = (s: number) => Math.max(0, Math.min(seen.length - 1, Math.round(s / 4))),
    everyS = r.pick([1, 5, 10, 30, 60]),
    step = byHand ? (r.chance(0.7) ? p.gauge.stepBar / 2 : p.gauge.stepBar) : r.pick([0.01, 0.01, 0.02, 0.05]);
  const tS = byHand ? readingTimes(run, r) : Array.from({ length: Math.floor(run.durationS / everyS) + 1 }, (_, i) => i * everyS),
    late = byHand ? 15 : 0;
  const samples: WrittenLog['samples'] = {
    tS,
    pressureBar: tS.map((s) =>
      Math.max(0, toStep(seen[at(s + r.uniform(-late, late))]! + r.normal(0, byHand ? 0.15 * p.gauge.stepBar : 0.006), step)),
    ),
  };
  const read = r.weighted(
      byHand
        ? ([
            ['none', 0.3],
            ['flow', 0.4],
            ['both', 0.3],
          ] as const)
        : ([
            ['none', 0.2],
            ['flow', 0.3],
            ['both', 0.5],
          ] as const),
    ),
    events =
      r.chance(0.12) && read !== 'none'
        ? []
        : [
            ...(run.heat ? [{ tS: Math.max(0, run.heat[0]), kind: 'heat-on' }] : []),
            ...(run.heat && run.heat[1] < run.durationS ? [{ tS: run.heat[1], kind: 'heat-off' }] : []),
          ];
  const degree = byHand ? 1 : 0.1,
    offC = r.normal(0, 0.8),
    skips = () => byHand && r.chance(0.12);
  if (read !== 'none')
    samples.flowC = tS.map((s) => (skips() ? null : toStep(trace.flowC[at(s)]! + offC + r.normal(0, byHand ? 0.6 : 0.15), degree)));
  if (read === 'both')
    samples.returnC = tS.map((s) => (skips() ? null : toStep(trace.returnC[at(s)]! + r.normal(0, byHand ? 0.8 : 0.3), degree)));
  return {
    startedAt: '2026-01-14T07:30:00Z',
    source: byHand ? 'hand' : 'logger',
    samples,
    events: events.map((e) => ({ ...e, tS: Math.max(0, Math.min(run.durationS, Math.round(e.tS + r.uniform(-45, 45)))) })),
  };
}
