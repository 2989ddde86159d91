import { View } from 'react-native';
import Svg, { G, Line, Path, Rect } from 'react-native-svg';
import type { OutcomeKind } from '@careful-latch/core/verdict';
import type { Severity } from '@careful-latch/core/rules';
import { usePalette } from '../theme/theme';
import { Words } from '../theme/words';

export const OUTCOME_WORDS: Readonly<Record<OutcomeKind, string>> = {
  holds: 'holds',
  violation: 'violation',
  unproven: 'unproven',
  'not-applicable': 'doesn’t apply',
};

const Lugs = ({ color }: { color: string }) => (
  <G fill="none" stroke={color} strokeWidth={2.5}>
    <Path d="M5 6 V18 H9 V6 Z" />
    <Path d="M15 6 V18 H19 V6 Z" />
  </G>
);

/** A latch bar through two lugs; snapped; the lugs alone; a thin line. A hazard is the snapped bar cut out of a block. */
export function Sign({ kind, hazard = false, size = 24 }: { kind: OutcomeKind; hazard?: boolean; size?: number }) {
  const palette = usePalette();
  const color = { holds: palette.holds, violation: palette.violation, unproven: palette.unproven, 'not-applicable': palette.quiet }[kind];
  const cutOut = kind === 'violation' && hazard;
  const stroke = cutOut ? palette.paper : color;
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      {cutOut && <Path d="M0 0 H19 L24 5 V24 H0 Z" fill={color} />}
      {kind === 'not-applicable' ? (
        <Line x1={2} y1={12} x2={22} y2={12} stroke={color} strokeWidth={1.5} />
      ) : (
        <>
          <Lugs color={stroke} />
          {kind === 'holds' && <Rect x={0.5} y={9.5} width={23} height={5} fill={color} />}
          {kind === 'violation' && <Path d="M0.5 6.5 L11 9.8 L10 14.2 L0.5 11.5 Z M23.5 12.5 L13 14 L14.2 9.8 L23.5 17.2 Z" fill={stroke} />}
        </>
      )}
    </Svg>
  );
}

export const severityWord = (kind: OutcomeKind, severity: Severity) => (kind === 'violation' ? severity : OUTCOME_WORDS[kind]);

/** A sign with its word: nothing is told by colour or shape alone. */
export function SignWithWord({ kind, severity }: { kind: OutcomeKind; severity: Severity }) {
  const palette = usePalette();
  const color = { holds: palette.holds, violation: palette.violation, unproven: palette.unproven, 'not-applicable': palette.quiet }[kind];
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <Sign kind={kind} hazard={severity === 'hazard'} />
      <Words color={color} style={{ fontSize: 16, lineHeight: 22, fontWeight: '700' }}>
        {severityWord(kind, severity)}
      </Words>
    </View>
  );
}
