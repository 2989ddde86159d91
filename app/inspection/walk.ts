import { STATIONS } from '@careful-latch/core/case';
import { stationState, type Evaluation, type StationState } from '@careful-latch/core/verdict';
import { judged, type Inspection } from '@careful-latch/core/record';

export interface Walk {
  readonly inspection: Inspection;
  readonly evaluation: Evaluation;
  readonly states: readonly StationState[];
}

/** The layout and its screen ask for the same walk: it is evaluated once. */
const walks = new WeakMap<Inspection, Walk>();

export function walkOf(inspection: Inspection): Walk {
  const known = walks.get(inspection);
  if (known) return known;
  const evaluation = judged(inspection);
  let states: StationState[] | undefined;
  const walk = {
    inspection,
    evaluation,
    get states() {
      return (states ??= STATIONS.map((station) => stationState(inspection.case, evaluation, station)));
    },
  };
  walks.set(inspection, walk);
  return walk;
}
