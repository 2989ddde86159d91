import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { REMOVAL_REASONS, placesOf, type Paper, type RemovalReason } from '@careful-latch/core/papers';
import { Plate, Plates } from '../plates/plate';
import { TARGET, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';

type Removed = Readonly<Record<string, RemovalReason>>;

/** What is taken out of a copy: the reason first, then whatever goes for it, touch by touch. Touched again, it stands there again. */
export function Removals({
  paper,
  removals,
  onChange,
}: {
  paper: Paper;
  removals: Removed;
  onChange: (removals: Removed) => void;
}) {
  const palette = usePalette();
  const [reason, setReason] = useState<RemovalReason>('personal');
  const toggle = (id: string) => {
    const { [id]: was, ...others } = removals;
    onChange(was === undefined ? { ...others, [id]: reason } : others);
  };
  return (
    <View style={{ gap: 8 }} testID="removals">
      <Quiet>Choose why, then touch what goes. The copy is built anew without it; the original stays whole.</Quiet>
      <Plates label="Why">
        {(Object.keys(REMOVAL_REASONS) as RemovalReason[]).map((one) => (
          <Plate key={one} label={REMOVAL_REASONS[one]} selected={reason === one} onPress={() => setReason(one)} />
        ))}
      </Plates>
      <View style={{ borderTopWidth: 1, borderColor: palette.hairline }}>
        {placesOf(paper).map(({ id, says }) => {
          const why = removals[id];
          return (
            <Pressable
              key={id}
              role="checkbox"
              aria-checked={why !== undefined}
              aria-label={says}
              onPress={() => toggle(id)}
              style={{
                minHeight: TARGET,
                justifyContent: 'center',
                borderBottomWidth: 1,
                borderColor: palette.hairline,
              }}
            >
              <Words
                numberOfLines={2}
                style={{
                  fontSize: 16,
                  lineHeight: 22,
                  textDecorationLine: why === undefined ? 'none' : 'line-through',
                }}
              >
                {says}
              </Words>
              {why !== undefined && <Quiet>{REMOVAL_REASONS[why]}</Quiet>}
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
