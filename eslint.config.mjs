import { createRequire } from 'node:module';
import prettier from 'eslint-config-prettier';

const require = createRequire(import.meta.url);
const expo = require('eslint-config-expo/flat');

/** Directions of the house: core ← contract ← cli, server, app. `zones` says what a folder may not reach. */
const FRAMEWORKS = [
  'react',
  'react-*',
  'expo',
  'expo-*',
  'express',
  'typeorm',
  'pg',
  'zod',
  'node:*',
  'fs',
  'path',
  '@tanstack/*',
  'idb',
  'comlink',
];
const forbid = (files, patterns, message, ignores = []) => ({
  files,
  ignores: ['**/*.test.ts', '**/*.test.tsx', ...ignores],
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group: patterns, message }] }] },
});

export default [
  { ignores: ['**/dist/**', '**/.expo/**', '**/node_modules/**', '**/*.d.ts', '.data/**', '.build/**', 'apps/app/public/**'] },
  ...(Array.isArray(expo) ? expo : [expo]),
  {
    settings: {
      'import/resolver': {
        typescript: { project: ['apps/*/tsconfig.json', 'packages/*/tsconfig.json', 'e2e/tsconfig.json'], noWarnOnMultipleProjects: true },
      },
    },
  },
  prettier,
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      'import/no-named-as-default-member': 'off',
      // The compiler checks members of a namespace; here it takes half of the time.
      'import/namespace': 'off',
      'expo/no-env-var-destructuring': 'off',
      '@typescript-eslint/no-redeclare': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      'no-console': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['**/*.cjs', '**/*.mjs', '**/*.config.js', 'apps/app/jest/**', 'bin/**', 'e2e/**', '**/*.test.ts', '**/jest.config.*'],
    languageOptions: {
      globals: {
        process: 'readonly',
        Buffer: 'readonly',
        __dirname: 'readonly',
        module: 'writable',
        require: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
        performance: 'readonly',
      },
    },
    rules: { 'no-console': 'off' },
  },
  forbid(
    ['packages/core/src/**/*.ts'],
    [...FRAMEWORKS, '@jumper/*'],
    'The core is pure computation: it imports no framework, no Node module and none of our packages.',
  ),
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/test/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'setTimeout'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seeded generator.' },
        { object: 'Date', property: 'now', message: 'The core has no clock: pass the time in.' },
      ],
    },
  },
  forbid(
    ['packages/evaluate/src/**/*.ts'],
    ['@jumper/*', ...FRAMEWORKS],
    'The truth that the judge is held against shares nothing with it.',
  ),
  forbid(
    ['packages/contract/src/**/*.ts'],
    ['@jumper/cli', '@jumper/server', '@jumper/app', 'express', 'typeorm', 'react', 'react-native', 'expo*', 'node:*'],
    'The contract knows only the core and Zod.',
  ),
  forbid(
    ['packages/cli/src/**/*.ts'],
    ['@jumper/server', '@jumper/app', 'express', 'typeorm', 'react', 'react-native'],
    'The command line runs without server or interface.',
  ),
  forbid(
    ['apps/server/src/**/*.ts'],
    ['@jumper/app', '**/apps/app/**', 'react', 'react-native', 'expo*'],
    'Server and app never import each other.',
    ['apps/server/src/test/**'],
  ),
  forbid(
    ['apps/server/src/features/**/*.routes.ts', 'apps/server/src/http/**/*.ts', 'apps/server/src/app.ts', 'apps/server/src/api/**/*.ts'],
    ['typeorm', 'pg', '**/*.store', '**/*.entity', '@jumper/app'],
    'Routes know a store’s interface, not the database.',
  ),
  forbid(
    ['apps/app/src/**/*.ts', 'apps/app/src/**/*.tsx'],
    ['@jumper/server', '**/apps/server/**', 'express', 'typeorm', 'pg', 'node:*'],
    'Server and app never import each other.',
  ),
  forbid(
    ['apps/app/src/ui/**/*.ts', 'apps/app/src/ui/**/*.tsx'],
    ['**/features/**', '@jumper/server', '@tanstack/*'],
    'The design system knows no feature.',
  ),
  forbid(
    ['apps/app/src/offline/**/*.ts', 'apps/app/src/api/**/*.ts'],
    ['react', 'react-native', 'expo*', '**/features/**', '**/ui/**'],
    'Storage and sync have no interface in them.',
  ),
];
