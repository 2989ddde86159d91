import { Slot, useLocalSearchParams, usePathname } from 'expo-router';
import { memo, useEffect, useState } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { Findings } from '../../../inspection/findings';
import { Acts, Head } from '../../../inspection/head';
import { PathOverview } from '../../../inspection/path-overview';
import { RatingRow } from '../../../inspection/rating-row';
import { useKeys } from '../../../inspection/use-keys';
import { useWalk, useWalkSoon } from '../../../inspection/use-inspection';
import { VerdictBlock } from '../../../inspection/verdict-block';
import { bring, shown, useInspections } from '../../../stores/inspections';
import { Back } from '../../../theme/back';
import { Screen, useWide } from '../../../theme/screen';
import { usePalette } from '../../../theme/theme';
import { Quiet, Title } from '../../../theme/words';
import { inside } from '../../../theme/inside';

/** From this width on, findings stand beside the table of circuits and the whole wall, too. */
const ROOM_FOR_ALL_PX = 1700;

const FETCHING = 'Fetching it from the office…';

const Keys = memo(function Keys() {
  useKeys(useWalk());
  return null;
});

const PathPane = memo(function PathPane() {
  const walk = useWalkSoon();
  const palette = usePalette();
  return (
    <ScrollView
      style={{ width: 372, flexGrow: 0, borderRightWidth: 1, borderColor: palette.hairline }}
      contentContainerStyle={{ padding: 16, gap: 10 }}
    >
      <Back to="/" label="Inspections" />
      {walk ? <Head walk={walk} /> : <Quiet>{FETCHING}</Quiet>}
      <PathOverview walk={walk} />
      {walk && <Acts walk={walk} />}
    </ScrollView>
  );
});

const FindingsPane = memo(function FindingsPane() {
  const walk = useWalkSoon();
  const palette = usePalette();
  return (
    <ScrollView
      style={{ width: 400, flexGrow: 0, borderLeftWidth: 1, borderColor: palette.hairline }}
      contentContainerStyle={{ padding: 16, gap: 14 }}
    >
      {walk && (
        <>
          <VerdictBlock evaluation={walk.evaluation} />
          <RatingRow site={walk.inspection.case} />
          <Findings walk={walk} />
        </>
      )}
    </ScrollView>
  );
});

/** On a wide screen path, station and findings stand side by side; on a phone each is a screen. */
export default inside(function InspectionLayout() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const here = useInspections((one) => one.byId[id] !== undefined);
  const wide = useWide();
  const { width } = useWindowDimensions();
  const palette = usePalette();
  const path = usePathname();
  const asked = useInspections((one) => one.asked);
  const [sought, setSought] = useState<string>();
  useEffect(() => shown(id), [id]);
  useEffect(() => {
    if (!here && asked) void bring(id).finally(() => setSought(id)); // found in the office's list, or by a link
  }, [here, asked, id]);
  if (!here && (!asked || sought !== id))
    return wide ? (
      <View style={{ flex: 1, flexDirection: 'row', backgroundColor: palette.paper }}>
        <PathPane />
      </View>
    ) : (
      <Screen narrow head={<Back to="/" label="Inspections" />}>
        <Quiet>{FETCHING}</Quiet>
        <PathOverview />
      </Screen>
    );
  if (!here)
    return (
      <Screen narrow head={<Back to="/" label="Inspections" />}>
        <Title>Not on this phone</Title>
        <Quiet>
          Neither this phone nor the office has such an inspection, or the office cannot be reached. If another person
          opened it, it comes by itself.
        </Quiet>
      </Screen>
    );
  if (!wide)
    return (
      <>
        <Keys />
        <Slot />
      </>
    );
  const alone =
    /\/(findings|record)$/.test(path) || (width < ROOM_FOR_ALL_PX && /\/(loads|inspection\/[^/]+)$/.test(path));
  return (
    <View style={{ flex: 1, flexDirection: 'row', backgroundColor: palette.paper }}>
      <Keys />
      <PathPane />
      <View style={{ flex: 1 }}>
        <Slot />
      </View>
      {!alone && <FindingsPane />}
    </View>
  );
});
