import type { z } from 'zod';
import { problemsOf } from '@jumper/contract';
import { ApiError } from './errors';

/** The only source of a 400: parses what came in, or throws with every field named. */
export function parseRequest<S extends z.ZodType>(schema: S, value: unknown): z.infer<S> {
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw new ApiError('bad-request', problemsOf(parsed.error));
  return parsed.data;
}
