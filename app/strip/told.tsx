import { View } from 'react-native';
import { STATION_NAMES, type Station } from '@careful-latch/core/case';
import { Sign } from '../drawn/signs';
import { Plate } from '../plates/plate';
import { cut, outline, usePalette } from '../theme/theme';
import { Words } from '../theme/words';
import type { ToldHere } from '../wall/hand';

/** The same sentence of two rules is told once. */
const once = (told: readonly ToldHere[]) =>
  told.filter(({ reason }, i) => told.findIndex((one) => one.reason === reason) === i);

/** What the last answer has made wrong, each in its sentence, be it at another station. A hazard has the strip to itself until somebody goes on. */
export function ToldNow({
  told,
  station,
  onSee,
  onGoOn,
}: {
  told: readonly ToldHere[];
  station: Station;
  onSee: (path: string) => void;
  onGoOn: () => void;
}) {
  const palette = usePalette();
  const hazard = told[0]?.severity === 'hazard';
  const words = { fontSize: 17, lineHeight: 23 };
  return (
    <View
      role="alert"
      testID="told"
      style={[{ padding: 10, gap: 8, backgroundColor: palette.sheet }, outline(palette.violation, true), cut(12)]}
    >
      {once(told).map(({ rule, part, severity, reason, remedy, path, station: at }, i) => (
        <View key={`${rule} ${part}`} style={{ gap: 4 }}>
          <View style={{ flexDirection: 'row', gap: 10, alignItems: 'flex-start' }}>
            <Sign kind="violation" hazard={severity === 'hazard'} size={severity === 'hazard' ? 30 : 20} />
            <Words
              color={palette.violation}
              style={[words, { flex: 1 }, severity === 'hazard' && { fontSize: 19, lineHeight: 25 }]}
            >
              <Words color={palette.violation} style={[words, { fontWeight: '700' }]}>
                {`${severity === 'hazard' ? 'Hazard' : 'Correction'}${at === station ? '' : `, ${STATION_NAMES[at]}`}: `}
              </Words>
              {reason}
            </Words>
          </View>
          {severity === 'hazard' && remedy !== null && (
            <Words style={words}>
              <Words style={[words, { fontWeight: '700' }]}>First: </Words>
              {remedy}
            </Words>
          )}
          {at !== station && path !== undefined && (
            <Plate
              role="button"
              quiet
              label={`See it: ${STATION_NAMES[at]}`}
              testID={`see-told-${i}`}
              onPress={() => onSee(path)}
              style={{ alignSelf: 'flex-start' }}
            />
          )}
        </View>
      ))}
      {hazard && <Plate role="button" label="Go on looking" onPress={onGoOn} />}
    </View>
  );
}
