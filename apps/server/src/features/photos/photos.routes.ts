import { raw, Router } from 'express';
import { z } from 'zod';
import { id, MOST_PHOTO_BYTES } from '@jumper/contract';
import { answerPut } from '../../http/answerPut';
import { ApiError } from '../../http/errors';
import { parseRequest } from '../../http/parseRequest';
import type { CompanyOf } from '../session/CompanyOf';
import type { PhotoStore } from './PhotoStore';

const path = z.object({ jobId: id, id });
/** What every JPEG file begins with. */
const JPEG_START = Buffer.from([0xff, 0xd8, 0xff]);

/** Pictures of a job, sent and fetched as they are. */
export function photoRoutes(store: PhotoStore, companyOf: CompanyOf): Router {
  const router = Router();
  router.put('/jobs/:jobId/photos/:id', raw({ type: 'image/jpeg', limit: MOST_PHOTO_BYTES }), async (request, response) => {
    const { jobId, id: photoId } = parseRequest(path, request.params),
      jpeg: unknown = request.body;
    if (!Buffer.isBuffer(jpeg) || !jpeg.subarray(0, 3).equals(JPEG_START))
      throw new ApiError('bad-request', [{ field: 'photo', message: 'must be a JPEG picture, sent as image/jpeg' }]);
    answerPut(response, await store.put(await companyOf(request), { id: photoId, jobId, jpeg }));
  });
  router.get('/jobs/:jobId/photos/:id', async (request, response) => {
    const { jobId, id: photoId } = parseRequest(path, request.params);
    const jpeg = await store.get(await companyOf(request), jobId, photoId);
    if (!jpeg) throw new ApiError('not-found');
    // A picture never changes, but it belongs to one company: kept by its own browser only.
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(jpeg);
  });
  return router;
}
