import { NOT_SEEN, goesWith, traitOf, type Case, type FactPath, type MechanismName, type TransferKind } from '../case';
import { explore } from './search';
import { mechanism, type Defects, type Mechanism, type Move, type Positions } from './mechanisms';

/** One thing to try at the panel. */
export interface Trial {
  readonly given: string;
  readonly attempt: string;
  readonly must: 'be blocked' | 'go';
  /** Where the answer is recorded, and the answer of a sound mechanism. */
  readonly fact: TestFact;
  readonly right: string;
  /** How a sound mechanism stands before it is tried; its start where that says nothing. */
  readonly at: Positions;
}

/** Where the answers of a function test are recorded, each with what a sound mechanism answers. */
export const RIGHT_ANSWERS = {
  'function.generatorWithMainOn': 'blocked',
  'function.mainWithGeneratorOn': 'blocked',
  'function.bothWithPartMoved': 'blocked',
  'function.eachAlone': 'both',
  'function.opensFirst': 'yes',
  'function.handlesIndependent': 'yes',
  'function.cycle': 'yes',
  'function.coverOnHolds': 'yes',
} as const satisfies Partial<Record<FactPath, string>>;
export type TestFact = keyof typeof RIGHT_ANSWERS;
/** Wrong answers to these mean that both sources were closed. */
export const JOINING_FACTS: readonly TestFact[] = [
  'function.generatorWithMainOn',
  'function.mainWithGeneratorOn',
  'function.bothWithPartMoved',
  'function.opensFirst',
  'function.coverOnHolds',
];

/** What hangs beside the mechanism and adds to its test. */
interface Setting {
  /** It hangs on the removable cover. */
  readonly onCover?: boolean;
  /** A switch with a handle for each circuit, rather than one alone. */
  readonly manyHandles?: boolean;
}

const utilityClosed = (at: Positions) => at.utility === 1 || at['handle 1'] === 1;
const generatorClosed = (at: Positions) => at.generator === 1 || at['handle 1'] === 2;
const closed = (at: Positions): string =>
  utilityClosed(at) ? 'utility closed' : generatorClosed(at) ? 'generator closed' : 'both open';
/** Closing the other side would join the sources; the side that is closed already cannot be the one that is tried. */
const joins = (at: Positions, { attempt }: Move): boolean =>
  (attempt === 'close-generator' && utilityClosed(at)) || (attempt === 'close-utility' && generatorClosed(at));

const trial = (given: string, attempt: string, must: Trial['must'], fact: TestFact, at: Positions = {}): Trial => ({
  given,
  attempt,
  must,
  fact,
  right: RIGHT_ANSWERS[fact],
  at,
});

/** One handle that goes from one source to the other cannot be pushed to both: what is tried is that it lets go first. */
const ONE_HANDLE: readonly MechanismName[] = ['circuit-handles', 'double-throw'];

/**
 * The function test of a mechanism, made from its model. Two handles with something between them: from every state that a
 * sound one can reach, each closing that would join the sources, and each move of the part while a handle is closed, must be
 * blocked. One handle: it opens one source before it closes the other. Contactors are never pushed: the switch goes over and
 * comes back by itself. Each source must close alone.
 */
export function functionTest(name: MechanismName, { onCover, manyHandles }: Setting = {}): readonly Trial[] {
  if (name === 'other') return [];
  if (name === 'automatic')
    return [
      trial(
        'utility there',
        'by its test button, or the utility breaker off: over to the source',
        'go',
        'function.cycle',
      ),
      trial('source running', 'utility back: back to the utility', 'go', 'function.cycle'),
    ];
  const sound = mechanism(name);
  const trials = new Map<string, Trial>();
  const add = (one: Trial) => trials.set(`${one.given} ${one.attempt}`, one);
  for (const state of explore(sound, () => false).reached) {
    const at = sound.at(state);
    const given = closed(at);
    const may = new Set(sound.moves(state).map(([move]) => move.words));
    if (given === 'both open') {
      for (const [{ attempt, words }] of sound.moves(state))
        if (attempt === 'close-utility' || attempt === 'close-generator')
          add(trial(given, words, 'go', 'function.eachAlone', at));
    } else if (ONE_HANDLE.includes(name)) {
      const other = utilityClosed(at) ? 'generator' : 'utility';
      add(
        trial(
          given,
          `move it slowly to ${other}: stand where both are closed`,
          'be blocked',
          'function.opensFirst',
          at,
        ),
      );
    } else {
      // Every closing with nothing to stop it, and every move of a part that has come loose.
      for (const [{ attempt, words }] of movesOf(name, { partsMissing: true }, at))
        if (!may.has(words) && joins(at, { attempt, words }))
          add(
            trial(
              given,
              words,
              'be blocked',
              attempt === 'close-generator' ? 'function.generatorWithMainOn' : 'function.mainWithGeneratorOn',
              at,
            ),
          );
      for (const [{ attempt, words }] of movesOf(name, { loose: true, trimmed: true }, at))
        if (attempt === 'shift-part' && !may.has(words))
          add(trial(given, words, 'be blocked', 'function.bothWithPartMoved', at));
    }
  }
  if (manyHandles && name === 'circuit-handles')
    add(
      trial(
        'any',
        'throw each handle: its neighbors stay, the other of its pair comes along',
        'go',
        'function.handlesIndependent',
      ),
    );
  if (onCover)
    add(
      trial(
        'cover on, all screws in',
        'lift or shift the part with the cover, and close both',
        'be blocked',
        'function.coverOnHolds',
      ),
    );
  return [...trials.values()];
}

function movesOf(name: MechanismName, defects: Defects, at: Positions) {
  const machine = mechanism(name, defects);
  return machine.moves(machine.stateOf(at));
}

/** What a transfer equipment adds to the test of its mechanism. */
export const settingOf = (kind: TransferKind | undefined, mountedOn: unknown): Setting => ({
  onCover: traitOf(kind, 'onPanel') === true && mountedOn === 'cover',
  manyHandles: traitOf(kind, 'handlePerPole') === true,
});

/** The function test of what a case records; none while its mechanism is unknown, or does not go with its transfer equipment. */
export function functionTestAt({ transfer }: Case): readonly Trial[] {
  const { kind, mechanism: name, mountedOn } = transfer ?? {};
  if (!name || name === NOT_SEEN || kind === NOT_SEEN || !goesWith(name, kind)) return [];
  return functionTest(name, settingOf(kind, mountedOn));
}

/** Every state that a machine reaches from one by moves of some kinds. */
function reachable(machine: Mechanism, from: number, kinds: readonly Move['attempt'][]): readonly number[] {
  const moves = (state: number) => machine.moves(state).filter(([{ attempt }]) => kinds.includes(attempt));
  return explore({ start: from, moves }, () => false).reached;
}

/**
 * What an honest hand answers at a mechanism with defects, by its model: the hand stands where a sound mechanism lets it, and
 * pushes. It lifts and shifts the part, but neither pulls a breaker nor takes the cover off.
 */
export function honestAnswers(
  name: MechanismName,
  defects: Defects,
  setting: Setting = {},
): Partial<Record<TestFact, string>> {
  const sound = mechanism(name);
  const machine = mechanism(name, defects);
  const standing = explore(sound, () => false).reached.map((state) => machine.stateOf(sound.at(state)));
  const closes = (from: readonly number[], attempt: Move['attempt']) =>
    from.some((state) =>
      machine.moves(state).some(([move]) => move.attempt === attempt && joins(machine.at(state), move)),
    );
  const alone = (side: 'utility' | 'generator') =>
    reachable(machine, machine.start, ['close-utility', 'close-generator', 'shift-part', 'open']).some((state) =>
      closed(machine.at(state)).startsWith(side),
    );
  const shifted = standing
    .filter((state) => closed(machine.at(state)) !== 'both open')
    .flatMap((state) => reachable(machine, state, ['shift-part']));
  const both = (from: readonly number[]) => closes(from, 'close-generator') || closes(from, 'close-utility');
  const answers: Readonly<Record<TestFact, string>> = {
    'function.generatorWithMainOn': closes(standing, 'close-generator') ? 'moved' : 'blocked',
    'function.mainWithGeneratorOn': closes(standing, 'close-utility') ? 'moved' : 'blocked',
    'function.bothWithPartMoved': both(shifted) ? 'moved' : 'blocked',
    'function.eachAlone': alone('utility') && alone('generator') ? 'both' : 'not-both',
    'function.opensFirst': name === 'double-throw' && both(standing) ? 'no' : 'yes',
    'function.handlesIndependent': defects.tieMissing || defects.partsMissing ? 'no' : 'yes',
    'function.cycle': 'yes',
    'function.coverOnHolds': both(standing) || both(shifted) ? 'no' : 'yes',
  };
  const asked = new Set(functionTest(name, setting).map(({ fact }) => fact));
  return Object.fromEntries(Object.entries(answers).filter(([fact]) => asked.has(fact as TestFact)));
}

/** Why a hand cannot find a defect by trying, and which rule looks for it instead; undefined where trying finds it. */
export function whyNotByHand(
  name: MechanismName,
  defect: keyof Defects,
  { manyHandles }: Setting = {},
): string | undefined {
  if (name === 'automatic')
    return 'Contactors are never pushed by hand. What holds them apart is looked at with everything dead: transfer/unaltered, transfer/prevents-parallel.';
  if (defect === 'breakerNotHeld')
    return 'Nobody pulls a breaker off a live bus to try it. Its fastener is looked for: breaker/held-down.';
  if (defect === 'coverOff')
    return 'The cover stays on while live parts are behind it. Where the interlock is mounted is looked at: transfer/works-without-cover.';
  if (name === 'circuit-handles' && !manyHandles)
    return 'One handle alone has no neighbor to stay behind. What is missing is looked for: transfer/unaltered.';
  return undefined;
}
