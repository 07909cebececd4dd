import tseslint from 'typescript-eslint';

// The arrows of the house go one way: app -> ui -> core, app -> server -> core, probe -> core (types only).
const room = (files, forbidden, options = {}) => ({
  files,
  rules: {
    '@typescript-eslint/no-restricted-imports': [
      'error',
      {
        patterns: forbidden.map((group) => ({
          group,
          message: 'This import goes against the arrows of the house.',
          ...options,
        })),
      },
    ],
  },
});

export default tseslint.config(
  { ignores: ['node_modules', '.next', '.millpond', 'generated', 'test-results', 'next-env.d.ts'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  { files: ['scripts/**'], rules: { 'no-console': 'off' } },
  {
    ...room(
      ['src/core/**'],
      [
        [
          'react',
          'react-dom',
          'react/*',
          'next',
          'next/*',
          'node:*',
          'fs',
          'path',
          'drizzle-orm',
          'drizzle-orm/*',
          'pg',
          'playwright-core',
        ],
        ['@/ui/*', '@/ui/**', '@/server/**', '@/app/**', '@/probe/**', '@/demo/**'],
      ],
    ),
    ignores: ['**/*.test.ts'],
  },
  room(['src/probe/**'], [['react', 'next', 'next/*', 'node:*', '@/ui/**', '@/server/**', '@/app/**', '@/demo/**']]),
  {
    files: ['src/probe/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "ImportDeclaration[importKind!='type'][source.value=/^@.core/]",
          message: 'The probe takes only types from the core.',
        },
      ],
    },
  },
  room(['src/server/**'], [['react', 'react-dom', '@/ui/**', '@/app/**']]),
  room(['src/ui/**'], [['@/server/**', '@/app/**', 'drizzle-orm', 'pg', 'playwright-core', 'node:*']]),
  room(['src/demo/**'], [['@/ui/**', '@/server/**', '@/app/**', 'node:*']]),
);
