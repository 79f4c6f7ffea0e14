const { FAST_GLOBALS } = require('../../bin/jest/node.cjs');

/** Pure view functions, the outbox and the device's store; how it looks and behaves is tested in a real browser (e2e). */
module.exports = {
  displayName: 'app',
  preset: 'jest-expo/web',
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  ...FAST_GLOBALS,
  moduleNameMapper: { '\\.css$': '<rootDir>/jest/empty.js' },
  transformIgnorePatterns: [
    'node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|nativewind|react-native-css-interop|lucide-react-native|react-native-gifted-charts|gifted-charts-core|uuid|idb)/?)',
  ],
};
