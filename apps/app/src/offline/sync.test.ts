/** @jest-environment node */
import 'fake-indexeddb/auto';
import type { Changes, FactRecord } from '@jumper/contract';
import type { Api, PutAnswer } from '../api/client';
import { createApi } from '../api/client';
import { openDB } from 'idb';
import { openDatabase, type AnyRecord, type Database, type OutboxEntry } from './database';
import { Sync } from './Sync';

const JOB = '0191a000-0000-7000-8000-000000000001';
const at = '2026-03-04T09:00:00Z';
let n = 100;
const fact = (pressureBar: number): AnyRecord => ({
  kind: 'fact',
  record: { id: `0191a000-0000-7000-8000-000000000${n++}`, jobId: JOB, recordedAt: at, body: { kind: 'reading', at, pressureBar } },
});
const none = (epoch = 'e1', revision = 0): Changes => ({ epoch, revision, more: false, circuits: [], sheets: [], jobs: [], facts: [] });

class FakeServer implements Api {
  got: OutboxEntry[] = [];
  answer: PutAnswer | null = { kind: 'sent' };
  feed: Changes = none();
  put = async (entry: OutboxEntry): Promise<PutAnswer> => {
    if (this.answer?.kind === 'sent') this.got.push(entry);
    return this.answer ?? { kind: 'later' };
  };
  changesAfter = async () => (this.answer === null ? null : this.feed);
  photos = new Map<string, ArrayBuffer>();
  asked: string[] = [];
  photo = async (_jobId: string, id: string) => {
    this.asked.push(id);
    return this.answer === null ? null : (this.photos.get(id) ?? null);
  };
}

let db: Database, server: FakeServer, sync: Sync, told: number, retries: number;
beforeEach(async () => {
  db = await openDatabase(`test-${n++}`);
  server = new FakeServer();
  told = 0;
  retries = 0;
  sync = new Sync(
    db,
    server,
    () => {
      told++;
    },
    () => {
      retries++;
      return () => undefined;
    },
  );
});
afterEach(() => db.close());

const readings = async () => (await db.getAll('fact')).map((f) => (f.body as { pressureBar: number }).pressureBar).sort();

it('keeps a reading on the device before it is sent, and sends it in order', async () => {
  server.answer = null;
  await sync.save([fact(1)]);
  await sync.save([fact(2)]);
  expect(await readings()).toEqual([1, 2]);
  expect(sync.getStatus()).toMatchObject({ waiting: 2 });
  server.answer = { kind: 'sent' };
  await sync.run();
  await sync.run();
  expect(server.got.map((e) => ((e.record as FactRecord).body as { pressureBar: number }).pressureBar)).toEqual([1, 2]);
  expect(sync.getStatus()).toMatchObject({ waiting: 0, reachable: true });
});

it('drops nothing when the server is away, however often it tries', async () => {
  server.answer = { kind: 'later' };
  await sync.save([fact(1)]);
  for (let i = 0; i < 5; i++) await sync.run();
  expect(sync.getStatus()).toMatchObject({ waiting: 1, reachable: false });
  expect(await db.count('outbox')).toBe(1);
  // And it asks to be called again.
  expect(retries).toBeGreaterThanOrEqual(5);
});

it('sets a refused record aside, goes on with the rest, and tries it again when asked', async () => {
  server.answer = { kind: 'refused', code: 'record-differs', problems: [] };
  await sync.save([fact(1)]);
  await sync.run();
  expect(sync.getStatus()).toMatchObject({ waiting: 0, refused: 1 });
  expect(await readings()).toEqual([1]);
  server.answer = { kind: 'sent' };
  await sync.retryRefused();
  await sync.run();
  expect(sync.getStatus()).toMatchObject({ refused: 0 });
});

it('takes over what others wrote, and says so once', async () => {
  const other = fact(3).record as FactRecord;
  server.feed = { ...none('e1', 5), facts: [other] };
  await sync.run();
  expect(await readings()).toEqual([3]);
  const before = told;
  server.feed = none('e1', 5);
  await sync.run();
  expect(told).toBe(before);
});

it('after the server’s data were laid anew, drops the old copy but not what is still to be sent', async () => {
  server.feed = { ...none('e1', 5), facts: [fact(3).record as FactRecord] };
  await sync.run();
  server.answer = { kind: 'later' };
  await sync.save([fact(4)]);
  await sync.run();
  server.answer = { kind: 'refused', code: 'parent-missing', problems: [] };
  server.feed = none('e2', 1);
  await sync.run();
  expect(await readings()).toEqual([4]);
});

describe('the client', () => {
  const entry: OutboxEntry = { kind: 'fact', record: fact(1).record };
  const answering = (status: number, body: string) => createApi(async () => new Response(body, { status }));
  it.each([
    [201, '{"outcome":"added"}', 'sent'],
    [200, '{"outcome":"kept"}', 'sent'],
    [503, '{"code":"unavailable"}', 'later'],
    [429, '', 'later'],
    [409, '{"code":"record-differs"}', 'refused'],
    [400, '{"code":"bad-request","problems":[]}', 'refused'],
    // A captive portal's page is not our server's refusal.
    [403, '<html>Sign in to the wireless</html>', 'later'],
  ])('takes %d %s as %s', async (status, body, kind) => {
    expect((await answering(status, body).put(entry)).kind).toBe(kind);
  });
  it('takes a dead network, and a page in place of changes, as unreachable', async () => {
    expect(
      (
        await createApi(async () => {
          throw new TypeError('failed');
        }).put(entry)
      ).kind,
    ).toBe('later');
    expect(await answering(200, '<html>').changesAfter(0)).toBeNull();
  });
});

describe('photos', () => {
  const PHOTO = '0191a000-0000-7000-8000-0000000000f1',
    jpeg = new Uint8Array([0xff, 0xd8, 0xff, 7]).buffer;
  const bytes = (b: ArrayBuffer | null) => (b ? [...new Uint8Array(b)] : null);

  it('are on the device at once with no network, and go out whole when there is one', async () => {
    server.answer = null;
    await sync.save([{ kind: 'photo', record: { id: PHOTO, jobId: JOB, jpeg } }, fact(1)]);
    expect(bytes(await sync.photo(JOB, PHOTO))).toEqual([255, 216, 255, 7]);
    expect(server.asked).toEqual([]);
    server.answer = { kind: 'sent' };
    await sync.run();
    await sync.run();
    expect(server.got.map((e) => e.kind)).toEqual(['photo', 'fact']);
    expect(bytes((server.got[0]!.record as { jpeg: ArrayBuffer }).jpeg)).toEqual([255, 216, 255, 7]);
  });

  it('of another device are fetched once and kept; while the server is away there is none', async () => {
    server.photos.set(PHOTO, jpeg);
    server.answer = null;
    expect(await sync.photo(JOB, PHOTO)).toBeNull();
    server.answer = { kind: 'sent' };
    expect(bytes(await sync.photo(JOB, PHOTO))).toEqual([255, 216, 255, 7]);
    server.answer = null;
    expect(bytes(await sync.photo(JOB, PHOTO))).toEqual([255, 216, 255, 7]);
    expect(server.asked).toHaveLength(2);
  });

  it('go over the wire as a picture, not as JSON', async () => {
    const seen: { path: string; type: string | null; body: unknown }[] = [];
    const api = createApi(async (path, init) => {
      seen.push({ path: String(path), type: new Headers(init?.headers).get('content-type'), body: init?.body });
      return new Response('{}', { status: 201 });
    });
    expect(await api.put({ kind: 'photo', record: { id: PHOTO, jobId: JOB, jpeg } })).toEqual({ kind: 'sent' });
    expect(seen).toEqual([{ path: `/api/jobs/${JOB}/photos/${PHOTO}`, type: 'image/jpeg', body: jpeg }]);
  });

  it('come to a device that has an older store, which loses nothing', async () => {
    const name = `old-${n++}`;
    const old = await openDB(name, 1, {
      upgrade(d) {
        for (const s of ['circuit', 'sheet', 'job', 'fact']) {
          const store = d.createObjectStore(s, { keyPath: 'id' });
          if (s !== 'circuit') store.createIndex(s === 'fact' ? 'jobId' : 'circuitId', s === 'fact' ? 'jobId' : 'circuitId');
        }
        d.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true });
        d.createObjectStore('meta');
      },
    });
    const { record } = fact(1.7);
    await old.put('fact', record);
    await old.add('outbox', { kind: 'fact', record });
    old.close();
    const now = await openDatabase(name);
    expect([await now.count('fact'), await now.count('outbox'), await now.count('photo')]).toEqual([1, 1, 0]);
    now.close();
  });
});
