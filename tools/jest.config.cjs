module.exports = { ...require('./jest-node.cjs'), displayName: 'tools', rootDir: __dirname, testTimeout: 30_000 };
