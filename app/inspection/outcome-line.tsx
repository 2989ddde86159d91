import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Outcome } from '@careful-latch/core/verdict';
import { Sign, severityWord } from '../drawn/signs';
import { TARGET, cut, stylesOf } from '../theme/theme';
import { Words } from '../theme/words';
import { Working } from './working';

const useStyles = stylesOf((palette) => ({
  line: { backgroundColor: palette.sheet, borderLeftWidth: 4, borderColor: palette.holds, ...cut(8) },
  violation: { borderColor: palette.violation },
  press: { minHeight: TARGET, flexDirection: 'row', alignItems: 'center', gap: 10, padding: 8 },
  words: { flex: 1, fontSize: 17, lineHeight: 23, color: palette.holds },
  violated: { color: palette.violation },
  kind: { fontWeight: '700', fontSize: 17, color: palette.holds },
  fold: { fontSize: 15, color: palette.quiet },
}));

/** The answer beside a fact: one line, one tap to the working. */
export function OutcomeLine({ outcome }: { outcome: Outcome }) {
  const styles = useStyles();
  const [open, setOpen] = useState(false);
  const violated = outcome.outcome === 'violation';
  return (
    <View aria-live="polite" style={[styles.line, violated && styles.violation]}>
      <Pressable role="button" aria-expanded={open} onPress={() => setOpen(!open)} style={styles.press}>
        <Sign kind={outcome.outcome} hazard={outcome.severity === 'hazard'} />
        <Words style={[styles.words, violated && styles.violated]}>
          <Words style={[styles.kind, violated && styles.violated]}>
            {severityWord(outcome.outcome, outcome.severity)}
          </Words>
          {`  ${outcome.reason}`}
        </Words>
        <Words style={styles.fold}>{open ? 'fold' : 'working'}</Words>
      </Pressable>
      {open && <Working outcome={outcome} />}
    </View>
  );
}
