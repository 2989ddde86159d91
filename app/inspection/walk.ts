import { STATIONS, type Case } from '@careful-latch/core/case';
import { stationState, type Evaluation, type StationState } from '@careful-latch/core/verdict';
import { judged, type Inspection } from '@careful-latch/core/record';

export interface Walk {
  readonly inspection: Inspection;
  readonly evaluation: Evaluation;
  readonly states: readonly StationState[];
}

type Rules = Inspection['rules'];
interface Judged extends Pick<Walk, 'evaluation' | 'states'> {
  readonly rules: Rules;
}

/** The layout and its screen ask for the same walk: it is evaluated once, and not again where the office has merely counted it. */
const walks = new WeakMap<Inspection, Walk>();
const cases = new WeakMap<Case, Judged>();

function judgedOf(inspection: Inspection): Judged {
  const { case: site, rules } = inspection;
  const known = cases.get(site);
  if (known && known.rules === rules) return known;
  const evaluation = judged(inspection);
  let states: readonly StationState[] | undefined;
  const made = {
    rules,
    evaluation,
    get states() {
      return (states ??= STATIONS.map((station) => stationState(site, evaluation, station)));
    },
  };
  cases.set(site, made);
  return made;
}

export function walkOf(inspection: Inspection): Walk {
  const known = walks.get(inspection);
  if (known) return known;
  const made = judgedOf(inspection);
  const walk = {
    inspection,
    evaluation: made.evaluation,
    get states() {
      return made.states;
    },
  };
  walks.set(inspection, walk);
  return walk;
}
