// What core's, server's and tools' tests share: TypeScript by esbuild, in Node.
module.exports = {
  testEnvironment: 'node',
  testPathIgnorePatterns: ['/node_modules/'],
  transform: { '\\.(mjs|[jt]s)$': require.resolve('./jest-esbuild.cjs') },
};
