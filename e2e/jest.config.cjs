/** Run by itself (npm run test:e2e): it starts the whole product, each suite on a folder and a port of its own. */
module.exports = { ...require('../bin/jest/node.cjs')('e2e'), testTimeout: 120_000, maxWorkers: 2 };
