import { NOT_SEEN, goesWith, type Case, type FactPath, type MechanismName } from '../case';
import { explore } from './search';
import { mechanism, type Move } from './mechanisms';

/** One thing to try at the panel. */
export interface Trial {
  readonly given: string;
  readonly attempt: string;
  readonly must: 'be blocked' | 'go';
  /** Where the answer is recorded. */
  readonly fact: FactPath;
}

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

/** The function test of what a case records; none while its mechanism is unknown, or does not go with its transfer means. */
export function functionTestAt({ transfer }: Case): readonly Trial[] {
  const { kind, mechanism: name, mountedOn } = transfer ?? {};
  if (!name || name === NOT_SEEN || !goesWith(name, kind)) return [];
  return functionTest(name, kind === 'retrofit-interlock' && mountedOn === 'cover');
}

/** The lists depend on nothing but the mechanism. */
const lists = new Map<string, readonly Trial[]>();

function listTrials(name: MechanismName, onCover: boolean): Trial[] {
  const sound = mechanism(name);
  const { reached } = explore(sound, () => false);
  // What a hand can try where it stands: every closing, with nothing to stop it, and every move of a part that has come loose.
  const unguarded = [mechanism(name, { partsMissing: true }), mechanism(name, { loose: true, trimmed: true })];
  const trials = new Map<string, Trial>();
  const add = (trial: Trial) => trials.set(`${trial.given} ${trial.attempt}`, trial);
  for (const state of reached) {
    const at = sound.at(state);
    const given = closed(at);
    const allowed = sound.moves(state).map(([move]) => move);
    if (given === 'both open') {
      for (const { attempt, words } of allowed)
        if (attempt === 'close-utility' || attempt === 'close-generator')
          add({ given, attempt: words, must: 'go', fact: 'function.eachAlone' });
      continue;
    }
    const may = new Set(allowed.map((move) => move.words));
    for (const [i, machine] of unguarded.entries())
      for (const [{ attempt, words }] of machine.moves(machine.stateOf(at))) {
        const tried = i === 0 ? attempt === 'close-utility' || attempt === 'close-generator' : attempt === 'shift-part';
        if (tried && !may.has(words) && joins(at, attempt))
          add({ given, attempt: words, must: 'be blocked', fact: factOf(attempt) });
      }
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

/** Whether closing would join the sources: the side that is closed already cannot be the one that is tried. */
function joins(at: Readonly<Record<string, number>>, attempt: Move['attempt']): boolean {
  const utility = at.utility === 1 || at['handle 1'] === 1;
  return attempt === 'shift-part' || (attempt === 'close-generator') === utility;
}
