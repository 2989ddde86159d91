import { STATIONS, type Case } from '@careful-latch/core/case';
import type { Evaluation } from '@careful-latch/core/verdict';
import { stationState, type StationState } from '@careful-latch/core/walk';
import { judged, type Inspection } from '@careful-latch/core/record';
import { useSoon } from '../theme/use-soon';

export interface Walk {
  readonly inspection: Inspection;
  readonly evaluation: Evaluation;
  readonly states: readonly StationState[];
}

/** The layout and its screen ask for the same walk: it is made once. */
const walks = new WeakMap<Inspection, Walk>();
const evaluations = new WeakMap<Case, Pick<Walk, 'evaluation'> & Pick<Inspection, 'rules'>>();

/** Judged once for a case and its rules: what the office merely counts is not judged again. */
function evaluationOf({ case: site, rules }: Inspection): Evaluation {
  const known = evaluations.get(site);
  if (known && known.rules === rules) return known.evaluation;
  const evaluation = judged({ case: site, rules });
  evaluations.set(site, { rules, evaluation });
  return evaluation;
}

export function walkOf(inspection: Inspection): Walk {
  const known = walks.get(inspection);
  if (known) return known;
  const evaluation = evaluationOf(inspection);
  let states: StationState[] | undefined;
  const walk = {
    inspection,
    evaluation,
    get states() {
      return (states ??= STATIONS.map((station) =>
        stationState(inspection.case, evaluation, station, inspection.rules?.profile),
      ));
    },
  };
  walks.set(inspection, walk);
  return walk;
}

/** The walk of a house in a list: at once where it is known; else the list is drawn first, for judging the houses takes longer than a frame each. */
export function useWalkInList(inspection: Inspection): Walk | undefined {
  const drawn = useSoon(true, walks.has(inspection));
  return drawn ? walkOf(inspection) : undefined;
}
