import { v7 } from 'uuid';
import type { Changes } from '@jumper/contract';
import { COMPANIES, startTestServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const at = '2026-03-04T09:10:00Z';
const put = (path: string, body: unknown, headers: Record<string, string> = {}) =>
  fetch(`${server.base}/api${path}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json', ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const changes = async (after = 0, company: string = COMPANIES[0]) =>
  (await (await fetch(`${server.base}/api/changes?after=${after}`, { headers: { 'x-company': company } })).json()) as Changes;

async function newJob(company: string = COMPANIES[0]) {
  const circuitId = v7(),
    jobId = v7(),
    headers = { 'x-company': company };
  expect((await put(`/circuits/${circuitId}`, { createdAt: at }, headers)).status).toBe(201);
  expect(
    (
      await put(
        `/circuits/${circuitId}/sheets/${v7()}`,
        { recordedAt: at, site: '7 Quarry Steps', sheet: { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } }, assumed: [] },
        headers,
      )
    ).status,
  ).toBe(201);
  expect((await put(`/jobs/${jobId}`, { circuitId, openedAt: at, complaint: [] }, headers)).status).toBe(201);
  return { circuitId, jobId };
}
const reading = (pressureBar: number) => ({ recordedAt: at, body: { kind: 'reading', at, pressureBar } });

it('adds a record once, however often it is sent', async () => {
  const { jobId } = await newJob();
  const id = v7();
  const first = await put(`/jobs/${jobId}/facts/${id}`, reading(1.2));
  const second = await put(`/jobs/${jobId}/facts/${id}`, { body: { pressureBar: 1.2, at, kind: 'reading' }, recordedAt: at });
  expect([first.status, second.status]).toEqual([201, 200]);
  expect((await changes()).facts.filter((f) => f.id === id)).toHaveLength(1);
});

it('refuses other content under an id that is taken, and keeps the first', async () => {
  const { jobId } = await newJob();
  const id = v7();
  await put(`/jobs/${jobId}/facts/${id}`, reading(1.2));
  const other = await put(`/jobs/${jobId}/facts/${id}`, reading(9));
  expect(other.status).toBe(409);
  expect(await other.json()).toEqual({ code: 'record-differs' });
  expect((await changes()).facts.find((f) => f.id === id)!.body).toMatchObject({ pressureBar: 1.2 });
});

it('sends the same twice at once and adds it once', async () => {
  const { jobId } = await newJob();
  const id = v7();
  const answers = await Promise.all(Array.from({ length: 8 }, () => put(`/jobs/${jobId}/facts/${id}`, reading(1.4))));
  expect(answers.map((a) => a.status).sort()).toEqual([200, 200, 200, 200, 200, 200, 200, 201]);
});

it('wants the circuit before its job', async () => {
  const answer = await put(`/jobs/${v7()}`, { circuitId: v7(), openedAt: at, complaint: [] });
  expect(answer.status).toBe(409);
  expect(await answer.json()).toEqual({ code: 'parent-missing' });
});

it.each([
  ['a pressure out of range', reading(26), 'body.pressureBar', 'must be at most 25'],
  ['a pressure that is text', { recordedAt: at, body: { kind: 'reading', at, pressureBar: '1' } }, 'body.pressureBar', 'must be a number'],
  [
    'a time that is none',
    { recordedAt: 'yesterday', body: { kind: 'reading', at, pressureBar: 1 } },
    'recordedAt',
    'must be an ISO 8601 time',
  ],
  ['an unknown event', { recordedAt: at, body: { kind: 'event', at, event: 'boom' } }, 'body.event', 'must be one of'],
  ['an unknown kind', { recordedAt: at, body: { kind: 'poem' } }, 'body.kind', 'is not known'],
])('names the field of %s', async (_name, body, field, message) => {
  const { jobId } = await newJob();
  const answer = await put(`/jobs/${jobId}/facts/${v7()}`, body);
  expect(answer.status).toBe(400);
  const said = (await answer.json()) as { code: string; problems: { field: string; message: string }[] };
  expect(said.code).toBe('bad-request');
  expect(said.problems).toEqual(expect.arrayContaining([expect.objectContaining({ field, message: expect.stringContaining(message) })]));
});

it('refuses a path and a body that name different ids, an id that is none, and what is not JSON', async () => {
  expect((await put(`/circuits/${v7()}`, { id: v7(), createdAt: at })).status).toBe(400);
  expect((await put(`/circuits/seven`, { createdAt: at })).status).toBe(400);
  const broken = await put(`/circuits/${v7()}`, '{oops');
  expect(broken.status).toBe(400);
  expect(await broken.json()).toEqual({ code: 'bad-request', problems: [{ field: 'body', message: 'is not JSON' }] });
});

it('keeps companies apart, even under the same id', async () => {
  const [a, b] = COMPANIES;
  const mine = await newJob(a);
  const before = await changes(0, b);
  expect(before.jobs.map((j) => j.id)).not.toContain(mine.jobId);
  // The other company's job is no parent for a fact of ours, and its id is free for a record of ours.
  expect((await put(`/jobs/${mine.jobId}/facts/${v7()}`, reading(1), { 'x-company': b })).status).toBe(409);
  expect((await put(`/circuits/${mine.circuitId}`, { createdAt: at }, { 'x-company': b })).status).toBe(201);
});

it('feeds changes in the order of writing, page by page, each once', async () => {
  const { jobId } = await newJob();
  const start = await changes();
  let after = start.revision;
  const ids = Array.from({ length: 30 }, () => v7());
  await Promise.all(ids.map((id, i) => put(`/jobs/${jobId}/facts/${id}`, reading(i / 100))));
  const seen: string[] = [];
  for (let page = 0; page < 100; page++) {
    const { facts, revision } = await server.store.changesAfter(COMPANIES[0], after, 7);
    if (facts.length === 0) break;
    expect(revision).toBeGreaterThan(after);
    seen.push(...facts.map((f) => f.id));
    after = revision;
  }
  expect(seen.sort()).toEqual([...ids].sort());
});

it('refuses writes from another site’s page', async () => {
  const answer = await put(`/circuits/${v7()}`, { createdAt: at }, { origin: 'http://elsewhere.test' });
  expect(answer.status).toBe(403);
  expect((await put(`/circuits/${v7()}`, { createdAt: at }, { 'sec-fetch-site': 'cross-site' })).status).toBe(403);
  expect((await put(`/circuits/${v7()}`, { createdAt: at }, { origin: server.base })).status).toBe(201);
});

it('describes every route that it has', async () => {
  const api = (await (await fetch(`${server.base}/api/openapi.json`)).json()) as { openapi: string; paths: Record<string, object> };
  expect(api.openapi).toBe('3.1.0');
  expect(Object.keys(api.paths).sort()).toEqual([
    '/api/changes',
    '/api/circuits/{circuitId}/sheets/{id}',
    '/api/circuits/{id}',
    '/api/jobs/{id}',
    '/api/jobs/{jobId}/facts/{id}',
    '/api/jobs/{jobId}/links',
    '/api/jobs/{jobId}/links/{id}',
    '/api/jobs/{jobId}/photos/{id}',
    '/api/session',
    '/api/shared/{key}',
  ]);
  expect((await fetch(`${server.base}/api/nothing-here`)).status).toBe(404);
});
