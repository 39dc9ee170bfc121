module.exports = {
  'node-option': ['import=tsx'],
  spec: ['tests/unit/**/*.test.ts', 'tests/api/**/*.test.ts'],
  timeout: 60000,
  exit: true,
};
