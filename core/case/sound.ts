import { CATALOGUE } from './catalogue';
import { factAt, withFact } from './path';
import type { Case } from './schema';
import { listPathOf, isAsked } from './stations';

const SOUND = [...CATALOGUE].flatMap(([key, { sound }]) => (sound === undefined ? [] : [{ key, sound }]));

/** One answer may make another be asked for, and that one a third. */
const ROUNDS = 3;

/**
 * A case with the answer of a sound house to every fact that carries one, is asked for here and has none: so a new fact needs
 * no change in the examples. `spared` are addresses that nobody is meant to have looked at.
 */
export function withSound(c: Case, spared: ReadonlySet<string> = new Set()): Case {
  for (let round = 0; round < ROUNDS; round++)
    for (const { key, sound } of SOUND) {
      const list = listPathOf(key);
      const entries = list && factAt(c, list);
      const paths = list
        ? Array.from(
            { length: Array.isArray(entries) ? entries.length : 0 },
            (_, i) => `${list}[${i}]${key.slice(list.length)}`,
          )
        : [key];
      for (const path of paths)
        if (!spared.has(path) && factAt(c, path) === undefined && isAsked(c, path)) c = withFact(c, path, sound);
    }
  return c;
}
