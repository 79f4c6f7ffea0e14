import { z } from 'zod';
import { EVENT_KINDS, REPLACEABLE_PARTS } from '@jumper/core';
import { circuitSheet, complaint, finding, gaugeBar, pressureLog, repair, temperatureC } from './caseFile';

/** Ids are made where the record is made (UUIDv7), so a record can be written with no network and sent twice without harm. */
export const id = z.uuid('must be a UUID');
const time = z.iso.datetime({ offset: true, message: 'must be an ISO 8601 time' });
const text = (most: number) => z.string().trim().max(most, `must be at most ${most} characters`);

/** A circuit at a site. What it consists of stands in its sheets, of which the newest counts. */
export const circuitRecord = z.object({ id, createdAt: time });

/** One version of a circuit's sheet. `assumed` names the fields that were not read off the plant. */
export const sheetRecord = z.object({
  id, circuitId: id, recordedAt: time,
  site: text(120).min(1, 'must not be empty'),
  town: text(120).optional(),
  sheet: circuitSheet,
  assumed: z.array(z.string()),
});

export const jobRecord = z.object({
  id, circuitId: id, openedAt: time,
  complaint: z.array(complaint),
  alreadyDone: z.array(z.object({ part: z.enum(REPLACEABLE_PARTS) })).optional(),
  title: text(200).optional(),
});

/** What a fact says. Readings, events and findings are only added; a later fact may correct one (`correctsId`) or take it back. */
export const factBody = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('reading'), at: time, pressureBar: gaugeBar.nullable(), flowC: temperatureC.optional(), returnC: temperatureC.optional() }),
  z.object({ kind: z.literal('event'), at: time, event: z.enum(EVENT_KINDS), volumeL: z.number().gt(0, 'must be above 0').max(100_000).optional(), text: text(2000).optional() }),
  z.object({ kind: z.literal('finding'), at: time, finding }),
  z.object({ kind: z.literal('repair'), at: time, repair }),
  z.object({ kind: z.literal('log'), at: time, log: pressureLog }),
  z.object({ kind: z.literal('retraction'), at: time }),
  z.object({ kind: z.literal('status'), at: time, status: z.enum(['open', 'done']), text: text(2000).optional() }),
]);

export const factRecord = z
  .object({ id, jobId: id, recordedAt: time, correctsId: id.optional(), body: factBody })
  .refine((f) => f.body.kind !== 'retraction' || f.correctsId !== undefined, { path: ['correctsId'], message: 'is required for a retraction' });

export type CircuitRecord = z.infer<typeof circuitRecord>;
export type SheetRecord = z.infer<typeof sheetRecord>;
export type JobRecord = z.infer<typeof jobRecord>;
export type FactRecord = z.infer<typeof factRecord>;
export type FactBody = z.infer<typeof factBody>;

/** What the server has seen since a revision, oldest first; asked again until `more` is false. */
export const changes = z.object({
  /** Changes when the server's data were laid anew: what a device holds from before is then dropped, but for what it has not sent. */
  epoch: id,
  revision: z.number().int(),
  more: z.boolean(),
  circuits: z.array(circuitRecord), sheets: z.array(sheetRecord), jobs: z.array(jobRecord), facts: z.array(factRecord),
});
export type Changes = z.infer<typeof changes>;

export const session = z.object({ company: z.object({ id, name: z.string() }), person: z.object({ name: z.string() }) });
export type Session = z.infer<typeof session>;

/** Every error answer has this shape. */
export const errorAnswer = z.object({ code: z.string(), problems: z.array(z.object({ field: z.string(), message: z.string() })).optional() });
