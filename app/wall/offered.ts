import { useMemo } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { Case } from '@careful-latch/core/case';
import { usualOf, type Usual } from '@careful-latch/core/walk';
import { useInspections } from '../stores/inspections';
import { usePreferences } from '../stores/preferences';

/** What the strip offers first at a house. */
export interface Offered {
  /** Usual values from the other houses that this device knows, the one that was changed last first. */
  readonly usual: Usual;
  /** The house whose kinds of parts were chosen for it, as long as this device has it. */
  readonly like?: Case;
  readonly address?: string;
}

export function useOffered(inspection: string): Offered {
  // The others alone: what is recorded at this house changes nothing of what is offered.
  const others = useInspections(useShallow((one) => Object.values(one.byId).filter(({ id }) => id !== inspection)));
  const alike = usePreferences((one) => one.alike);
  return useMemo(() => {
    const usual = usualOf(others.toSorted((a, b) => b.changedAt.localeCompare(a.changedAt)).map((one) => one.case));
    const other = alike.findLast(([one]) => one === inspection)?.[1];
    const there = other === undefined ? undefined : others.find(({ id }) => id === other);
    return there ? { usual, like: there.case, address: there.header.address } : { usual };
  }, [others, alike, inspection]);
}
