/**
 * The parts of React Native Elements that this application uses, each from its own file:
 * the package's front door brings every component there is into the first load.
 */
export { default as Button } from '@rneui/themed/dist/Button';
export { default as Input } from '@rneui/themed/dist/Input';
export { ThemeProvider, createTheme } from '@rneui/themed/dist/config';
