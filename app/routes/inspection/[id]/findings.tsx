import { Button } from '../../../theme/elements';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Findings } from '../../../inspection/findings';
import { useWalk } from '../../../inspection/use-inspection';
import { VerdictBlock } from '../../../inspection/verdict-block';
import { BackHome } from '../../../inspection/back-home';
import { Screen, useWide } from '../../../theme/screen';
import { Title } from '../../../theme/words';

export default function FindingsScreen() {
  const walk = useWalk();
  const wide = useWide();
  const router = useRouter();
  if (!walk) return null;
  const id = walk.inspection.id;
  return (
    <Screen
      narrow={!wide}
      head={wide ? undefined : <BackHome inspection={walk.inspection} />}
      act={<Button title="Decide and sign" onPress={() => router.navigate(`/inspection/${id}/decide`)} />}
    >
      <View style={{ gap: 12 }}>
        <Title>Findings</Title>
        <VerdictBlock evaluation={walk.evaluation} />
        <Findings walk={walk} />
      </View>
    </Screen>
  );
}
