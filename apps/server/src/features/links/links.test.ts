import { createHash, randomBytes } from 'node:crypto';
import { v7 } from 'uuid';
import { COMPANIES, startTestServer, type TestServer } from '../../test/testServer';
import { linkEntity } from './links.entity';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const [OURS, OTHERS] = COMPANIES;
const call = (method: string, path: string, body?: unknown, company: string = OURS) =>
  fetch(`${server.base}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json', 'x-company': company },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
const report = {
  company: 'A',
  person: 'B',
  address: '2 Dyer Lane',
  phone: '555 0100',
  logo: 'data:image/png;base64,iVBORw0KGgo=',
  title: 'T',
  site: '7 Quarry Steps',
  date: 'today',
  complaint: 'c',
  wrong: ['w'],
  cause: null,
  rows: [{ label: 'Cold', found: '1.0 bar', left: null }],
  work: [],
  parts: [],
  outcome: null,
  stays: [],
  open: [],
  notes: [],
  watch: [],
  checks: [],
  nextCheck: '–',
};
const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString();
const newKey = () => randomBytes(32).toString('base64url');

async function newJob() {
  const circuitId = v7(),
    jobId = v7(),
    at = '2026-03-04T09:10:00Z';
  await call('PUT', `/circuits/${circuitId}`, { createdAt: at });
  await call('PUT', `/jobs/${jobId}`, { circuitId, openedAt: at, complaint: [] });
  return jobId;
}
async function newLink(days = 30) {
  const jobId = await newJob(),
    id = v7(),
    key = newKey();
  expect((await call('PUT', `/jobs/${jobId}/links/${id}`, { key, expiresAt: inDays(days), report })).status).toBe(201);
  return { jobId, id, key };
}

it('shows the report to who holds the key, and to nobody else', async () => {
  const { key } = await newLink();
  const answer = await call('GET', `/shared/${key}`, undefined, OTHERS);
  expect([answer.status, answer.headers.get('cache-control'), await answer.json()]).toEqual([200, 'no-store', report]);
  expect((await call('GET', `/shared/${newKey()}`)).status).toBe(404);
});

it('keeps only the digest of the key', async () => {
  const { key, id } = await newLink();
  const row = await server.source.getRepository(linkEntity).findOneByOrFail({ id });
  expect(row.keySha256).toBe(createHash('sha256').update(key).digest('hex'));
  expect(JSON.stringify(row)).not.toContain(key);
});

it('is taken back for good, by its own company only', async () => {
  const { jobId, id, key } = await newLink();
  expect((await call('DELETE', `/jobs/${jobId}/links/${id}`, undefined, OTHERS)).status).toBe(404);
  expect((await call('GET', `/shared/${key}`)).status).toBe(200);
  expect((await call('DELETE', `/jobs/${jobId}/links/${id}`)).status).toBe(204);
  expect((await call('GET', `/shared/${key}`)).status).toBe(404);
  expect(((await (await call('GET', `/jobs/${jobId}/links`)).json()) as { revokedAt: string | null }[])[0]!.revokedAt).not.toBeNull();
  expect(await (await call('GET', `/jobs/${jobId}/links`, undefined, OTHERS)).json()).toEqual([]);
});

it('ends when its time is over', async () => {
  const { id, key } = await newLink();
  await server.source.getRepository(linkEntity).update({ id }, { expiresAt: new Date(Date.now() - 1000) });
  expect((await call('GET', `/shared/${key}`)).status).toBe(404);
});

it('can be sent twice, and names what is wrong with it', async () => {
  const jobId = await newJob(),
    id = v7(),
    body = { key: newKey(), expiresAt: inDays(30), report };
  const statuses = [];
  for (const b of [body, body, { ...body, key: newKey() }]) statuses.push((await call('PUT', `/jobs/${jobId}/links/${id}`, b)).status);
  expect(statuses).toEqual([201, 200, 409]);
  const late = await call('PUT', `/jobs/${jobId}/links/${v7()}`, { ...body, key: newKey(), expiresAt: inDays(1000) });
  expect([late.status, ((await late.json()) as { problems: { field: string }[] }).problems[0]!.field]).toEqual([400, 'expiresAt']);
  expect((await call('PUT', `/jobs/${v7()}/links/${v7()}`, { ...body, key: newKey() })).status).toBe(409);
  expect((await call('PUT', `/jobs/${jobId}/links/${v7()}`, { ...body, key: 'short' })).status).toBe(400);
});
