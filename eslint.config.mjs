import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import house from './scripts/lint/house.mjs';

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
  // The arrows of the house go one way: app -> ui -> core, app -> server -> core, probe -> core (types only); no circles.
  { files: ['src/**'], plugins: { house }, rules: { 'house/arrows': 'error' } },
  {
    files: ['src/ui/**', 'src/app/**'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
