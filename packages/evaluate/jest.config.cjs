module.exports = require('../../bin/jest/node.cjs')('evaluate');
