import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Outcome } from '@careful-latch/core/verdict';
import { Sign, severityWord } from '../drawn/signs';
import { TARGET, cut, usePalette } from '../theme/theme';
import { Words } from '../theme/words';
import { Working } from './working';

/** The answer beside a fact: one line, one tap to the working. */
export function OutcomeLine({ outcome }: { outcome: Outcome }) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const color = outcome.outcome === 'violation' ? palette.violation : palette.holds;
  return (
    <View
      aria-live="polite"
      style={[{ backgroundColor: palette.sheet, borderLeftWidth: 4, borderColor: color }, cut(8)]}
    >
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        style={{ minHeight: TARGET, flexDirection: 'row', alignItems: 'center', gap: 10, padding: 8 }}
      >
        <Sign kind={outcome.outcome} hazard={outcome.severity === 'hazard'} />
        <Words color={color} style={{ flex: 1, fontSize: 17, lineHeight: 23 }}>
          <Words color={color} style={{ fontWeight: '700', fontSize: 17 }}>
            {severityWord(outcome.outcome, outcome.severity)}
          </Words>
          {`  ${outcome.reason}`}
        </Words>
        <Words color={palette.quiet} style={{ fontSize: 15 }}>
          {open ? 'fold' : 'working'}
        </Words>
      </Pressable>
      {open && <Working outcome={outcome} />}
    </View>
  );
}
