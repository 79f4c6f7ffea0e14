module.exports = require('../../bin/jest/node.cjs')('server', {
  globalSetup: '<rootDir>/test/startCluster.cjs',
  globalTeardown: '<rootDir>/test/stopCluster.cjs',
});
