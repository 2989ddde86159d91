import {
  type Case,
  CATALOGUE,
  catalogueKey,
  factAt,
  isAsked,
  isKnown,
  listPathOf,
  metaOf,
  offered,
  partName,
  recordedAt,
  recordedFacts,
  type Station,
  stationOf,
  withFact,
} from '../case';
import { RULES, type Rule } from '../rules';
import type { Profile } from '../profile';
import { brokenFacts, unlookedBy, type Evaluation } from '../verdict';
import { readingAt } from './like';
import type { Glance, Part, Reading, Usual } from './part';
import { PARTS, partsOf, placeOf, stationOfPart, WALK } from './wall';

/** A part as it hangs at this house: one of several cords, or the one panel. */
export interface PartHere {
  readonly part: Part;
  readonly station: Station;
  /** Address of the list's entry, `cord[0]`, and its place. */
  readonly entry?: string;
  readonly index?: number;
  /** `cord/jacket 1` for the second cord's. */
  readonly id: string;
}

/** How a part is drawn: hairline where nobody has looked, solid where known, broken where violated. */
export type PartState = 'untouched' | 'open' | 'known' | 'violated' | 'hazard';

/** The addresses of a part's fact at this house: of its own entry, or of every one. */
function pathsAt(c: Case, { part, entry }: PartHere, key: string): readonly string[] {
  const list = listPathOf(key);
  if (list === undefined) return [key];
  const rest = key.slice(list.length);
  if (entry !== undefined) return [`${entry}${rest}`];
  return Array.from({ length: part.every ? entriesOf(c, list) : 1 }, (_, i) => `${list}[${i}]${rest}`);
}

/** The addresses of a part's facts that are asked for in this case. */
export const factsOf = (c: Case, here: PartHere): readonly string[] =>
  here.part.keys.flatMap((key) => pathsAt(c, here, key)).filter((path) => isAsked(c, path));

const entriesOf = (c: Case, list: string): number => {
  const entries = factAt(c, list);
  return Math.max(1, Array.isArray(entries) ? entries.length : 0);
};

const partsOfCase = new WeakMap<Case, Map<Station, readonly PartHere[]>>();

/** The parts of a station at this house that have anything to be asked, an entry after the other; worked out once for a case. */
export function partsAt(c: Case, station: Station): readonly PartHere[] {
  const here = partsOfCase.get(c) ?? new Map<Station, readonly PartHere[]>();
  partsOfCase.set(c, here);
  const parts = here.get(station) ?? askedAt(c, station);
  here.set(station, parts);
  return parts;
}

function askedAt(c: Case, station: Station): readonly PartHere[] {
  const all = partsOf(station);
  const list = all.find((one) => one.list && !one.every)?.list;
  const each = all.filter((one) => one.list && !one.every);
  const here: PartHere[] = [];
  for (let index = 0; list && index < entriesOf(c, list); index++)
    for (const part of each)
      here.push({
        part,
        station,
        entry: `${list}[${index}]`,
        index,
        id: index === 0 ? part.id : `${part.id} ${index}`,
      });
  for (const part of all) if (!each.includes(part)) here.push({ part, station, id: part.id });
  return here.filter((one) => factsOf(c, one).length > 0);
}

/** What an evaluation asks for: what rules lack, and what else a rule looked at that finds a violation, for it may lift it. */
export interface Wanted {
  readonly needs: ReadonlySet<string>;
  readonly mayLift: ReadonlySet<string>;
  /** Recorded, and in contradiction to something else: asked once more, until somebody has looked again. */
  readonly again: ReadonlySet<string>;
}

export const wantedBy = ({ outcomes, contradictions }: Evaluation): Wanted => ({
  again: new Set(contradictions.flatMap((one) => one.unconfirmed)),
  needs: new Set(outcomes.flatMap((one) => (one.outcome === 'unproven' ? one.needs : []))),
  mayLift: new Set(outcomes.flatMap((one) => (one.outcome === 'violation' ? unlookedBy(one) : []))),
});

/** What is still to be found out at a part: what a rule asks for and nobody has looked at. */
function openFacts(c: Case, here: PartHere, { needs, mayLift, again }: Wanted): readonly string[] {
  const facts = factsOf(c, here);
  const never = facts.filter((path) => factAt(c, path) === undefined && (needs.has(path) || mayLift.has(path)));
  return again.size === 0 ? never : [...never, ...facts.filter((path) => again.has(path))];
}

/** The contradiction that a fact is part of, in a sentence; undefined where it is part of none. */
export const doubtOf = ({ contradictions }: Evaluation, path: string): string | undefined =>
  contradictions.find(({ facts }) => facts.includes(path))?.sentence;

/** How a value is recorded that somebody gives to a fact which contradicts another: the same once more is a second look. */
export const howAgain = (c: Case, evaluation: Evaluation, path: string, value: unknown): 'again' | 'touched' =>
  factAt(c, path) === value && doubtOf(evaluation, path) !== undefined ? 'again' : 'touched';

const RULES_OF_FACT = new Map<string, Rule[]>();
for (const rule of RULES)
  for (const key of rule.facts) RULES_OF_FACT.set(key, [...(RULES_OF_FACT.get(key) ?? []), rule]);

/** How a part stands, by its own facts alone: one of which a fact is broken is broken, whatever else is known of it. */
export function stateOfPart(
  c: Case,
  evaluation: Evaluation,
  here: PartHere,
  { needs }: Pick<Wanted, 'needs'> = wantedBy(evaluation),
  profile?: Profile,
): PartState {
  const facts = factsOf(c, here);
  const known = facts.filter((path) => factAt(c, path) !== undefined);
  const broken = brokenFacts(c, evaluation, profile);
  const against = facts.flatMap((path) => broken.get(path) ?? []);
  if (against.length > 0) return against.some((one) => one.severity === 'hazard') ? 'hazard' : 'violated';
  if (facts.some((path) => needs.has(path))) return known.length > 0 ? 'open' : 'untouched';
  return known.length > 0 ? 'known' : 'untouched';
}

/** What the strip asks next. */
export type Question =
  | {
      readonly kind: 'glance';
      readonly glance: Glance;
      readonly readings: readonly Reading[];
      /** The first of them, where it is what another house has. */
      readonly asThere?: Reading;
    }
  | { readonly kind: 'fact'; readonly path: string }
  | { readonly kind: 'so'; readonly lines: readonly Line[] };

/** What a question is about, at a part: the same once the case has come again from the office, of which the question is made anew. */
export const aboutWhat = ({ id }: PartHere, question: Question): string => {
  switch (question.kind) {
    case 'fact':
      return `${id} ${question.path}`;
    case 'glance':
      return `${id} ${question.glance.asks}`;
    case 'so':
      return `${id} ${question.lines[0]!.path}`;
  }
};

/** A statement that holds, or does not. */
export interface Line {
  readonly path: string;
  readonly words: string;
  readonly right: string;
}

const MOST_LINES = 7;

/** The one right answer to a fact, by the rules, or of several the first: that which its statement says; undefined where it has no statement. */
export function rightAnswer(key: string): string | undefined {
  const answers = (RULES_OF_FACT.get(key) ?? []).map((rule) => rule.right?.[key]).find((right) => right !== undefined);
  return answers?.length === 1 || CATALOGUE.get(key)?.so !== undefined ? answers?.[0] : undefined;
}

/** How the entry of a fact is called where there are several of it. */
function entryName(c: Case, path: string): string | undefined {
  const list = listPathOf(catalogueKey(path));
  const name = list === undefined || entriesOf(c, list) < 2 ? undefined : partName(path);
  return name && `${name[0]!.toUpperCase()}${name.slice(1)}`;
}

/** The statements of a part that nobody has answered yet; at most seven at once. */
export function linesOf(c: Case, here: PartHere, wanted: Wanted): readonly Line[] {
  return openFacts(c, here, wanted)
    .filter((path) => factAt(c, path) === undefined)
    .flatMap((path) => {
      const meta = metaOf(path);
      const right = rightAnswer(catalogueKey(path));
      const entry = entryName(c, path);
      // What cannot be answered so at this house is asked by itself.
      return right === undefined || offered(c, path).every(({ value }) => value !== right)
        ? []
        : [{ path, words: `${entry ? `${entry}: ` : ''}${meta.so ?? meta.label}`, right }];
    })
    .slice(0, MOST_LINES);
}

/**
 * The question to ask at a part; undefined where nothing is open. `single` asks one fact after the other, where no reading
 * fits; `like` is another house, whose kinds of parts are offered first; `fresh` asks the first of an entry that is not there yet, whether or not a rule needs one more.
 */
export function questionAt(
  c: Case,
  evaluation: Evaluation,
  here: PartHere,
  {
    usual = {},
    like,
    single = false,
    fresh = false,
  }: { usual?: Usual; like?: Case | undefined; single?: boolean; fresh?: boolean } = {},
): Question | undefined {
  const wanted = wantedBy(evaluation);
  const open = openFacts(c, here, wanted);
  if (here.part.so) {
    const lines = linesOf(c, here, wanted);
    if (lines.length > 0) return { kind: 'so', lines };
  }
  const [first] = fresh ? factsOf(c, here) : open;
  if (first === undefined) return undefined;
  if (!single)
    for (const glance of here.part.glances ?? []) {
      const paths = glance.keys.flatMap((key) => pathsAt(c, here, key));
      // Once something of a marking is recorded the rest of it is asked by itself: its plates would only say it again.
      const begun = !here.part.every && paths.some((path) => factAt(c, path) !== undefined);
      if (begun || !(fresh || paths.some((path) => open.includes(path)))) continue;
      const all = glance.readings(c, usual, here.entry);
      const asThere =
        like && readingAt(like, glance, all, new Map(glance.keys.map((key) => [key, pathsAt(c, here, key)[0]!])));
      const readings = asThere ? [asThere, ...all.filter((one) => one !== asThere)] : all;
      // Plates that say no more than one fact's own are left out, unless they are the usual few of many.
      const few = here.part.every === true || glance.keys.length === 1;
      if (readings.some((one) => missingOf(c, here, one) > (few ? 0 : 1)))
        return { kind: 'glance', glance, readings, ...(asThere && { asThere }) };
    }
  return { kind: 'fact', path: first };
}

/**
 * What a reading records at a part, in the order in which one fact makes another asked for. A fact that somebody touched by
 * itself is spared, and so is one of which nobody says how it was recorded: the same marking read again does not undo the
 * correction. What is said of every entry together is said of those alone that nobody has answered.
 */
export function saidBy(
  c: Case,
  here: PartHere,
  reading: Reading,
): readonly (readonly [path: string, value: string | number])[] {
  const wanted = Object.entries(reading.says).flatMap(([key, value]) =>
    pathsAt(c, here, key).map((path) => [path, value] as const),
  );
  const with_ = wanted.reduce((now, [path, value]) => withFact(now, path, value), c);
  return wanted.filter(
    ([path]) =>
      isAsked(with_, path) &&
      (!isKnown(factAt(c, path)) || (!here.part.every && (recordedAt(c, path)?.how ?? 'touched') !== 'touched')),
  );
}

/** Facts of a reading that the meter is to give. */
export function measuredBy(c: Case, here: PartHere, { says, measures = [] }: Reading): readonly string[] {
  const with_ = Object.entries(says).reduce((now, [key, value]) => withFact(now, pathsAt(c, here, key)[0]!, value), c);
  return measures.flatMap((key) => pathsAt(c, here, key)).filter((path) => isAsked(with_, path));
}

/** What *not seen* says at a question: everything that it asks for and nobody has looked at. */
export function unseenBy(c: Case, here: PartHere, question: Question): readonly string[] {
  switch (question.kind) {
    case 'fact':
      return [question.path];
    case 'so':
      return question.lines.map(({ path }) => path);
    case 'glance':
      return question.glance.keys
        .flatMap((key) => pathsAt(c, here, key))
        .filter((path) => isAsked(c, path) && factAt(c, path) === undefined);
  }
}

/** How many facts that nobody has looked at a reading would record. */
const missingOf = (c: Case, here: PartHere, reading: Reading): number =>
  [...saidBy(c, here, reading).map(([path]) => path), ...measuredBy(c, here, reading)].filter(
    (path) => factAt(c, path) === undefined,
  ).length;

/** Whether a hazard stands for which the source is not to be started. */
const mayNotRun = ({ verdict }: Evaluation): boolean => verdict === 'do-not-energize';

/** The part of a station that comes into hand next: the first at which something is open. What needs the source running does not while a hazard stands. */
export function nextPart(c: Case, evaluation: Evaluation, station: Station): PartHere | undefined {
  const wanted = wantedBy(evaluation);
  return partsAt(c, station).find(
    (here) =>
      !here.part.later && !(here.part.running && mayNotRun(evaluation)) && openFacts(c, here, wanted).length > 0,
  );
}

/** Whether something at a station waits for a hazard to be corrected: it is found out with the source running. */
export function waitsForHazard(c: Case, evaluation: Evaluation, station: Station): boolean {
  if (!mayNotRun(evaluation)) return false;
  const wanted = wantedBy(evaluation);
  return partsAt(c, station).some((here) => here.part.running && openFacts(c, here, wanted).length > 0);
}

/** The station that is walked to next from one: the next with anything open, in walking order; undefined where none is left after it. */
export function nextStation(c: Case, evaluation: Evaluation, from: Station): Station | undefined {
  return WALK.slice(WALK.indexOf(from) + 1).find((one) => nextPart(c, evaluation, one) !== undefined);
}

/** The station at which a fact is found out, which need not be its own: the sign at the inlet is read at the inlet. */
export const stationOfPath = (path: string): Station => {
  const key = catalogueKey(path);
  const part = PARTS.find((one) => !one.later && one.keys.includes(key));
  return part ? stationOfPart(part) : stationOf(path);
};

/** The part at which a fact of this house is found out. */
export const partOfPath = (c: Case, path: string): PartHere | undefined =>
  partsAt(c, stationOfPath(path)).find((here) => !here.part.later && factsOf(c, here).includes(path));

/** The first part of an entry of a list, by its place. */
export const partOfEntry = (c: Case, station: Station, index: number): PartHere | undefined =>
  partsAt(c, station).find((here) => here.index === index);

/** Whether the body has to move from one station to another. */
export const movesTo = (from: Station, to: Station): boolean => placeOf(from) !== placeOf(to);

/** Facts that are recorded and asked for no more after a change, as when the connection turns out to be another: they are kept, and count for nothing. */
export const noLongerAsked = (before: Case, after: Case): readonly string[] =>
  recordedFacts(after).filter((path) => isAsked(before, path) && !isAsked(after, path));
