import { v7 } from 'uuid';
import { caseFile, caseToRecords, parseJsonText, problemLine } from '@jumper/contract';
import type { Sync } from '../../offline/Sync';

export type CaseFileOpened = { kind: 'ok'; jobId: string } | { kind: 'bad'; name: string; lines: string[] };

const MOST_BYTES = 12 * 1024 * 1024;

/** Reads and checks the whole file, then keeps all of it in one step or none. */
export async function openCaseFile(file: File, sync: Sync): Promise<CaseFileOpened> {
  if (file.size > MOST_BYTES)
    return { kind: 'bad', name: file.name, lines: [`file: is ${Math.round(file.size / 1e6)} MB; at most 12 MB are taken`] };
  const parsed = parseJsonText(await file.text(), caseFile);
  if (parsed.kind === 'bad') return { kind: 'bad', name: file.name, lines: parsed.problems.map(problemLine) };
  if (parsed.value.circuit.kind === 'steam')
    return { kind: 'bad', name: file.name, lines: ['circuit.kind: steam is not shown in the app yet; the command line takes it'] };
  const { circuit, sheet, job, facts } = caseToRecords(parsed.value, { newId: v7, now: new Date().toISOString() });
  await sync.save([
    { kind: 'circuit', record: circuit },
    { kind: 'sheet', record: sheet },
    { kind: 'job', record: job },
    ...facts.map((record) => ({ kind: 'fact' as const, record })),
  ]);
  return { kind: 'ok', jobId: job.id };
}
