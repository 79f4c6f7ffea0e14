import type { OnSheet } from './onSheet';
import type { RuleLog } from './RuleCase';

/** What a technician reads off a log. */
export interface ReadOff {
  heated: boolean;
  coldBar: number;
  coldC: number;
  /** Up or down while it stood cold, bar/h; 0 where the gauge does not tell it. */
  creepBarPerH: number;
  peakBar: number;
  /** Mean of flow and return at the peak, as far as they were read; null where none was. */
  peakC: number | null;
  hottestC: number | null;
  /** Rose before the water was a third of the way to its hottest, as a share of the whole rise. */
  jumped: number;
  /** Fell back from the peak while it stayed hot: how far in all, and at most from one reading to the next. */
  easedBar: number;
  droppedBar: number;
  /** Of the heat, how much of the rise in temperature went by at the peak's level, K. */
  heldK: number;
  /** Cold again, against before, bar; null where it is not cold again. */
  afterBar: number | null;
  lastBar: number;
  spanBar: number;
}

interface Point {
  t: number;
  bar: number;
  c: number | null;
  meanC: number | null;
}
const IDLE_S = 480,
  WARMED_K = 8,
  NEAR_COLD_K = 6,
  STAYS_HOT_K = 8;

export function readOff({ samples, events }: RuleLog, { stepBar }: OnSheet): ReadOff {
  const points: Point[] = samples.tS.flatMap((t, i) => {
    const bar = samples.pressureBar[i],
      c = samples.flowC?.[i] ?? null,
      back = samples.returnC?.[i] ?? null;
    return bar === null || bar === undefined ? [] : [{ t, bar, c, meanC: c === null ? null : back === null ? c - 5 : (c + back) / 2 }];
  });
  const first = points[0] ?? { t: 0, bar: 0, c: null, meanC: null },
    last = points.at(-1) ?? first,
    read = points.flatMap((p) => p.c ?? []),
    hottestC = read.length ? Math.max(...read) : null,
    coldC = read[0] ?? 17;
  const toldOn = events.find((e) => e.kind === 'heat-on')?.tS,
    warms = hottestC !== null && hottestC - coldC >= WARMED_K,
    seenOn = warms ? points.find((p) => p.c !== null && p.c > coldC + 4)!.t - 60 : undefined,
    onS = Math.min(toldOn ?? Infinity, seenOn ?? Infinity),
    offS = events.find((e) => e.kind === 'heat-off' && e.tS > onS)?.tS ?? Infinity,
    heated = onS < Infinity && last.t > onS + 60;
  const idle = heated ? points.filter((p) => p.t <= onS) : points,
    cold = idle.at(-1) ?? first,
    hot = heated ? points.filter((p) => p.t > onS && p.t <= offS + 150) : [];
  const peak = hot.reduce((best, p) => (p.bar > best.bar ? p : best), cold),
    after = hot.filter((p) => p.t > peak.t && (peak.c === null || p.c === null || p.c > peak.c - STAYS_HOT_K)),
    inHeat = [peak, ...after];
  const upTo = hot.filter((p) => p.t <= peak.t),
    third = hottestC === null ? null : coldC + (hottestC - coldC) / 3,
    early = third === null ? undefined : upTo.findLast((p) => p.c !== null && p.c <= third + 3),
    near = hot.filter((p) => p.c !== null && p.bar >= peak.bar - Math.max(0.06, 0.6 * stepBar));
  const moved = idle.length > 1 ? trend(idle) : 0,
    idleS = cold.t - first.t;
  const isColdAgain = offS < Infinity && (last.c !== null ? last.c < coldC + NEAR_COLD_K : last.t - offS > 4500);
  return {
    heated,
    coldBar: cold.bar,
    coldC,
    creepBarPerH: idleS >= IDLE_S && Math.abs(moved) >= Math.max(0.06, 0.9 * stepBar) ? moved / (idleS / 3600) : 0,
    peakBar: peak.bar,
    peakC: peak.meanC,
    hottestC,
    jumped: early && peak.bar - cold.bar > 0.3 ? (early.bar - cold.bar) / (peak.bar - cold.bar) : 0,
    easedBar: after.length ? peak.bar - Math.min(...after.map((p) => p.bar)) : 0,
    droppedBar: inHeat.slice(1).reduce((most, p, i) => Math.max(most, inHeat[i]!.bar - p.bar), 0),
    heldK: near.length > 2 ? Math.max(...near.map((p) => p.c!)) - Math.min(...near.map((p) => p.c!)) : 0,
    afterBar: isColdAgain ? last.bar - cold.bar : null,
    lastBar: last.bar,
    spanBar: points.length ? Math.max(...points.map((p) => p.bar)) - Math.min(...points.map((p) => p.bar)) : 0,
  };
}

/** What a straight line through some readings makes over them, bar. */
function trend(points: readonly Point[]): number {
  const mean = (of: (p: Point) => number) => points.reduce((s, p) => s + of(p), 0) / points.length,
    mt = mean((p) => p.t),
    mb = mean((p) => p.bar),
    spread = points.reduce((s, p) => s + (p.t - mt) ** 2, 0);
  if (spread === 0) return 0;
  const slope = points.reduce((s, p) => s + (p.t - mt) * (p.bar - mb), 0) / spread;
  return slope * (points.at(-1)!.t - points[0]!.t);
}
