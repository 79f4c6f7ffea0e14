/** Tests run in a sandbox where reading a global is slow; the computation reads these all the time. */
const FAST_GLOBALS = { sandboxInjectedGlobals: ['Math', 'Float64Array'] };

/** Jest for packages that run without a browser: TypeScript by Babel, no configuration files read. */
module.exports = (displayName, rest = {}) => ({
  displayName,
  testEnvironment: 'node',
  ...FAST_GLOBALS,
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  transform: {
    '\\.[mc]?[jt]s$': [
      'babel-jest',
      {
        babelrc: false,
        configFile: false,
        presets: [[require.resolve('@babel/preset-env'), { targets: { node: 'current' } }], require.resolve('@babel/preset-typescript')],
      },
    ],
  },
  ...rest,
});
module.exports.FAST_GLOBALS = FAST_GLOBALS;
