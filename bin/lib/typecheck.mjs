// Type-checks every package of the house by its own settings.
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
for (const project of ['packages/core', 'packages/contract', 'packages/evaluate', 'packages/cli', 'apps/server', 'apps/app', 'e2e']) {
  const status = run([join(root, 'node_modules/typescript/bin/tsc'), '-p', join(root, project)]);
  console.log(`${status === 0 ? 'ok    ' : 'FAILED'} types of ${project}`);
  failed ||= status;
}
process.exit(failed);
