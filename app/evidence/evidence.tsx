import { Suspense, lazy, type ComponentProps } from 'react';
import { Plate } from '../plates/plate';

const Pane = lazy(async () => ({ default: (await import('./panes')).EvidencePane }));
const Row = lazy(async () => ({ default: (await import('./panes')).ShownEvidence }));

/** What shows a fact or a finding, and the ways to add to it. Comes once it is asked for: the first screen needs none of it. */
export const EvidencePane = (props: ComponentProps<typeof Pane>) => (
  <Suspense fallback={null}>
    <Pane {...props} />
  </Suspense>
);

/** Photos and notes beside each other. */
export const ShownEvidence = (props: ComponentProps<typeof Row>) => (
  <Suspense fallback={null}>
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
