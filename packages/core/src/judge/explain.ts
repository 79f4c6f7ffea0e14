import { plainly, saidWithin, say, type Said } from '../units/said';
import type { Because } from './Diagnosis';
import { FAULT_IDS, type FaultId } from './faults';
import type { Evidence } from './Evidence';
import type { Judged } from './judgeEvidence';
import type { JudgedSet } from './JudgedSet';
import { findingSentence } from './findingSentence';
import { logSentence } from './logSentence';

/** Less than this is not worth a sentence, bits. */
const LEAST_BITS = 0.15;
const MOST_FAULTS = 5;

/** What was measured last once work was done: the evidence by which the circuit as it was found is told to have been held against it. */
function lastOf(judged: Judged, evidence: Evidence): { id: string; said: Said } | null {
  const at = judged.trackLog.length - 1,
    finding = evidence.findings.at(-1);
  if (at >= 0)
    return { id: `log:${evidence.logIndices[judged.trackLog[at]!]!}`, said: logSentence(judged, judged.trackLog[at]!, judged.tracks[at]!) };
  return finding ? { id: `finding:${finding.index}`, said: findingSentence(finding.finding) } : null;
}

/** Each piece of evidence with its weight for the faults that matter, against the average of the other hypotheses. All that was measured
 *  once work was done counts as one piece.
 *  @param after what was judged of that, where this is the circuit as it was found */
export function because(
  judged: Judged,
  evidence: Evidence,
  marginals: Partial<Record<FaultId, number>>,
  after?: { judged: Judged; evidence: Evidence },
): Because[] {
  const faults = FAULT_IDS.filter((f) => (marginals[f] ?? 0) > 0.01)
    .sort((a, b) => marginals[b]! - marginals[a]!)
    .slice(0, MOST_FAULTS);
  const out: Because[] = [];
  const weigh = (id: string, logLikelihood: (s: JudgedSet) => number, before: (s: JudgedSet) => number, said: Said) => {
    const text = plainly(said);
    for (const fault of faults) {
      const bits = bitsFor(judged.sets, fault, logLikelihood, before);
      if (Math.abs(bits) >= LEAST_BITS) out.push({ evidence: id, for: fault, bits, text, said });
    }
  };
  judged.trackLog.forEach((at, k) =>
    weigh(
      `log:${evidence.logIndices[at]!}`,
      (s) => s.logParts[k]!,
      (s) => Math.log(s.prior) + sum(s.logParts.slice(0, k)),
      logSentence(judged, at, judged.tracks[k]!),
    ),
  );
  evidence.findings.forEach(({ finding, index }, k) =>
    weigh(
      `finding:${index}`,
      (s) => s.findingEvidence[k]!,
      (s) => Math.log(s.prior) + s.logEvidence + sum(s.findingEvidence.slice(0, k)),
      findingSentence(finding),
    ),
  );
  const last = after && judged.sets.some((s) => s.proofEvidence !== undefined) ? lastOf(after.judged, after.evidence) : null;
  if (last)
    weigh(
      last.id,
      (s) => s.proofEvidence ?? 0,
      (s) => Math.log(s.prior) + s.logEvidence + sum(s.findingEvidence),
      say`After the work: ${saidWithin(last.said)}`,
    );
  return out.sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits));
}

/** log2 of the likelihood under the sets that hold the fault over that under those that do not, each set weighted by what stood before. */
function bitsFor(sets: JudgedSet[], fault: FaultId, logLikelihood: (s: JudgedSet) => number, before: (s: JudgedSet) => number): number {
  const mean = (chosen: JudgedSet[]) => {
    const most = Math.max(...chosen.map(before)),
      top = Math.max(...chosen.map(logLikelihood));
    let weight = 0,
      value = 0;
    for (const s of chosen) {
      const w = Math.exp(before(s) - most);
      weight += w;
      value += w * Math.exp(logLikelihood(s) - top);
    }
    return Math.log(value / weight + 1e-300) + top;
  };
  const holds = sets.filter((s) => s.faults.includes(fault)),
    others = sets.filter((s) => !s.faults.includes(fault));
  if (!holds.length || !others.length) return 0;
  return Math.max(-40, Math.min(40, (mean(holds) - mean(others)) / Math.LN2));
}

const sum = (x: number[]) => x.reduce((a, b) => a + b, 0);
