import { existsSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './app';
import { createDataSource } from './db/dataSource';
import { DEMO_COMPANY_ID, seedDemo } from './demo/seedDemo';
import { companyEntity } from './features/records/records.entity';
import { createLinkStore } from './features/links/links.store';
import { createPhotoStore } from './features/photos/photos.store';
import { createRecordStore } from './features/records/records.store';

/** Settings come from the environment: DATABASE_URL, PORT, HOST (loopback unless told otherwise), WEB_DIR, FRESH_DEMO=1. */
const { DATABASE_URL, PORT = '8080', HOST = '127.0.0.1', WEB_DIR, FRESH_DEMO, LOG_LEVEL = 'warn' } = process.env;
if (!DATABASE_URL) {
  process.stderr.write('DATABASE_URL is not set\n');
  process.exit(2);
}

const log = pino({ level: LOG_LEVEL });
const source = createDataSource(DATABASE_URL, (error) => log.warn({ err: error }, 'idle database connection lost'));
await source.initialize();
await source.runMigrations();
const records = createRecordStore(source);
const seeded = await seedDemo(source, records, { fresh: FRESH_DEMO === '1', nowMs: Date.now() });

const app = createApp({
  records,
  links: createLinkStore(source),
  photos: createPhotoStore(source),
  companyOf: async () => DEMO_COMPANY_ID,
  companyName: async (id) => (await source.getRepository(companyEntity).findOneByOrFail({ id })).name,
  ping: async () => void (await source.query('select 1')),
  ...(WEB_DIR && existsSync(WEB_DIR) ? { webDir: WEB_DIR } : {}),
  log,
});

const server = app.listen(Number(PORT), HOST, (error?: Error) => {
  if (error) {
    // bin/start reads the code and says what can be done about it.
    process.stderr.write(`listen ${(error as NodeJS.ErrnoException).code ?? 'failed'}\n`);
    process.exit(3);
  }
  process.stdout.write(`listening ${(server.address() as AddressInfo).port} seeded ${seeded}\n`);
});

let stopping = false;
function stop(): void {
  if (stopping) return;
  stopping = true;
  server.close(() => void source.destroy().then(() => process.exit(0)));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 5000).unref();
}
// Held open by the process that started this one: when that is killed outright, its database must not be left with a server on it.
if (process.env.STOP_WITH_STDIN === '1') process.stdin.resume().on('end', stop).on('error', stop);
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
