import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { STATION_NAMES, type Case } from '@careful-latch/core/case';
import { find } from '@careful-latch/core/walk';
import { Input } from '../theme/elements';
import { TARGET, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';

/** Looks for a fact by any word of it, of its station or of a rule; touching a hit takes it into hand. */
export function Find({ site, onPick }: { site: Case; onPick: (path: string) => void }) {
  const palette = usePalette();
  const [text, setText] = useState('');
  const hits = useMemo(() => find(site, text), [site, text]);
  return (
    <View style={{ gap: 4 }}>
      <Input
        value={text}
        onChangeText={setText}
        autoFocus
        aria-label="Find a fact or a rule"
        placeholder="torque, neutral, sign …"
        renderErrorMessage={false}
      />
      {text.trim() !== '' && hits.length === 0 && <Quiet>Nothing of this house is called so.</Quiet>}
      <View role="list">
        {hits.map(({ station, path, words }, i) => (
          <View key={i} role="listitem">
            <Pressable
              role="button"
              onPress={() => onPick(path)}
              style={{
                minHeight: TARGET,
                justifyContent: 'center',
                borderBottomWidth: 1,
                borderColor: palette.hairline,
              }}
            >
              <Words style={{ fontSize: 17, lineHeight: 22 }}>{words}</Words>
              <Quiet style={{ fontSize: 14, lineHeight: 18 }}>{STATION_NAMES[station]}</Quiet>
            </Pressable>
          </View>
        ))}
      </View>
    </View>
  );
}
