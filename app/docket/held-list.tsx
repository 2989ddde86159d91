import { useRouter } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { DECISIONS } from '@careful-latch/core/record';
import { Plate } from '../plates/plate';
import { catchUp } from '../stores/inspections';
import { office, type HeldDecision, type HeldEntries } from '../stores/office';
import { LateList } from './late-list';
import { Say } from './say';
import { useSession } from '../stores/session';
import { momentText } from '../theme/dates';
import { usePalette } from '../theme/theme';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Words } from '../theme/words';

/** Decisions that were signed without signal and are not sealed, and what came from who was switched off: one’s own, and for the lead all; nothing where there is none. */
export function HeldList() {
  const palette = usePalette();
  const router = useRouter();
  const isLead = useSession((one) => one.account?.role === 'lead');
  const [held, setHeld] = useState<readonly HeldDecision[]>([]);
  const [entries, setEntries] = useState<readonly HeldEntries[]>([]);
  const [leaving, setLeaving] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const load = useCallback(
    () =>
      office.held().then(
        (found) => {
          setHeld(found.held);
          setEntries(found.entries);
        },
        () => undefined, // without signal nothing is known of them
      ),
    [],
  );
  useEffect(() => void load(), [load]);
  const leave = async (id: string, words: string) => {
    try {
      await office.leaveUnsealed(id, words);
      setLeaving(undefined);
      setTrouble(undefined);
      await load();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const settled = () => {
    void load();
    void catchUp();
  };
  return (
    <>
      <LateList entries={entries} isLead={isLead} onSettled={settled} />
      {held.length > 0 && (
        <View testID="held" style={{ gap: 6 }}>
          <Heading style={{ color: palette.violation }}>{`Signed, not sealed: ${held.length}`}</Heading>
          {held.map((one) => (
            <View key={one.id} style={{ gap: 6, paddingVertical: 8, borderTopWidth: 1, borderColor: palette.hairline }}>
              <Words style={{ fontWeight: '700', fontSize: 17 }}>{one.address}</Words>
              <Words style={{ fontSize: 16, lineHeight: 22 }}>
                {`${one.by} signed “${one.decision ? DECISIONS[one.decision] : ''}” ${momentText(one.signedAt)}: ${one.why}`}
              </Words>
              <Quiet>
                {isLead ? 'It is sealed by a decision of yours, or left unsealed.' : 'It waits for the lead.'}
              </Quiet>
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
                <Plate
                  role="button"
                  label={isLead ? 'Look, and decide' : 'Look'}
                  onPress={() =>
                    router.navigate(`/inspection/${one.inspection}/${isLead ? 'decide' : 'record'}` as never)
                  }
                />
                {isLead && leaving !== one.id && (
                  <Plate role="button" quiet label="Leave it unsealed" onPress={() => setLeaving(one.id)} />
                )}
              </View>
              {leaving === one.id && (
                <>
                  <Say
                    label="Why it stays unsealed"
                    act="Leave it so"
                    onSay={(words) => void leave(one.id, words)}
                    onClose={() => setLeaving(undefined)}
                  />
                  <Trouble>{trouble}</Trouble>
                </>
              )}
            </View>
          ))}
        </View>
      )}
    </>
  );
}
