import {
  buysNoPart,
  faultRow,
  FAULTS,
  lowerFirst,
  type Diagnosis,
  type FaultId,
  type Judgement,
  type NextTest,
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

/** Suspects for the list: likeliest first, until most of the probability is told, `least` to `most` of them. */
export function suspects(judgement: Judgement, units: Units, { least = 3, most = 6 } = {}): Suspect[] {
  const shown: Suspect[] = [];
  let told = 0;
  for (const { faults, probability } of judgement.hypotheses) {
    if (shown.length >= most || (shown.length >= least && (told > 0.9 || probability < 0.04))) break;
    told += probability;
    const evidence = judgement.because
      .filter((b) => faults.includes(b.for))
      .map((b) => ({ ...b, reason: saidText(b.said, units) }))
      .map((b) => ({
        fault: b.for,
        text: faults.length > 1 ? `${FAULTS[b.for].title}: ${lowerFirst(b.reason)}` : b.reason,
        reason: b.reason,
        byLog: b.evidence.startsWith('log'),
        bits: b.bits,
        strength: STRENGTHS.find(([over]) => Math.abs(b.bits) >= over)![1],
        speaks: b.bits >= 0 ? ('for' as const) : ('against' as const),
      }));
    // Of a pair, what speaks for the half that no suspect above is alone: the other half's reason stands there already.
    const alone = new Set(shown.flatMap((s) => (s.faults.length === 1 ? s.faults : []))),
      other = faults.length > 1 ? faults.filter((f) => !alone.has(f)) : faults;
    const reasons = evidence.filter((e) => e.speaks === 'for' && (other.length === 0 || other.includes(e.fault)));
    const loudest = reasons.find((e) => !shown.some((s) => s.reason === e.reason));
    shown.push({
      key: faults.join('+'),
      faults,
      title: setTitle(faults),
      probability,
      share: shareText(probability),
      reason:
        loudest?.reason ??
        (reasons.length > 0
          ? reasons[0]!.byLog
            ? 'Would look the same on the gauge.'
            : 'Would show the same.'
          : other.length === 1 && faults.length > 1
            ? `Nothing measured points to “${lowerFirst(FAULTS[other[0]!].title)}” yet.`
            : 'Nothing measured points to it yet; it is common on such circuits.'),
      remedy: faults.map((f) => faultRow(f).remedy).join(' '),
      evidence,
    });
  }
  return shown;
}

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
  const first = (d.now ?? d).hypotheses[0];
  return first !== undefined && first.faults[0] !== 'none' && first.probability >= 0.5;
};

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
  const first = j.hypotheses[0];
  // What it has to be told from: the likeliest set that is not this one with something more.
  const second = j.hypotheses.slice(1).find((h) => !first!.faults.every((f) => h.faults.includes(f)));
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
    headline: 'Not told apart yet',
    text: `${name}, ${shareText(first.probability)}${second ? `, or ${lowerFirst(setTitle(second.faults))}, ${shareText(second.probability)}` : ''}.`,
    kind: 'open',
  };
}
