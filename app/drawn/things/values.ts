import { CATALOGUE, NOT_SEEN, isAsked, listPathOf, metaOf, withFact, type Case } from '@careful-latch/core/case';

/** A value that a fact can have, at a house that is asked for it. */
interface Value {
  readonly path: string;
  readonly value: string | number | undefined;
  readonly site: Case;
}

const pathOf = (key: string): string => {
  const list = listPathOf(key);
  return list === undefined ? key : `${list}[0]${key.slice(list.length)}`;
};
function answersTo(key: string): readonly (string | number)[] {
  const { kind, choices } = metaOf(pathOf(key));
  if (kind === 'yes-no') return ['yes', 'no'];
  // Beside what is usual an amount can be small, by which other facts are asked.
  return kind === 'amount'
    ? [...new Set([...choices.map(({ value }) => Number(value)), 1])]
    : choices.map(({ value }) => value);
}

/** Each of some houses with one fact answered otherwise, of the same station first. */
function* changed(houses: readonly Case[], key: string): Generator<Case> {
  const station = key.split('.')[0]!;
  const keys = [...CATALOGUE.keys()].filter((one) => one !== key);
  for (const other of keys.toSorted((a, b) => Number(b.startsWith(station)) - Number(a.startsWith(station))))
    for (const value of answersTo(other)) for (const site of houses) yield withFact(site, pathOf(other), value);
}

/** A house where a fact is asked: one of these, or one of them with one or two facts of its station answered otherwise. */
function siteAsking(key: string, houses: readonly Case[]): Case | undefined {
  const path = pathOf(key);
  const here = houses.find((site) => isAsked(site, path));
  if (here) return here;
  for (const site of changed(houses, key)) if (isAsked(site, path)) return site;
  const station = key.split('.')[0]!;
  const others = [...CATALOGUE.keys()].filter((one) => one !== key && one.startsWith(`${station}.`));
  for (const first of others)
    for (const value of answersTo(first))
      for (const site of houses) {
        const half = withFact(site, pathOf(first), value);
        for (const second of others)
          for (const answer of answersTo(second)) {
            const whole = withFact(half, pathOf(second), answer);
            if (isAsked(whole, path)) return whole;
          }
      }
  return undefined;
}

/** Each value that a fact can have, at a house that is asked for it: that nobody has looked, and that it was not seen, among them. */
export function valuesOf(key: string, houses: readonly Case[]): readonly Value[] {
  const site = siteAsking(key, houses);
  if (!site) return [];
  return [undefined, NOT_SEEN, ...answersTo(key)].map((value) => ({ path: pathOf(key), value, site }));
}
