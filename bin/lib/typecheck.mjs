// Type-checks the whole house: what runs in Node as one program, since it shares settings and sources; the app and the browser's tests each
// by their own.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const run = (args, cwd = root, env = {}) =>
  spawnSync(process.execPath, args, { cwd, stdio: 'inherit', env: { ...process.env, ...env } }).status ?? 1;
let failed = 0;
// Typed routes and the environment's types are written by Expo, not kept in the repository.
if (!existsSync(join(root, 'apps/app/expo-env.d.ts')))
  failed ||= run([join(root, 'node_modules/expo/bin/cli'), 'customize', 'tsconfig.json'], join(root, 'apps/app'), {
    EXPO_OFFLINE: '1',
    EXPO_NO_TELEMETRY: '1',
    CI: '1',
  });
for (const project of ['tsconfig.node.json', 'apps/app', 'e2e']) {
  const status = run([join(root, 'node_modules/typescript/bin/tsc'), '-p', join(root, project)]);
  console.log(`${status === 0 ? 'ok    ' : 'FAILED'} types of ${project}`);
  failed ||= status;
}
process.exit(failed);
