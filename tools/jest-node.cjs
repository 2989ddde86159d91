// What core's and server's tests share: TypeScript through Babel, in Node.
module.exports = {
  testEnvironment: 'node',
  testPathIgnorePatterns: ['/node_modules/'],
  transform: {
    '\\.(mjs|[jt]s)$': [
      'babel-jest',
      {
        babelrc: false,
        configFile: false,
        presets: [['@babel/preset-env', { targets: { node: 'current' } }], '@babel/preset-typescript'],
        plugins: [require.resolve('babel-plugin-transform-import-meta')],
      },
    ],
  },
};
