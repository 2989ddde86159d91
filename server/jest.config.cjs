module.exports = {
  ...require('../tools/jest-node.cjs'),
  displayName: 'server',
  rootDir: __dirname,
  transformIgnorePatterns: ['/node_modules/(?!jose/)'],
  testTimeout: 20_000,
};
