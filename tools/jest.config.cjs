module.exports = {
  ...require('./jest-node.cjs'),
  displayName: 'tools',
  rootDir: __dirname,
  transformIgnorePatterns: ['/node_modules/(?!jose/)'],
  testTimeout: 30_000,
};
