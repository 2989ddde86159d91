import { useMemo } from 'react';
import type { Inspection } from '@careful-latch/core/record';
import type { Usual } from '@careful-latch/core/walk';
import { useInspections } from '../stores/inspections';

/** What the last house with such a fact had: met here, so it may be met again. */
function usualOf(inspections: readonly Inspection[]): Usual {
  const usual: Record<string, number> = {};
  const learn = (key: string, value: unknown) => {
    if (typeof value === 'number') usual[key] ??= value;
  };
  for (const { case: site } of inspections.toSorted((a, b) => b.changedAt.localeCompare(a.changedAt))) {
    learn('altitudeFt', site.source?.altitudeFt);
    learn('airF', site.source?.airF);
    for (const stretch of site.feeder?.stretches ?? []) learn(`ambientF ${String(stretch.place)}`, stretch.ambientF);
  }
  return usual;
}

/** Usual values from the other houses that this device knows. */
export function useUsual(inspection: string): Usual {
  const all = useInspections((one) => one.byId);
  return useMemo(() => usualOf(Object.values(all).filter((one) => one.id !== inspection)), [all, inspection]);
}
