import { ThemeProvider, createTheme } from './elements';
import { createContext, useContext, useEffect, useMemo, type ReactNode } from 'react';
import { StyleSheet, useColorScheme } from 'react-native';
import { usePreferences } from '../stores/preferences';
import { DAY, NIGHT, type Palette } from './palette';

export const TEXT_FONT = 'Atkinson Hyperlegible, system-ui, sans-serif';
export const READING_FONT = 'IBM Plex Mono, ui-monospace, monospace';
/** Smallest side of anything that is tapped, px; the main act is taller. */
export const TARGET = 48;
const MAIN_TARGET = 56;

const PaletteContext = createContext<Palette>(DAY);
export const usePalette = () => useContext(PaletteContext);

/** Squared, with one cut edge, like a breaker handle. */
export const cut = (px = 10) =>
  ({ clipPath: `polygon(0 0, calc(100% - ${px}px) 0, 100% ${px}px, 100% 100%, 0 100%)` }) as object;

/** The outline of what tells an outcome: broken round what is violated, whole round all else; beside it stands the sign, nothing is told by color alone. */
export const outline = (color: string, broken: boolean) =>
  ({ borderWidth: broken ? 2.5 : 1, borderStyle: broken ? 'dashed' : 'solid', borderColor: color }) as const;

/** Styles made once for each palette: the browser gets classes of them, and what changes at a tap is a class. */
export function stylesOf<T extends StyleSheet.NamedStyles<T>>(make: (palette: Palette) => T): () => T {
  const made = new Map<Palette, T>();
  return function useStyles() {
    const palette = usePalette();
    let styles = made.get(palette);
    if (!styles) made.set(palette, (styles = StyleSheet.create(make(palette))));
    return styles;
  };
}

const elementsTheme = (palette: Palette, dark: boolean) =>
  createTheme({
    mode: dark ? 'dark' : 'light',
    [dark ? 'darkColors' : 'lightColors']: {
      primary: palette.ink,
      secondary: palette.copper,
      background: palette.paper,
      white: palette.paper,
      black: palette.ink,
      error: palette.violation,
      success: palette.holds,
      warning: palette.unproven,
      divider: palette.hairline,
      grey3: palette.quiet,
    },
    components: {
      Button: {
        buttonStyle: { minHeight: MAIN_TARGET, borderRadius: 0, paddingHorizontal: 20, ...cut(14) },
        titleStyle: { fontFamily: TEXT_FONT, fontWeight: '700', fontSize: 20, color: palette.paper },
        disabledStyle: { backgroundColor: palette.hairline },
        disabledTitleStyle: { color: palette.ink },
        containerStyle: { borderRadius: 0 },
      },
      Input: {
        containerStyle: { paddingHorizontal: 0 },
        inputContainerStyle: {
          borderWidth: 1,
          borderBottomWidth: 2,
          borderColor: palette.quiet,
          backgroundColor: palette.sheet,
          paddingHorizontal: 12,
          minHeight: TARGET,
        },
        inputStyle: { fontFamily: TEXT_FONT, fontSize: 19, color: palette.ink, minHeight: TARGET },
        labelStyle: { fontFamily: TEXT_FONT, fontSize: 17, fontWeight: '700', color: palette.ink, marginBottom: 4 },
        errorStyle: { fontFamily: TEXT_FONT, fontSize: 16, margin: 0, marginTop: 4, color: palette.violation },
        placeholderTextColor: palette.quiet,
      },
    },
  });

/** Day and night: the device decides until the person does. */
export function Appearance({ children }: { children: ReactNode }) {
  const device = useColorScheme();
  const chosen = usePreferences((one) => one.appearance);
  const dark = chosen === 'night' || (chosen === 'device' && device === 'dark');
  const palette = dark ? NIGHT : DAY;
  const theme = useMemo(() => elementsTheme(palette, dark), [palette, dark]);
  useEffect(() => {
    document.documentElement.style.setProperty('color-scheme', dark ? 'dark' : 'light');
    document.body.style.backgroundColor = palette.paper;
    document.querySelector('meta[name="theme-color"]')?.setAttribute('content', palette.paper);
  }, [dark, palette]);
  return (
    <PaletteContext.Provider value={palette}>
      <ThemeProvider theme={theme}>{children}</ThemeProvider>
    </PaletteContext.Provider>
  );
}
