module.exports = {
  ...require('../tools/jest-node.cjs'),
  displayName: 'server',
  rootDir: __dirname,
  testTimeout: 20_000,
};
