// bin/test: installs what is missing, builds, and runs everything.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { checkNode, ensurePackages } from './install.mjs';
import { aptInstall, ensurePostgres } from './postgres.mjs';
import { Trouble } from './trouble.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const startedMs = Date.now();
const say = (line) => console.log(`${((Date.now() - startedMs) / 1000).toFixed(1).padStart(6)} s  ${line}`);
const long = process.argv.includes('--long');

const run = (name, args, env = {}) =>
  new Promise((resolve) => {
    say(`${name} …`);
    const child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env: { ...process.env, CI: '1', ...env } });
    child.once('exit', (code) => {
      say(`${name}: ${code === 0 ? 'passed' : 'FAILED'}`);
      resolve(code === 0);
    });
  });

async function main() {
  checkNode();
  ensurePackages(root, say);
  ensurePostgres(say);
  if (!existsSync('/usr/bin/chromium')) {
    say('installing Chromium from the system’s packages');
    aptInstall(['chromium'], 'Chromium');
  }
  const { buildForNode } = await import('./build.mjs');
  await buildForNode(root, say);
  const bin = (name) => join(root, 'node_modules', name);
  const jest = bin('jest/bin/jest.js');
  // One after another; what stands in one row runs side by side.
  const rows = long
    ? [[['long series', [jest, '--selectProjects', 'core', '--testPathPattern', 'simulate|judge'], { JUMPER_LONG: '1' }]]]
    : [
        [
          // The app's bundler leaves most of the second core idle, and only the browser needs what it makes.
          ['app', [join(root, 'bin/lib/build.mjs')]],
          ['types', [join(root, 'bin/lib/typecheck.mjs')]],
          ['lint', [bin('eslint/bin/eslint.js'), '.', '--max-warnings', '0']],
          ['format', [bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']],
        ],
        [['unit and server tests', [jest]]],
        [['browser tests', [jest, '-c', 'e2e/jest.config.cjs']]],
      ];
  let passed = 0;
  const failed = [];
  for (const row of rows) {
    const ended = await Promise.all(row.map(async ([name, args, env]) => [name, await run(name, args, env)]));
    for (const [name, ok] of ended)
      if (ok) passed++;
      else failed.push(name);
  }
  if (failed.length) console.log(`failed: ${failed.join(', ')}`);
  console.log(`steps: ${passed} passed, ${failed.length} failed`);
  process.exit(failed.length ? 1 : 0);
}

main().catch((error) => {
  console.error(error instanceof Trouble ? error.message : error);
  process.exit(1);
});
