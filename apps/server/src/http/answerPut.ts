import type { Response } from 'express';
import { ApiError } from './errors';

/** `kept`: this very record was there already, so sending it again did nothing. */
export type PutOutcome = 'added' | 'kept' | 'differs' | 'parent-missing';

/** Every idempotent PUT is answered alike. */
export function answerPut(response: Response, outcome: PutOutcome): void {
  if (outcome === 'differs') throw new ApiError('record-differs');
  if (outcome === 'parent-missing') throw new ApiError('parent-missing');
  response.status(outcome === 'added' ? 201 : 200).json({ outcome });
}
