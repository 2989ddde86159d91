import { Suspense, lazy } from 'react';
import { View } from 'react-native';
import { Awaited } from '../../../drawn/awaited';
import { Differing } from '../../../inspection/differing';
import { Acts, Head } from '../../../inspection/head';
import { PathOverview } from '../../../inspection/path-overview';
import { RatingRow } from '../../../inspection/rating-row';
import { useWalk } from '../../../inspection/use-inspection';
import { VerdictBlock } from '../../../inspection/verdict-block';
import { Back } from '../../../theme/back';
import { Screen, useWide } from '../../../theme/screen';
import { Quiet } from '../../../theme/words';

const WholeWall = lazy(async () => ({ default: (await import('../../../tables/tables')).WholeWall }));

export default function Overview() {
  const walk = useWalk();
  const wide = useWide();
  if (!walk) return null;
  if (wide)
    return (
      <Screen>
        <View style={{ gap: 10 }}>
          <VerdictBlock evaluation={walk.evaluation} />
          <Suspense fallback={<Awaited />}>
            <WholeWall walk={walk} />
          </Suspense>
          <Quiet>Touch a station, here or on the path. ? shows what the keys do.</Quiet>
        </View>
      </Screen>
    );
  return (
    <Screen head={<Back to="/" label="Inspections" />} act={<Acts walk={walk} />}>
      <View style={{ gap: 12 }}>
        <Head walk={walk} />
        <VerdictBlock evaluation={walk.evaluation} />
        <Differing inspection={walk.inspection} />
        <PathOverview walk={walk} />
        <RatingRow site={walk.inspection.case} />
      </View>
    </Screen>
  );
}
