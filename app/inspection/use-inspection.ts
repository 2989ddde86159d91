import { useGlobalSearchParams, useLocalSearchParams } from 'expo-router';
import { useMemo, useRef } from 'react';
import { factAt, isStation, listOf, sheet, type Station } from '@careful-latch/core/case';
import { functionTestAt } from '@careful-latch/core/interlock';
import type { Outcome } from '@careful-latch/core/verdict';
import { stationState } from '@careful-latch/core/walk';
import { useInspections } from '../stores/inspections';
import { useSoon } from '../theme/use-soon';
import { outcomesBeside, saySame } from './answers';
import { walkOf, type Walk } from './walk';

/** The inspection that the address names, evaluated; undefined where this device has none such. */
export function useWalk(): Walk | undefined {
  const { id } = useLocalSearchParams<{ id: string }>();
  const inspection = useInspections((one) => one.byId[id]);
  return inspection && walkOf(inspection);
}

/** The walk a moment later: for what stands around the answer, so that the answer itself is there first. */
export function useWalkSoon(): Walk | undefined {
  const walk = useWalk();
  const soon = useSoon(walk);
  return soon?.inspection.id === walk?.inspection.id ? soon : walk;
}

interface FactSeen {
  readonly value: unknown;
  readonly outcomes: readonly Outcome[];
}

/** A fact of the walk: what is recorded, and the outcomes beside it. Draws again only where one of them says something else. */
export function useFact(inspection: string, path: string): FactSeen {
  const last = useRef<FactSeen>({ value: undefined, outcomes: [] });
  return useInspections((all) => {
    const here = all.byId[inspection];
    const value = here && factAt(here.case, path);
    const outcomes = here ? outcomesBeside(walkOf(here).evaluation, path) : [];
    if (value !== last.current.value || !saySame(outcomes, last.current.outcomes)) last.current = { value, outcomes };
    return last.current;
  });
}

/** What a station's sheet is made of; the very same while no answer changes it. */
export function useSheet(inspection: string, station: Station, entries: number) {
  const text = useInspections((all) => {
    const here = all.byId[inspection];
    return here ? JSON.stringify(sheetOf(walkOf(here), station, entries)) : '';
  });
  return useMemo(() => (text === '' ? undefined : (JSON.parse(text) as ReturnType<typeof sheetOf>)), [text]);
}

function sheetOf({ inspection: { case: site }, evaluation }: Walk, station: Station, entries: number) {
  const list = listOf(station);
  return {
    /** The moves of the function test; none while the mechanism is unknown. */
    moves: station === 'function' ? functionTestAt(site) : undefined,
    groups: sheet(site, station, entries),
    /** Entries of its list that are recorded; one more may be shown than are. */
    recorded: list ? ((factAt(site, list.list) as unknown[] | undefined)?.length ?? 0) : 0,
    /** Why the station has nothing to be asked, where it has not. */
    absent:
      stationState(site, evaluation, station) === 'absent'
        ? evaluation.outcomes.find((one) => one.station === station && one.outcome === 'not-applicable')?.reason
        : undefined,
  };
}

/** The station that the address names; asked by the layout too, which sees only its own part of the address. */
export function useStation(): Station | undefined {
  const { station } = useGlobalSearchParams<{ station?: string }>();
  return isStation(station) ? station : undefined;
}
