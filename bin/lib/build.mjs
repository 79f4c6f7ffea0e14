// Builds what the start serves: the web app with its service worker, the server and the command line. A part is built again only when one
// of its sources has changed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Trouble } from './trouble.mjs';

const PACKAGES = ['packages/core/src', 'packages/contract/src'];
const SKIP = new Set(['node_modules', 'dist', '.expo', '.git', '.build']);

function* filesBelow(path) {
  if (statSync(path).isFile()) {
    yield path;
    return;
  }
  for (const e of readdirSync(path, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1)))
    if (!SKIP.has(e.name)) yield* filesBelow(join(path, e.name));
}

/** By content, since a fresh clone has fresh times. Tests do not count. */
function fingerprint(root, inputs) {
  const hash = createHash('sha256').update(process.versions.node);
  for (const input of inputs)
    for (const file of filesBelow(join(root, input)))
      if (!/\.test\.tsx?$|expo-env\.d\.ts$|nativewind-env\.d\.ts$/.test(file)) hash.update(relative(root, file)).update(readFileSync(file));
  return hash.digest('hex');
}

async function part(root, name, inputs, output, say, make) {
  const stamp = join(root, '.build', name);
  const now = fingerprint(root, [...inputs, 'package-lock.json']);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now && existsSync(join(root, output))) return;
  say(`building ${name}`);
  await make();
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, now);
}

/** What runs in Node: the command line and the server. A second or two. */
export async function buildForNode(root, say) {
  const { bundleCli, bundleServer } = await import('./bundle.mjs');
  await part(
    root,
    'command line',
    [...PACKAGES, 'packages/evaluate/src', 'packages/cli/src', 'bin/lib/bundle.mjs'],
    'packages/cli/dist/diagnose.mjs',
    say,
    () => bundleCli(root),
  );
  await part(root, 'server', [...PACKAGES, 'apps/server/src', 'bin/lib/bundle.mjs'], 'apps/server/dist/main.mjs', say, () =>
    bundleServer(root),
  );
}

export async function buildAll(root, say) {
  await buildForNode(root, say);
  await part(
    root,
    'app',
    [...PACKAGES, 'apps/app', 'bin/lib/build.mjs'],
    'apps/app/dist/sw.js',
    (s) => say(`${s} (about a minute)`),
    () => exportApp(root),
  );
}

async function exportApp(root) {
  const cwd = join(root, 'apps/app');
  rmSync(join(cwd, 'dist'), { recursive: true, force: true });
  const r = spawnSync(process.execPath, [join(root, 'node_modules/expo/bin/cli'), 'export', '-p', 'web', '--output-dir', 'dist'], {
    cwd,
    encoding: 'utf8',
    env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
  });
  if (r.status !== 0)
    throw new Trouble(`The app could not be built:\n${`${r.stdout}${r.stderr}`.trim().split('\n').slice(-15).join('\n')}`);
  const { makeServiceWorker } = await import('./serviceWorker.mjs');
  await makeServiceWorker(join(cwd, 'dist'));
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  await buildAll(join(dirname(fileURLToPath(import.meta.url)), '../..'), (s) => console.log(s));
}
