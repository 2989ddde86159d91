import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import type { Inspection } from '@careful-latch/core/record';
import { ShownLink } from '../people/shown-link';
import { Plate } from '../plates/plate';
import { office, type Link, type Parties as Found } from '../stores/office';
import { dayText } from '../theme/dates';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Words } from '../theme/words';
import { Say } from './say';

/** Who of outside the office sees this house and says what was corrected: the owner by a link, a firm by its account. */
export function Parties({ inspection: { id, header, decisions } }: { inspection: Inspection }) {
  const [found, setFound] = useState<Found>();
  const [link, setLink] = useState<{ name: string; link: Link }>();
  const [asking, setAsking] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const load = useCallback(
    () => office.parties(id).then(setFound, () => setFound(undefined)), // without signal nothing is known of them
    [id],
  );
  useEffect(() => void load(), [load]);
  const attempt = async (work: () => Promise<unknown>) => {
    try {
      await work();
      setTrouble(undefined);
      await load();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const askFor = (name: string) =>
    attempt(async () => {
      const { token, expiresAt } = await office.giveHouse(id, { name });
      setLink({ name, link: { token: token!, expiresAt: expiresAt! } });
      setAsking(false);
    });
  if (decisions.length === 0) return null;
  const now = found?.parties.filter((one) => one.until === null) ?? [];
  const others = found?.contractors.filter((one) => !now.some(({ account }) => account === one.account)) ?? [];
  return (
    <View style={{ gap: 8 }} testID="parties">
      <Heading>Who answers for this house</Heading>
      <Quiet>They see what was decided here, and say what is corrected; nothing else of the office.</Quiet>
      {found === undefined && <Quiet>The office cannot be asked now.</Quiet>}
      {found?.parties.map((one) => (
        <View key={one.account} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Words style={{ flex: 1, fontSize: 17 }}>
            {`${one.name}, since ${dayText(one.since)}${one.until ? `, until ${dayText(one.until)}` : ''}`}
          </Words>
          {one.until === null && (
            <Plate
              role="button"
              quiet
              label="No longer"
              onPress={() => void attempt(() => office.endParty(id, one.account))}
            />
          )}
        </View>
      ))}
      {found?.asked.map((one) => (
        <Quiet key={one.name}>{`${one.name} has a link until ${dayText(one.expiresAt)}.`}</Quiet>
      ))}
      <Trouble>{trouble}</Trouble>
      {link && <ShownLink {...link} reset={false} onClose={() => setLink(undefined)} />}
      {asking ? (
        <Say
          label="Who gets the link"
          act="Make the link"
          offers={header.owner ? [header.owner] : []}
          onSay={(name) => void askFor(name)}
          onClose={() => setAsking(false)}
        />
      ) : (
        found && (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {others.map((one) => (
              <Plate
                key={one.account}
                role="button"
                quiet
                label={`Give it to ${[one.name, one.firm].filter(Boolean).join(', ')}`}
                onPress={() => void attempt(() => office.giveHouse(id, { account: one.account }))}
              />
            ))}
            <Plate role="button" quiet label="A link for the owner" onPress={() => setAsking(true)} />
          </View>
        )
      )}
    </View>
  );
}
