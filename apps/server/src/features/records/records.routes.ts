import { Router, type Request } from 'express';
import { z } from 'zod';
import { circuitRecord, factRecord, id, jobRecord, sheetRecord } from '@jumper/contract';
import { answerPut } from '../../http/answerPut';
import { ApiError } from '../../http/errors';
import { parseRequest } from '../../http/parseRequest';
import type { CompanyOf } from '../session/CompanyOf';
import type { RecordStore } from './RecordStore';

const PAGE = 500;
const changesQuery = z.object({ after: z.coerce.number().int().min(0).default(0) });

/** Records are written by idempotent PUTs and read as a feed of changes. The path and the body must name the same ids. */
export function recordRoutes(store: RecordStore, companyOf: CompanyOf): Router {
  const router = Router();
  router.put('/circuits/:id', async (request, response) => {
    const record = parseRequest(circuitRecord, { ...request.body, id: sameId(request, 'id') });
    answerPut(response, await store.put(await companyOf(request), 'circuit', record));
  });
  router.put('/circuits/:circuitId/sheets/:id', async (request, response) => {
    const record = parseRequest(sheetRecord, { ...request.body, id: sameId(request, 'id'), circuitId: sameId(request, 'circuitId') });
    answerPut(response, await store.put(await companyOf(request), 'sheet', record));
  });
  router.put('/jobs/:id', async (request, response) => {
    const record = parseRequest(jobRecord, { ...request.body, id: sameId(request, 'id') });
    answerPut(response, await store.put(await companyOf(request), 'job', record));
  });
  router.put('/jobs/:jobId/facts/:id', async (request, response) => {
    const record = parseRequest(factRecord, { ...request.body, id: sameId(request, 'id'), jobId: sameId(request, 'jobId') });
    answerPut(response, await store.put(await companyOf(request), 'fact', record));
  });
  router.get('/changes', async (request, response) => {
    const { after } = parseRequest(changesQuery, request.query);
    response.json(await store.changesAfter(await companyOf(request), after, PAGE));
  });
  return router;
}

/** The id of the path; the body may repeat it but not contradict it. */
function sameId(request: Request, field: string): string {
  const inPath = parseRequest(z.object({ [field]: id }), request.params)[field] as string;
  const inBody: unknown = (request.body as Record<string, unknown> | undefined)?.[field];
  if (inBody !== undefined && inBody !== inPath) throw new ApiError('bad-request', [{ field, message: 'differs between path and body' }]);
  return inPath;
}
