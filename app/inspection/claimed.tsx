import { View } from 'react-native';
import type { Station } from '@careful-latch/core/case';
import { claimedAndFound, type Inspection } from '@careful-latch/core/record';
import { dayText } from '../theme/dates';
import { usePalette } from '../theme/theme';
import { Heading, Quiet, Words } from '../theme/words';

/** What the contractor claims of a station, each beside what was found there; of the whole house only where the two differ. */
export function ClaimedAndFound({ inspection, station }: { inspection: Inspection; station?: Station }) {
  const palette = usePalette();
  const { claimed } = inspection;
  if (!claimed) return null;
  const all = claimedAndFound(inspection, station);
  const shown = station === undefined ? all.filter(({ differs }) => differs) : all;
  if (station !== undefined && all.length === 0) return null;
  return (
    <View style={{ gap: 4, paddingTop: 14 }} testID="claimed">
      <Heading>{station === undefined ? 'Claimed, and found otherwise' : 'Claimed, and found'}</Heading>
      <Quiet>{`${claimed.by} recorded it ${dayText(claimed.at)} and asked for an inspection. It proves nothing here.`}</Quiet>
      {station === undefined && shown.length === 0 && (
        <Quiet>{`Nothing so far: ${all.filter(({ found }) => found !== undefined).length} of ${all.length} claims were looked at.`}</Quiet>
      )}
      {shown.map(({ path, label, claimed: said, found, differs }) => (
        <View
          key={path}
          style={{
            flexDirection: 'row',
            gap: 10,
            borderTopWidth: 1,
            borderColor: palette.hairline,
            paddingVertical: 6,
          }}
        >
          <Words style={{ flex: 2, fontSize: 16, lineHeight: 20 }}>{label}</Words>
          <Words style={{ flex: 1, fontSize: 16, lineHeight: 20 }} color={palette.quiet}>
            {said}
          </Words>
          <Words
            style={{ flex: 1, fontSize: 16, lineHeight: 20, fontWeight: differs ? '700' : '400' }}
            color={differs ? palette.violation : palette.ink}
          >
            {found ?? '—'}
          </Words>
        </View>
      ))}
    </View>
  );
}
