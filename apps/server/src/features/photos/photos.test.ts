import { v7 } from 'uuid';
import { MOST_PHOTO_BYTES } from '@jumper/contract';
import { COMPANIES, startTestServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const [OURS, OTHERS] = COMPANIES;
const picture = (...more: number[]) => new Uint8Array([0xff, 0xd8, 0xff, 0xe0, ...more]);
const put = (jobId: string, id: string, body: Uint8Array, { company = OURS as string, type = 'image/jpeg' } = {}) =>
  fetch(`${server.base}/api/jobs/${jobId}/photos/${id}`, {
    method: 'PUT',
    headers: { 'content-type': type, 'x-company': company },
    body: Buffer.from(body),
  });
const get = (jobId: string, id: string, company: string = OURS) =>
  fetch(`${server.base}/api/jobs/${jobId}/photos/${id}`, { headers: { 'x-company': company } });

async function newJob() {
  const circuitId = v7(),
    jobId = v7(),
    at = '2026-03-04T09:10:00Z';
  for (const [path, body] of [
    [`/circuits/${circuitId}`, { createdAt: at }],
    [`/jobs/${jobId}`, { circuitId, openedAt: at, complaint: [] }],
  ] as const)
    await fetch(`${server.base}/api${path}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'x-company': OURS },
      body: JSON.stringify(body),
    });
  return jobId;
}

it('gives a picture back byte for byte, to its own company and its own job only', async () => {
  const jobId = await newJob(),
    id = v7();
  expect((await put(jobId, id, picture(1, 2, 250))).status).toBe(201);
  const answer = await get(jobId, id);
  expect([answer.status, answer.headers.get('content-type'), [...new Uint8Array(await answer.arrayBuffer())]]).toEqual([
    200,
    'image/jpeg',
    [...picture(1, 2, 250)],
  ]);
  expect(answer.headers.get('cache-control')).toMatch(/^private/);
  expect((await get(jobId, id, OTHERS)).status).toBe(404);
  expect((await get(await newJob(), id)).status).toBe(404);
});

it('can be sent twice; another picture under the same id is refused', async () => {
  const jobId = await newJob(),
    id = v7(),
    statuses = [];
  for (const p of [picture(1), picture(1), picture(2)]) statuses.push((await put(jobId, id, p)).status);
  expect(statuses).toEqual([201, 200, 409]);
});

it('takes no other file, no larger one, and none for a job that is not there', async () => {
  const jobId = await newJob();
  const wrong = await put(jobId, v7(), new TextEncoder().encode('<svg onload="x">'));
  expect([wrong.status, await wrong.json()]).toEqual([
    400,
    { code: 'bad-request', problems: [{ field: 'photo', message: expect.stringContaining('JPEG') }] },
  ]);
  expect((await put(jobId, v7(), picture(1), { type: 'image/png' })).status).toBe(400);
  const large = new Uint8Array(MOST_PHOTO_BYTES + 1);
  large.set(picture());
  expect((await put(jobId, v7(), large)).status).toBe(413);
  expect((await put(v7(), v7(), picture(1))).status).toBe(409);
  expect((await put(jobId, v7(), picture(1), { company: OTHERS })).status).toBe(409);
});
