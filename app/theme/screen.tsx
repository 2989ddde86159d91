import type { ReactNode } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { usePalette } from './theme';

/** From this width on, path, station and findings stand side by side. @public tools/drawn.mjs draws from here on, too */
export const WIDE_PX = 1000;
export const useWide = () => useWindowDimensions().width >= WIDE_PX;

/** Lets the keyboard scroll what holds nothing to focus, like a record. */
const KEYBOARD_SCROLLS = { tabIndex: 0 } as object;

/** A screen: a head that stays, a body that scrolls, and the one main act at the bottom, where the thumb is. */
export function Screen({
  head,
  children,
  act,
  narrow = false,
}: {
  head?: ReactNode;
  children: ReactNode;
  act?: ReactNode;
  narrow?: boolean;
}) {
  const palette = usePalette();
  const column = {
    width: '100%',
    maxWidth: narrow ? 620 : undefined,
    alignSelf: 'center',
    paddingHorizontal: 16,
  } as const;
  return (
    <View style={{ flex: 1, backgroundColor: palette.paper }}>
      {head && <View style={[column, { paddingTop: 8 }]}>{head}</View>}
      <ScrollView
        {...KEYBOARD_SCROLLS}
        style={{ flex: 1 }}
        contentContainerStyle={[column, { paddingTop: 8, paddingBottom: 24 }]}
      >
        {children}
      </ScrollView>
      {act && (
        <View style={[column, { paddingTop: 8, paddingBottom: 12, borderTopWidth: 1, borderColor: palette.hairline }]}>
          {act}
        </View>
      )}
    </View>
  );
}
