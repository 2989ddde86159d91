module.exports = {
  displayName: 'app',
  preset: 'jest-expo/web',
  setupFiles: ['<rootDir>/test/setup.js'],
  transformIgnorePatterns: [
    'node_modules/(?!((jest-)?react-native|@react-native(-community)?)|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|@rneui/.*|react-native-svg|idb|@careful-latch/.*)',
  ],
};
