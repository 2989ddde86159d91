import { catalogueKey, factAt, isKnown, isLocal, lastingPath, recordedAt, sheet, stationOf, type Case } from '../case';
import { Look } from '../electrical';
import { RULES } from '../rules';
import { wouldEnd } from '../verdict';
import { inForce } from './kinds/order';
import { isOpen, type FindingRef } from './kinds/violation';
import { visitAhead, visitUnderWay } from './kinds/visit';
import { particularOf, provenBy } from './findings';
import { isApproval, stateOf, type Inspection } from './inspection';
import type { ChangeBody } from './kinds';

const PART = /\[([^\]]+)\]/;

/** The facts of a case, by address, that some catalogue keys name; of one cord, stretch or circuit, where it is named. */
function addressesOf(c: Case, keys: readonly string[], part: string | null): string[] {
  const stations = [...new Set(keys.map(stationOf))];
  const own = keys.filter(isLocal);
  return stations
    .flatMap((station) => sheet(c, station).flatMap(({ paths }) => paths))
    .filter((path) => keys.includes(catalogueKey(path)))
    .filter((path) => part === null || [undefined, part].includes(PART.exec(lastingPath(c, path))?.[1]))
    .concat(own);
}

/** The facts by which a rule is proved again at this house: those of its own station. */
export const factsToProve = (c: Case, rule: string, part: string | null = null): string[] =>
  addressesOf(c, provenBy(rule), part);

/** The facts by which a violation is corrected: those first that would end a finding if they were otherwise, then those that most of its findings hang on. */
export function factsToCorrect(c: Case, findings: readonly FindingRef[]): string[] {
  const counts = new Map<string, number>();
  const look = new Look(c);
  for (const { rule, part } of findings) {
    const own = factsToProve(c, rule, part);
    const judged = RULES.find(({ id }) => id === rule);
    for (const path of new Set([...own, ...addressesOf(c, particularOf(rule), part)])) {
      const ends = judged && !isLocal(path) && wouldEnd(look, c, judged, part, path);
      counts.set(path, (counts.get(path) ?? 0) + (ends ? findings.length + 1 : 1));
    }
  }
  return [...counts].sort(([, a], [, b]) => b - a).map(([path]) => path);
}

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
  const conditions = docket.conditions.filter(({ state }) => state === 'due');
  for (const one of conditions) all.push({ day: one.dueOn, what: 'condition' });
  for (const one of docket.violations)
    if (isOpen(one) && one.dueOn && !conditions.some(({ of }) => of === one.id))
      all.push({ day: one.dueOn, what: 'violation' });
  const waits = ['corrections-required', 'stop-work', 'reinspection'].includes(stateOf(inspection));
  if (waits && last?.dueOn && !isApproval(last.kind)) all.push({ day: last.dueOn, what: 'reinspection' });
  return all.sort((a, b) => a.day.localeCompare(b.day))[0];
}

/** Whether somebody has to go there again: before the visit, the screen of the visit is what they want. */
export const isToVisit = ({ docket, decisions }: Inspection): boolean =>
  decisions.length > 0 &&
  (inForce(docket).length > 0 ||
    docket.violations.some(isOpen) ||
    docket.conditions.some(({ state }) => state === 'due') ||
    visitAhead(docket) !== undefined ||
    visitUnderWay(docket) !== undefined);
