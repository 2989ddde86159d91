import { Redirect } from 'expo-router';
import { View } from 'react-native';
import { STATIONS } from '@careful-latch/core/case';
import { PathStrip } from '../../../drawn/path-line';
import { SaveLine } from '../../../inspection/save-line';
import { NextStation, StationSheet } from '../../../inspection/station-sheet';
import { useStation, useWalk } from '../../../inspection/use-inspection';
import { Back } from '../../../theme/back';
import { Screen, useWide } from '../../../theme/screen';

export default function StationScreen() {
  const walk = useWalk();
  const station = useStation();
  const wide = useWide();
  if (!walk) return null;
  const id = walk.inspection.id;
  if (!station) return <Redirect href={`/inspection/${id}`} />;
  return (
    <Screen
      head={
        wide ? undefined : (
          <View style={{ gap: 4 }}>
            <Back to={`/inspection/${id}`} label={walk.inspection.header.address} />
            <PathStrip states={walk.states} here={STATIONS.indexOf(station)} />
          </View>
        )
      }
      act={
        <View>
          {!wide && <SaveLine inspection={id} />}
          <NextStation walk={walk} station={station} />
        </View>
      }
    >
      <StationSheet key={station} walk={walk} station={station} />
    </Screen>
  );
}
