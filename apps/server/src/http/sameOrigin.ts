import type { RequestHandler } from 'express';
import { ApiError } from './errors';

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Refuses writes that another site's page makes in the user's browser. Requests with neither header come from no browser. */
export const sameOrigin: RequestHandler = (request, _response, next) => {
  if (SAFE.has(request.method)) return next();
  const site = request.get('sec-fetch-site');
  const origin = request.get('origin');
  const foreignSite = site !== undefined && site !== 'same-origin' && site !== 'none';
  const foreignOrigin = origin !== undefined && hostOf(origin) !== request.get('host');
  next(foreignSite || foreignOrigin ? new ApiError('foreign-origin') : undefined);
};

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
