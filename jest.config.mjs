/** @type {import('jest').Config} */
export default {
  testEnvironment: 'node',
  roots: [
    '<rootDir>/src',
    '<rootDir>/tests/cascade',
    '<rootDir>/tests/shaping',
    '<rootDir>/tests/audit',
    '<rootDir>/tests/edits',
  ],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  testTimeout: 120000,
  maxWorkers: 2,
};
