import astro from 'eslint-plugin-astro';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const NAMED_BY_ROLE = 'Ask for the piece by its role: a kind is named in its folder and in the lists of kinds only.';

/** A piece's kind compared with a word, wherever its type says that it is one. Words like “text” mean other things elsewhere. */
const noLiteralKind = {
  create(context) {
    const { program, esTreeNodeToTSNodeMap } = context.sourceCode.parserServices;
    const isText = ({ type, value }) => type === 'Literal' && typeof value === 'string';
    const isKind = (node) =>
      program.getTypeChecker().getTypeAtLocation(esTreeNodeToTSNodeMap.get(node)).aliasSymbol?.name === 'PieceKind';
    const complain = (node) => context.report({ node, message: NAMED_BY_ROLE });
    return {
      'BinaryExpression[operator=/^[!=]==$/]'(node) {
        const { left, right } = node;
        if ((isText(left) && isKind(right)) || (isText(right) && isKind(left))) complain(node);
      },
      SwitchStatement({ discriminant, cases }) {
        if (isKind(discriminant)) for (const { test } of cases) if (test && isText(test)) complain(test);
      },
      'CallExpression[callee.name=/^(definitionOf|situationsOf)$/]'(node) {
        if (isText(node.arguments[0])) complain(node);
      },
    };
  },
};

const SPREAD_LITERALS = [
  {
    selector: ':matches(SpreadElement, JSXSpreadAttribute)[argument.type="ObjectExpression"]',
    message: 'Write the properties out instead of spreading an object literal.',
  },
  {
    selector: 'SpreadElement[argument.type="ArrayExpression"]',
    message: 'Write the items out instead of spreading an array literal.',
  },
];
const DOUBLE_CAST = {
  selector: 'TSAsExpression > TSAsExpression[typeAnnotation.type="TSUnknownKeyword"]',
  message: 'Let a schema or a type parameter give the type instead of casting twice.',
};

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
      'no-restricted-syntax': ['error', ...SPREAD_LITERALS],
    },
  },
  {
    // A promise nobody waits for hides its failure; one that nobody need wait for says `void`.
    files: ['src/**/*.{ts,tsx}', 'demo/**/*.ts', 'scripts/**/*.ts', 'tests/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: { '@typescript-eslint/no-floating-promises': 'error' },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': ['error', ...SPREAD_LITERALS, DOUBLE_CAST],
    },
  },
  {
    files: ['{src,demo,scripts}/**/*.{ts,tsx}'],
    rules: { '@typescript-eslint/max-params': ['error', { max: 4 }] },
  },
  {
    // Whoever reads one thing finds it on a few screens; texts are as long as there is to say.
    files: ['{src,demo}/**/*.{ts,tsx}', 'scripts/**/*.{ts,mjs}'],
    ignores: [
      'demo/products.ts',
      'src/core/words/shop-words.ts',
      'src/pieces/*/definition.ts',
      'src/pieces/_cards/shared.ts',
    ],
    rules: { 'max-lines': ['error', 300], 'max-lines-per-function': ['error', { max: 100 }] },
  },
  {
    // Components, and the mounts of pieces, may reach 150.
    files: ['src/{studio,pieces}/**/*.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 150 }] },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/pieces/**'],
    plugins: { house: { rules: { 'no-literal-kind': noLiteralKind } } },
    rules: { 'house/no-literal-kind': 'error' },
  },
  {
    // The import rules proper do not read pages.
    files: ['src/**/*.astro'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [{ regex: '^~/pieces/[a-z][^/]*/', message: NAMED_BY_ROLE }] }],
    },
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
