import { useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Line } from '@careful-latch/core/walk';
import { Sign } from '../drawn/signs';
import { Plate } from '../plates/plate';
import { TARGET, usePalette } from '../theme/theme';
import { Words } from '../theme/words';

/** A line must have been on the screen for so long before it can be said with the others. */
const SEEN_MS = 800;

/** Plain statements with one plate under them. A line that is not so is touched first, and answered by itself. */
export function SaidTogether({
  lines,
  begun,
  onLine,
  onAllSo,
}: {
  lines: readonly Line[];
  /** Whether some of the list were answered by themselves. */
  begun: boolean;
  onLine: (path: string) => void;
  onAllSo: () => void;
}) {
  const palette = usePalette();
  const which = lines.map((one) => one.path).join();
  const [seen, setSeen] = useState<string>();
  useEffect(() => {
    const timer = setTimeout(() => setSeen(which), SEEN_MS);
    return () => clearTimeout(timer);
  }, [which]);
  return (
    <View style={{ gap: 8 }}>
      <View role="list">
        {lines.map(({ path, words }) => (
          <View key={path} role="listitem">
            <Pressable
              role="button"
              aria-label={`${words}. Touch it where it is not so.`}
              testID={`line-${path}`}
              onPress={() => onLine(path)}
              style={{
                minHeight: TARGET,
                flexDirection: 'row',
                alignItems: 'center',
                gap: 10,
                borderBottomWidth: 1,
                borderColor: palette.hairline,
              }}
            >
              <Sign kind="unproven" size={20} />
              <Words style={{ flex: 1, fontSize: 17, lineHeight: 22 }}>{words}</Words>
            </Pressable>
          </View>
        ))}
      </View>
      <Plate
        role="button"
        deaf={seen !== which}
        label={
          lines.length === 1 ? 'It is so' : begun ? `The rest is so (${lines.length})` : `All ${lines.length} are so`
        }
        onPress={onAllSo}
      />
    </View>
  );
}
