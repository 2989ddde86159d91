module.exports = {
  ...require('../tools/jest-node.cjs'),
  displayName: 'core',
  rootDir: __dirname,
  testTimeout: 30_000,
  transform: { '\\.test\\.ts$': require.resolve('../tools/jest-bundle.cjs') },
};
