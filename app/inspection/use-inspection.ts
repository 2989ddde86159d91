import { useGlobalSearchParams, useLocalSearchParams } from 'expo-router';
import { STATIONS, isStation, type Station } from '@careful-latch/core/case';
import { evaluate, stationState, type Evaluation, type StationState } from '@careful-latch/core/verdict';
import type { Inspection } from '@careful-latch/core/record';
import { useInspections } from '../stores/inspections';

export interface Walk {
  readonly inspection: Inspection;
  readonly evaluation: Evaluation;
  readonly states: readonly StationState[];
}

/** The inspection that the address names, evaluated; undefined where this device has none such. */
export function useWalk(): Walk | undefined {
  const { id } = useLocalSearchParams<{ id: string }>();
  const inspection = useInspections((one) => one.byId[id]);
  return inspection && walkOf(inspection);
}

/** The layout and its screen ask for the same walk: it is evaluated once. */
const walks = new WeakMap<Inspection, Walk>();

function walkOf(inspection: Inspection): Walk {
  const known = walks.get(inspection);
  if (known) return known;
  const evaluation = evaluate(inspection.case);
  const walk = {
    inspection,
    evaluation,
    states: STATIONS.map((station) => stationState(inspection.case, evaluation, station)),
  };
  walks.set(inspection, walk);
  return walk;
}

/** The station that the address names; asked by the layout too, which sees only its own part of the address. */
export function useStation(): Station | undefined {
  const { station } = useGlobalSearchParams<{ station?: string }>();
  return isStation(station) ? station : undefined;
}
