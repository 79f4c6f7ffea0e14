import { createHash } from 'node:crypto';
import { IsNull, type DataSource } from 'typeorm';
import { isParentMissing } from '../../db/isParentMissing';
import { linkEntity } from './links.entity';
import type { LinkStore } from './LinkStore';

const digest = (key: string) => createHash('sha256').update(key).digest('hex');

export function createLinkStore(source: DataSource): LinkStore {
  const links = source.getRepository(linkEntity);
  return {
    async put(companyId, { id, jobId, key, expiresAt, report }) {
      const keySha256 = digest(key);
      try {
        const made = await links
          .createQueryBuilder()
          .insert()
          .values({ companyId, id, jobId, keySha256, report, expiresAt: new Date(expiresAt) } as never)
          .orIgnore()
          .returning('id')
          .execute();
        if (made.raw.length > 0) return 'added';
      } catch (error) {
        if (isParentMissing(error)) return 'parent-missing';
        throw error;
      }
      const before = await links.findOne({ where: { companyId, id } });
      return before?.keySha256 === keySha256 && before.jobId === jobId ? 'kept' : 'differs';
    },
    async ofJob(companyId, jobId) {
      const rows = await links.find({ where: { companyId, jobId }, order: { createdAt: 'DESC' } });
      return rows.map((r) => ({
        id: r.id,
        createdAt: r.createdAt.toISOString(),
        expiresAt: r.expiresAt.toISOString(),
        revokedAt: r.revokedAt?.toISOString() ?? null,
      }));
    },
    async revoke(companyId, id) {
      await links.update({ companyId, id, revokedAt: IsNull() }, { revokedAt: new Date() });
      return links.existsBy({ companyId, id });
    },
    async open(key, now) {
      const row = await links.findOne({ where: { keySha256: digest(key), revokedAt: IsNull() } });
      return row && row.expiresAt > now ? row.report : null;
    },
  };
}
