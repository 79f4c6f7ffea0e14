import { faultRow } from './faults';
import type { JudgedSet } from './JudgedSet';
import type { WeightedSet } from './priors/weightedSets';

/** No simulation is right to the last bit: from this difference on, in nats, a log counts for less than it seems. Fixed by the evaluation
 *  on plants of another physics, where answers held for nearly certain were wrong too often. */
const SOFT_FROM = 3,
  SOFT_SLOPE = 0.5;

/** Log evidence with the far differences softened; order is kept. */
function softened(logEvidence: number, best: number): number {
  const behind = best - logEvidence;
  return best - (behind <= SOFT_FROM ? behind : SOFT_FROM + SOFT_SLOPE * (behind - SOFT_FROM));
}

/** Many sets differ in what no evidence touches, and together take more than is theirs: with something measured the answer is sharpened by
 *  this power. Fixed by the evaluation of all makers together, by how often what is said to be so is so; visits of one fault would bear more,
 *  those of two less. */
const SHARPEN = 2.1;
/** A log by itself touches less than findings do: with a log and no finding it is sharpened by so much, each finding made takes off a share.
 *  Fixed like the above. */
const SHARPEN_LOG_ALONE = 2.5,
  LESS_PER_FINDING = 0.2;
/** What somebody went and looked at counts for more than what a log shows by the way: the tables of outcomes are careful. Fixed like the
 *  above, on pairs of faults. */
const FINDINGS_COUNT = 1.5;
/** Share of the answer that stays flat whatever the evidence says: the sheet may be wrong, or the plant one that no model here knows. */
const DOUBT = 0.08,
  DOUBT_POWER = 0.35;

const hasLog = (sets: readonly JudgedSet[]): boolean => sets.some((s) => s.logEvidence !== 0);
const isMeasured = (sets: readonly JudgedSet[]): boolean => hasLog(sets) || sets.some((s) => s.findingEvidence.length > 0);

/** The power that the answer is sharpened by; 1 where nothing was measured. */
function sharpening(sets: readonly JudgedSet[]): number {
  if (!isMeasured(sets)) return 1;
  const findings = sets[0]?.findingEvidence.length ?? 0;
  return hasLog(sets) ? Math.max(SHARPEN, SHARPEN_LOG_ALONE - LESS_PER_FINDING * findings) : SHARPEN;
}

/** What the logs and the findings say for each set, in nats. */
function evidenceFor(sets: readonly JudgedSet[]): number[] {
  const best = Math.max(...sets.map((s) => s.logEvidence)),
    count = isMeasured(sets) ? FINDINGS_COUNT : 1;
  return sets.map((s) => softened(s.logEvidence, best) + count * s.findingEvidence.reduce((a, b) => a + b, 0));
}

/** What speaks for each set, in nats: its prior, the logs and the findings. */
export function scoresOf(sets: readonly JudgedSet[]): number[] {
  const evidence = evidenceFor(sets);
  return sets.map((s, i) => Math.log(s.prior) + evidence[i]!);
}

/** How probable the logs and findings are under each set, up to a factor common to all. */
export function likelihoodsOf(sets: readonly JudgedSet[]): number[] {
  const evidence = evidenceFor(sets),
    most = Math.max(...evidence);
  return evidence.map((e) => Math.exp(e - most));
}

/** Probabilities, most probable first. Between sets that a log could tell apart the answer is sharpened; sets that move the pressure alike
 *  share what they have together plainly by Bayes: by their priors and by what was found. */
export function withProbabilities(sets: JudgedSet[]): JudgedSet[] {
  const measured = isMeasured(sets),
    scores = scoresOf(sets),
    power = sharpening(sets),
    sharpened = scores.map((l) => power * l);
  const shares = sharesOf(sharpened);
  const flat = measured ? sharesOf(sharpened.map((l) => DOUBT_POWER * l)) : shares;
  sets.forEach((s, i) => (s.probability = (1 - DOUBT) * shares[i]! + DOUBT * flat[i]!));
  if (hasLog(sets)) shareAmongAlike(sets, scores, power);
  return [...sets].sort((a, b) => b.probability - a.probability);
}

/** What a log cannot tell apart it cannot make surer either: only what the logs say of each beyond the way the pressure moved (its cold
 *  level, the heat that it reached) stays sharpened. */
function shareAmongAlike(sets: readonly JudgedSet[], scores: readonly number[], power: number): void {
  const groups = new Map<string, number[]>(),
    beyondMoves = sets.map((s) => s.logEvidence - s.fit.logEvidence);
  sets.forEach((s, i) => {
    if (s.faults.some((f) => faultRow(f).plant !== 'sealed')) return;
    const key = `${s.faults.length} ${s.movesAs}`,
      group = groups.get(key);
    if (group) group.push(i);
    else groups.set(key, [i]);
  });
  for (const group of groups.values()) {
    const together = group.reduce((sum, i) => sum + sets[i]!.probability, 0),
      most = Math.max(...group.map((i) => beyondMoves[i]!));
    const within = sharesOf(group.map((i) => scores[i]! + (power - 1) * softened(beyondMoves[i]!, most)));
    group.forEach((i, k) => (sets[i]!.probability = together * within[k]!));
  }
}

/** The sets with the probabilities that other priors give them, most probable first.
 *  @param priors of every set, as `weightedSets` has them */
export function withPriors(sets: readonly JudgedSet[], priors: readonly WeightedSet[]): JudgedSet[] {
  const weights = new Map(priors.map((p) => [p.faults.join(), p.weight]));
  return withProbabilities(sets.map((s) => ({ ...s, prior: weights.get(s.faults.join()) ?? s.prior })));
}

/** The sets with the probabilities that the logs alone give them, most probable first. The draws stay as the findings left them. */
export const beforeFindings = (sets: readonly JudgedSet[]): JudgedSet[] =>
  withProbabilities(sets.map((s) => ({ ...s, findingEvidence: [] })));

/** Shares that sum to one, from their logarithms. */
function sharesOf(logs: number[]): number[] {
  const most = Math.max(...logs),
    weights = logs.map((l) => Math.exp(l - most)),
    sum = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / sum);
}
