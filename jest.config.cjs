/** @type {import('jest').Config} */
module.exports = {
  projects: ['<rootDir>/packages/core', '<rootDir>/packages/contract', '<rootDir>/packages/cli', '<rootDir>/apps/server', '<rootDir>/apps/app'],
};
