import { View } from 'react-native';
import { factLabel, stationOf, valueText, type Station } from '@careful-latch/core/case';
import { differing, placeOfConflict, touched, type Inspection } from '@careful-latch/core/record';
import { Plate, Plates } from '../plates/plate';
import { record } from '../stores/inspections';
import { momentText } from '../theme/dates';
import { cut, usePalette, outline } from '../theme/theme';
import { Quiet, Words } from '../theme/words';

/** What two people recorded differently while apart, at a station or at all of them: one chooses, or measures again. Nothing where they agree. */
export function Differing({ inspection, station }: { inspection: Inspection; station?: Station }) {
  const palette = usePalette();
  const here = differing(inspection).flatMap((one) => {
    const path = placeOfConflict(inspection.case, one);
    return path !== undefined && (station === undefined || stationOf(path) === station) ? [{ ...one, path }] : [];
  });
  if (here.length === 0) return null;
  return (
    <View
      role="alert"
      testID="differing"
      style={[{ backgroundColor: palette.sheet, padding: 12, gap: 10, ...outline(palette.violation, true) }, cut(10)]}
    >
      <Words style={{ fontWeight: '700' }} color={palette.violation}>
        Recorded differently by two people
      </Words>
      {here.map(({ path, heads }) => (
        <View key={path} style={{ gap: 6 }}>
          <Words>{factLabel(path)}</Words>
          <Plates label={factLabel(path)}>
            {heads.map(({ value, at, by }) => (
              <Plate
                key={`${at} ${by}`}
                role="button"
                label={`${valueText(path, value)}: ${by}, ${momentText(at)}`}
                onPress={() => record(touched(inspection.id, path, value))}
              />
            ))}
          </Plates>
        </View>
      ))}
      <Quiet>Until one of them is chosen, or it is measured again, it counts as not proved.</Quiet>
    </View>
  );
}
