import { Children, type ReactNode } from 'react';
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

/** On a wide screen what stands by itself is set in as many columns as there is room for, read downward; on a phone it is one. */
export function Columns({ children, gap }: { children: ReactNode; gap: number }) {
  const wide = useWide();
  return wide ? (
    <View style={IN_COLUMNS as object}>
      {Children.toArray(children).map((one, i) => (
        <View key={i} style={[{ marginBottom: gap }, WHOLE as object]}>
          {one}
        </View>
      ))}
    </View>
  ) : (
    <View style={{ gap }}>{children}</View>
  );
}
const IN_COLUMNS = { display: 'block', columnWidth: 400, columnGap: 32 };
const WHOLE = { breakInside: 'avoid' };
