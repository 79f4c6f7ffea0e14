import { Router } from 'express';
import { z } from 'zod';
import { id, LONGEST_LINK_DAYS, reportLink } from '@jumper/contract';
import { answerPut } from '../../http/answerPut';
import { ApiError } from '../../http/errors';
import { parseRequest } from '../../http/parseRequest';
import type { CompanyOf } from '../session/CompanyOf';
import type { LinkStore } from './LinkStore';

const DAY_MS = 86_400_000;
const jobPath = z.object({ jobId: id }),
  linkPath = z.object({ jobId: id, id });

/** Links for customers: made and taken back by the company, read by whoever holds the key. */
export function linkRoutes(store: LinkStore, companyOf: CompanyOf): Router {
  const router = Router();
  router.put('/jobs/:jobId/links/:id', async (request, response) => {
    const link = parseRequest(reportLink, { ...request.body, ...parseRequest(linkPath, request.params) });
    const days = (Date.parse(link.expiresAt) - Date.now()) / DAY_MS;
    if (days <= 0 || days > LONGEST_LINK_DAYS)
      throw new ApiError('bad-request', [{ field: 'expiresAt', message: `must be in the next ${LONGEST_LINK_DAYS} days` }]);
    answerPut(response, await store.put(await companyOf(request), link));
  });
  router.get('/jobs/:jobId/links', async (request, response) => {
    response.json(await store.ofJob(await companyOf(request), parseRequest(jobPath, request.params).jobId));
  });
  router.delete('/jobs/:jobId/links/:id', async (request, response) => {
    if (!(await store.revoke(await companyOf(request), parseRequest(linkPath, request.params).id))) throw new ApiError('not-found');
    response.status(204).end();
  });
  router.get('/shared/:key', async (request, response) => {
    const report = await store.open(request.params.key, new Date());
    if (!report) throw new ApiError('not-found');
    response.set('Cache-Control', 'no-store').json(report);
  });
  return router;
}
