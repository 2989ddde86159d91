import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import type { OutcomeKind } from '@careful-latch/core/verdict';
import type { Severity } from '@careful-latch/core/rules';
import type { Palette } from '../theme/palette';
import { usePalette } from '../theme/theme';
import { Words } from '../theme/words';

/** An outcome as it is shown: a violation that is advice alone has a sign and a color of its own. */
type Shown = OutcomeKind | 'advice';
export const shownAs = ({
  outcome,
  severity,
}: {
  readonly outcome: OutcomeKind;
  readonly severity: Severity;
}): Shown => (outcome === 'violation' && severity === 'advisory' ? 'advice' : outcome);

const OUTCOME_WORDS: Readonly<Record<OutcomeKind, string>> = {
  holds: 'holds',
  violation: 'violation',
  unproven: 'unproven',
  'not-applicable': 'doesn’t apply',
};

/** The color of a sign and of its words. */
export function colorOf(palette: Palette, kind: Shown): string {
  return {
    holds: palette.holds,
    violation: palette.violation,
    advice: palette.advice,
    unproven: palette.unproven,
    'not-applicable': palette.quiet,
  }[kind];
}

/** The two lugs that the latch bar goes through. */
const LUGS = 'M.2 5.2H7.8V18.8H.2ZM2.2 7.2V16.8H5.8V7.2ZM16.2 5.2H23.8V18.8H16.2ZM18.2 7.2V16.8H21.8V7.2Z';
/** One path each, for a sign is drawn in the frame of the tap that it answers. */
const SHAPE: Readonly<Record<Shown, string>> = {
  holds: `${LUGS}M0 9.7H24V14.3H0Z`,
  violation: `${LUGS}M0 9.7H8.5L11.5 6.5V11.8L9.3 14.3H0ZM24 9.7V14.3H15.5L12.5 17.5V12.2L14.7 9.7Z`,
  unproven: LUGS,
  advice: `${LUGS}M9.6 9.7H14.4V14.3H9.6Z`,
  'not-applicable': 'M2 11.25H22V12.75H2Z',
};

/** A latch bar through two lugs; snapped; the lugs alone; a short piece between them for advice; a thin line. A hazard is the snapped bar cut out of a block. */
export const Sign = memo(function Sign({
  kind,
  hazard = false,
  size = 24,
}: {
  kind: Shown;
  hazard?: boolean;
  size?: number;
}) {
  const palette = usePalette();
  const color = colorOf(palette, kind);
  const cutOut = kind === 'violation' && hazard;
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      {cutOut && <Path d="M0 0H19L24 5V24H0Z" fill={color} />}
      <Path
        d={SHAPE[kind]}
        fill={cutOut ? palette.paper : color}
        transform={cutOut ? 'translate(1.6 2.4) scale(0.86)' : undefined}
      />
    </Svg>
  );
});

export const severityWord = (kind: OutcomeKind, severity: Severity) =>
  kind === 'violation' ? severity : OUTCOME_WORDS[kind];

/** A sign with its word: nothing is told by color or shape alone. */
export function SignWithWord({ kind, severity }: { kind: OutcomeKind; severity: Severity }) {
  const shown = shownAs({ outcome: kind, severity });
  const color = colorOf(usePalette(), shown);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <Sign kind={shown} hazard={severity === 'hazard'} />
      <Words color={color} style={{ fontSize: 16, lineHeight: 22, fontWeight: '700' }}>
        {severityWord(kind, severity)}
      </Words>
    </View>
  );
}
