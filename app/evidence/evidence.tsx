import { Suspense, lazy, type ComponentProps } from 'react';
import { View } from 'react-native';
import { Plate } from '../plates/plate';
import { TARGET } from '../theme/theme';
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

/** The way to the photos and notes of what is asked, and how many there are. */
export function EvidenceKey({ count, open, onPress }: { count: number; open: boolean; onPress: () => void }) {
  return (
    <Plate
      role="button"
      quiet
      inline
      testID="evidence-key"
      label={open ? 'Back' : count === 0 ? 'Photo, note' : `Photos, notes: ${count}`}
      onPress={onPress}
    />
  );
}
