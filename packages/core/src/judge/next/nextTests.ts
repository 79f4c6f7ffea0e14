import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { heldFromGaugeBar, isAutomaticFeed } from '../../circuit/resolveCircuit';
import { has, OUTFLOW } from '../faultGroups';
import { faultRow, type FaultId } from '../faults';
import type { Finding } from '../Finding';
import type { NextTest } from '../Diagnosis';
import type { Judged } from '../judgeEvidence';
import type { JudgedSet } from '../JudgedSet';
import { beforeFindings } from '../probabilities';
import { minutesOf, mixture, outcomesOf } from './expectedOutcomes';
import { outlook } from './outlook';
import { TEST_IDS, testRow, type TestId } from '../tests';
import { heatRuleOfCase } from '../../valves/heatRule';
import { waitFor, type LeftWarm } from './waiting';

/** Sets that are asked what a test would show under them: the rest have next to nothing. */
const MOST_SETS = 24;
/** Below this a test is not worth the walk, bits. */
const LEAST_BITS = 0.03;
/** Nor when it tells less than this share of what the most telling one does. */
const LEAST_OF_MOST = 0.2;

/** Sets worth asking what a test would show under them. */
const asked = ({ sets }: Judged): JudgedSet[] => sets.slice(0, MOST_SETS).filter((s) => s.probability > 1e-4);

/** Tests not yet done, by expected information about what to do next per minute of effort. Sets with the same repair count as one.
 *  @param left how warm the circuit was left */
export function nextTests(judged: Judged, sheet: CircuitSheet, found: readonly Finding[], left: LeftWarm): NextTest[] {
  const sets = asked(judged);
  const rows = candidates(sheet, found, judged).flatMap((test) => {
    const bits = expectedBits(test, sets, judged);
    return bits === null || bits < LEAST_BITS ? [] : [{ test, bits, rate: bits / effortMin(test, judged, left) }];
  });
  // A quick test that tells next to nothing is no step forward, however cheap, while another tells much.
  const most = Math.max(0, ...rows.map((r) => r.bits));
  const proposed = rows
    .filter((r) => r.bits >= LEAST_OF_MOST * most)
    .sort((a, b) => b.rate - a.rate)
    .map(({ test, bits }) => proposal(test, bits, sets, judged, left));
  const look = firstLook(judged, sheet, found);
  return look === null
    ? proposed
    : [proposal(look, expectedBits(look, sets, judged) ?? 0, sets, judged, left), ...proposed.filter((t) => t.test !== look)];
}

/** Share of a feed that gives nothing, or of water lost, from which one looks whether the feed stands open before anything else. Judgement. */
const FEED_IN_DOUBT = 0.3;
/** So far below what the feed holds the cold pressure is short, bar. */
const SHORT_BAR = 0.1;
const FEED_OR_LOSS: readonly FaultId[] = ['feed-starved', 'pressurisation-unit-fault', ...OUTFLOW];

/** What is looked at first, whatever it tells: how an automatic feed's stop valve stands, as long as nobody has said so and water is short.
 *  It costs a minute, and what is lost or not made up reads differently by it. */
function firstLook(judged: Judged, sheet: CircuitSheet, found: readonly Finding[]): TestId | null {
  if (!isAutomaticFeed(sheet) || !candidates(sheet, found, judged).includes('feed-valve-position')) return null;
  const cold = judged.logged.coldGaugeBar;
  if (cold === null || cold > heldFromGaugeBar(judged.seen) - SHORT_BAR) return null;
  const share = judged.sets.reduce((sum, s) => (has(s.faults, ...FEED_OR_LOSS) ? sum + s.probability : sum), 0);
  return share >= FEED_IN_DOUBT ? 'feed-valve-position' : null;
}

/** The test that would prove the lead wrong, as it is proposed: beside a lead held for nearly certain it may be expected to tell too little to
 *  stand among the others.
 *  @param among those that are proposed as they are */
export function proof(test: TestId | null, among: readonly NextTest[], judged: Judged, left: LeftWarm): NextTest | null {
  const sets = asked(judged);
  return test && (among.find((t) => t.test === test) ?? proposal(test, expectedBits(test, sets, judged) ?? 0, sets, judged, left));
}

/** A test as it is proposed: what it tells, what it costs and waits for, and how it may come out. */
function proposal(test: TestId, informationBits: number, sets: JudgedSet[], judged: Judged, left: LeftWarm): NextTest {
  const { intrusive, tells } = testRow(test),
    wait = waitFor(test, left);
  return {
    test,
    informationBits,
    minutes: minutesOf(test, judged) + (wait?.minutes ?? 0),
    ...(wait ? { wait } : {}),
    intrusive,
    text: tells,
    outlook: outlook(test, sets, judged),
  };
}

/** A look or a touch that may well change what is done next: nobody goes to work without it. */
export const tellsMoreQuickly = (t: NextTest): boolean => !t.intrusive && t.minutes <= QUICK_MIN && t.informationBits >= QUICK_BITS;
const QUICK_MIN = 5,
  QUICK_BITS = 0.1;

/** The test that would come out differently if the leading set were wrong: the most that it can say for the effort, where more than a clear
 *  word is not needed. Best is one that speaks of the lead itself, against a sound circuit as against the sets that do without the lead's
 *  faults: next to a lead held for nearly certain those sets' own shares are chance. Where none does, one that would show a rival as the
 *  logs alone leave them. Null where none is left. */
export function provingTest(judged: Judged, sheet: CircuitSheet, found: readonly Finding[], left: LeftWarm): TestId | null {
  const [lead] = judged.sets;
  if (!lead) return null;
  const rivalsOf = (sets: JudgedSet[]) =>
    sets.slice(0, MOST_SETS).filter((s) => repairKey(s) !== repairKey(lead) && !lead.faults.every((f) => s.faults.includes(f)));
  const rivals = rivalsOf(judged.sets),
    sound = judged.sets.filter((s) => s.faults.includes('none') && s !== lead);
  const clearest = (against: JudgedSet[][]): TestId | null => {
    let best: TestId | null = null,
      most = 0;
    for (const test of candidates(sheet, found, judged)) {
      const bits = leastBits(test, lead, against, judged),
        rate = Math.min(bits, CLEAR_BITS) / effortMin(test, judged, left);
      if (bits > LEAST_PROOF_BITS && rate > most) {
        most = rate;
        best = test;
      }
    }
    return best;
  };
  return clearest([rivals, sound]) ?? clearest([rivalsOf(beforeFindings(judged.sets))]);
}

/** What a test is expected to say for the lead against each group of sets, bits: the least of it. */
function leastBits(test: TestId, lead: JudgedSet, against: JudgedSet[][], judged: Judged): number {
  const p = mixture(test, [lead], judged);
  const said = against
    .filter((sets) => sets.length > 0)
    .map((sets) => {
      const q = mixture(test, sets, judged);
      return p && q ? p.reduce((s, x, i) => s + x * Math.log2(x / q[i]!), 0) : 0;
    });
  return said.length ? Math.min(...said) : 0;
}

export const repairKey = (set: JudgedSet): string => [...new Set(set.faults.map((f) => faultRow(f).repair))].sort().join('+');

/** A test proves something from half a bit on; beyond two bits more is no clearer. */
const LEAST_PROOF_BITS = 0.5,
  CLEAR_BITS = 2;

/** What a test costs on this job, minutes' worth: the way there, the time at it, what it takes beside, and the wait before it. */
const effortMin = (test: TestId, judged: Judged, left: LeftWarm): number =>
  WALK_MIN + minutesOf(test, judged) + testRow(test).effort + waitingMin(waitFor(test, left)?.minutes ?? 0);
/** Getting to any test, writing it down and back, minutes. */
const WALK_MIN = 3;
/** While it heats up, cools or rests something else is looked at: a short wait costs nothing by that, of a long one half. Common practice. */
const waitingMin = (waitMin: number): number => WAITING_COUNTS * Math.max(0, waitMin - FILLED_MIN);
const FILLED_MIN = 10,
  WAITING_COUNTS = 0.5;

function candidates(sheet: CircuitSheet, found: readonly Finding[], { logs }: Judged): TestId[] {
  const done = new Set(found.map((f) => f.test)),
    firing = heatRuleOfCase(sheet, logs, found).allowed;
  return TEST_IDS.filter((id) => {
    const row = testRow(id);
    return (
      !done.has(id) &&
      ((sheet.kind === 'steam') === (row.plant === 'steam') || (row.alsoOn?.(sheet) ?? false)) &&
      (row.needs?.(sheet) ?? true) &&
      (row.after?.(found) ?? true) &&
      (firing || !row.fires)
    );
  });
}

function expectedBits(test: TestId, sets: JudgedSet[], judged: Judged): number | null {
  const groups = new Map<string, { weight: number; outcomes: number[] }>();
  for (const set of sets) {
    const p = outcomesOf(test, set, judged);
    if (!p) return null;
    const key = repairKey(set);
    const g = groups.get(key) ?? { weight: 0, outcomes: p.map(() => 0) };
    g.weight += set.probability;
    p.forEach((x, i) => (g.outcomes[i]! += set.probability * x));
    groups.set(key, g);
  }
  const all = [...groups.values()];
  const total = all.reduce((s, g) => s + g.weight, 0);
  const before = entropy(all.map((g) => g.weight / total));
  const bins = all[0]?.outcomes.length ?? 0;
  let after = 0;
  for (let b = 0; b < bins; b++) {
    const joint = all.map((g) => g.outcomes[b]! / total);
    const mass = joint.reduce((a, x) => a + x, 0);
    if (mass > 0) after += mass * entropy(joint.map((x) => x / mass));
  }
  return Math.max(0, before - after);
}

const entropy = (p: number[]) => p.reduce((s, x) => (x > 0 ? s - x * Math.log2(x) : s), 0);
