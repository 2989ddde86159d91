import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Outcome } from '@careful-latch/core/verdict';
import { Sign, severityWord, shownAs } from '../drawn/signs';
import { TARGET, cut, stylesOf, outline } from '../theme/theme';
import { Words } from '../theme/words';
import { Working } from './working';

const useStyles = stylesOf((palette) => ({
  line: { backgroundColor: palette.sheet, ...outline(palette.holds, false), ...cut(8) },
  violation: outline(palette.violation, true),
  advice: outline(palette.advice, false),
  press: { minHeight: TARGET, flexDirection: 'row', alignItems: 'center', gap: 10, padding: 8 },
  words: { flex: 1, fontSize: 17, lineHeight: 23, color: palette.holds },
  violated: { color: palette.violation },
  advised: { color: palette.advice },
  kind: { fontWeight: '700', fontSize: 17, color: palette.holds },
  fold: { fontSize: 15, color: palette.quiet },
}));

/** The answer beside a fact: one line, one tap to the working. */
export function OutcomeLine({ outcome }: { outcome: Outcome }) {
  const styles = useStyles();
  const [open, setOpen] = useState(false);
  const shown = shownAs(outcome);
  const words = shown === 'violation' ? styles.violated : shown === 'advice' ? styles.advised : undefined;
  return (
    <View
      aria-live="polite"
      style={[styles.line, shown === 'violation' && styles.violation, shown === 'advice' && styles.advice]}
    >
      <Pressable role="button" aria-expanded={open} onPress={() => setOpen(!open)} style={styles.press}>
        <Sign kind={shown} hazard={outcome.severity === 'hazard'} />
        <Words style={[styles.words, words]}>
          <Words style={[styles.kind, words]}>{severityWord(outcome.outcome, outcome.severity)}</Words>
          {`  ${outcome.reason}`}
        </Words>
        <Words style={styles.fold}>{open ? 'fold' : 'working'}</Words>
      </Pressable>
      {open && <Working outcome={outcome} />}
    </View>
  );
}
