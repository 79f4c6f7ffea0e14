import type { Problem } from '@jumper/contract';

/** Every error that the API answers with: its status, and what the caller can do about it. */
export const ERRORS = {
  'bad-request': { status: 400, remedy: 'Mend the fields named in `problems` and send again.' },
  'not-found': { status: 404, remedy: 'Check the address.' },
  'foreign-origin': { status: 403, remedy: 'Send from the page that this server serves.' },
  'parent-missing': { status: 409, remedy: 'Send the circuit or job that the record belongs to first.' },
  'record-differs': {
    status: 409,
    remedy: 'A record with this id and other content is kept already; records are never changed. Send a correction under a new id.',
  },
  'too-large': { status: 413, remedy: 'Send less in one record.' },
  unavailable: { status: 503, remedy: 'The database is away for the moment; send again in a few seconds.' },
  internal: { status: 500, remedy: 'Send again; if it stays, tell the operator the time.' },
} as const;

export type ErrorCode = keyof typeof ERRORS;

export class ApiError extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly problems?: Problem[],
  ) {
    super(code);
  }
}
