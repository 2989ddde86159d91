import { NOT_SEEN, factAt, isSimulated, metaOf, recordedAt, valueText, type Case } from '@careful-latch/core/case';
import { factsOf, type PartHere } from '@careful-latch/core/walk';

/** A part's readings in a few words: the first that are known. */
export function valueOf(c: Case, here: PartHere): string {
  const known = factsOf(c, here).filter((path) => factAt(c, path) !== undefined);
  // What was read at one glance, as it was read.
  const said = known.map((path) => recordedAt(c, path)).filter((one) => one?.how === 'reading' || one?.how === 'usual');
  if (said.length > 1 && said.length === known.length && said.every((one) => one!.said === said[0]!.said))
    return said[0]!.said ?? '';
  // What is read off a part says more than that somebody nodded.
  const weight = (path: string) => {
    const { kind, drawing, unit } = metaOf(path);
    return kind === 'yes-no' || (kind === 'amount' && unit === '')
      ? 2
      : kind === 'choice' && drawing !== 'configuration'
        ? 1
        : 0;
  };
  const [first, second] = known.toSorted((a, b) => weight(a) - weight(b));
  if (first === undefined) return '';
  const both = second !== undefined && weight(second) < 2 ? [first, second] : [first];
  const values = both
    .map((path) => {
      const value = factAt(c, path);
      return value === NOT_SEEN ? 'not seen' : valueText(path, value);
    })
    .join(', ');
  return both.some((path) => isSimulated(c, path)) ? `${values}, simulated` : values;
}
