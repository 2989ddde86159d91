import { useEffect, useRef, type ReactNode } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { WIDTH } from '../drawn/spot';

/** Narrower than any phone: letters are enlarged. */
const ENLARGED_PX = 320;

/**
 * Letters within a drawing are as large as those beside it. Where they are enlarged so far that it would shrink with the room
 * (text at 200 %), it keeps its size and is moved sideways, by itself to the part in hand.
 */
export function AtItsSize({ inHand, children }: { inHand: string | undefined; children: ReactNode }) {
  const enlarged = useWindowDimensions().width < ENLARGED_PX;
  const drawing = useRef<View>(null);
  useEffect(() => {
    const place = (drawing.current as unknown as HTMLElement | null)?.querySelector('[aria-pressed=true]');
    place?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [enlarged, inHand]);
  if (!enlarged) return children;
  return (
    <ScrollView horizontal tabIndex={0} testID="sideways">
      <View ref={drawing} style={{ width: WIDTH, gap: 12 }}>
        {children}
      </View>
    </ScrollView>
  );
}
