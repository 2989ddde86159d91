import { type ReactNode } from 'react';
import { Pressable, View, type ViewStyle } from 'react-native';
import { TARGET, cut, stylesOf, usePalette } from '../theme/theme';
import { Quiet, Reading, Words } from '../theme/words';

interface Props {
  readonly label: string;
  /** Said below the label, and after it by a screen reader. */
  readonly note?: string;
  readonly selected?: boolean;
  readonly onPress: () => void;
  /** A number or size, in the readings' face. */
  readonly reading?: boolean;
  readonly drawing?: (color: string) => ReactNode;
  /** The drawing stands before the label rather than above it. */
  readonly inline?: boolean;
  readonly quiet?: boolean;
  /** There is nothing to be done by it: it looks dead. */
  readonly disabled?: boolean;
  /** Takes no touch for a moment, and says so to a screen reader alone: what it looks like must not flicker. */
  readonly deaf?: boolean;
  readonly role?: 'radio' | 'button';
  readonly style?: ViewStyle;
  readonly testID?: string;
}

const useStyles = stylesOf((palette) => ({
  plate: { minHeight: TARGET, minWidth: 56, maxWidth: '100%', padding: 1, backgroundColor: palette.quiet, ...cut() },
  quiet: { backgroundColor: palette.hairline },
  chosen: { backgroundColor: palette.ink },
  /** No plate, and no outline: bare paper. */
  dead: { backgroundColor: palette.paper, opacity: 0.5 },
  deadFace: { backgroundColor: palette.paper },
  pressed: { opacity: 0.7 },
  face: {
    flex: 1,
    alignItems: 'center',
    justifyContent: 'center',
    gap: 2,
    paddingHorizontal: 12,
    paddingVertical: 6,
    backgroundColor: palette.sheet,
    ...cut(9),
  },
  inline: { flexDirection: 'row', gap: 8, paddingHorizontal: 8 },
  label: { fontSize: 17, lineHeight: 24, textAlign: 'center', color: palette.ink },
  beside: { flexShrink: 1, fontSize: 16, lineHeight: 22 },
  reading: { fontSize: 20 },
  quietLabel: { color: palette.quiet },
  chosenLabel: { color: palette.paper, fontWeight: '700' },
}));

/** A tappable plate with one cut corner; the chosen one is filled and says so to a screen reader. */
export function Plate({
  label,
  note,
  selected = false,
  onPress,
  reading = false,
  drawing,
  inline = false,
  quiet = false,
  disabled = false,
  deaf = false,
  role = 'radio',
  style,
  testID,
}: Props) {
  const palette = usePalette();
  const styles = useStyles();
  const Label = reading ? Reading : Words;
  return (
    <Pressable
      onPress={onPress}
      disabled={disabled || deaf}
      role={role}
      aria-checked={role === 'radio' ? selected : undefined}
      aria-label={note === undefined ? label : `${label}, ${note}`}
      testID={testID}
      style={({ pressed }) => [
        styles.plate,
        quiet && styles.quiet,
        selected && styles.chosen,
        disabled && styles.dead,
        pressed && styles.pressed,
        style,
      ]}
    >
      <View style={[styles.face, inline && styles.inline, selected && styles.chosen, disabled && styles.deadFace]}>
        {drawing?.(selected ? palette.paper : quiet ? palette.quiet : palette.ink)}
        <Label
          style={[
            styles.label,
            inline && styles.beside,
            reading && styles.reading,
            quiet && styles.quietLabel,
            selected && styles.chosenLabel,
          ]}
        >
          {label}
          {note !== undefined && <Quiet style={{ fontSize: 14, lineHeight: 18 }}>{`\n${note}`}</Quiet>}
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
