import { catalogueKey, factAt, isKnown, lastingPath, recordedAt, sheet, stationOf, type Case } from '../case';
import { inForce, isOpen, visitAhead } from './docket';
import { particularOf, provenBy } from './findings';
import { isApproval, stateOf, type ChangeBody, type Inspection } from './inspection';

const PART = /\[([^\]]+)\]/;

/** The facts of a case, by address, that some catalogue keys name; of one cord, stretch or circuit, where it is named. */
function addressesOf(c: Case, keys: readonly string[], part: string | null): string[] {
  const stations = [...new Set(keys.map(stationOf))];
  return stations
    .flatMap((station) => sheet(c, station).flatMap(({ paths }) => paths))
    .filter((path) => keys.includes(catalogueKey(path)))
    .filter((path) => part === null || [undefined, part].includes(PART.exec(lastingPath(c, path))?.[1]));
}

/** The facts by which a rule is proved again at this house: those of its own station. */
export const factsToProve = (c: Case, rule: string, part: string | null = null): string[] =>
  addressesOf(c, provenBy(rule), part);

/** The facts by which a violation of a rule is corrected, those of its own station first. */
export const factsToCorrect = (c: Case, rule: string, part: string | null): string[] => {
  const own = factsToProve(c, rule, part);
  return [...own, ...addressesOf(c, particularOf(rule), part).filter((path) => !own.includes(path))];
};

/** Facts seen again as they stand: recorded anew, by whoever looked now. What nobody has seen yet is not among them. */
export function seenAgain({ id, case: c }: Inspection, paths: readonly string[]): ChangeBody {
  const known = paths.filter((path) => isKnown(factAt(c, path)));
  return {
    type: 'facts',
    inspection: id,
    facts: known.map((path) => ({ path, value: factAt(c, path) as string | number, how: 'touched' })),
  };
}

/** When any of some facts was recorded last; undefined where nobody says. */
export const lastSeen = (c: Case, paths: readonly string[]): string | undefined =>
  paths
    .flatMap((path) => recordedAt(c, path)?.at ?? [])
    .sort()
    .at(-1);

/** What is to be done next, and on which day. */
export interface Due {
  readonly day: string;
  readonly what: 'visit' | 'violation' | 'condition' | 'reinspection';
}

/** The first day on which something is due at a house: a visit, a correction, a condition of an approval. Undefined where nothing is. */
export function dueAt(inspection: Inspection): Due | undefined {
  const { docket, decisions } = inspection;
  const last = decisions.at(-1);
  const visit = visitAhead(docket);
  const all: Due[] = [];
  if (visit?.day) all.push({ day: visit.day, what: 'visit' });
  for (const one of docket.violations) if (isOpen(one) && one.dueOn) all.push({ day: one.dueOn, what: 'violation' });
  for (const one of docket.conditions) if (one.state === 'due') all.push({ day: one.dueOn, what: 'condition' });
  const waits = ['corrections-required', 'stop-work', 'reinspection'].includes(stateOf(inspection));
  if (waits && last?.dueOn && !isApproval(last.kind)) all.push({ day: last.dueOn, what: 'reinspection' });
  return all.sort((a, b) => a.day.localeCompare(b.day))[0];
}

/** Whether somebody has to go there again: before the bell, the screen of the visit is what they want. */
export const isToVisit = ({ docket, decisions }: Inspection): boolean =>
  decisions.length > 0 &&
  (inForce(docket).length > 0 ||
    docket.violations.some(isOpen) ||
    docket.conditions.some(({ state }) => state === 'due') ||
    docket.visits.some(({ state }) => state === 'scheduled' || state === 'under-way'));
