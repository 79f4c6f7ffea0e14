/** Jest for packages that run without a browser: TypeScript by Babel, no configuration files read. */
module.exports = (displayName, rest = {}) => ({
  displayName,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  transform: {
    '\\.[mc]?[jt]s$': ['babel-jest', { babelrc: false, configFile: false, presets: [[require.resolve('@babel/preset-env'), { targets: { node: 'current' } }], require.resolve('@babel/preset-typescript')] }],
  },
  ...rest,
});
