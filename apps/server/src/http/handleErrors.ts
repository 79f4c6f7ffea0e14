import type { ErrorRequestHandler } from 'express';
import { isUnavailable } from '../db/isUnavailable';
import { ApiError, ERRORS } from './errors';

/** The one place where an error becomes an answer. What is not expected is logged and the client told nothing of it. */
export const handleErrors: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) return next(error);
  const known =
    error instanceof ApiError
      ? error
      : (bodyError(error) ?? (isUnavailable(error) ? new ApiError('unavailable') : new ApiError('internal')));
  if (known.code === 'internal') request.log?.error({ err: error }, 'unexpected error');
  if (known.code === 'unavailable') response.set('Retry-After', '2');
  response.status(ERRORS[known.code].status).json({ code: known.code, ...(known.problems ? { problems: known.problems } : {}) });
};

/** Errors of the JSON body parser, by its own stable types. */
function bodyError(error: { type?: string }): ApiError | null {
  if (error?.type === 'entity.parse.failed') return new ApiError('bad-request', [{ field: 'body', message: 'is not JSON' }]);
  if (error?.type === 'entity.too.large') return new ApiError('too-large');
  return null;
}
