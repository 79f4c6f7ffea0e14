import { z } from 'zod';
import { id } from './records';

const line = z.string().max(2000, 'must be at most 2000 characters');
const lines = z.array(line).max(200, 'must be at most 200 lines');

/** Largest logo that a report carries, characters of its data address. */
export const MOST_LOGO_CHARS = 150_000;

/** What the customer sees of a visit: words and numbers as they were when the link was made, nothing of the company's other data. */
export const customerReport = z.object({
  company: line,
  person: line,
  /** Where the firm is reached, as its settings say. */
  address: line.default(''),
  phone: line.default(''),
  /** The firm's own picture, of a raster kind: a drawing could hold more than a picture. */
  logo: z
    .string()
    .max(MOST_LOGO_CHARS, `must be at most ${MOST_LOGO_CHARS} characters`)
    .regex(/^data:image\/(png|jpeg);base64,[A-Za-z0-9+/=]+$/, 'must be a PNG or JPEG')
    .optional(),
  title: line,
  site: line,
  date: line,
  complaint: line,
  /** What was wrong, and, of reports made before there was one, the cause in the technician's words. */
  wrong: lines.default([]),
  cause: line.nullable().default(null),
  rows: z.array(z.object({ label: line, found: line, left: line.nullable() })).max(50, 'must be at most 50 rows'),
  work: lines,
  parts: lines,
  outcome: z
    .object({ kind: z.enum(['pass', 'fail', 'unclear']), text: line })
    .nullable()
    .default(null),
  stays: lines.default([]),
  open: lines,
  notes: lines.default([]),
  watch: lines.default([]),
  checks: lines,
  nextCheck: line,
  /** The run as a drawing, shown as a picture: whatever else it holds does not run. */
  chart: z
    .string()
    .max(200_000, 'must be at most 200000 characters')
    .regex(/^<svg /, 'must be a drawing')
    .optional(),
});
export type CustomerReport = z.infer<typeof customerReport>;

/** Longest life of a customer's link, days. */
export const LONGEST_LINK_DAYS = 400;

/** A link as the company's device makes it. The key is the secret of the address: 32 random bytes, of which the server keeps only the
 *  digest. */
export const reportLink = z.object({
  id,
  jobId: id,
  key: z.string().regex(/^[A-Za-z0-9_-]{43}$/, 'must be 32 bytes in base64url'),
  expiresAt: z.iso.datetime({ offset: true, message: 'must be an ISO 8601 time' }),
  report: customerReport,
});
export type ReportLink = z.infer<typeof reportLink>;

/** What the company sees of its links. */
export const linkList = z.array(z.object({ id, createdAt: z.string(), expiresAt: z.string(), revokedAt: z.string().nullable() }));
export type LinkList = z.infer<typeof linkList>;
