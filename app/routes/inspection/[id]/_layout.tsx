import { Slot, usePathname } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { Findings } from '../../../inspection/findings';
import { Acts, Head } from '../../../inspection/head';
import { PathOverview } from '../../../inspection/path-overview';
import { RatingRow } from '../../../inspection/rating-row';
import { useKeys } from '../../../inspection/use-keys';
import { useWalk } from '../../../inspection/use-inspection';
import { VerdictBlock } from '../../../inspection/verdict-block';
import { useInspections } from '../../../stores/inspections';
import { Back } from '../../../theme/back';
import { Screen, useWide } from '../../../theme/screen';
import { usePalette } from '../../../theme/theme';
import { Quiet, Title } from '../../../theme/words';

/** On a wide screen path, station and findings stand side by side; on a phone each is a screen. */
export default function InspectionLayout() {
  const walk = useWalk();
  const wide = useWide();
  const palette = usePalette();
  const path = usePathname();
  const asked = useInspections((one) => one.asked);
  useKeys(walk);
  if (!walk && !asked)
    return (
      <Screen narrow head={<Back to="/" label="Inspections" />}>
        <Quiet>Fetching it from the office…</Quiet>
        <PathOverview />
      </Screen>
    );
  if (!walk)
    return (
      <Screen narrow head={<Back to="/" label="Inspections" />}>
        <Title>Not on this phone</Title>
        <Quiet>
          This phone has no such inspection. If another person opened it, it comes once the office can be reached.
        </Quiet>
      </Screen>
    );
  if (!wide) return <Slot />;
  const beside = !/\/(findings|decide|record)$/.test(path);
  const pane = { borderColor: palette.hairline, padding: 16 } as const;
  return (
    <View style={{ flex: 1, flexDirection: 'row', backgroundColor: palette.paper }}>
      <ScrollView
        style={{ width: 372, flexGrow: 0, borderRightWidth: 1, borderColor: palette.hairline }}
        contentContainerStyle={{ padding: 16, gap: 10 }}
      >
        <Back to="/" label="Inspections" />
        <Head walk={walk} />
        <PathOverview walk={walk} />
        <Acts walk={walk} />
      </ScrollView>
      <View style={{ flex: 1 }}>
        <Slot />
      </View>
      {beside && (
        <ScrollView
          style={{ width: 400, flexGrow: 0, borderLeftWidth: 1, borderColor: palette.hairline }}
          contentContainerStyle={[pane, { gap: 14 }]}
        >
          <VerdictBlock evaluation={walk.evaluation} />
          <RatingRow site={walk.inspection.case} />
          <Findings walk={walk} />
        </ScrollView>
      )}
    </View>
  );
}
