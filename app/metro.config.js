const os = require('node:os');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.watchFolders = [path.join(__dirname, '..')];
config.maxWorkers = os.availableParallelism(); // of two cores Metro would use one

/** React Native Elements asks for every icon family there is; we draw our own signs and ship none. */
const ICONS = /^(@expo\/vector-icons|@react-native-vector-icons|react-native-vector-icons)(\/|$)/;
/** Navigators and views of Expo Router that no screen of ours uses; its front door brings all of them into the first load. */
const UNUSED_VIEWS =
  /expo-router\/build\/(react-navigation\/(bottom-tabs|native-stack|elements)\/|layouts\/(Stack(?!Client)|Tabs|ExperimentalStack|stack-utils|experimental-stack)|fork\/native-stack|native-tabs\/(?!NativeTabTrigger)|link\/preview\/(?!LinkPreviewContext|PreviewRouteContext))/;
const nothing = { type: 'sourceFile', filePath: path.join(__dirname, 'theme', 'nothing.js') };

const before = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (ICONS.test(name)) return nothing;
  const found = (before ?? context.resolveRequest)(context, name, platform);
  return platform === 'web' && found.type === 'sourceFile' && UNUSED_VIEWS.test(found.filePath) ? nothing : found;
};

/** A module is evaluated when it is first used, not when the application starts: the first picture needs few of them. */
config.transformer.getTransformOptions = async () => ({
  transform: { experimentalImportSupport: true, inlineRequires: true },
});

module.exports = config;
