import { STATION_NAMES, catalogueKey, factLabel, metaOf, type Case, type Station } from '../case';
import { RULES } from '../rules';
import { factsOf, partsAt } from './question';
import { WALK } from './wall';

/** Something that was searched for, and the fact to which it leads. */
export interface Hit {
  readonly station: Station;
  readonly path: string;
  readonly words: string;
}

const MOST_HITS = 12;

/**
 * Facts, parts, stations and rules of this house in which every word of a text stands, in walking order: what is called so
 * first, then what is found out so, then what a rule demands.
 */
export function find(c: Case, text: string): readonly Hit[] {
  const wanted = text.toLowerCase().split(/\s+/).filter(Boolean);
  if (wanted.length === 0) return [];
  const has = (...texts: readonly string[]) => {
    const all = texts.join(' ').toLowerCase();
    return wanted.every((word) => all.includes(word));
  };
  const asked = WALK.flatMap((station) =>
    partsAt(c, station)
      .filter(({ part }) => !part.later)
      .flatMap((here) => factsOf(c, here).map((path) => ({ station, path, part: here.part.name }))),
  );
  const hit = ({ station, path }: (typeof asked)[number], words = factLabel(path)): Hit => ({ station, path, words });
  const named = asked.filter(({ station, path, part }) => has(factLabel(path), part, STATION_NAMES[station], path));
  const found = asked.filter((one) => !named.includes(one) && has(factLabel(one.path), metaOf(one.path).ask));
  const ruled = RULES.filter((rule) => has(rule.holds, rule.id)).flatMap((rule) => {
    const fact = asked.find(({ station, path }) => station === rule.station && rule.facts.includes(catalogueKey(path)));
    return fact ? [hit(fact, rule.holds)] : [];
  });
  return [...named.map((one) => hit(one)), ...found.map((one) => hit(one)), ...ruled].slice(0, MOST_HITS);
}
