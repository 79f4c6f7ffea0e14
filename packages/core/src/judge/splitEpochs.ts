import { partOfLog } from '../log/partOfLog';
import { logEndS, type PressureLog } from '../log/PressureLog';
import type { Case, Repair } from './Case';
import { completed, missingFrom } from './completeFindings';
import type { Finding } from './Finding';
import type { Evidence } from './Evidence';

/** The work that was done at one go, and what was measured between it and the next. */
export interface WorkStage {
  repairs: Repair[];
  evidence: Evidence;
}
export interface SplitCase {
  asFound: Evidence;
  /** One a repair or a few done together, in the order of time; at least one, empty where no work was done. */
  stages: WorkStage[];
  /** Numbers that findings leave out, by their path in the case file. */
  notJudged: string[];
}

/** A case by the work done in it. Logs are cut at every repair. A log or finding says whether it is as found or after the work; without that
 *  its time tells, and what has no time belongs to the last stage that it can. */
export function splitEpochs(input: Case): SplitCase {
  const repairs = allRepairs(input),
    times = [...new Set(repairs.flatMap((r) => (r.at ? [Date.parse(r.at)] : [])))].sort((a, b) => a - b);
  const all = (input.findings ?? []).map((f, index) => {
    const finding = completed(f, input);
    return { finding, index, missing: missingFrom(finding) };
  });
  // What leaves out the number that it is about says nothing.
  const findings = all.filter(({ missing }) => missing.length === 0);
  const logs = (input.logs ?? []).flatMap((log, index) => partsOf(log, times).map((part) => ({ ...part, index })));
  /** How many repair times lie before what was measured: 0 is as found. */
  const stageOfFinding = (f: Finding): number => {
    if (!comesAfter(f, input, times[0] ?? Infinity)) return 0;
    return f.at === undefined || times.length < 2 ? Math.max(1, times.length) : Math.max(1, passed(times, Date.parse(f.at)));
  };
  const placed = findings.map(({ finding, index }) => ({ finding, index, stage: stageOfFinding(finding) }));
  const of = (from: number, to: number): Evidence => {
    const its = logs.filter((l) => l.stage >= from && l.stage <= to);
    return {
      circuit: input.circuit,
      ...(from === 0 && input.complaint ? { complaint: input.complaint } : {}),
      logs: its.map((l) => l.log),
      logIndices: its.map((l) => l.index),
      findings: placed.filter((f) => f.stage >= from && f.stage <= to).map(({ finding, index }) => ({ finding, index })),
    };
  };
  return {
    asFound: of(0, 0),
    stages: stagesOf(repairs, times, of),
    notJudged: all.flatMap(({ missing, index }) => missing.map((name) => `findings.${index}.${name}`)),
  };
}

/** Repairs with nothing measured between them are one stage. A repair without a time goes with the first. */
function stagesOf(repairs: Repair[], times: number[], of: (from: number, to: number) => Evidence): WorkStage[] {
  const stages: WorkStage[] = [],
    stageOf = (r: Repair) => (r.at ? times.indexOf(Date.parse(r.at)) + 1 : 1);
  let waiting: Repair[] = [];
  for (let k = 1; k <= Math.max(1, times.length); k++) {
    waiting = [...waiting, ...repairs.filter((r) => stageOf(r) === k)];
    const evidence = of(k, k),
      isLast = k >= times.length;
    if (!isLast && evidence.findings.length === 0 && evidence.logs.every(saysNothing)) continue;
    stages.push({ repairs: waiting, evidence });
    waiting = [];
  }
  return stages;
}
const saysNothing = (log: PressureLog): boolean => log.samples.pressureBar.filter((p) => p !== null).length < 2;

const passed = (times: readonly number[], ms: number): number => times.filter((t) => t <= ms).length;

/** Whether a finding is of the time after the work: as it says; else by its time; else the check of the work is, where anything was done,
 *  and a charge that was read again as it had been set. */
function comesAfter(finding: Finding, { repairs = [], logs = [], findings = [] }: Case, firstRepair: number): boolean {
  const { epoch, test, atS, valueBar } = finding,
    startedAt = logs[0]?.startedAt;
  if (epoch) return epoch === 'after-work';
  if (finding.at !== undefined && firstRepair < Infinity) return Date.parse(finding.at) >= firstRepair;
  if (atS !== undefined && startedAt !== undefined && firstRepair < Infinity) return Date.parse(startedAt) + 1000 * atS >= firstRepair;
  if (test === 'heat-run-after')
    return (
      repairs.length > 0 ||
      rechargesInLogs(logs).length > 0 ||
      [...findings, ...logs].some((x) => x.epoch === 'after-work') ||
      findings.some((f) => f.test === 'pump-up-hold')
    );
  if (test !== 'precharge' || valueBar === undefined) return false;
  const asSet = (bar: number | undefined) =>
    bar !== undefined && repairs.some((r) => r.toBar !== undefined && Math.abs(bar - r.toBar) <= AS_SET_BAR);
  return asSet(valueBar) && findings.some((f) => f !== finding && f.test === 'precharge' && f.valueBar !== undefined && !asSet(f.valueBar));
}
/** A charge is read again to so much of what it was set to, bar. */
const AS_SET_BAR = 0.1;

/** A log cut at every repair within it, and at a recharge that stands in it as an event: what was read from then on is a log of its own. A
 *  log that says that it is of the time after the work has nothing of before; where it has no start it belongs to the last stage. */
function partsOf(log: PressureLog, times: readonly number[]): { log: PressureLog; stage: number }[] {
  const startMs = log.startedAt === undefined ? null : Date.parse(log.startedAt),
    rechargeS = log.events?.find((e) => e.kind === 'vessel-recharged')?.tS,
    lastStage = Math.max(1, times.length);
  const cutsS = [
    ...(startMs === null ? [] : times.map((t) => (t - startMs) / 1000).filter((s) => s > 0 && s <= logEndS(log))),
    ...(rechargeS === undefined ? [] : [rechargeS]),
  ].sort((a, b) => a - b);
  const isAfter = log.epoch === 'after-work',
    stageAt = (fromS: number): number => {
      const beyondRecharge = rechargeS !== undefined && fromS >= rechargeS;
      if (log.epoch === 'as-found' && !beyondRecharge) return 0;
      if (startMs === null || times.length === 0) return isAfter || beyondRecharge ? lastStage : 0;
      return Math.max(isAfter || beyondRecharge ? 1 : 0, passed(times, startMs + 1000 * fromS));
    };
  if (cutsS.length === 0) return [{ log, stage: stageAt(0) }];
  return [0, ...cutsS]
    .map((fromS, i, all) => {
      const first = i === 0,
        part = partOfLog(log, first ? -Infinity : fromS, all[i + 1] ?? Infinity);
      return { log: part, stage: stageAt(fromS), first };
    })
    .filter(({ log: part, first, stage }) => (first ? !(isAfter && rechargeS !== undefined && stage > 0) : part.samples.tS.length > 1))
    .map(({ log: part, stage }) => ({ log: part, stage }));
}

/** Work that is on record as such, and recharges that only stand as events in a log. */
export function allRepairs({ repairs = [], logs = [] }: Case): Repair[] {
  return repairs.length > 0 && repairs.some((r) => r.kind === 'vessel-recharged') ? repairs : [...repairs, ...rechargesInLogs(logs)];
}

/** Recharges that only stand as events in a log. */
export const rechargesInLogs = (logs: PressureLog[]): Repair[] =>
  logs.some((l) => l.events?.some((e) => e.kind === 'vessel-recharged')) ? [{ kind: 'vessel-recharged' }] : [];
