import { Suspense, lazy, type ComponentProps } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { TARGET, usePalette } from '../theme/theme';
import { Words } from '../theme/words';
import { CAPTION_PX, LINE_PX, THUMB_HEIGHT_PX } from './sizes';

const Pane = lazy(async () => ({ default: (await import('./panes')).EvidencePane }));
const Row = lazy(async () => ({ default: (await import('./panes')).ShownEvidence }));

/** Of a row of photos with their captions. What comes late has its room from the start: nothing moves away under a thumb. */
const ROW_PX = THUMB_HEIGHT_PX + CAPTION_PX;

/** What shows a fact or a finding, and the ways to add to it. Comes once it is asked for: the first screen needs none of it. */
export const EvidencePane = (props: ComponentProps<typeof Pane>) => (
  <Suspense fallback={<View style={{ height: TARGET + (props.evidence.length > 0 ? ROW_PX + LINE_PX + 16 : 0) }} />}>
    <Pane {...props} />
  </Suspense>
);

/** Photos and notes beside each other. */
export const ShownEvidence = (props: ComponentProps<typeof Row>) => (
  <Suspense fallback={<View style={{ height: ROW_PX }} />}>
    <Row {...props} />
  </Suspense>
);

/** The way to the photos and notes of what is asked, and how many there are: a camera, or the way back. */
export function EvidenceKey({ count, open, onPress }: { count: number; open: boolean; onPress: () => void }) {
  const palette = usePalette();
  return (
    <Pressable
      role="button"
      testID="evidence-key"
      aria-label={open ? 'Back' : count === 0 ? 'Photo, note' : `Photos, notes: ${count}`}
      aria-expanded={open}
      onPress={onPress}
      style={{
        minWidth: TARGET,
        minHeight: TARGET,
        flexDirection: 'row',
        alignItems: 'center',
        justifyContent: 'center',
        gap: 4,
        paddingHorizontal: 6,
        borderWidth: 1,
        borderColor: palette.hairline,
        backgroundColor: palette.sheet,
      }}
    >
      <Svg width={28} height={24} viewBox="0 0 28 24" aria-hidden>
        <Path
          d={open ? 'M18 3L8 12L18 21' : 'M2 6H8L10 3H18L20 6H26V21H2ZM14 9.5a4 4 0 1 0 .01 0Z'}
          fill="none"
          stroke={palette.ink}
          strokeWidth={2}
        />
      </Svg>
      {count > 0 && !open && <Words style={{ fontSize: 17, lineHeight: 22, fontWeight: '700' }}>{count}</Words>}
    </Pressable>
  );
}
