import { type ReactNode } from 'react';
import { Pressable, View, type ViewStyle } from 'react-native';
import { TARGET, cut, usePalette } from '../theme/theme';
import { Reading, Words } from '../theme/words';

interface Props {
  readonly label: string;
  readonly selected?: boolean;
  readonly onPress: () => void;
  /** A number or size, in the readings' face. */
  readonly reading?: boolean;
  readonly drawing?: (color: string) => ReactNode;
  /** The drawing stands before the label rather than above it. */
  readonly inline?: boolean;
  readonly quiet?: boolean;
  readonly role?: 'radio' | 'button';
  readonly style?: ViewStyle;
  readonly testID?: string;
}

/** A tappable plate with one cut corner; the chosen one is filled and says so to a screen reader. */
export function Plate({
  label,
  selected = false,
  onPress,
  reading = false,
  drawing,
  inline = false,
  quiet = false,
  role = 'radio',
  style,
  testID,
}: Props) {
  const palette = usePalette();
  const color = selected ? palette.paper : quiet ? palette.quiet : palette.ink;
  const Label = reading ? Reading : Words;
  return (
    <Pressable
      onPress={onPress}
      role={role}
      aria-checked={role === 'radio' ? selected : undefined}
      aria-label={label}
      testID={testID}
      style={({ pressed }) => [
        {
          minHeight: TARGET,
          minWidth: 56,
          padding: 1,
          backgroundColor: selected ? palette.ink : quiet ? palette.hairline : palette.quiet,
          opacity: pressed ? 0.7 : 1,
        },
        cut(),
        style,
      ]}
    >
      <View
        style={[
          {
            flex: 1,
            flexDirection: inline ? 'row' : 'column',
            alignItems: 'center',
            justifyContent: 'center',
            gap: inline ? 8 : 2,
            paddingHorizontal: 12,
            paddingVertical: 6,
            backgroundColor: selected ? palette.ink : palette.sheet,
          },
          cut(9),
        ]}
      >
        {drawing?.(color)}
        <Label
          color={color}
          style={{
            fontSize: reading ? 20 : 17,
            lineHeight: 24,
            textAlign: 'center',
            fontWeight: selected ? '700' : undefined,
          }}
        >
          {label}
        </Label>
      </View>
    </Pressable>
  );
}

/** Plates in rows, as many as fit; one of them may be chosen. */
export function Plates({ label, children }: { label: string; children: ReactNode }) {
  return (
    <View role="radiogroup" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {children}
    </View>
  );
}
