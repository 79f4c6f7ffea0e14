/** @type {import('jest').Config} */
module.exports = {
  // Both of two cores; left to itself the runner takes one.
  maxWorkers: 2,
  // Generous: a slow machine is no failure. Speed is measured by npm run bench.
  testTimeout: process.env.JUMPER_LONG ? 1_200_000 : 60_000,
  projects: [
    '<rootDir>/packages/core',
    '<rootDir>/packages/contract',
    '<rootDir>/packages/evaluate',
    '<rootDir>/packages/cli',
    '<rootDir>/apps/server',
    '<rootDir>/apps/app',
  ],
};
