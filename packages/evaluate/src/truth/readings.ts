import type { Random } from './random';
import type { Schedule, Trace } from './runPlant';
import type { TruePlant } from './TruePlant';

export interface WrittenLog {
  startedAt: string;
  source: 'hand' | 'logger';
  samples: { tS: number[]; pressureBar: (number | null)[]; flowC?: (number | null)[]; returnC?: (number | null)[] };
  events: { tS: number; kind: string }[];
}

const round = (x: number, step: number) => Math.round(x / step) * step;
const digits = (x: number) => Math.round(x * 1e4) / 1e4;
const at = (t: Trace, s: number) => Math.min(t.tS.length - 1, Math.max(0, Math.round(s / 5)));

/** What the gauge shows along a trace: offset, sticking pointer, a stuck share; before rounding and noise. */
export function shownBar(p: TruePlant, t: Trace): number[] {
  let pointer = t.systemBar[0]!;
  return t.systemBar.map((bar) => {
    if (Math.abs(bar - pointer) > p.gauge.stictionBar) pointer = bar - Math.sign(bar - pointer) * p.gauge.stictionBar * 0.3;
    const moved = t.systemBar[0]! + (1 - p.gauge.stuckShare) * (pointer - t.systemBar[0]!);
    return Math.max(0, moved + p.gauge.offsetBar);
  });
}

/** A person with a phone: readings every minute or three, late by up to half a minute, rounded to half a division, the flow off a display.
 */
export function handLog(p: TruePlant, t: Trace, schedule: Schedule, r: Random): WrittenLog {
  const shown = shownBar(p, t);
  const every = r.pick([60, 90, 120, 180]),
    ends = schedule.durationS;
  const times: number[] = [];
  const slow = ends > 3000 ? ends / 11 : every;
  for (let s = 0; s <= ends && times.length < 18; s += slow * r.uniform(0.7, 1.4)) times.push(Math.round(s));
  if (ends - times.at(-1)! > slow * 0.5) times.push(ends);
  const temperatures = r.weighted([
    ['both', 4],
    ['flow', 4],
    ['none', 2.5],
  ] as const);
  const step = p.gauge.stepBar >= 0.1 ? p.gauge.stepBar / 2 : p.gauge.stepBar;
  const parallax = r.normal(0, 0.012);
  const samples: WrittenLog['samples'] = {
    tS: times,
    pressureBar: times.map((s) =>
      digits(
        Math.max(
          0,
          round(shown[at(t, s + r.uniform(-15, 15))]! + parallax + r.normal(0, 0.3 * step), r.chance(0.6) ? p.gauge.stepBar : step),
        ),
      ),
    ),
  };
  const skips = () => r.chance(0.08);
  if (temperatures !== 'none') samples.flowC = times.map((s) => (skips() ? null : Math.round(t.flowC[at(t, s)]!)));
  if (temperatures === 'both') samples.returnC = times.map((s) => (skips() ? null : Math.round(t.returnC[at(t, s)]! + r.normal(0, 1))));
  return { startedAt: '2026-03-04T09:10:00Z', source: 'hand', samples, events: events(schedule, r, 60) };
}

/** A sensor every few seconds: noise, drift and a lag of its own. */
export function loggerLog(p: TruePlant, t: Trace, schedule: Schedule, r: Random): WrittenLog {
  const shown = shownBar({ ...p, gauge: { ...p.gauge, stictionBar: 0 } }, t);
  const every = schedule.durationS > 86_400 ? r.pick([30, 60, 60, 120, 300]) : r.pick([5, 10, 15, 30]),
    drift = r.normal(0, 0.01) / Math.max(7200, schedule.durationS);
  const noise = p.gauge.noiseBar;
  let sensor = shown[0]!,
    flow = t.flowC[0]!,
    ret = t.returnC[0]!;
  const keep = Math.exp(-5 / r.uniform(4, 20));
  const tS: number[] = [],
    pressureBar: number[] = [],
    flowC: number[] = [],
    returnC: number[] = [];
  t.tS.forEach((s, i) => {
    sensor = shown[i]! + (sensor - shown[i]!) * keep;
    flow = t.flowC[i]! + (flow - t.flowC[i]!) * Math.exp(-5 / 25);
    ret = t.returnC[i]! + (ret - t.returnC[i]!) * Math.exp(-5 / 25);
    if (s % every !== 0) return;
    tS.push(s);
    pressureBar.push(digits(Math.max(0, round(sensor + drift * s + r.normal(0, noise), 0.01))));
    flowC.push(Math.round(10 * flow) / 10);
    returnC.push(Math.round(10 * ret) / 10);
  });
  const samples: WrittenLog['samples'] = { tS, pressureBar };
  if (r.chance(0.85)) {
    samples.flowC = flowC;
    if (r.chance(0.6)) samples.returnC = returnC;
  }
  return { startedAt: '2026-03-04T09:10:00Z', source: 'logger', samples, events: events(schedule, r, 40) };
}

/** Written down when there was time: up to a minute off. */
function events(schedule: Schedule, r: Random, offS: number): WrittenLog['events'] {
  const all = [
    ...schedule.heat.flatMap((h) => [
      { tS: h.onS, kind: 'heat-on' },
      ...(h.offS < schedule.durationS ? [{ tS: h.offS, kind: 'heat-off' }] : []),
    ]),
    ...schedule.actions.map((a) => ({ tS: a.atS, kind: a.kind })),
  ];
  return all.map((e) => ({ ...e, tS: Math.max(0, Math.round(e.tS + r.uniform(-offS, offS))) })).sort((a, b) => a.tS - b.tS);
}
