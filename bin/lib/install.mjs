// Installs the npm packages of the lockfile where they are missing or of another lockfile.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Trouble } from './trouble.mjs';

export const NODE_LEAST = [20, 19];

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < NODE_LEAST[0] || (major === NODE_LEAST[0] && minor < NODE_LEAST[1]))
    throw new Trouble(`Node.js ${NODE_LEAST.join('.')} or newer is needed; this is ${process.versions.node}.`);
}

export function ensurePackages(root, say) {
  const hash = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules', '.jumper-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  say('installing packages (about two minutes, once)');
  const r = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: root, encoding: 'utf8' });
  if (r.error) throw new Trouble(`npm could not be run: ${r.error.message}`);
  if (r.status !== 0) {
    const words = `${r.stderr}${r.stdout}`.trim();
    if (/ENOSPC/.test(words)) throw new Trouble('There is no room left on the disk for the packages (about 800 MB).');
    throw new Trouble(`The packages could not be installed:\n${words.split('\n').slice(-6).join('\n')}`);
  }
  writeFileSync(stamp, hash);
}
