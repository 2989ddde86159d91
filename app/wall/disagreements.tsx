import { View } from 'react-native';
import { factLabel, valueText, type Case } from '@careful-latch/core/case';
import { disagreements } from '@careful-latch/core/interlock';
import { Plate } from '../plates/plate';
import { usePalette } from '../theme/theme';
import { Words } from '../theme/words';

/** Where the hand found something else than the model of the recorded mechanism says: both stand there, and one is to be looked at again. */
export function Disagreements({
  site,
  onHand,
  onMechanism,
}: {
  site: Case;
  onHand: (fact: string) => void;
  onMechanism: () => void;
}) {
  const palette = usePalette();
  return (
    <>
      {disagreements(site).map(({ fact, model, hand }) => (
        <View
          key={fact}
          role="alert"
          style={{ gap: 8, padding: 10, borderWidth: 2, borderStyle: 'dashed', borderColor: palette.unproven }}
        >
          <Words style={{ fontSize: 17, lineHeight: 23 }}>
            {`${factLabel(fact)}: the hand says “${valueText(fact, hand)}”, and by what is recorded of the mechanism it would be “${valueText(fact, model)}”. One of them is wrong.`}
          </Words>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Plate role="button" label="Try the move again" onPress={() => onHand(fact)} />
            <Plate role="button" label="Look at the mechanism again" onPress={onMechanism} />
          </View>
        </View>
      ))}
    </>
  );
}
