import { expectedPressure } from '../circuit/expectedPressure';
import type { Measured } from '../log/reading/LogReading';
import { lowerFirst } from '../lowerFirst';
import type { Because } from './Diagnosis';
import { FAULT_IDS, type FaultId } from './faults';
import { EMPTY_GAUGE_BAR, isWaterUnsaid, type Finding } from './Finding';
import type { Evidence } from './Evidence';
import type { Judged } from './judgeEvidence';
import type { JudgedSet } from './JudgedSet';
import type { LogTrack } from './layOut/LogTrack';
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
const bar = (x: number) => `${x.toFixed(2).replace(/0$/, '')} bar`;

function logSentence(judged: Judged, at: number, track: LogTrack): string {
  const { tS } = judged.logs[at]!.samples,
    f = judged.features[at]!,
    lastBar = f.lastBar ?? 0,
    fellBar = Math.max(f.peakBar ?? 0, f.firstBar ?? 0) - lastBar;
  if (track.blind?.beginsHot)
    return track.heatGuessed
      ? `Fell ${bar(fellBar)}; neither temperatures nor a word of heat were noted.`
      : `Fell ${bar(fellBar)} while it cooled; no temperatures were read.`;
  if (f.swingBar === null || f.coldBar === null) return 'The log holds too little to show a heat cycle.';
  if (f.hotC === null || f.coldC === null) return `${moved(f.swingBar)} from cold to hot; no temperatures were read.`;
  const read = judged.readings[at]!;
  if (f.foundHot && f.swingBar === 0 && f.firstBar === f.lastBar) return `Stood at ${bar(f.coldBar)} at ${f.hotC.toFixed(0)} °C.`;
  if (f.hotC - f.coldC < 5)
    return read.idleCreepBarPerH
      ? creepSentence(read.idleCreepBarPerH, (tS.at(-1)! - tS[0]!) / 3600)
      : `${bar(f.swingBar)} of change with hardly any heat.`;
  const right = expectedPressure({
    circuit: judged.circuit,
    coldGaugeBar: f.coldBar,
    coldC: f.coldC,
    flowC: f.hotC,
    ...(f.hotReturnC !== null ? { returnC: f.hotReturnC } : {}),
  });
  const should = `${bar(Math.max(0, right.lowGaugeBar - f.coldBar))} to ${bar(Math.max(0, right.highGaugeBar - f.coldBar))}`;
  if (f.foundHot)
    return `${f.swingBar < 0 ? 'Rose' : 'Fell'} ${bar(Math.abs(f.swingBar))} from ${f.hotC.toFixed(0)} to ${f.coldC.toFixed(0)} °C; this circuit should fall ${should}.`;
  return `${moved(f.swingBar)} from ${f.coldC.toFixed(0)} to ${f.hotC.toFixed(0)} °C; this circuit should rise ${should}.${read.plateauBar ? ` Held at ${bar(read.plateauBar.value)} while it went on heating, as a relief does.` : track.easedHotBar > 0 ? ` Fell back ${bar(track.easedHotBar)} while it stayed hot.` : ''}`;
}
const moved = (byBar: number): string => `${byBar < 0 ? 'Fell' : 'Rose'} ${bar(Math.abs(byBar))}`;

/** A creep counts where it is more than its own doubt, and makes something over the log's hours; over days it is told by what it made. */
function creepSentence({ value, sd }: Measured, hours: number): string {
  const made = Math.abs(value) * hours,
    long = hours >= TOLD_WHOLE_H;
  if (Math.abs(value) < 2 * sd || (long ? made < LEAST_MADE_BAR : Math.abs(value) < LEAST_PER_H_BAR)) return 'Stood still with no heat.';
  return `${value > 0 ? 'Crept up' : 'Fell'} ${long ? `${bar(made)} in ${hours.toFixed(0)} h` : `${bar(Math.abs(value))} an hour`} with no heat.`;
}
const TOLD_WHOLE_H = 6,
  LEAST_MADE_BAR = 0.08,
  LEAST_PER_H_BAR = 0.02;

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
