import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

jest.setTimeout(120_000);
const START = join(__dirname, '../../bin/start');
const folder = mkdtempSync(join(tmpdir(), 'jumper-start-'));
chmodSync(folder, 0o755);
const env = { ...process.env, JUMPER_DATA_DIR: join(folder, 'data') };
afterAll(() => rmSync(folder, { recursive: true, force: true }));

interface Running {
  child: ChildProcess;
  base: string;
  said: () => string;
  end: (signal: NodeJS.Signals) => Promise<void>;
}

async function start(...args: string[]): Promise<Running> {
  const child = spawn(START, ['--port', '0', ...args], { env, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const base = await new Promise<string>((resolve, reject) => {
    const hear = (b: Buffer) => {
      said += b.toString();
      const m = /http:\/\/localhost:\d+/.exec(said);
      if (m) resolve(m[0]);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) => reject(new Error(`ended with ${code}: ${said}`)));
  });
  return {
    child,
    base,
    said: () => said,
    end: async (signal) => {
      child.kill(signal);
      await gone;
    },
  };
}
const jobs = async (base: string) =>
  ((await (await fetch(`${base}/api/changes?after=0`)).json()) as { jobs: { id: string }[] }).jobs.map((j) => j.id).sort();
const refused = (args: string[]) => spawnSync(START, args, { env, encoding: 'utf8', timeout: 60_000 });
const reachable = (base: string) =>
  fetch(`${base}/api/health`).then(
    (r) => r.ok,
    () => false,
  );

it('starts, stops with Ctrl-C, and has the same data after; a killed start leaves nothing in the way', async () => {
  const first = await start();
  expect(first.said()).toContain('demo data: 13 jobs');
  const before = await jobs(first.base);
  const postmaster = Number(readFileSync(join(folder, 'data/data/postmaster.pid'), 'utf8').split('\n')[0]);
  await first.end('SIGINT');
  expect(await reachable(first.base)).toBe(false);
  expect(() => process.kill(postmaster, 0)).toThrow();

  const second = await start();
  expect(second.said()).not.toContain('demo data');
  expect(await jobs(second.base)).toEqual(before);

  // kill -9 leaves the database running by itself: the server goes with its starter, the next start takes over the rest.
  await second.end('SIGKILL');
  const third = await start();
  expect(third.said()).toContain('a database that an earlier start left behind');
  expect(await jobs(third.base)).toEqual(before);

  const other = refused(['--port', '0']);
  expect(other.status).toBe(1);
  expect(other.stderr).toContain('Jumper is running on this data folder already');
  expect(await reachable(third.base)).toBe(true);
  await third.end('SIGINT');
});

it('says that the port is taken', async () => {
  const squatter = createServer();
  await new Promise<void>((resolve) => squatter.listen(0, '127.0.0.1', resolve));
  const { port } = squatter.address() as { port: number };
  const r = spawn(START, ['--port', String(port)], { env, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  r.stderr.on('data', (b: Buffer) => {
    said += b.toString();
  });
  expect(await new Promise((resolve) => r.once('exit', resolve))).toBe(1);
  expect(said).toContain(`Port ${port} is taken by another program`);
  squatter.close();
});

it('lays the demo down anew only when told twice', async () => {
  const asked = refused(['--fresh-demo']);
  expect(asked.status).toBe(1);
  expect(asked.stderr).toContain('Add --yes if that is what you want');
  const before = await start();
  const old = await jobs(before.base);
  await before.end('SIGINT');
  const fresh = await start('--fresh-demo', '--yes');
  const anew = await jobs(fresh.base);
  expect(anew).toHaveLength(13);
  expect(anew.filter((id) => old.includes(id))).toEqual([]);
  await fresh.end('SIGINT');
});

it('names an option that it does not know', () => {
  expect(refused(['--prot', '1']).stderr).toContain('--prot is not an option');
});
