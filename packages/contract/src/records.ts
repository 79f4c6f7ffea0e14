import { z } from 'zod';
import { CHECKS, EVENT_KINDS, PART_KINDS, POSITION_IDS, REPLACEABLE_PARTS, RUN_SHEET_IDS, SCHOOL_IDS, TEST_IDS } from '@jumper/core';
import { circuitSheet, complaint, finding, gaugeBar, pressureLog, repair, temperatureC } from './caseFile';

/** Ids are made where the record is made (UUIDv7), so a record can be written with no network and sent twice without harm. */
export const id = z.uuid('must be a UUID');
const time = z.iso.datetime({ offset: true, message: 'must be an ISO 8601 time' });
const text = (most: number) => z.string().trim().max(most, `must be at most ${most} characters`);

/** A circuit at a site. What it consists of stands in its sheets, of which the newest counts. */
export const circuitRecord = z.object({ id, createdAt: time });

/** One version of a circuit's sheet. `assumed` names the fields that were not read off the plant. */
export const sheetRecord = z.object({
  id,
  circuitId: id,
  recordedAt: time,
  site: text(120).min(1, 'must not be empty'),
  town: text(120).optional(),
  sheet: circuitSheet,
  assumed: z.array(z.string()),
});

export const jobRecord = z.object({
  id,
  circuitId: id,
  openedAt: time,
  complaint: z.array(complaint),
  alreadyDone: z.array(z.object({ part: z.enum(REPLACEABLE_PARTS) })).optional(),
  title: text(200).optional(),
});

const keys = <T extends object>(table: T) => Object.keys(table) as [keyof T & string, ...(keyof T & string)[]];
const positive = (most: number) => z.number().gt(0, 'must be above 0').max(most, `must be at most ${most}`);

/** A part that was fitted, as its label says, and the old one's size beside it. */
export const partFitted = z.object({
  kind: z.enum(keys(PART_KINDS)),
  /** What it is, of a part that is none of the others. */
  what: text(120).optional(),
  make: text(80).optional(),
  serial: text(80).optional(),
  setBar: gaugeBar.optional(),
  capacityKw: positive(100_000).optional(),
  volumeL: positive(100_000).optional(),
  maxBar: positive(100).optional(),
  size: text(40).optional(),
  oldSize: text(40).optional(),
  chargeBar: gaugeBar.optional(),
  oldSetBar: gaugeBar.optional(),
  oldVolumeL: positive(100_000).optional(),
});

/** What a fact says. Readings, events and findings are only added; a later fact may correct one (`correctsId`) or take it back. */
export const factBody = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('reading'),
    at: time,
    pressureBar: gaugeBar.nullable(),
    flowC: temperatureC.optional(),
    returnC: temperatureC.optional(),
  }),
  z.object({
    kind: z.literal('event'),
    at: time,
    event: z.enum(EVENT_KINDS),
    volumeL: z.number().gt(0, 'must be above 0').max(100_000).optional(),
    text: text(2000).optional(),
  }),
  z.object({ kind: z.literal('finding'), at: time, finding }),
  z.object({ kind: z.literal('repair'), at: time, repair }),
  z.object({ kind: z.literal('log'), at: time, log: pressureLog }),
  z.object({ kind: z.literal('retraction'), at: time }),
  z.object({ kind: z.literal('status'), at: time, status: z.enum(['open', 'done']), text: text(2000).optional() }),
  /** Something turned, parted, bridged or set otherwise, or put back; `left` with a reason: it stays so. `found` is how it was. */
  z.object({
    kind: z.literal('position'),
    at: time,
    position: z.enum(POSITION_IDS),
    state: z.enum(['away', 'back', 'left']),
    found: text(80).optional(),
    why: text(400).optional(),
  }),
  /** A step of a run sheet. `run` ties the steps of one go together. */
  z.object({
    kind: z.literal('step'),
    at: time,
    run: id,
    sheet: z.enum(RUN_SHEET_IDS),
    step: text(40),
    did: z.enum(['done', 'skipped']),
    value: z.number().min(-1).max(100_000).optional(),
    reason: text(400).optional(),
    /** How it came out, of a step that may come out in several ways. */
    answer: text(40).optional(),
  }),
  z.object({ kind: z.literal('part'), at: time, part: partFitted }),
  /** What the customer was told, and what he said to it. */
  z.object({
    kind: z.literal('said'),
    at: time,
    what: z.enum(['advice', 'defect']),
    text: text(1000).min(1, 'must not be empty'),
    answer: z.enum(['accepted', 'declined', 'left-in-service', 'made-safe']),
    word: text(400).optional(),
  }),
  /** Something to look at again, and when; with `done` it has been. */
  z.object({
    kind: z.literal('check'),
    at: time,
    check: z.enum(keys(CHECKS)),
    due: z.iso.date('must be a date'),
    done: z.boolean().optional(),
  }),
  /** A picture of a part of the circuit, or of the whole. The picture itself travels by itself, under its own id. */
  z.object({ kind: z.literal('photo'), at: time, photo: id, of: text(60).min(1, 'must not be empty'), caption: text(200).optional() }),
  /** A test that was offered and not done, and why. */
  z.object({
    kind: z.literal('skip'),
    at: time,
    test: z.enum(TEST_IDS as [string, ...string[]]),
    reason: text(400).min(1, 'must not be empty'),
  }),
  /** Which school this job follows where practitioners differ; with `forCompany` the company from now on. */
  z.object({ kind: z.literal('school'), at: time, school: z.enum(SCHOOL_IDS), option: text(40), forCompany: z.boolean().optional() }),
]);

export const factRecord = z
  /** `by` is who wrote it down, where the device knows. */
  .object({ id, jobId: id, recordedAt: time, correctsId: id.optional(), by: text(80).optional(), body: factBody })
  .refine((f) => f.body.kind !== 'retraction' || f.correctsId !== undefined, {
    path: ['correctsId'],
    message: 'is required for a retraction',
  });

/** Largest picture taken, bytes. Devices make theirs smaller before they keep them. */
export const MOST_PHOTO_BYTES = 1_500_000;

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
  circuits: z.array(circuitRecord),
  sheets: z.array(sheetRecord),
  jobs: z.array(jobRecord),
  facts: z.array(factRecord),
});
export type Changes = z.infer<typeof changes>;

export const session = z.object({ company: z.object({ id, name: z.string() }), person: z.object({ name: z.string() }) });
export type Session = z.infer<typeof session>;

/** Every error answer has this shape. */
export const errorAnswer = z.object({
  code: z.string(),
  problems: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
});
