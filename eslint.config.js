import astro from 'eslint-plugin-astro';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['dist/', 'public/rt/', '.astro/', 'node_modules/', 'var/', 'test-results/'] },
  ...tseslint.configs.recommended,
  ...astro.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      eqeqeq: ['error', 'always'],
      'no-console': 'off',
    },
  },
  {
    // What is spread as it is written is written out.
    files: ['**/*.{ts,tsx,mjs,astro}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: ':matches(SpreadElement, JSXSpreadAttribute)[argument.type="ObjectExpression"]',
          message: 'Write the properties out instead of spreading an object literal.',
        },
        {
          selector: 'SpreadElement[argument.type="ArrayExpression"]',
          message: 'Write the items out instead of spreading an array literal.',
        },
      ],
    },
  },
  {
    // A promise nobody waits for hides its failure; one that nobody need wait for says `void`.
    files: ['src/**/*.{ts,tsx}', 'demo/**/*.ts', 'scripts/**/*.ts', 'tests/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: { '@typescript-eslint/no-floating-promises': 'error' },
  },
  {
    files: ['src/studio/**/*.tsx'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error' },
  },
  {
    files: ['**/*.cjs'],
    languageOptions: { sourceType: 'commonjs' },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
);
