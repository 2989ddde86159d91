import { useLocalSearchParams } from 'expo-router';
import { useMemo } from 'react';
import { STATIONS, isStation, stationOf, type Station } from '@careful-latch/core/case';
import { RULES } from '@careful-latch/core/rules';
import { evaluate, stationState, type Evaluation, type Outcome, type StationState } from '@careful-latch/core/verdict';
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
  return { inspection, evaluation, states: STATIONS.map((station) => stationState(inspection.case, evaluation, station)) };
}

/** The station that the address names. */
export function useStation(): Station | undefined {
  const { station } = useLocalSearchParams<{ station?: string }>();
  return isStation(station) ? station : undefined;
}

/** Facts so general that every other rule uses them; answers are shown beside the particular ones. */
const GENERAL = ['transfer.kind', 'source.voltage', 'source.kind'];

/** Where each rule's answer is shown: a violation beside every particular fact it uses, the rest beside the one fact that is its own. */
const BESIDE: ReadonlyMap<string, { own: string; all: readonly string[] }> = new Map(
  RULES.map((rule) => {
    const particular = rule.facts.filter((fact) => !GENERAL.includes(fact));
    const all = particular.length > 0 ? particular : rule.facts;
    return [rule.id, { own: all.find((fact) => fact.startsWith(`${rule.station}.`)) ?? all[0]!, all }];
  }),
);

/** The outcomes to be shown beside a fact. */
export function outcomesBeside(evaluation: Evaluation, path: string): Outcome[] {
  const key = path.replace(/\[\d+\]/g, '');
  const firstEntry = !/\[[1-9]\d*\]/.test(path);
  return evaluation.outcomes.filter((one) => {
    const beside = BESIDE.get(one.rule)!;
    if (one.outcome === 'violation') return beside.all.includes(key);
    return one.outcome === 'holds' && beside.own === key && firstEntry;
  });
}

/** Facts still to be found out, by station, in the order of the walk: what unproven rules ask for. */
export function toFindOut(evaluation: Evaluation): { station: Station; paths: string[] }[] {
  const wanted = new Set(evaluation.outcomes.flatMap((one) => one.needs));
  return STATIONS.map((station) => ({ station, paths: [...wanted].filter((path) => stationOf(path) === station) })).filter((one) => one.paths.length > 0);
}

