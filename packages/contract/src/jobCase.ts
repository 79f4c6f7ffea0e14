import { logEndS, type Case, type PressureLog } from '@jumper/core';
import { asSheet, caseFile } from './caseFile';
import type { FactBody, FactRecord, JobRecord, SheetRecord } from './records';
import type { z } from 'zod';

export interface JobParts {
  job: JobRecord;
  sheet: SheetRecord;
  facts: FactRecord[];
}

/** The facts that stand: corrected and retracted ones left out, a correction in the place (and time) of what it corrects. Of several
 *  corrections of one entry, made on devices that did not know of one another, the last one recorded counts. */
export function standingFacts(facts: FactRecord[]): FactRecord[] {
  const lastOf = new Map<string, FactRecord>();
  for (const f of facts) {
    if (!f.correctsId) continue;
    const other = lastOf.get(f.correctsId);
    if (!other || recordedLater(f, other)) lastOf.set(f.correctsId, f);
  }
  return facts
    .filter((f) => !lastOf.has(f.id) && (!f.correctsId || lastOf.get(f.correctsId) === f) && f.body.kind !== 'retraction')
    .sort(
      (a, b) =>
        Date.parse(a.body.at) - Date.parse(b.body.at) ||
        (a.recordedAt < b.recordedAt ? -1 : a.recordedAt > b.recordedAt ? 1 : a.id < b.id ? -1 : 1),
    );
}

const recordedLater = (a: FactRecord, b: FactRecord): boolean =>
  Date.parse(a.recordedAt) > Date.parse(b.recordedAt) || (Date.parse(a.recordedAt) === Date.parse(b.recordedAt) && a.id > b.id);

/** Readings further apart than this belong to separate logs: too much may have happened in between. A watch over days, read once or twice a
 *  day with the heat left alone, stays one; a heat cycle is over after some hours. */
const NEW_LOG_AFTER_S = 36 * 3600;
const NEW_LOG_AFTER_HEAT_S = 4 * 3600;

/** A job as a case file. Hand readings and events become logs, cut at long gaps and at a recharge; recorded logs are taken over. */
export function jobToCase({ job, sheet, facts }: JobParts): Case {
  const standing = standingFacts(facts);
  const repairsMs = standing.flatMap((f) => (f.body.kind === 'repair' ? [Date.parse(f.body.at)] : [])),
    firstRepair = Math.min(...repairsMs);
  const epochAt = (at: string): { epoch?: 'after-work' } => (Date.parse(at) >= firstRepair ? { epoch: 'after-work' } : {});
  const recorded = standing.flatMap((f) =>
    f.body.kind === 'log' ? [{ ...epochAt(f.body.at), ...(f.body.log as unknown as PressureLog) }] : [],
  );
  const repairs = standing.flatMap((f) => (f.body.kind === 'repair' ? [{ at: f.body.at, ...f.body.repair }] : []));
  const logs = [
    ...recorded,
    ...handLogs(
      standing.map((f) => f.body),
      repairsMs,
    ),
  ].sort((a, b) => startMs(a) - startMs(b));
  const findings = standing.flatMap((f) =>
    f.body.kind === 'finding'
      ? [
          {
            ...epochAt(f.body.at),
            ...(repairsMs.length > 0 ? { at: f.body.at } : {}),
            ...f.body.finding,
            ...afterLogs(logs, f.body.at, firstRepair),
          },
        ]
      : [],
  );
  return {
    format: 'jumper-case',
    version: 1,
    id: job.id,
    title: job.title ?? sheet.site,
    ...(job.complaint.length ? { complaint: job.complaint } : {}),
    ...(job.alreadyDone?.length ? { alreadyDone: job.alreadyDone } : {}),
    circuit: asRead(sheet),
    logs,
    findings: findings as Case['findings'] & object,
    ...(repairs.length ? { repairs } : {}),
  };
}

/** The sheet as far as somebody read it. Mains that the form took for granted are left out: the judge then reckons with what mains may be.
 */
function asRead({ sheet, assumed }: SheetRecord): Case['circuit'] {
  const circuit = asSheet(sheet);
  if (!circuit.fill || !assumed.includes('fill.mainsBar')) return circuit;
  const { mainsBar: _, ...fill } = circuit.fill;
  return { ...circuit, fill };
}

/** When a finding was made, from the first log's start, where that was after all that was logged: the judge then knows how long a circuit
 *  has cooled. Once work was done its time says nothing, since work is often written down after what proves it. */
function afterLogs(logs: PressureLog[], at: string, firstRepairMs: number): { atS?: number } {
  const [first] = logs,
    last = logs.at(-1);
  if (!first?.startedAt || !last?.startedAt || firstRepairMs < Infinity) return {};
  const endMs = startMs(last) + 1000 * logEndS(last);
  return Date.parse(at) > endMs ? { atS: (Date.parse(at) - startMs(first)) / 1000 } : {};
}

const startMs = (log: PressureLog) => (log.startedAt ? Date.parse(log.startedAt) : 0);

/** @param repairsMs when something was repaired: a log ends at every one */
function handLogs(bodies: FactBody[], repairsMs: number[]): PressureLog[] {
  const repairsBefore = (ms: number) => repairsMs.filter((r) => r <= ms).length;
  const logs: PressureLog[] = [];
  let current: { startMs: number; lastMs: number; log: PressureLog } | null = null;
  for (const body of bodies) {
    if (body.kind !== 'reading' && body.kind !== 'event') continue;
    const atMs = Date.parse(body.at);
    const after = repairsBefore(atMs) > 0;
    const heated = current?.log.events?.some((e) => e.kind === 'heat-on') ?? false;
    if (
      !current ||
      (atMs - current.lastMs) / 1000 > (heated ? NEW_LOG_AFTER_HEAT_S : NEW_LOG_AFTER_S) ||
      repairsBefore(atMs) !== repairsBefore(current.startMs)
    ) {
      current = {
        startMs: atMs,
        lastMs: atMs,
        log: {
          startedAt: new Date(atMs).toISOString(),
          source: 'hand',
          ...(after ? { epoch: 'after-work' as const } : {}),
          samples: { tS: [], pressureBar: [], flowC: [], returnC: [] },
          events: [],
        },
      };
      logs.push(current.log);
    }
    current.lastMs = atMs;
    const tS = (atMs - current.startMs) / 1000;
    if (body.kind === 'event')
      current.log.events!.push({
        tS,
        kind: body.event,
        ...(body.volumeL !== undefined ? { volumeL: body.volumeL } : {}),
        ...(body.text ? { text: body.text } : {}),
      });
    else {
      const s = current.log.samples;
      s.tS.push(tS);
      s.pressureBar.push(body.pressureBar);
      s.flowC!.push(body.flowC ?? null);
      s.returnC!.push(body.returnC ?? null);
    }
  }
  // A log of events alone (the heat went on, nothing was read yet) stays: it is what was done.
  for (const { samples } of logs)
    for (const channel of ['flowC', 'returnC'] as const) if (samples[channel]?.every((x) => x === null)) delete samples[channel];
  return logs;
}

/** What a circuit is called of which a file says neither title nor name. */
const UNNAMED = 'Circuit without a name';
const secondsAfter = (startedAt: string | undefined, atS: number | undefined): string | null =>
  startedAt === undefined || atS === undefined ? null : new Date(Date.parse(startedAt) + 1000 * atS).toISOString();
/** A time as records keep it; one that says no offset is of this clock. */
const withOffset = (time: string): string => (/(Z|[+-]\d\d:?\d\d)$/i.test(time) ? time : new Date(time).toISOString());

/** Turns an opened case file into records: a new circuit, its sheet, a job and its facts, with ids and times from the caller. Hand logs
 *  become single readings that can be corrected; others are kept whole. */
export function caseToRecords(
  file: z.infer<typeof caseFile>,
  options: { newId: () => string; now: string },
): { circuit: { id: string; createdAt: string }; sheet: SheetRecord; job: JobRecord; facts: FactRecord[] } {
  const { newId, now } = options;
  const circuit = { id: newId(), createdAt: now };
  const title = file.title?.trim().slice(0, 120) || file.id.trim().slice(0, 120) || UNNAMED;
  const startedAt = file.logs?.find((l) => l.startedAt)?.startedAt,
    openedAt = startedAt ? withOffset(startedAt) : now;
  const sheet: SheetRecord = { id: newId(), circuitId: circuit.id, recordedAt: now, site: title, sheet: file.circuit, assumed: [] };
  const job: JobRecord = {
    id: newId(),
    circuitId: circuit.id,
    openedAt,
    complaint: file.complaint ?? [],
    ...(file.alreadyDone ? { alreadyDone: file.alreadyDone.map(({ part }) => ({ part })) } : {}),
    title,
  };
  const facts: FactRecord[] = [];
  const add = (body: FactBody) => facts.push({ id: newId(), jobId: job.id, recordedAt: now, body });
  for (const log of file.logs ?? []) {
    if (log.source !== 'hand' || log.epoch !== undefined || log.startedAt === undefined) {
      add({ kind: 'log', at: log.startedAt ? withOffset(log.startedAt) : openedAt, log });
      continue;
    }
    const startMs = Date.parse(log.startedAt);
    const at = (tS: number) => new Date(startMs + 1000 * tS).toISOString();
    const { tS, pressureBar, flowC, returnC } = log.samples;
    for (const e of log.events ?? [])
      add({
        kind: 'event',
        at: at(e.tS),
        event: e.kind,
        ...(e.volumeL !== undefined ? { volumeL: e.volumeL } : {}),
        ...(e.text ? { text: e.text } : {}),
      });
    tS.forEach((t, i) =>
      add({
        kind: 'reading',
        at: at(t),
        pressureBar: pressureBar[i] ?? null,
        ...(flowC?.[i] != null ? { flowC: flowC[i]! } : {}),
        ...(returnC?.[i] != null ? { returnC: returnC[i]! } : {}),
      }),
    );
  }
  for (const f of file.findings ?? [])
    add({ kind: 'finding', at: (f.at && withOffset(f.at)) ?? secondsAfter(startedAt, f.atS) ?? openedAt, finding: f });
  for (const r of file.repairs ?? []) add({ kind: 'repair', at: r.at ? withOffset(r.at) : now, repair: r });
  return { circuit, sheet, job, facts };
}
