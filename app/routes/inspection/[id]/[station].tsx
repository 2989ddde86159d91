import { Redirect, useLocalSearchParams } from 'expo-router';
import { Suspense, lazy, memo } from 'react';
import { View } from 'react-native';
import { STATIONS, STATION_NAMES, isStation, type Station } from '@careful-latch/core/case';
import { Awaited } from '../../../drawn/awaited';
import { PathStrip } from '../../../drawn/path-line';
import { SaveLine } from '../../../inspection/save-line';
import { NextStation, StationSheet } from '../../../inspection/station-sheet';
import { useWalkSoon } from '../../../inspection/use-inspection';
import { Plate } from '../../../plates/plate';
import { usePreferences } from '../../../stores/preferences';
import { BackHome } from '../../../inspection/back-home';
import { Screen, useWide } from '../../../theme/screen';

/** Drawings and strip come by themselves, after the first screen. */
const WallScreen = lazy(() => import('../../../wall/wall-screen').then((one) => ({ default: one.WallScreen })));

/** Where this is, and how the whole path stands. */
const SheetHead = memo(function SheetHead({ station }: { station: Station }) {
  const walk = useWalkSoon();
  if (!walk) return null;
  return (
    <View style={{ gap: 4 }}>
      <BackHome inspection={walk.inspection} />
      <PathStrip states={walk.states} here={STATIONS.indexOf(station)} />
    </View>
  );
});

const SheetAct = memo(function SheetAct({ station }: { station: Station }) {
  const walk = useWalkSoon();
  const wide = useWide();
  if (!walk) return null;
  return (
    <View>
      {!wide && <SaveLine inspection={walk.inspection.id} />}
      <NextStation walk={walk} station={station} />
    </View>
  );
});

export default function StationScreen() {
  // Its own part of the address: by the whole one it would show the next station before its own screen does, and lose what was tapped meanwhile.
  const { id, station } = useLocalSearchParams<{ id: string; station: string }>();
  const wide = useWide();
  const allFacts = usePreferences((one) => one.allFacts);
  const setAllFacts = usePreferences((one) => one.setAllFacts);
  if (!isStation(station)) return <Redirect href={`/inspection/${id}`} />;
  if (!allFacts)
    return (
      <Suspense
        fallback={
          <View style={{ flex: 1 }}>
            {!wide && (
              <View style={{ paddingHorizontal: 12, paddingTop: 4 }}>
                <SheetHead station={station} />
              </View>
            )}
            <Awaited title={STATION_NAMES[station]} strip />
          </View>
        }
      >
        <WallScreen station={station} />
      </Suspense>
    );
  return (
    <Screen head={wide ? undefined : <SheetHead station={station} />} act={<SheetAct station={station} />}>
      <View style={{ alignItems: 'flex-end' }}>
        <Plate role="button" quiet label="Drawing" onPress={() => setAllFacts(false)} />
      </View>
      <StationSheet key={station} inspection={id} station={station} />
    </Screen>
  );
}
