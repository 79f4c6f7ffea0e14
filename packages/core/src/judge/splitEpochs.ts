import { partOfLog } from '../log/partOfLog';
import type { PressureLog } from '../log/PressureLog';
import type { Case, RepairKind } from './Case';
import { completed, missingFrom } from './completeFindings';
import type { Finding } from './Finding';
import type { Evidence } from './Evidence';

/** As-found and after-work evidence. A log or finding says which it is; without that, a log that starts after the first repair is
 *  after-work.
 *  @returns both, and the numbers that findings leave out, by their path in the case file */
export function splitEpochs(input: Case): { asFound: Evidence; afterWork: Evidence; notJudged: string[] } {
  const repairs = (input.repairs ?? []).flatMap((r) => (r.at ? [Date.parse(r.at)] : []));
  const firstRepair = repairs.length ? Math.min(...repairs) : Infinity;
  const isAfter = (log: PressureLog) =>
    log.epoch ? log.epoch === 'after-work' : log.startedAt !== undefined && Date.parse(log.startedAt) >= firstRepair;
  const logs = (input.logs ?? []).flatMap((log, index) => partsOf(log, isAfter(log)).map((part) => ({ ...part, index })));
  const all = (input.findings ?? []).map((f, index) => {
    const finding = completed(f, input);
    return { finding, index, missing: missingFrom(finding) };
  });
  // What leaves out the number that it is about says nothing.
  const findings = all.filter(({ missing }) => missing.length === 0).map(({ finding, index }) => ({ finding, index }));
  const of = (after: boolean): Evidence => ({
    circuit: input.circuit,
    ...(after || !input.complaint ? {} : { complaint: input.complaint }),
    logs: logs.filter((l) => l.after === after).map((l) => l.log),
    logIndices: logs.filter((l) => l.after === after).map((l) => l.index),
    findings: findings.filter((f) => comesAfter(f.finding, input, firstRepair) === after),
  });
  const notJudged = all.flatMap(({ missing, index }) => missing.map((name) => `findings.${index}.${name}`));
  return { asFound: of(false), afterWork: of(true), notJudged };
}

/** Whether a finding is of the time after the work: as it says; else by its time; else the check of the work is, where anything was done,
 *  and a charge that was read again as it had been set. */
function comesAfter(finding: Finding, { repairs = [], logs = [], findings = [] }: Case, firstRepair: number): boolean {
  const { epoch, test, atS, valueBar } = finding,
    startedAt = logs[0]?.startedAt;
  if (epoch) return epoch === 'after-work';
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

/** A recharge in the middle of a log begins the time after the work: what was read from then on is a log of its own, and a log of the
 *  after-work time begins there. */
function partsOf(log: PressureLog, after: boolean): { log: PressureLog; after: boolean }[] {
  const rechargeS = log.events?.find((e) => e.kind === 'vessel-recharged')?.tS;
  if (rechargeS === undefined) return [{ log, after }];
  const part = (fromS: number, toS: number, isAfter: boolean) => ({ log: partOfLog(log, fromS, toS), after: isAfter });
  const later = part(rechargeS, Infinity, true);
  const earlier = after ? [] : [part(-Infinity, rechargeS, false)];
  return [...earlier, ...(later.log.samples.tS.length > 1 ? [later] : [])];
}

/** Recharges that only stand as events in a log. */
export const rechargesInLogs = (logs: PressureLog[]): { kind: RepairKind }[] =>
  logs.some((l) => l.events?.some((e) => e.kind === 'vessel-recharged')) ? [{ kind: 'vessel-recharged' }] : [];
