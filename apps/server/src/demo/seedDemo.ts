import type { DataSource } from 'typeorm';
import { v4 as uuid, v7 } from 'uuid';
import type { FactRecord } from '@jumper/contract';
import { companyEntity } from '../features/records/records.entity';
import type { RecordStore } from '../features/records/RecordStore';
import { DEMO_JOBS } from './demoJobs';

/** The demo company's id: fixed, so that every start finds it. */
export const DEMO_COMPANY_ID = '0191a000-0000-7000-8000-00000000da7a';
const DEMO_COMPANY_NAME = 'Fernleigh Heating';

/** Makes the demo company and its jobs where they are missing. With `fresh`, what it holds is deleted first and its epoch changed, so that
 *  devices drop their copies.
 *  @returns how many jobs were laid down */
export async function seedDemo(source: DataSource, records: RecordStore, options: { fresh: boolean; nowMs: number }): Promise<number> {
  const companies = source.getRepository(companyEntity);
  if (options.fresh) await companies.delete({ id: DEMO_COMPANY_ID });
  if (await companies.existsBy({ id: DEMO_COMPANY_ID })) return 0;
  await companies.insert({ id: DEMO_COMPANY_ID, name: DEMO_COMPANY_NAME, revision: 0, epoch: uuid() });
  const circuits = new Map<string, string>();
  for (const demo of DEMO_JOBS) {
    const startMs = options.nowMs - 60_000 * demo.startedMinAgo;
    const at = new Date(startMs).toISOString();
    const circuitId = circuits.get(demo.again ?? '') ?? v7(),
      jobId = v7();
    circuits.set(demo.site, circuitId);
    if (!demo.again) await records.put(DEMO_COMPANY_ID, 'circuit', { id: circuitId, createdAt: at });
    await records.put(DEMO_COMPANY_ID, 'sheet', {
      id: v7(),
      circuitId,
      recordedAt: at,
      site: demo.site,
      town: demo.town,
      sheet: demo.sheet as never,
      assumed: demo.assumed,
    });
    await records.put(DEMO_COMPANY_ID, 'job', { id: jobId, circuitId, openedAt: at, complaint: demo.complaint });
    for (const body of demo.facts(startMs))
      await records.put(DEMO_COMPANY_ID, 'fact', { id: v7(), jobId, recordedAt: body.at, body } satisfies FactRecord);
  }
  return DEMO_JOBS.length;
}
