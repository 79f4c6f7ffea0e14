// bin/start: from a fresh machine to a usable page.
import { spawn } from 'node:child_process';
import { statfsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { fileURLToPath } from 'node:url';
import { checkNode, ensurePackages } from './install.mjs';
import { lockFolder } from './lock.mjs';
import { ensurePostgres, reachableFolder, startCluster } from './postgres.mjs';
import { Trouble } from './trouble.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const startedMs = Date.now();
const say = (line) => console.log(`${((Date.now() - startedMs) / 1000).toFixed(1).padStart(6)} s  ${line}`);
const USAGE = `bin/start [--port N] [--fresh-demo [--yes]]
  --port N       serve on this port (default 8080, or JUMPER_PORT)
  --fresh-demo   delete everything in the demo company and lay its jobs down anew; asks first
  --yes          answer that question with yes
Data are kept in .data, or in JUMPER_DATA_DIR.`;

function options(args) {
  const o = { port: Number(process.env.JUMPER_PORT ?? 8080), freshDemo: false, yes: false };
  for (let i = 0; i < args.length; i++) {
    if (args[i] === '--port') o.port = Number(args[++i]);
    else if (args[i] === '--fresh-demo') o.freshDemo = true;
    else if (args[i] === '--yes') o.yes = true;
    else if (args[i] === '--help' || args[i] === '-h') {
      console.log(USAGE);
      process.exit(0);
    } else throw new Trouble(`${args[i]} is not an option.\n${USAGE}`);
  }
  if (!Number.isInteger(o.port) || o.port < 0 || o.port > 65535) throw new Trouble('--port must be a number from 0 to 65535.');
  return o;
}

async function confirmFreshDemo(o) {
  if (!o.freshDemo || o.yes) return;
  if (!process.stdin.isTTY)
    throw new Trouble(
      '--fresh-demo deletes every job of the demo company and asks first; there is no terminal to ask on. Add --yes if that is what you want.',
    );
  const prompt = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await prompt.question('This deletes every job, reading and finding of the demo company. Type "delete" to go on: ');
  prompt.close();
  if (answer.trim() !== 'delete') throw new Trouble('Nothing was deleted.');
}

function checkRoom(folder) {
  const { bavail, bsize } = statfsSync(folder);
  const megabytes = (bavail * bsize) / 1e6;
  if (megabytes < 300) throw new Trouble(`Only ${Math.round(megabytes)} MB are free on the disk of ${folder}; at least 300 MB are needed.`);
}

async function main() {
  checkNode();
  const o = options(process.argv.slice(2));
  await confirmFreshDemo(o);
  checkRoom(root);
  const folder = process.env.JUMPER_DATA_DIR ?? reachableDefault();
  const unlock = await lockFolder(folder);
  ensurePackages(root, say);
  const { buildAll } = await import('./build.mjs');
  await buildAll(root, say);
  const bin = ensurePostgres(say);
  const cluster = await startCluster({ bin, folder, say });
  say('database ready');

  const server = spawn(process.execPath, [join(root, 'apps/server/dist/main.mjs')], {
    // Its own group: on Ctrl-C this process stops the server first and the database after it.
    detached: true,
    stdio: ['pipe', 'pipe', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      STOP_WITH_STDIN: '1',
      DATABASE_URL: cluster.url,
      PORT: String(o.port),
      WEB_DIR: join(root, 'apps/app/dist'),
      FRESH_DEMO: o.freshDemo ? '1' : '',
    },
  });
  let stopping = false;
  const stop = async (status) => {
    if (stopping) return;
    stopping = true;
    if (server.exitCode === null) {
      const gone = new Promise((resolve) => server.once('exit', resolve));
      server.kill('SIGTERM');
      await gone;
    }
    await cluster.stop();
    unlock();
    process.exit(status);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      console.log('');
      say('stopping');
      void stop(0);
    });
  server.once('exit', (code) => {
    if (stopping) return;
    console.error(
      code === 3
        ? `Port ${o.port} is taken by another program. Start with --port and another number.`
        : 'The server stopped; what it said stands above.',
    );
    void stop(1);
  });
  server.stdout.setEncoding('utf8').on('data', (text) => {
    const port = /listening (\d+) seeded (\d+)/.exec(text);
    if (!port) return;
    if (Number(port[2]) > 0) say(`demo data: ${port[2]} jobs`);
    say(`Jumper is at http://localhost:${port[1]}  (Ctrl-C stops it)`);
  });
}

/** In the project, or, where the database's user cannot come there, under /var/lib. */
function reachableDefault() {
  return reachableFolder([join(root, '.data'), '/var/lib/jumper']);
}

main().catch((error) => {
  console.error(error instanceof Trouble ? error.message : error);
  process.exit(1);
});
