import type { DataSource } from 'typeorm';
import { isParentMissing } from '../../db/isParentMissing';
import { photoEntity } from './photos.entity';
import type { PhotoStore } from './PhotoStore';

export function createPhotoStore(source: DataSource): PhotoStore {
  const photos = source.getRepository(photoEntity);
  return {
    async put(companyId, { id, jobId, jpeg }) {
      try {
        const made = await photos.createQueryBuilder().insert().values({ companyId, id, jobId, jpeg }).orIgnore().returning('id').execute();
        if (made.raw.length > 0) return 'added';
      } catch (error) {
        if (isParentMissing(error)) return 'parent-missing';
        throw error;
      }
      const before = await photos.findOne({ where: { companyId, id } });
      return before?.jobId === jobId && before.jpeg.equals(jpeg) ? 'kept' : 'differs';
    },
    async get(companyId, jobId, id) {
      return (await photos.findOne({ where: { companyId, jobId, id } }))?.jpeg ?? null;
    },
  };
}
