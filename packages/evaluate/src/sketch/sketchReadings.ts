import type { WrittenLog } from '../truth/readings';
import type { Random } from '../truth/random';
import { toStep } from '../truth/toStep';
import type { SketchPlant } from './SketchPlant';
import type { SketchSchedule, SketchTrace } from './runSketch';

/** What a gauge shows along a trace: stuck, or by a needle that follows with a gap, or at once. */
function shownBar(p: SketchPlant, trace: SketchTrace, byHand: boolean): number[] {
  const first = trace.bar[0]!;
  let needle = first;
  return trace.bar.map((bar) => {
    if (p.stuck) return Math.max(0, first + 0.05 * (bar - first) + p.offsetBar);
    if (Math.abs(bar - needle) > p.sticksBar) needle = bar - Math.sign(bar - needle) * p.sticksBar;
    return Math.max(0, (byHand ? needle : bar) + p.offsetBar);
  });
}

/** A log as a hand writes it, ten readings or so, closer at first; or as a logger does. */
export function sketchLog(p: SketchPlant, trace: SketchTrace, schedule: SketchSchedule, byHand: boolean, r: Random): WrittenLog {
  const shown = shownBar(p, trace, byHand),
    at = (s: number) => Math.max(0, Math.min(trace.tS.length - 1, Math.round(s / 5)));
  const count = 9 + Math.floor(r.uniform(0, 5)),
    everyS = r.pick([5, 10, 20, 30]);
  const tS = byHand
    ? Array.from({ length: count }, (_, i) => Math.round(((i / (count - 1)) ** 1.2 * schedule.durationS) / 60) * 60)
    : Array.from({ length: Math.floor(schedule.durationS / everyS) + 1 }, (_, i) => i * everyS);
  const late = byHand ? 20 : 0,
    skips = () => byHand && r.chance(0.1);
  const samples: WrittenLog['samples'] = {
    tS,
    pressureBar: tS.map((s) =>
      Math.max(
        0,
        toStep(shown[at(s + r.uniform(-late, late))]! + r.normal(0, byHand ? 0.2 * p.stepBar : 0.008), byHand ? p.stepBar : 0.01),
      ),
    ),
  };
  const read = r.weighted([
      ['none', 0.2],
      ['flow', 0.3],
      ['both', 0.5],
    ] as const),
    degree = byHand ? 1 : 0.1;
  if (read !== 'none') samples.flowC = tS.map((s) => (skips() ? null : toStep(trace.flowC[at(s)]! + r.normal(0, 0.3), degree)));
  if (read === 'both') samples.returnC = tS.map((s) => (skips() ? null : toStep(trace.returnC[at(s)]! + r.normal(0, 0.5), degree)));
  const events = [
    ...schedule.heat.flatMap(([on, off]) => [
      { tS: on, kind: 'heat-on' },
      ...(off < schedule.durationS ? [{ tS: off, kind: 'heat-off' }] : []),
    ]),
    ...schedule.actions,
  ];
  return {
    startedAt: '2026-02-02T08:00:00Z',
    source: byHand ? 'hand' : 'logger',
    samples,
    events: events.map((e) => ({ ...e, tS: Math.max(0, Math.round(e.tS + r.uniform(-60, 60))) })).sort((a, b) => a.tS - b.tS),
  };
}
