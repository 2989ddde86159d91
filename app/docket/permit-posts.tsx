import { useRouter } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { Plate } from '../plates/plate';
import { office, type PermitPost } from '../stores/office';
import { momentText } from '../theme/dates';
import { usePalette } from '../theme/theme';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Words } from '../theme/words';

/** What is sent again has gone by then, if it goes. */
const SENT_WITHIN_MS = 4_000;

/** What the permit office does not have yet: what waits for it, and what it refused; nothing where it has all. */
export function PermitPosts() {
  const palette = usePalette();
  const router = useRouter();
  const [posts, setPosts] = useState<readonly PermitPost[]>([]);
  const [trouble, setTrouble] = useState<string>();
  const load = useCallback(
    () =>
      office.permitPosts().then(
        (found) => setPosts(found.connected ? found.posts.filter(({ state }) => state !== 'delivered') : []),
        () => undefined, // without signal nothing is known of them
      ),
    [],
  );
  useEffect(() => void load(), [load]);
  const again = async (id: string) => {
    try {
      await office.postAgain(id);
      setTrouble(undefined);
      await load();
    } catch (error) {
      setTrouble((error as Error).message);
      await load(); // it may have gone by itself meanwhile
    }
    setTimeout(() => void load(), SENT_WITHIN_MS);
  };
  if (posts.length === 0) return null;
  return (
    <View testID="permit-posts" style={{ gap: 6 }}>
      <Heading>{`The permit office does not have: ${posts.length}`}</Heading>
      <Trouble>{trouble}</Trouble>
      {posts.map((one) => (
        <View key={one.id} style={{ gap: 6, paddingVertical: 8, borderTopWidth: 1, borderColor: palette.hairline }}>
          <Words style={{ fontWeight: '700', fontSize: 17 }}>{one.address}</Words>
          <Words style={{ fontSize: 16, lineHeight: 22 }}>
            {`“${one.decision}”, permit ${one.permit}, ${one.state === 'refused' ? `refused: ${one.trouble}` : (one.trouble ?? 'on its way.')}`}
          </Words>
          <Quiet>{`Signed ${momentText(one.madeAt)}; tried ${one.tries === 1 ? 'once' : `${one.tries} times`}.`}</Quiet>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Plate role="button" label="Send it again" onPress={() => void again(one.id)} />
            {one.state === 'refused' && (
              <Plate
                role="button"
                quiet
                label="Correct the number"
                onPress={() => router.navigate(`/inspection/${one.inspection}`)}
              />
            )}
          </View>
        </View>
      ))}
    </View>
  );
}
