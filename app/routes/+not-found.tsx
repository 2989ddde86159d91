import { View } from 'react-native';
import { Back } from '../theme/back';
import { inside } from '../theme/inside';
import { Screen } from '../theme/screen';
import { Quiet, Title } from '../theme/words';

export default inside(function NothingHere() {
  return (
    <Screen narrow head={<Back to="/" label="Inspections" />}>
      <View style={{ gap: 12 }}>
        <Title>Nothing here</Title>
        <Quiet>This address leads to no screen. The inspections are one tap away; nothing was lost.</Quiet>
      </View>
    </Screen>
  );
});
