import { expectedPressure } from '../circuit/expectedPressure';
import { cycleFeatures } from '../log/cycleFeatures';
import { partOfLog } from '../log/partOfLog';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { PressureLog } from '../log/PressureLog';
import { asTheVisitShows } from './asTheVisitShows';
import { because } from './explain';
import { afterRepairs, heldAgainstTheProof } from './afterWork';
import type { Case, RepairKind } from './Case';
import { contradictions, latestOnly } from './contradictions';
import type { Diagnosis, Judgement } from './Diagnosis';
import { estimates } from './estimates';
import type { Finding } from './Finding';
import { applicableFaults, faultRow, sureEnoughFor, type FaultId } from './faults';
import { judgeEvidence, type Evidence, type Judged, type Progress } from './judgeEvidence';
import { nextTests, provingTest, repairKey, tellsMoreQuickly } from './nextTests';
import { weightedSets } from './priors';

const MOST_HYPOTHESES = 25, MOST_PREDICTED = 6;
const HOT_C = 50;

/** Ranks the faults of a case. Pure and repeatable: same case and build, same answer.
 *  @param onFile a valid case (checked by the contract); logs and findings may be empty
 *  @param told hears how far it has come; it changes nothing
 *  @throws {OutOfRangeError} where the sheet's numbers lie outside the physics */
export function diagnose(onFile: Case, told: Progress = () => {}): Diagnosis {
  const input: Case = { ...onFile, circuit: asTheVisitShows(onFile) };
  const split = splitEpochs(input);
  const priors = weightedSets(input);
  const repairs = [...(input.repairs ?? []), ...rechargesInLogs(input.logs ?? [])];
  const worked = repairs.length > 0 || split.afterWork.logs.length > 0 || split.afterWork.findings.length > 0;
  const found = withLatest(split.asFound), asFound = judgeEvidence(found, priors, (share) => told(worked ? share / 2 : share));
  const answer = (judgement: Judgement): Diagnosis => ({ format: 'jumper-diagnosis', version: 1, caseId: input.id, ...judgement });
  if (!worked) return answer(judgementOf(onFile.circuit, asFound, found, split.asFound));
  const left = withLatest(split.afterWork), now = judgeEvidence(left, afterRepairs(asFound.sets, priors, repairs), (share) => told((1 + share) / 2));
  return { ...answer(judgementOf(onFile.circuit, heldAgainstTheProof(asFound, now, repairs), found, split.asFound, { judged: now, evidence: left })), now: judgementOf(onFile.circuit, now, left, split.afterWork) };
}

const withLatest = (evidence: Evidence): Evidence => ({ ...evidence, findings: latestOnly(evidence.findings) });

/** The answer in words and numbers. @param sheet as it was handed in: every fault that it does not rule out has its share, if only nothing @param latest what was judged @param evidence the same with the tests that were done again since @param after what came after the work */
function judgementOf(sheet: CircuitSheet, judged: Judged, latest: Evidence, evidence: Evidence, after?: { judged: Judged; evidence: Evidence }): Judgement {
  const marginals: Partial<Record<FaultId, number>> = {};
  for (const id of applicableFaults(sheet)) marginals[id] = judged.sets.reduce((s, x) => s + (x.faults.includes(id) ? x.probability : 0), 0);
  const found = latest.findings.map((f) => f.finding), done = new Set(found.map((f) => f.test));
  const [lead] = judged.sets, leadRepair = lead ? repairKey(lead) : '';
  const leadShare = judged.sets.filter((s) => repairKey(s) === leadRepair).reduce((a, s) => a + s.probability, 0);
  const last = lastFlowC(latest.logs), next = nextTests(judged, evidence.circuit, found, last !== null && last > HOT_C);
  return {
    hypotheses: judged.sets.slice(0, MOST_HYPOTHESES).map(({ faults, probability }) => ({ faults, probability })),
    marginals,
    estimates: estimates(judged, done),
    expected: expected(judged, latest.logs, evidence.circuit),
    because: because(judged, latest, marginals, after),
    nextTests: next,
    contradictions: contradictions(evidence, latest, judged),
    // Enough is known to act when one repair is probable enough for what it costs, and something was actually measured.
    enoughKnown: lead !== undefined && leadShare >= sureEnoughFor(lead.faults.map((f) => faultRow(f).repair), next.some(tellsMoreQuickly)) && (judged.tracks.length > 0 || done.size > 0),
    provingTest: provingTest(judged, evidence.circuit, found),
    predictions: predictions(judged, latest.logIndices),
  };
}

function expected(judged: Judged, logs: PressureLog[], sheet: CircuitSheet): Judgement['expected'] {
  if (sheet.kind === 'steam') return null;
  const f = logs[0] ? cycleFeatures(logs[0]) : null;
  const coldGaugeBar = f?.coldBar ?? judged.circuit.fillGaugeBar;
  const coldC = f?.coldC ?? 15;
  const flowC = f?.hotC ?? judged.circuit.maxFlowC;
  if (coldGaugeBar <= -0.9 || flowC < 1 || coldC < 0) return null;
  const right = expectedPressure({ circuit: judged.circuit, coldGaugeBar, coldC: Math.max(1, coldC), flowC: Math.min(150, flowC) });
  return { hotBar: right.gaugeBar, swingBar: right.gaugeBar - coldGaugeBar };
}

/** What the first suspects each predict for every log, for the overlay on its trace. */
function predictions(judged: Judged, logIndices: number[]): Judgement['predictions'] {
  const suspects = judged.sets.slice(0, MOST_PREDICTED);
  return judged.tracks.map((track, k) => ({
    log: logIndices[judged.trackLog[k]!]!, tS: [...track.tS],
    suspects: suspects.flatMap((s) => (s.fit.predicted[k] ? [{ faults: s.faults, gaugeBar: [...s.fit.predicted[k]!] }] : [])),
  }));
}

function lastFlowC(logs: PressureLog[]): number | null {
  return logs.at(-1)?.samples.flowC?.findLast((c) => c !== null) ?? null;
}

/** As-found and after-work evidence. A log or finding says which it is; without that, a log that starts after the first repair is after-work. */
function splitEpochs(input: Case): { asFound: Evidence; afterWork: Evidence } {
  const repairs = (input.repairs ?? []).flatMap((r) => (r.at ? [Date.parse(r.at)] : []));
  const firstRepair = repairs.length ? Math.min(...repairs) : Infinity;
  const isAfter = (log: PressureLog) => (log.epoch ? log.epoch === 'after-work' : log.startedAt !== undefined && Date.parse(log.startedAt) >= firstRepair);
  const logs = (input.logs ?? []).flatMap((log, index) => partsOf(log, isAfter(log)).map((part) => ({ ...part, index })));
  const findings = (input.findings ?? []).map((finding, index) => ({ finding, index }));
  const of = (after: boolean): Evidence => ({ circuit: input.circuit, logs: logs.filter((l) => l.after === after).map((l) => l.log), logIndices: logs.filter((l) => l.after === after).map((l) => l.index), findings: findings.filter((f) => comesAfter(f.finding, input, firstRepair) === after) });
  return { asFound: of(false), afterWork: of(true) };
}

/** Whether a finding is of the time after the work: as it says; else by its time; else the check of the work is, where anything was done, and a charge that was read again as it had been set. */
function comesAfter(finding: Finding, { repairs = [], logs = [], findings = [] }: Case, firstRepair: number): boolean {
  const { epoch, test, atS, valueBar } = finding, startedAt = logs[0]?.startedAt;
  if (epoch) return epoch === 'after-work';
  if (atS !== undefined && startedAt !== undefined && firstRepair < Infinity) return Date.parse(startedAt) + 1000 * atS >= firstRepair;
  if (test === 'heat-run-after') return repairs.length > 0 || rechargesInLogs(logs).length > 0 || [...findings, ...logs].some((x) => x.epoch === 'after-work') || findings.some((f) => f.test === 'pump-up-hold');
  if (test !== 'precharge' || valueBar === undefined) return false;
  const asSet = (bar: number | undefined) => bar !== undefined && repairs.some((r) => r.toBar !== undefined && Math.abs(bar - r.toBar) <= AS_SET_BAR);
  return asSet(valueBar) && findings.some((f) => f !== finding && f.test === 'precharge' && f.valueBar !== undefined && !asSet(f.valueBar));
}
/** A charge is read again to so much of what it was set to, bar. */
const AS_SET_BAR = 0.1;

/** A recharge in the middle of a log begins the time after the work: what was read from then on is a log of its own, and a log of the after-work time begins there. */
function partsOf(log: PressureLog, after: boolean): { log: PressureLog; after: boolean }[] {
  const rechargeS = log.events?.find((e) => e.kind === 'vessel-recharged')?.tS;
  if (rechargeS === undefined) return [{ log, after }];
  const part = (fromS: number, toS: number, isAfter: boolean) => ({ log: partOfLog(log, fromS, toS), after: isAfter });
  const later = part(rechargeS, Infinity, true);
  const earlier = after ? [] : [part(-Infinity, rechargeS, false)];
  return [...earlier, ...(later.log.samples.tS.length > 1 ? [later] : [])];
}

/** Recharges that only stand as events in a log. */
const rechargesInLogs = (logs: PressureLog[]): { kind: RepairKind }[] => (logs.some((l) => l.events?.some((e) => e.kind === 'vessel-recharged')) ? [{ kind: 'vessel-recharged' }] : []);
