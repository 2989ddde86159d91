import { Redirect, useLocalSearchParams } from 'expo-router';
import { memo } from 'react';
import { View } from 'react-native';
import { STATIONS, isStation, type Station } from '@careful-latch/core/case';
import { PathStrip } from '../../../drawn/path-line';
import { SaveLine } from '../../../inspection/save-line';
import { NextStation, StationSheet } from '../../../inspection/station-sheet';
import { useWalkSoon } from '../../../inspection/use-inspection';
import { Back } from '../../../theme/back';
import { Screen, useWide } from '../../../theme/screen';

/** Where this is, and how the whole path stands. */
const SheetHead = memo(function SheetHead({ station }: { station: Station }) {
  const walk = useWalkSoon();
  if (!walk) return null;
  return (
    <View style={{ gap: 4 }}>
      <Back to={`/inspection/${walk.inspection.id}`} label={walk.inspection.header.address} />
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
  if (!isStation(station)) return <Redirect href={`/inspection/${id}`} />;
  return (
    <Screen head={wide ? undefined : <SheetHead station={station} />} act={<SheetAct station={station} />}>
      <StationSheet key={station} inspection={id} station={station} />
    </Screen>
  );
}
