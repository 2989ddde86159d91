import { memo } from 'react';
import { View } from 'react-native';
import { VERDICT_WORDS, type Evaluation } from '@careful-latch/core/verdict';
import { Sign } from '../drawn/signs';
import { cut, usePalette, outline } from '../theme/theme';
import { Words } from '../theme/words';

/** What the engine says of the whole, in its own block: it shows, a person decides. */
export const VerdictBlock = memo(function VerdictBlock({ evaluation }: { evaluation: Evaluation }) {
  const palette = usePalette();
  const look = {
    'do-not-energize': { fill: palette.violation, kind: 'violation' },
    'corrections-required': { fill: palette.violation, kind: 'violation' },
    'not-finished': { fill: palette.unproven, kind: 'unproven' },
    'nothing-against': { fill: palette.holds, kind: 'holds' },
  } as const;
  const { fill, kind } = look[evaluation.verdict];
  const hazard = evaluation.verdict === 'do-not-energize';
  const count = (of: string) => evaluation.outcomes.filter((one) => one.outcome === of).length;
  const color = hazard ? palette.paper : fill;
  return (
    <View
      role="status"
      testID="verdict"
      style={[
        {
          flexDirection: 'row',
          flexWrap: 'wrap',
          alignItems: 'center',
          gap: 12,
          padding: 12,
          backgroundColor: hazard ? fill : palette.sheet,
        },
        outline(fill, kind === 'violation' && !hazard),
        cut(14),
      ]}
    >
      <View style={hazard ? { backgroundColor: palette.paper, padding: 3 } : undefined}>
        <Sign kind={kind} hazard={hazard} size={hazard ? 36 : 30} />
      </View>
      <View style={{ flexGrow: 1, flexShrink: 1, flexBasis: 150 }}>
        <Words color={color} style={{ fontSize: 21, lineHeight: 27, fontWeight: '700' }}>
          {VERDICT_WORDS[evaluation.verdict]}
        </Words>
        <Words color={hazard ? palette.paper : palette.quiet} style={{ fontSize: 16, lineHeight: 22 }}>
          {`${count('violation')} violated · ${count('unproven')} unproven · ${count('holds')} hold`}
        </Words>
      </View>
    </View>
  );
});
