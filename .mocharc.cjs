module.exports = {
  'node-option': ['import=tsx', 'import=./tests/support/styles.mjs'],
  spec: ['tests/unit/**/*.test.{ts,tsx}', 'tests/api/**/*.test.ts'],
  timeout: 60000,
  // Every file opens the shops it needs: two processes share them out.
  parallel: true,
  jobs: 2,
  exit: true,
};
