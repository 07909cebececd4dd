const shared = {
  testEnvironment: 'node',
  // What a server keeps for its whole process outlives a file of tests.
  testEnvironmentOptions: { globalsCleanup: 'off' },
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^fast-check$': '<rootDir>/tests/chance.ts' },
  // Only modules, which this Node can't load where others are asked for at once.
  transformIgnorePatterns: ['/node_modules/(?!@exodus/|@csstools/)'],
  transform: {
    '/@(?:exodus|csstools)/.+\\.m?js$': ['@swc/jest', { jsc: { target: 'es2022' } }],
    '^.+\\.tsx?$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022', transform: { react: { runtime: 'automatic' } } } },
    ],
  },
};

/** @type {import('jest').Config} */
export default {
  projects: [
    {
      ...shared,
      displayName: 'unit',
      roots: ['src', 'tests/cascade', 'tests/shaping', 'tests/audit', 'tests/edits', 'tests/probe', 'tests/document'].map(
        (path) => `<rootDir>/${path}`,
      ),
    },
    {
      ...shared,
      displayName: 'server',
      roots: ['<rootDir>/tests/server'],
      // A PostgreSQL of their own, started only when one of these tests runs.
      globalSetup: '<rootDir>/tests/server/start-database.mjs',
      globalTeardown: '<rootDir>/tests/server/stop-database.mjs',
    },
  ],
  testTimeout: 120000,
  maxWorkers: 2,
};
