import { useMemo } from 'react';
import type { Case } from '@careful-latch/core/case';
import { noLongerAsked } from '@careful-latch/core/walk';
import { useSoon } from '../theme/use-soon';
import { Quiet } from '../theme/words';

/** A case before an answer and after it. */
export type Step = readonly [before: Case, after: Case];

/** How many facts the last answer has made to apply no more; said a frame after the answer, for every fact is looked at for it. */
export function PutAside({ step }: { step: Step | undefined }) {
  const soon = useSoon(step);
  const aside = useMemo(() => (soon ? noLongerAsked(...soon).length : 0), [soon]);
  if (aside === 0 || soon !== step) return null;
  return (
    <Quiet>
      {aside === 1 ? 'One fact that was recorded applies' : `${aside} facts that were recorded apply`} no more. Nothing
      is lost: Undo, or the former answer, brings {aside === 1 ? 'it' : 'them'} back.
    </Quiet>
  );
}
