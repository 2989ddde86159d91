const os = require('node:os');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.watchFolders = [path.join(__dirname, '..')];
config.maxWorkers = os.availableParallelism(); // of two cores Metro would use one

/** React Native Elements asks for every icon family there is; we draw our own signs and ship none. */
const ICONS = /^(@expo\/vector-icons|@react-native-vector-icons|react-native-vector-icons)(\/|$)/;
/**
 * What no screen of ours shows, and the front doors of packages would bring into the first load: navigators and views of Expo Router, what else is
 * only ever named there, and kinds of fields, touches, lists and drawings that we do not have.
 */
const UNUSED = new RegExp(
  [
    /expo-router\/build\/(layouts\/(Stack(?!Client)|Tabs|ExperimentalStack|stack-utils|experimental-stack)|fork\/native-stack)/,
    /expo-router\/build\/(native-tabs\/|standard-navigation\/|link\/preview\/(?!LinkPreviewContext|PreviewRouteContext)|views\/(Sitemap|Unmatched|Toast))/,
    /expo-router\/build\/react-navigation\/(bottom-tabs|native-stack|elements)\//,
    /expo-router\/build\/react-navigation\/(routers\/(Tab|Drawer)Router|core\/StaticNavigation|native\/createStaticNavigation)/,
    /react-native-screens\/lib\//,
    /react-native-web\/dist\/(exports\/(Touchable|TouchableHighlight|Switch|CheckBox|Picker|ProgressBar|SectionList|ActivityIndicator)|vendor\/react-native\/VirtualizedSectionList)\//,
    /@rneui\/base\/dist\/(Icon|helpers\/getIconType)/,
    /react-native-svg\/lib\/module\/(xml|lib\/SvgTouchableMixin)/,
  ]
    .map(({ source }) => source)
    .join('|'),
);
const nothing = { type: 'sourceFile', filePath: path.join(__dirname, 'theme', 'nothing.js') };

/** React Native's front door evaluates every part there is; packages that come by it get ours, where a part is evaluated when it is used. */
const FRONT_DOOR = /react-native-web\/dist\/(cjs\/)?index\.js$/;
const parts = { type: 'sourceFile', filePath: path.join(__dirname, 'theme', 'react-native-parts.js') };

const before = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (ICONS.test(name)) return nothing;
  const found = (before ?? context.resolveRequest)(context, name, platform);
  if (found.type !== 'sourceFile') return found;
  return UNUSED.test(found.filePath) ? nothing : FRONT_DOOR.test(found.filePath) ? parts : found;
};

/** A module is evaluated when it is first used, not when the application starts: the first picture needs few of them. */
config.transformer.getTransformOptions = async () => ({
  transform: { experimentalImportSupport: true, inlineRequires: true },
});

module.exports = config;
