import type { WrittenLog } from '../truth/readings';
import type { Random } from '../truth/random';
import { toStep } from '../truth/toStep';
import { feedsItself, sizeOf, type LoopPlant } from './LoopPlant';
import type { LoopRun, LoopTrace } from './runLoop';

const MIN_S = 60,
  HOUR_S = 3600,
  DAY_S = 86_400;
/** What went on, and what of it was noted: the log begins so long after the run, since some circuits are found hot. */
export interface LoopVisit {
  run: LoopRun;
  readFromS: number;
  noted: { tS: number; kind: string }[];
}

/** What somebody does who logs a circuit: mostly one heat, sometimes a watch, two heats, or a circuit that is found hot and cools before it
 *  is heated again; now and then somebody tops up, or shuts a feed to see whether it loses. */
export function loopVisit(p: LoopPlant, days: boolean, r: Random): LoopVisit {
  const roomC = r.uniform(13, 24),
    slow = p.kind === 'block' ? 1.5 : 1,
    minutes = (least: number, most: number) => MIN_S * Math.round(r.uniform(least, most) * slow);
  if (days) {
    const count = r.pick([1, 2, 3]),
      heat = Array.from({ length: 2 * count }, (_, i): [number, number] => {
        const at = Math.round((12 * i + r.uniform(1, 5)) * HOUR_S);
        return [at, at + Math.round(r.uniform(1, 5) * HOUR_S)];
      });
    return { run: { durationS: count * DAY_S, heat, roomC }, readFromS: 0, noted: heatsOf(heat) };
  }
  const shape = r.weighted([
      ['heat', 5],
      ['heat and cool', 3],
      ['watch', 1.2],
      ['twice', 1],
      ['found hot', 1],
    ] as const),
    idleS = minutes(1, 10),
    hotS = minutes(20, 50),
    coolS = minutes(15, 60);
  if (shape === 'watch') {
    const shut = r.chance(0.3) ? { shut: 'fill' as const } : {};
    return {
      run: { durationS: minutes(40, 150), heat: [], roomC, ...shut },
      readFromS: 0,
      noted: shut.shut ? [{ tS: 0, kind: feedsItself(p) ? 'fill-closed' : 'fill-disconnected' }] : [],
    };
  }
  if (shape === 'found hot') {
    const heat: [number, number][] = [
        [0, 2 * HOUR_S],
        [2 * HOUR_S + coolS, 2 * HOUR_S + coolS + hotS],
      ],
      readFromS = 2 * HOUR_S - idleS;
    return { run: { durationS: heat[1]![1], heat, roomC }, readFromS, noted: heatsOf(heat).filter((e) => e.tS >= readFromS) };
  }
  const heat: [number, number][] =
      shape === 'twice'
        ? [
            [idleS, idleS + hotS],
            [idleS + hotS + coolS, idleS + hotS + coolS + minutes(15, 30)],
          ]
        : [[idleS, idleS + hotS]],
    durationS = heat.at(-1)![1] + (shape === 'heat and cool' ? coolS : 0);
  const shut = feedsItself(p) && r.chance(0.35) ? { shut: 'fill' as const } : {},
    shutNoted = shut.shut ? [{ tS: 0, kind: 'fill-closed' }] : [];
  const toppedUp =
    !feedsItself(p) && idleS > 4 * MIN_S && r.chance(0.08) ? [{ atS: Math.round(idleS / 2), litres: r.uniform(0.3, 1) * sizeOf(p) }] : [];
  return {
    run: { durationS, heat, roomC, doses: toppedUp, ...shut },
    readFromS: 0,
    noted: [...shutNoted, ...toppedUp.map((d) => ({ tS: d.atS, kind: 'top-up' })), ...heatsOf(heat)].filter((e) => e.tS < durationS),
  };
}
const heatsOf = (heat: [number, number][]) =>
  heat.flatMap(([on, off]) => [
    { tS: on, kind: 'heat-on' },
    { tS: off, kind: 'heat-off' },
  ]);

/** Writes down what was read as a hand or a logger does: needles that stick, sensors that lag, times and events that are off, temperatures
 *  that are left out, and in one hand log of thirty a slip of half a bar. */
export function loopLog(p: LoopPlant, trace: LoopTrace, { run, readFromS, noted }: LoopVisit, byHand: boolean, r: Random): WrittenLog {
  const seen = shown(p, trace, byHand),
    lastS = run.durationS - readFromS,
    everyS = lastS > DAY_S / 2 ? r.pick([60, 120, 300]) : r.pick([2, 5, 10, 20, 30, 60]),
    tS = byHand ? handTimes(lastS, r) : Array.from({ length: Math.floor(lastS / everyS) + 1 }, (_, i) => i * everyS);
  const at = (s: number) => Math.max(0, Math.min(seen.length - 1, Math.round((s + readFromS) / trace.everyS))),
    late = byHand ? 20 : 0,
    step = byHand ? (r.chance(0.5) ? p.gauge.stepBar : p.gauge.stepBar / 2) : r.pick([0.01, 0.01, 0.001, 0.02]);
  const pressureBar = tS.map((s) =>
    Math.max(0, toStep(seen[at(s + r.uniform(-late, late))]! + r.normal(0, byHand ? 0.12 * p.gauge.stepBar : 0.006), step)),
  );
  if (byHand && r.chance(1 / 30)) {
    const i = Math.floor(r.uniform(0, tS.length));
    pressureBar[i] = toStep(pressureBar[i]! + 0.5, step);
  }
  const read = r.weighted([
      ['none', byHand ? 0.25 : 0.15],
      ['flow', 0.35],
      ['both', 0.45],
    ] as const),
    degree = byHand ? 1 : 0.1,
    sd = byHand ? 0.7 : 0.2,
    skips = () => byHand && r.chance(0.1),
    of = (c: number[]) => tS.map((s) => (skips() ? null : toStep(c[at(s)]! + r.normal(0, sd), degree)));
  const unsaid = read !== 'none' && r.chance(0.1),
    events = noted
      .filter((e) => !unsaid || !e.kind.startsWith('heat'))
      .map((e) => ({ kind: e.kind, tS: Math.max(0, Math.min(lastS, Math.round(e.tS - readFromS + r.uniform(-50, 50)))) }))
      .sort((a, b) => a.tS - b.tS);
  return {
    startedAt: '2026-02-10T08:15:00Z',
    source: byHand ? 'hand' : 'logger',
    samples: {
      tS,
      pressureBar,
      ...(read === 'none' ? {} : { flowC: of(trace.flowC) }),
      ...(read === 'both' ? { returnC: of(trace.returnC) } : {}),
    },
    events,
  };
}

/** What the gauge shows before anybody reads it. */
function shown(p: LoopPlant, { bar, everyS }: LoopTrace, byHand: boolean): number[] {
  let needle = bar[0]!,
    sensor = bar[0]!;
  const { offsetBar, slope, stuck, frictionBar } = p.gauge;
  return bar.map((b) => {
    needle = Math.min(b + frictionBar, Math.max(b - frictionBar, needle));
    sensor += Math.min(1, everyS / 12) * (b - sensor);
    return Math.max(0, (stuck ? bar[0]! : byHand ? needle : sensor) * slope + offsetBar);
  });
}

/** Nine to fifteen readings, closer together at first. */
function handTimes(lastS: number, r: Random): number[] {
  const n = 9 + Math.floor(r.uniform(0, 7)),
    bends = r.uniform(1, 1.6);
  return [...new Set(Array.from({ length: n }, (_, i) => Math.min(lastS, MIN_S * Math.round((lastS * (i / (n - 1)) ** bends) / MIN_S))))];
}
