import type { FactPath, MechanismName } from '../case';
import { explore } from './search';
import { mechanism, type Mechanism } from './mechanisms';

/** One thing to try at the panel. */
export interface Trial {
  readonly given: string;
  readonly attempt: string;
  readonly must: 'be blocked' | 'go';
  /** Where the answer is recorded. */
  readonly fact: FactPath;
}

/** Everything a hand may try, blocked or not: the same mechanism without the parts that stop it. */
const unguarded = (name: MechanismName): Mechanism => mechanism(name, { partsMissing: true });

function factOf(attempt: string): FactPath {
  return attempt === 'close-generator'
    ? 'function.generatorWithMainOn'
    : attempt === 'close-utility'
      ? 'function.mainWithGeneratorOn'
      : 'function.bothWithPartMoved';
}

const closed = (at: Readonly<Record<string, number>>): string =>
  at.utility === 1 || at['handle 1'] === 1
    ? 'utility closed'
    : at.generator === 1 || at['handle 1'] === 2
      ? 'generator closed'
      : 'both open';

/**
 * The function test of a mechanism, made from its model: from every state that a sound one can reach, each move that would join
 * the sources, or move the part while a handle is closed, must be blocked; and each source must close alone.
 */
export function functionTest(name: MechanismName, onCover = false): readonly Trial[] {
  const key = `${name} ${onCover}`;
  const known = lists.get(key);
  if (known) return known;
  const trials = listTrials(name, onCover);
  lists.set(key, trials);
  return trials;
}

/** The lists depend on nothing but the mechanism. */
const lists = new Map<string, readonly Trial[]>();

function listTrials(name: MechanismName, onCover: boolean): Trial[] {
  const sound = mechanism(name);
  const { reached } = explore(sound, () => false);
  const trials = new Map<string, Trial>();
  const add = (trial: Trial) => trials.set(`${trial.given} ${trial.attempt}`, trial);
  for (const state of reached) {
    const at = sound.at(state);
    const given = closed(at);
    const allowed = new Set(sound.moves(state).map(([move]) => move.words));
    for (const [move] of sound.moves(state))
      if ((move.attempt === 'close-utility' || move.attempt === 'close-generator') && given === 'both open')
        add({ given, attempt: move.words, must: 'go', fact: 'function.eachAlone' });
    if (given === 'both open') continue;
    for (const [attempt, words] of tries(name))
      if (
        !allowed.has(words) &&
        !(attempt === 'close-utility' && given === 'utility closed') &&
        !(attempt === 'close-generator' && given === 'generator closed')
      )
        add({ given, attempt: words, must: 'be blocked', fact: factOf(attempt) });
  }
  if (onCover)
    add({
      given: 'cover off, everything dead, by a qualified person',
      attempt: 'switch both on',
      must: 'be blocked',
      fact: 'function.bothWithCoverOff',
    });
  return [...trials.values()];
}

/** Every closing and every move of the part that a hand can try, found by searching the mechanism with nothing to stop it. */
function tries(name: MechanismName): (readonly [string, string])[] {
  const all = new Map<string, string>();
  for (const of of [unguarded(name), mechanism(name, { loose: true, trimmed: true })])
    for (const state of explore(of, () => false).reached)
      for (const [move] of of.moves(state))
        if (move.attempt !== 'open' && move.attempt !== 'other') all.set(move.words, move.attempt);
  return [...all].map(([words, attempt]) => [attempt, words] as const);
}
