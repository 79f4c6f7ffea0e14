/** Pure view functions, the outbox and the device's store; how it looks and behaves is tested in a real browser (e2e). */
module.exports = {
  displayName: 'app',
  preset: 'jest-expo/web',
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  // Tests run in a sandbox where reading a global is slow; the judge, asked here for what the views show, reads these all the time.
  sandboxInjectedGlobals: ['Math', 'Float64Array'],
  moduleNameMapper: { '\\.css$': '<rootDir>/jest/empty.js' },
  transformIgnorePatterns: [
    'node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|nativewind|react-native-css-interop|lucide-react-native|react-native-gifted-charts|gifted-charts-core|uuid|idb)/?)',
  ],
};
