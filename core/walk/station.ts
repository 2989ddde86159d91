import { isLocal, stationOf, type Case, type Station } from '../case';
import type { Profile } from '../profile';
import { brokenFacts, violationsOf, type Evaluation, type Outcome, type OutcomeKind } from '../verdict';
import { stationOfPath } from './question';

export type StationState = 'proved' | 'open' | 'violated' | 'absent';

const lacking = new WeakMap<Evaluation, ReadonlySet<Station>>();

/** The stations whose facts any outcome lacks; worked out once for an evaluation. */
function lackingAt(evaluation: Evaluation): ReadonlySet<Station> {
  let found = lacking.get(evaluation);
  if (!found) {
    const paths = evaluation.outcomes.flatMap((one) => one.needs).filter((path) => !isLocal(path));
    lacking.set(evaluation, (found = new Set(paths.map(stationOf))));
  }
  return found;
}

const seen = new WeakMap<Evaluation, ReadonlyMap<Station, ReadonlySet<Outcome>>>();

/**
 * The violations that are to be seen at a station, advice left out: each where the fact stands that is drawn broken for it, so that one
 * cause of several breaks the path at one place. One that stands alone breaks it at its own station, too, which else would be called
 * right beside its own finding. Worked out once for an evaluation.
 */
export function violationsAt(c: Case, evaluation: Evaluation, station: Station, profile?: Profile): readonly Outcome[] {
  let all = seen.get(evaluation);
  if (!all) {
    const by = new Map<Station, Set<Outcome>>();
    const add = (at: Station, outcome: Outcome) => by.set(at, (by.get(at) ?? new Set<Outcome>()).add(outcome));
    const placed = new Set<Outcome>();
    for (const [fact, outcomes] of brokenFacts(c, evaluation, profile))
      for (const outcome of outcomes) {
        add(isLocal(fact) ? outcome.station : stationOfPath(fact), outcome);
        if (outcomes.length === 1) add(outcome.station, outcome);
        placed.add(outcome);
      }
    for (const outcome of violationsOf(evaluation))
      if (outcome.severity !== 'advisory' && !placed.has(outcome)) add(outcome.station, outcome);
    seen.set(evaluation, (all = by));
  }
  return [...(all.get(station) ?? [])];
}

/** How the current's path is drawn at a station: broken where violated, dashed where something is not proved, solid where it is. */
export function stationState(c: Case, evaluation: Evaluation, station: Station, profile?: Profile): StationState {
  const own = evaluation.outcomes.filter((one) => one.station === station);
  const some = (kind: OutcomeKind) => own.some((one) => one.outcome === kind);
  if (violationsAt(c, evaluation, station, profile).length > 0) return 'violated';
  if (some('unproven') || lackingAt(evaluation).has(station)) return 'open';
  if (own.length === 0) return c[station] === undefined ? 'open' : 'proved'; // only feeds other stations' rules
  return some('holds') || some('violation') ? 'proved' : 'absent';
}
