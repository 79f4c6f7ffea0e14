/** One throwaway database cluster for all server tests of a run; each test file makes a database of its own in it. */
const { mkdtempSync, chmodSync } = require('node:fs');
const { tmpdir } = require('node:os');
const { join } = require('node:path');

module.exports = async () => {
  const { ensurePostgres, startCluster } = await import('../../../bin/lib/postgres.mjs');
  const folder = mkdtempSync(join(tmpdir(), 'jumper-test-'));
  chmodSync(folder, 0o755);
  const cluster = await startCluster({ bin: ensurePostgres(console.log), folder, durable: false });
  process.env.TEST_DATABASE_URL = cluster.url;
  globalThis.__cluster = { cluster, folder };
};
