/** Run by itself (npm run test:e2e): it starts the whole product, each suite on a folder and a port of its own. One
 *  worker more than cores, since a suite waits for its page now and then. */
module.exports = { ...require('../bin/jest/node.cjs')('e2e'), testTimeout: 120_000, maxWorkers: 3 };
