// TypeScript for Jest by esbuild, a tenth of the time that Babel takes on a machine that has nothing yet.
const { transformSync } = require('esbuild');

module.exports = {
  process(source, path) {
    return transformSync(source, {
      loader: path.endsWith('.ts') ? 'ts' : 'js',
      format: 'cjs',
      target: 'node20',
      supported: { 'dynamic-import': false }, // Jest has none
      sourcefile: path,
      sourcemap: 'inline',
      define: { 'import.meta.url': 'importMetaUrl' },
      banner: "const importMetaUrl = require('node:url').pathToFileURL(__filename).href;",
    });
  },
};
