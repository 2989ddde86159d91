import { View } from 'react-native';
import type { Outcome } from '@careful-latch/core/verdict';
import { usePalette } from '../theme/theme';
import { Quiet, Reading, Words } from '../theme/words';

/** Where offices differ: which reading was used here, which the working says too; and what the office’s own profile changed. */
export function OfficeNote({ outcome: { reading, changedBy } }: { outcome: Outcome }) {
  return (
    <>
      {reading && <Quiet>{reading}</Quiet>}
      {changedBy && <Quiet>{changedBy}</Quiet>}
    </>
  );
}

/** An outcome's working, to be redone with a pencil: every number with where it came from, then the sections and the remedy. */
export function Working({ outcome }: { outcome: Outcome }) {
  const palette = usePalette();
  return (
    <View style={{ padding: 10, paddingTop: 0, gap: 8 }}>
      {outcome.remedy && (
        <Words style={{ fontSize: 17, lineHeight: 24 }}>
          <Words style={{ fontWeight: '700', fontSize: 17 }}>Remedy. </Words>
          {outcome.remedy}
        </Words>
      )}
      {outcome.changedBy && <Quiet>{outcome.changedBy}</Quiet>}
      <View role="list">
        {outcome.working.map((step, i) => (
          <View
            key={i}
            role="listitem"
            style={{
              flexDirection: 'row',
              gap: 10,
              alignItems: 'baseline',
              paddingVertical: 4,
              borderTopWidth: 1,
              borderColor: palette.hairline,
            }}
          >
            <View style={{ flex: 1 }}>
              <Words style={{ fontSize: 16, lineHeight: 21 }}>{step.label}</Words>
              <Quiet style={{ fontSize: 14, lineHeight: 18 }}>{step.source}</Quiet>
            </View>
            <Reading
              style={{
                fontSize: typeof step.value === 'number' || step.value.length < 8 ? 18 : 15,
                maxWidth: 170,
                textAlign: 'right',
              }}
            >
              {step.value}
              {step.unit ? ` ${step.unit}` : ''}
            </Reading>
          </View>
        ))}
      </View>
      <Quiet>
        {outcome.cites.join(' · ')} · {outcome.rule}
      </Quiet>
    </View>
  );
}
