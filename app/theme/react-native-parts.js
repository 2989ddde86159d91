/** What packages ask of React Native's front door (metro.config.js); a name that is missing here says so where it is asked for. */
const PARTS = {
  I18nManager: () => require('react-native-web/dist/exports/I18nManager'),
  Platform: () => require('react-native-web/dist/exports/Platform'),
  Pressable: () => require('react-native-web/dist/exports/Pressable'),
  ScrollView: () => require('react-native-web/dist/exports/ScrollView'),
  StyleSheet: () => require('react-native-web/dist/exports/StyleSheet'),
  Text: () => require('react-native-web/dist/exports/Text'),
  View: () => require('react-native-web/dist/exports/View'),
  useColorScheme: () => require('react-native-web/dist/exports/useColorScheme'),
};

module.exports = new Proxy(
  {},
  {
    get(_, name) {
      const part = PARTS[name];
      if (!part && /^[A-Z]|^use/.test(String(name)))
        throw new Error(`app/theme/react-native-parts.js lacks ${String(name)}`);
      return part?.().default;
    },
  },
);
