import type { RepairKind } from './Case';
import type { FaultId } from './faults';
import type { Judged } from './judgeEvidence';
import type { JudgedSet } from './JudgedSet';
import type { WeightedSet } from './priors/weightedSets';
import { likelihoodsOf, withProbabilities } from './probabilities';

/** What each kind of work puts right. */
const MENDS: Record<RepairKind, FaultId[]> = {
  'vessel-recharged': ['vessel-undercharged', 'vessel-overcharged'],
  'vessel-changed': [
    'vessel-undercharged',
    'vessel-overcharged',
    'vessel-diaphragm-failed',
    'vessel-gas-valve-leaking',
    'vessel-undersized',
  ],
  'core-changed': ['vessel-gas-valve-leaking'],
  'relief-changed': ['relief-valve-passing', 'relief-valve-lifts-early'],
  'feed-changed': ['fill-loop-passing', 'reducing-valve-creeping', 'reducing-valve-set-high', 'feed-starved'],
  'plate-changed': ['dhw-plate-perforated'],
  'coil-changed': ['dhw-coil-perforated'],
  'connection-cleared': ['vessel-connection-blocked', 'vessel-isolated'],
  'gauge-changed': ['gauge-misreading'],
  'leak-mended': ['circuit-leak', 'boiler-exchanger-leak', 'air-vent-faulty'],
  other: [],
};
/** Work by which a part is new: what was wrong with the old one is no reason to suspect it. */
const NEW_PART: ReadonlySet<RepairKind> = new Set([
  'vessel-changed',
  'core-changed',
  'relief-changed',
  'feed-changed',
  'plate-changed',
  'coil-changed',
  'gauge-changed',
]);
/** How often work that was done did not put its fault right, and how often a new part has the fault of the old one. Common practice. */
const UNMENDED = 0.12,
  NEW_AT_FAULT = 0.02;
/** How often the part was changed for nothing: the fault was another one, which shows alike. Common practice. */
const ANOTHER_CAUSE = 0.1;
/** Of vessels that had lost their charge, those whose core still lets it go, whether or not it was thought of before; and of cores that
 *  were tight, those that leak for having been touched. Common practice. */
const CORE_LEAKS = 0.15,
  TOUCHED_LEAKS = 0.03;
/** How much of what was thought of all circuits is left in what is expected after the work: something new may be wrong. */
const NEWLY = 0.02;

interface Repair {
  kind: RepairKind;
}
const mendedBy = (repairs: readonly Repair[]): ReadonlySet<FaultId> => new Set(repairs.flatMap((r) => MENDS[r.kind]));
const keyOf = (faults: readonly FaultId[]): string => (faults.length ? faults : ['none']).join('+');

/** What may be left of a set of faults once the work is done, by share: each mended fault goes from it but for a small one. Gas that was
 *  missing went somewhere: until the core is changed or tested it stays in the picture, beside the rest. */
function leftOf(
  faults: readonly FaultId[],
  mended: ReadonlySet<FaultId>,
  coreLeaks: number,
  renewed: ReadonlySet<FaultId> = new Set(),
): { key: string; share: number }[] {
  const left = faults.filter((f) => !mended.has(f));
  if (left.length === faults.length) return [{ key: keyOf(faults), share: 1 }];
  const stays = faults.every((f) => !mended.has(f) || renewed.has(f)) ? NEW_AT_FAULT : UNMENDED;
  const core = faults.includes('vessel-undercharged') && mended.has('vessel-undercharged') && !mended.has('vessel-gas-valve-leaking');
  return [
    { key: keyOf(left), share: 1 - stays },
    { key: keyOf(faults), share: stays },
    ...(core ? [{ key: 'vessel-gas-valve-leaking', share: coreLeaks }] : []),
  ];
}

/** What to expect after the work, before anything is measured: what was believed before it, less what it put right. Where that was the
 *  wrong cause, the right one is looked for among those that the logs, and the findings that do not speak of the changed part, leave.
 *  @param retired of each finding behind `asFound`, whether it speaks only of a part that is no longer there */
export function afterRepairs(
  asFound: readonly JudgedSet[],
  priors: readonly WeightedSet[],
  repairs: readonly Repair[],
  retired: readonly boolean[] = [],
): WeightedSet[] {
  const mended = mendedBy(repairs),
    renewed = mendedBy(repairs.filter((r) => NEW_PART.has(r.kind))),
    weights = new Map(priors.map((p) => [keyOf(p.faults), { faults: p.faults, weight: NEWLY * p.weight }]));
  const put = (key: string, weight: number) => {
    const at = weights.get(key);
    if (at) at.weight += weight;
  };
  const others = renewed.size > 0 ? otherCauses(asFound, mended, retired) : [];
  for (const { faults, probability } of asFound) {
    const changed = others.length > 0 && faults.some((f) => renewed.has(f)),
      wrong = changed ? ANOTHER_CAUSE : 0;
    for (const { key, share } of leftOf(faults, mended, CORE_LEAKS, renewed)) put(key, (1 - wrong) * share * probability);
    if (changed) for (const o of others) put(keyOf(o.faults), wrong * probability * o.share);
  }
  const all = [...weights.values()],
    sum = all.reduce((s, w) => s + w.weight, 0);
  return all.map((w) => ({ faults: w.faults, weight: w.weight / sum }));
}

/** Sets without anything that was mended, by what still speaks of them once the old part is gone. Shares sum to one. */
function otherCauses(
  asFound: readonly JudgedSet[],
  mended: ReadonlySet<FaultId>,
  retired: readonly boolean[],
): { faults: FaultId[]; share: number }[] {
  const still = withProbabilities(
    asFound
      .filter((s) => !s.faults.includes('none') && !s.faults.some((f) => mended.has(f)))
      .map((s) => ({ ...s, findingEvidence: s.findingEvidence.filter((_, k) => !retired[k]) })),
  );
  const sum = still.reduce((total, s) => total + s.probability, 0);
  return sum > 0 ? still.map(({ faults, probability }) => ({ faults, share: probability / sum })) : [];
}

/** The circuit as it was found, in the light of what was measured once the work was done: a recharge after which it swings as it should
 *  says that gas was missing, and one after which nothing has changed, that it was not; and what the work did not touch is seen after it as
 *  well as before.
 *  @param now judged from {@link afterRepairs} */
export function heldAgainstTheProof(asFound: Judged, now: Judged, repairs: readonly Repair[]): Judged {
  const mended = mendedBy(repairs);
  // Work of which nobody said what it was may have put anything right: what is seen after it says nothing of before.
  if (mended.size === 0 || (!now.tracks.length && now.sets.every((s) => s.findingEvidence.length === 0))) return asFound;
  const likelihoods = likelihoodsOf(now.sets),
    likelihoodOf = new Map(now.sets.map((s, i) => [keyOf(s.faults), likelihoods[i]!]));
  const ofAll = now.sets.reduce((sum, s, i) => sum + s.prior * likelihoods[i]!, 0);
  const worth = asFound.sets.map(({ faults }) => {
    const left = leftOf(faults, mended, TOUCHED_LEAKS),
      shares = left.reduce((sum, l) => sum + l.share, 0);
    return SURPRISES + left.reduce((sum, l) => sum + (l.share / shares) * ((likelihoodOf.get(l.key) ?? 0) / ofAll), 0);
  });
  const sum = asFound.sets.reduce((total, s, i) => total + s.probability * worth[i]!, 0);
  return {
    ...asFound,
    sets: asFound.sets
      .map((s, i) => ({ ...s, probability: (s.probability * worth[i]!) / sum, proofEvidence: Math.log(worth[i]!) }))
      .sort((a, b) => b.probability - a.probability),
  };
}
/** How often what is measured after the work has nothing to do with what was found before it, against how often it has. */
const SURPRISES = 0.05;
