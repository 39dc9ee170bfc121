module.exports = {
  'node-option': ['import=tsx', 'import=./tests/support/styles.mjs'],
  spec: ['tests/unit/**/*.test.{ts,tsx}', 'tests/api/**/*.test.ts'],
  timeout: 60000,
  exit: true,
};
