import { View } from 'react-native';
import Svg, { G, Line, Path, Rect } from 'react-native-svg';
import type { OutcomeKind } from '@careful-latch/core/verdict';
import type { Severity } from '@careful-latch/core/rules';
import { usePalette } from '../theme/theme';
import { Words } from '../theme/words';

const OUTCOME_WORDS: Readonly<Record<OutcomeKind, string>> = {
  holds: 'holds',
  violation: 'violation',
  unproven: 'unproven',
  'not-applicable': 'doesn’t apply',
};

function useColor(kind: OutcomeKind): string {
  const palette = usePalette();
  return {
    holds: palette.holds,
    violation: palette.violation,
    unproven: palette.unproven,
    'not-applicable': palette.quiet,
  }[kind];
}

/** The two lugs that the latch bar goes through. */
const Lugs = ({ color }: { color: string }) => (
  <Path d="M1.2 6.2 H6.8 V17.8 H1.2 Z M17.2 6.2 H22.8 V17.8 H17.2 Z" fill="none" stroke={color} strokeWidth={2} />
);

/** A latch bar through two lugs; snapped; the lugs alone; a thin line. A hazard is the snapped bar cut out of a block. */
export function Sign({ kind, hazard = false, size = 24 }: { kind: OutcomeKind; hazard?: boolean; size?: number }) {
  const palette = usePalette();
  const color = useColor(kind);
  const cutOut = kind === 'violation' && hazard;
  const stroke = cutOut ? palette.paper : color;
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      {cutOut && <Path d="M0 0 H19 L24 5 V24 H0 Z" fill={color} />}
      {kind === 'not-applicable' ? (
        <Line x1={2} y1={12} x2={22} y2={12} stroke={color} strokeWidth={1.5} />
      ) : (
        <G transform={cutOut ? 'translate(1.6 2.4) scale(0.86)' : undefined}>
          <Lugs color={stroke} />
          {kind === 'holds' && <Rect x={0} y={9.7} width={24} height={4.6} fill={color} />}
          {kind === 'violation' && (
            <Path
              d="M0 9.7 H8.5 L11.5 6.5 V11.8 L9.3 14.3 H0 Z M24 9.7 V14.3 H15.5 L12.5 17.5 V12.2 L14.7 9.7 Z"
              fill={stroke}
            />
          )}
        </G>
      )}
    </Svg>
  );
}

export const severityWord = (kind: OutcomeKind, severity: Severity) =>
  kind === 'violation' ? severity : OUTCOME_WORDS[kind];

/** A sign with its word: nothing is told by colour or shape alone. */
export function SignWithWord({ kind, severity }: { kind: OutcomeKind; severity: Severity }) {
  const color = useColor(kind);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <Sign kind={kind} hazard={severity === 'hazard'} />
      <Words color={color} style={{ fontSize: 16, lineHeight: 22, fontWeight: '700' }}>
        {severityWord(kind, severity)}
      </Words>
    </View>
  );
}
