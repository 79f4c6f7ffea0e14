import { lowerFirst } from '../lowerFirst';
import type { Because } from './Diagnosis';
import { FAULT_IDS, type FaultId } from './faults';
import { EMPTY_GAUGE_BAR, isWaterUnsaid, type Finding } from './Finding';
import type { Evidence } from './Evidence';
import type { Judged } from './judgeEvidence';
import type { JudgedSet } from './JudgedSet';
import { bar } from './inBar';
import { logSentence } from './logSentence';
import { OUTCOME_TABLES } from './findings/outcomeTable';
import { testRow } from './tests';

/** Less than this is not worth a sentence, bits. */
const LEAST_BITS = 0.15;
const MOST_FAULTS = 5;

/** What was measured last once work was done: the evidence by which the circuit as it was found is told to have been held against it. */
function lastOf(judged: Judged, evidence: Evidence): { id: string; text: string } | null {
  const at = judged.trackLog.length - 1,
    finding = evidence.findings.at(-1);
  if (at >= 0)
    return { id: `log:${evidence.logIndices[judged.trackLog[at]!]!}`, text: logSentence(judged, judged.trackLog[at]!, judged.tracks[at]!) };
  return finding ? { id: `finding:${finding.index}`, text: findingSentence(finding.finding) } : null;
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
  const weigh = (id: string, logLikelihood: (s: JudgedSet) => number, before: (s: JudgedSet) => number, text: string) => {
    for (const fault of faults) {
      const bits = bitsFor(judged.sets, fault, logLikelihood, before);
      if (Math.abs(bits) >= LEAST_BITS) out.push({ evidence: id, for: fault, bits, text });
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
      `After the work: ${lowerFirst(last.text)}`,
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
function findingSentence(f: Finding): string {
  const title = testRow(f.test).title;
  if (f.outcome !== undefined) {
    // A reason belongs to what the row's faults make likelier, not to what is seen anyway.
    const table = OUTCOME_TABLES[f.test],
      why = table?.rows.find((r) => r.shares[f.outcome!]! > Math.max(0.4, table.base[f.outcome!]!))?.why;
    return `${title}: ${f.outcome.replaceAll('-', ' ')}${why ? ` (${why})` : ''}.`;
  }
  if (f.test === 'precharge' && f.valueBar !== undefined) {
    if (isWaterUnsaid(f)) return `Precharge read ${bar(f.valueBar)}; what stood on the water side is not said.`;
    return (f.circuitBar ?? 0) > EMPTY_GAUGE_BAR
      ? `Precharge read ${bar(f.valueBar)} with water behind it: that only repeats the water pressure.`
      : `Precharge read ${bar(f.valueBar)} with the water side empty.`;
  }
  if (f.startBar !== undefined && f.endBar !== undefined)
    return `${title}: ${bar(f.startBar)} to ${bar(f.endBar)}${f.minutes !== undefined ? ` in ${f.minutes} min` : ''}.`;
  if (f.valueBar !== undefined) return `${title}: ${bar(f.valueBar)}.`;
  if (f.volumeL !== undefined) return `${title}: ${f.volumeL} L.`;
  const read = numbersRead(f);
  return `${title}: ${read || 'recorded'}.`;
}

/** Every number of a finding with its name and unit, as "cut out 0.6 bar, set 0.14 bar". */
function numbersRead(f: Finding): string {
  return Object.entries(testRow(f.test).values ?? {})
    .flatMap(([key, { unit }]) => {
      const x = f[key];
      if (typeof x !== 'number') return [];
      // The unit at a key's end is told by the unit itself, and a bare value or count needs no name.
      const name = key
        .replace(/(Bar|C|L|Ml|Minutes|S)$/, '')
        .replace(/([A-Z])/g, ' $1')
        .toLowerCase();
      return [
        `${['value', 'count', 'minutes', 'volume'].includes(name) ? '' : `${name} `}${x}${unit === 'pH' || unit === 'count' ? '' : ` ${unit}`}`,
      ];
    })
    .join(', ');
}
