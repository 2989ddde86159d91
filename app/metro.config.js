const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.watchFolders = [path.join(__dirname, '..')];

/** React Native Elements asks for every icon family there is; we draw our own signs and ship none. */
const NO_ICONS = /^(@expo\/vector-icons|@react-native-vector-icons|react-native-vector-icons)(\/|$)/;
const resolve = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) =>
  NO_ICONS.test(name)
    ? { type: 'sourceFile', filePath: path.join(__dirname, 'theme', 'no-icons.js') }
    : (resolve ?? context.resolveRequest)(context, name, platform);

module.exports = config;
