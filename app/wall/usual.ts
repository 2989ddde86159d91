import { useMemo } from 'react';
import { usualOf, type Usual } from '@careful-latch/core/walk';
import { useInspections } from '../stores/inspections';

/** Usual values from the other houses that this device knows, the one that was changed last first. */
export function useUsual(inspection: string): Usual {
  const all = useInspections((one) => one.byId);
  return useMemo(() => {
    const others = Object.values(all).filter((one) => one.id !== inspection);
    return usualOf(others.toSorted((a, b) => b.changedAt.localeCompare(a.changedAt)).map((one) => one.case));
  }, [all, inspection]);
}
