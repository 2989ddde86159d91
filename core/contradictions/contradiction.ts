import { HOWS, circuitAt, factLabel, valueText, type FactPath, type ListPath } from '../case';
import type { Look } from '../electrical';
import { indexesTo } from '../loads';

/** Facts that stand side by side and of which one must be wrong, as found at a house. */
interface Doubt {
  /** Those of which one is wrong. */
  readonly facts: readonly FactPath[];
  /** The fact whose answer, or whose reading, ends it though both be true. */
  readonly ends?: FactPath;
}

/** Two records that cannot both be true. Never a violation by itself: nobody knows yet which of them is wrong. */
export interface Contradiction {
  readonly id: `${string}/${string}`;
  /** Why not both, in a sentence. */
  readonly says: string;
  /** Where to look again, or the third answer under which both are true. */
  readonly look: string;
  /** Facts in doubt, and under `given` those that are a mere condition, as catalogue keys. */
  readonly doubts: readonly string[];
  readonly given?: readonly string[];
  /** What the look may end it by, as a catalogue key. */
  readonly ends?: string;
  readonly find: (look: Look) => Doubt | readonly Doubt[] | undefined;
}

/** Places of what is recorded of a list; `Look` counts one even where there is none yet. */
export const recordedOf = (look: Look, list: ListPath): number[] =>
  indexesTo(look.count(list)).filter((i) => look.idOf(list, i) !== undefined);

/** A contradiction within one circuit, at each of them. */
export const ofEachCircuit =
  (find: (look: Look, at: ReturnType<typeof circuitAt>) => Doubt | undefined): Contradiction['find'] =>
  (look) =>
    recordedOf(look, 'loads.circuits').flatMap((i) => find(look, circuitAt(i)) ?? []);

/** A contradiction that stands at a house. Plain data. */
export interface Standing {
  readonly id: string;
  readonly facts: readonly string[];
  /** Facts in doubt that nobody has looked at again since. */
  readonly unconfirmed: readonly string[];
  /** What is still to be found out, for it may end it; null where nothing is. */
  readonly ends: string | null;
  readonly sentence: string;
}

/** The value of a fact and how it came to be there, in words. */
function recordedWords(look: Look, path: FactPath): string {
  const line = look.recorded(path);
  const how = line && `${HOWS[line.how]}${line.said === undefined ? '' : ` as “${line.said}”`}, ${line.by}`;
  return `${factLabel(path)}: ${valueText(path, look.peek(path))}${how ? ` (${how})` : ''}`;
}

export function standing(look: Look, { id, says, look: again, find }: Contradiction): readonly Standing[] {
  return [find(look) ?? []].flat().map(({ facts, ends }) => ({
    id,
    facts,
    unconfirmed: facts.filter((path) => look.recorded(path)?.how !== 'again'),
    ends: ends !== undefined && look.peek(ends) === undefined && !look.notSeen(ends) ? ends : null,
    sentence: `These cannot all be true: ${facts.map((path) => recordedWords(look, path)).join('; ')}. ${says} ${again}`,
  }));
}
