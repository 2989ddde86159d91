// What is drawn anew at every touch is memoized by React's compiler; the rest is shown once, and would only grow by it.
const MEMOIZED = /\/app\/(drawn|plates|strip|wall)\//;

module.exports = (api) => {
  api.cache(true);
  return {
    presets: [
      [
        'babel-preset-expo',
        {
          unstable_transformImportMeta: true,
          'react-compiler': { sources: (file) => MEMOIZED.test(file.replaceAll('\\', '/')) },
        },
      ],
    ],
  };
};
