import { circuitAt, metaOf, type Case } from '../case';

/** Letters of the pairs that can be recorded. */
const PAIRS = metaOf('loads.circuits[0].neutralGroup')
  .choices.map(({ value }) => value)
  .filter((value) => value !== 'own');

/**
 * What is recorded where two circuits share a neutral: both of one pair; whoever shared with one of them before is asked again. A
 * sentence where there is no letter left.
 */
export function sharedNeutral(
  c: Case,
  one: number,
  other: number,
): readonly (readonly [path: string, value: string | null])[] | string {
  const groups = (c.loads?.circuits ?? []).map(({ neutralGroup }) => neutralGroup as string | undefined);
  const both = [one, other];
  const left = groups.flatMap((group, i) =>
    !both.includes(i) && PAIRS.includes(group ?? '') && both.some((index) => groups[index] === group) ? [i] : [],
  );
  const taken = groups.filter((_, i) => !both.includes(i) && !left.includes(i));
  const free = PAIRS.find((pair) => !taken.includes(pair));
  if (free === undefined) return `${PAIRS.length} shared neutrals are recorded already, and there is room for no more.`;
  return [
    ...both.map((index) => [circuitAt(index).neutralGroup, free] as const),
    ...left.map((index) => [circuitAt(index).neutralGroup, null] as const),
  ];
}
