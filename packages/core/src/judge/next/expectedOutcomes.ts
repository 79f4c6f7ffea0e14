import type { Judged } from '../judgeEvidence';
import type { JudgedSet } from '../JudgedSet';
import { outcomesHangOnDraw, testOutcomes } from './testOutcomes';
import type { TestId } from '../tests';
import { testMinutes } from './watchLength';

const MOST_DRAWS = 40;

/** How long a test takes on this job, minutes. */
export const minutesOf = (test: TestId, { seen, creepBarPerH }: Judged): number => testMinutes(test, seen, creepBarPerH);

/** Outcomes are asked for by the next test, its outlook and the proof; a set's own are worked out once. */
const worked = new WeakMap<JudgedSet, Map<TestId, number[] | null>>();

/** A test's outcomes under a set of faults; null for tests that are not proposed. */
export function outcomesOf(test: TestId, set: JudgedSet, judged: Judged): number[] | null {
  const known = worked.get(set) ?? new Map<TestId, number[] | null>();
  worked.set(set, known);
  if (!known.has(test)) known.set(test, meanOutcomes(test, set, judged));
  return known.get(test)!;
}

/** A test's outcomes under a set of faults, the mean over its draws. */
function meanOutcomes(test: TestId, set: JudgedSet, judged: Judged): number[] | null {
  const minutes = minutesOf(test, judged),
    of = (v: Float64Array) => testOutcomes(test, set.faults, v, judged.seen, minutes, judged.logged);
  if (!outcomesHangOnDraw(test, set.faults)) return set.draws[0] ? of(set.draws[0].v) : null;
  // Systematic thinning: equally spaced through the cumulated weights.
  let out: number[] | null = null,
    cumulated = 0,
    next = 0.5 / MOST_DRAWS,
    used = 0;
  for (const d of set.draws) {
    cumulated += d.weight;
    let times = 0;
    while (next <= cumulated && used < MOST_DRAWS) {
      times++;
      used++;
      next += 1 / MOST_DRAWS;
    }
    if (times === 0) continue;
    const p = of(d.v);
    if (!p) return null;
    out ??= p.map(() => 0);
    p.forEach((x, i) => (out![i]! += times * x));
  }
  return out?.map((x) => x / used) ?? null;
}

/** A test's outcomes under several sets, each by its share; none is impossible. Null where one of them foretells nothing. */
export function mixture(test: TestId, sets: JudgedSet[], judged: Judged): number[] | null {
  let out: number[] | null = null,
    total = 0;
  for (const s of sets) {
    const p = outcomesOf(test, s, judged);
    if (!p) return null;
    out ??= p.map(() => 0);
    p.forEach((x, i) => (out![i]! += s.probability * x));
    total += s.probability;
  }
  return total > 0 && out ? out.map((x) => Math.max(1e-4, x / total)) : null;
}
