module.exports = {
  'node-option': ['import=tsx'],
  spec: ['tests/unit/**/*.test.ts', 'tests/api/**/*.test.ts'],
  timeout: 20000,
  exit: true,
};
