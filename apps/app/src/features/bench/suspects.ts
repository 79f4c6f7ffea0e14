import {
  buysNoPart,
  faultRow,
  FAULTS,
  lowerFirst,
  type Diagnosis,
  type FaultId,
  type Judgement,
  type NextTest,
  type Proof,
  type ReplaceablePart,
  type TestId,
} from '@jumper/core';
import { saidText } from '../units/saidText';
import type { Units } from '../units/units';
import { unbroken } from '../units/words';

export interface Suspect {
  key: string;
  faults: FaultId[];
  title: string;
  probability: number;
  share: string;
  /** With what else it may be, and how likely, the likeliest first. */
  together: string[];
  /** One line: what speaks loudest for it. */
  reason: string;
  remedy: string;
  evidence: {
    fault: FaultId;
    /** Of a pair it says of which fault it speaks. */
    text: string;
    reason: string;
    byLog: boolean;
    bits: number;
    strength: string;
    speaks: 'for' | 'against';
  }[];
}

/** Names of a set as one line. */
export const setTitle = (faults: FaultId[]): string =>
  faults.map((f, i) => (i === 0 ? FAULTS[f].title : lowerFirst(FAULTS[f].title))).join(', and ');

/** In round numbers: nobody acts on the third digit. */
export const shareText = (p: number): string => unbroken(p >= 0.995 ? 'over 99 %' : p < 0.01 ? 'under 1 %' : `${Math.round(p * 100)} %`);

const STRENGTHS: [number, string][] = [
  [3, 'strongly'],
  [1, 'clearly'],
  [0, 'a little'],
];

/** One fault, or nothing wrong, with all that it has in every set that holds it. */
export interface FaultTotal {
  fault: FaultId;
  probability: number;
}

/** How probable each fault is, alone or with others, the likeliest first. A test that confirms a fault never makes its total look weaker,
 *  however the sets behind it change places. */
export function totalsOf({ hypotheses }: Pick<Judgement, 'hypotheses'>): FaultTotal[] {
  const totals = new Map<FaultId, number>();
  for (const { faults, probability } of hypotheses) for (const f of faults) totals.set(f, (totals.get(f) ?? 0) + probability);
  return [...totals].map(([fault, probability]) => ({ fault, probability })).sort((a, b) => b.probability - a.probability);
}

/** What is most likely wrong: every fault that is more likely there than not; where none is, the likeliest. The probability is that of the
 *  likeliest. Undefined where nothing is judged. */
export function leadOf(j: Pick<Judgement, 'hypotheses'>): { faults: FaultId[]; probability: number } | undefined {
  const totals = totalsOf(j),
    [first] = totals;
  if (!first) return undefined;
  const likely = first.fault === 'none' ? [] : totals.filter((t) => t.fault !== 'none' && t.probability >= LIKELY).slice(0, MOST_NAMED);
  return { faults: likely.length > 0 ? likely.map((t) => t.fault) : [first.fault], probability: first.probability };
}
const LIKELY = 0.5,
  MOST_NAMED = 2;

/** Combinations that are named under a fault: the likeliest, of this share or more. */
const MOST_TOGETHER = 2,
  LEAST_TOGETHER = 0.03;

/** Suspects for the list: a fault a row with its total, likeliest first, `least` to `most` of them; under it with what it may be combined. */
export function suspects(judgement: Judgement, units: Units, { least = 3, most = 6 } = {}): Suspect[] {
  const shown: Suspect[] = [];
  for (const { fault, probability } of totalsOf(judgement)) {
    if (shown.length >= most || (shown.length >= least && probability < LEAST_SHOWN)) break;
    const its = judgement.hypotheses.filter((h) => h.faults.includes(fault)),
      evidence = judgement.because
        .filter((b) => b.for === fault)
        .map((b) => ({ ...b, reason: saidText(b.said, units) }))
        .map((b) => ({
          fault: b.for,
          text: b.reason,
          reason: b.reason,
          byLog: b.evidence.startsWith('log'),
          bits: b.bits,
          strength: STRENGTHS.find(([over]) => Math.abs(b.bits) >= over)![1],
          speaks: b.bits >= 0 ? ('for' as const) : ('against' as const),
        }));
    const reasons = evidence.filter((e) => e.speaks === 'for'),
      loudest = reasons.find((e) => !shown.some((s) => s.reason === e.reason));
    shown.push({
      key: its[0]!.faults.join('+'),
      faults: [fault],
      title: FAULTS[fault].title,
      probability,
      share: shareText(probability),
      together: its
        .filter((h) => h.faults.length > 1 && h.probability >= LEAST_TOGETHER)
        .slice(0, MOST_TOGETHER)
        .map((h) => `together with ${lowerFirst(setTitle(h.faults.filter((f) => f !== fault)))}, ${shareText(h.probability)}`),
      reason:
        loudest?.reason ??
        (reasons.length > 0
          ? reasons[0]!.byLog
            ? 'Would look the same on the gauge.'
            : 'Would show the same.'
          : 'Nothing measured points to it yet; it is common on such circuits.'),
      remedy: faultRow(fault).remedy,
      evidence,
    });
  }
  return shown;
}
/** Below this a fault is not worth a row once three are told. */
const LEAST_SHOWN = 0.04;

/** The test to do next: while something is open the most telling one, once enough is known the one that would show that to be wrong. Tests
 *  left out for a reason do not come again. */
export function nextTest(judgement: Judgement, skipped: ReadonlyMap<string, string>): TestId | null {
  const proving = judgement.enoughKnown && judgement.provingTest && !skipped.has(judgement.provingTest) ? judgement.provingTest : null;
  return proving ?? judgement.nextTests.find((t) => !skipped.has(t.test))?.test ?? null;
}

/** A test as the judge proposes it, next or to prove the lead wrong; null where it does not. */
export const proposalOf = (judgement: Pick<Judgement, 'nextTests' | 'proof'>, test: TestId): NextTest | null =>
  [...judgement.nextTests, judgement.proof].find((t) => t?.test === test) ?? null;

/** What a suspect would make of a log, for the overlay on its trace; null where it was not worked out. */
export function predictedBy(judgement: Judgement, key: string, logIndex: number): { min: number; bar: number }[] | null {
  const of = judgement.predictions.find((p) => p.log === logIndex),
    curve = of?.suspects.find((s) => s.faults.join('+') === key);
  return of && curve ? of.tS.map((t, i) => ({ min: t / 60, bar: curve.gaugeBar[i]! })) : null;
}

/** Something is wrong, more likely than not. */
export const faultStands = (d: Diagnosis): boolean => {
  const first = leadOf(d.now ?? d);
  return first !== undefined && first.faults[0] !== 'none' && first.probability >= 0.5;
};

/** After work that did not do it: what is wrong now leads, and the proof stands under it. */
export const isWrongStill = (d: Diagnosis, proof: Pick<Proof, 'kind'> | null): boolean =>
  proof !== null && proof.kind !== 'pass' && d.now !== undefined && faultStands(d);

export interface Verdict {
  headline: string;
  text: string;
  kind: 'sound' | 'found' | 'open';
}

/** Below this what is only tried goes by "probably". */
const SURE = 0.85;

/** The state of knowledge in two lines, without more certainty than there is.
 *  @param inHand parts that came along */
export function verdict(d: Diagnosis, inHand?: readonly ReplaceablePart[]): Verdict {
  const j = d.now ?? d;
  const first = leadOf(j);
  // What it has to be told from: the likeliest fault that is not among these.
  const other = totalsOf(j).find((t) => !first!.faults.includes(t.fault)),
    second = other && { faults: [other.fault], probability: other.probability };
  if (!first) return { headline: 'Nothing to judge yet', text: 'Log the cold pressure to begin.', kind: 'open' };
  const name = setTitle(first.faults);
  if (first.faults[0] === 'none' && first.probability >= 0.5)
    return { headline: 'This looks sound', text: `Nothing wrong is likeliest, ${shareText(first.probability)}.`, kind: 'sound' };
  if (
    j.enoughKnown &&
    first.probability < SURE &&
    buysNoPart(
      first.faults.map((f) => faultRow(f).repair),
      inHand,
    )
  )
    return {
      headline: `Probably: ${lowerFirst(name)}`,
      text: `${shareText(first.probability)}, enough to try what costs no part. ${faultRow(first.faults[0]!).remedy}`,
      kind: 'found',
    };
  if (j.enoughKnown) return { headline: name, text: `Enough is known to act. ${faultRow(first.faults[0]!).remedy}`, kind: 'found' };
  if (first.probability >= 0.5)
    return {
      headline: `Probably: ${lowerFirst(name)}`,
      text: `${shareText(first.probability)}; a test will tell it from ${second ? lowerFirst(setTitle(second.faults)) : 'the rest'}.`,
      kind: 'open',
    };
  return {
    headline: 'Not clear yet',
    text: `${name}, ${shareText(first.probability)}${second ? `, or ${lowerFirst(setTitle(second.faults))}, ${shareText(second.probability)}` : ''}.`,
    kind: 'open',
  };
}
