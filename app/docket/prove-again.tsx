import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { STATION_NAMES, factAt, factLabel, isKnown, stationOf, valueText } from '@careful-latch/core/case';
import { factsToProve, lastSeen, seenAgain, type ChangeBody, type Inspection } from '@careful-latch/core/record';
import { RULES } from '@careful-latch/core/rules';
import type { Outcome } from '@careful-latch/core/verdict';
import { Sign } from '../drawn/signs';
import { Plate } from '../plates/plate';
import { shortDayText } from '../theme/dates';
import { usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';

const holdsOf = new Map<string, string>(RULES.map(({ id, holds }) => [id, holds]));

/** Something that a correction has touched: seen again as it stands, at one touch, or looked at where it is recorded. */
export function ProveAgain({
  inspection,
  outcome,
  change,
}: {
  inspection: Inspection;
  outcome: Outcome;
  change: (body: ChangeBody) => boolean;
}) {
  const palette = usePalette();
  const router = useRouter();
  const c = inspection.case;
  const facts = factsToProve(c, outcome.rule);
  const known = facts.filter((path) => isKnown(factAt(c, path)));
  const seen = lastSeen(c, known);
  const first = facts[0];
  const stands = outcome.outcome === 'holds' && known.length > 0;
  return (
    <View
      testID={`again-${outcome.rule}`}
      style={{ gap: 6, paddingVertical: 8, borderTopWidth: 1, borderColor: palette.hairline }}
    >
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Sign kind={stands ? 'unproven' : outcome.outcome} size={20} />
        <View style={{ flex: 1 }}>
          <Words style={{ fontSize: 17, lineHeight: 23 }}>{holdsOf.get(outcome.rule)}</Words>
          <Quiet style={{ fontSize: 15, lineHeight: 20 }}>
            {stands
              ? `${known.map((path) => `${factLabel(path)}: ${valueText(path, factAt(c, path))}`).join('; ')}${seen === undefined ? '' : `, ${shortDayText(seen)}`}`
              : outcome.reason}
          </Quiet>
        </View>
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {stands && (
          <Plate role="button" label="Seen again, as it was" onPress={() => change(seenAgain(inspection, known))} />
        )}
        {first !== undefined && (
          <Plate
            role="button"
            quiet
            label={stands ? 'It is otherwise' : `Look: ${STATION_NAMES[stationOf(first)]}`}
            onPress={() =>
              router.navigate(
                `/inspection/${inspection.id}/${stationOf(first)}?fact=${encodeURIComponent(first)}` as never,
              )
            }
          />
        )}
      </View>
    </View>
  );
}
