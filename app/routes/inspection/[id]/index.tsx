import { View } from 'react-native';
import { Acts, Head } from '../../../inspection/head';
import { PathOverview } from '../../../inspection/path-overview';
import { RatingRow } from '../../../inspection/rating-row';
import { useWalk } from '../../../inspection/use-inspection';
import { VerdictBlock } from '../../../inspection/verdict-block';
import { Back } from '../../../theme/back';
import { Screen, useWide } from '../../../theme/screen';
import { Quiet, Title } from '../../../theme/words';

export default function Overview() {
  const walk = useWalk();
  const wide = useWide();
  if (!walk) return null;
  if (wide)
    return (
      <Screen>
        <Title>Walk as the current flows</Title>
        <Quiet>
          Choose a station on the path. Keys: ] and [ walk the stations, 1 to 9 choose a plate, 0 is not seen, n the
          next open fact, u takes back, f the findings.
        </Quiet>
      </Screen>
    );
  return (
    <Screen head={<Back to="/" label="Inspections" />} act={<Acts walk={walk} />}>
      <View style={{ gap: 12 }}>
        <Head walk={walk} />
        <VerdictBlock evaluation={walk.evaluation} />
        <PathOverview walk={walk} />
        <RatingRow site={walk.inspection.case} />
      </View>
    </Screen>
  );
}
