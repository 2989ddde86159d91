import { useEffect, useRef, type ReactNode } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { WIDTH } from '../drawn/spot';

/** Narrower than any phone: letters are enlarged. */
const ENLARGED_PX = 320;

/**
 * Letters within a drawing are as large as those beside it. Where they are enlarged so far that it would shrink with the room
 * (text at 200 %), it keeps its size and is moved sideways, by itself to the part in hand; which is in sight anywhere.
 */
export function AtItsSize({ inHand, children }: { inHand: string | undefined; children: ReactNode }) {
  const enlarged = useWindowDimensions().width < ENLARGED_PX;
  const drawing = useRef<View>(null);
  useEffect(() => {
    const place = (drawing.current as unknown as HTMLElement | null)?.querySelector('[aria-pressed=true]');
    place?.scrollIntoView({ inline: enlarged ? 'center' : 'nearest', block: 'nearest' });
  }, [enlarged, inHand]);
  const drawn = (
    <View ref={drawing} style={enlarged ? { width: WIDTH, gap: 12 } : { gap: 8 }}>
      {children}
    </View>
  );
  return enlarged ? (
    <ScrollView horizontal tabIndex={0} testID="sideways">
      {drawn}
    </ScrollView>
  ) : (
    drawn
  );
}
