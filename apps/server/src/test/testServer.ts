import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { DataSource } from 'typeorm';
import { createApp } from '../app';
import { createDataSource } from '../db/dataSource';
import { companyEntity } from '../features/records/records.entity';
import { createLinkStore } from '../features/links/links.store';
import { createPhotoStore } from '../features/photos/photos.store';
import { createRecordStore } from '../features/records/records.store';
import type { RecordStore } from '../features/records/RecordStore';

export const COMPANIES = ['0191a000-0000-7000-8000-0000000000a1', '0191a000-0000-7000-8000-0000000000b2'] as const;

export interface TestServer {
  base: string;
  source: DataSource;
  store: RecordStore;
  stop: () => Promise<void>;
}

/** A server of its own on a fresh database, over real HTTP. The header x-company picks the company, as sign-in will. */
export async function startTestServer(options: { migrate?: boolean } = {}): Promise<TestServer> {
  const admin = new DataSource({ type: 'postgres', url: process.env.TEST_DATABASE_URL! });
  await admin.initialize();
  const name = `t${process.pid}_${Date.now()}_${Math.floor(performance.now())}`;
  await admin.query(`CREATE DATABASE ${name}`);
  await admin.destroy();
  const url = new URL(process.env.TEST_DATABASE_URL!);
  url.pathname = `/${name}`;
  const source = createDataSource(url.toString(), () => undefined);
  await source.initialize();
  if (options.migrate !== false) {
    await source.runMigrations();
    for (const id of COMPANIES)
      await source.getRepository(companyEntity).insert({ id, name: `Company ${id.slice(-2)}`, revision: 0, epoch: id });
  }
  const store = createRecordStore(source);
  const app = createApp({
    records: store,
    links: createLinkStore(source),
    photos: createPhotoStore(source),
    companyOf: async (request) => request.get('x-company') ?? COMPANIES[0],
    companyName: async (id) => (await source.getRepository(companyEntity).findOneByOrFail({ id })).name,
    ping: async () => void (await source.query('select 1')),
    log: pino({ level: 'silent' }),
  });
  const server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return {
    base: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    source,
    store,
    stop: async () => {
      await new Promise((resolve) => {
        server.close(resolve);
        server.closeAllConnections();
      });
      if (source.isInitialized) await source.destroy();
    },
  };
}
