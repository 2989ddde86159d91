import { useGlobalSearchParams, useLocalSearchParams } from 'expo-router';
import { useMemo } from 'react';
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
  return useMemo(() => inspection && walkOf(inspection), [inspection]);
}

function walkOf(inspection: Inspection): Walk {
  const evaluation = evaluate(inspection.case);
  return {
    inspection,
    evaluation,
    states: STATIONS.map((station) => stationState(inspection.case, evaluation, station)),
  };
}

/** The station that the address names; asked by the layout too, which sees only its own part of the address. */
export function useStation(): Station | undefined {
  const { station } = useGlobalSearchParams<{ station?: string }>();
  return isStation(station) ? station : undefined;
}
