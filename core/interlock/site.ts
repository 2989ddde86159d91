import { MECHANISMS, NOT_SEEN, circuitAt, factAt, goesWith, type Case, type MechanismName } from '../case';
import { Look, Missing } from '../electrical';
import { honestAnswers, settingOf, type TestFact } from './function-test';
import { dangerousSequence, mechanism, type Defects, type Move } from './mechanisms';

/** Whether a 240 V circuit on the switch has handles that are not tied. Throws `Missing` where nobody looked. */
function pairUntied(look: Look): boolean {
  const parts = indexes(look.circuits).map((i) =>
    look.attempt((side) => {
      const at = circuitAt(i);
      if (side.known(at.moved) === 'no' || side.known(at.volts) === '120') return false;
      side.needAll(at.moved, at.volts);
      return side.need(at.paired) === 'no';
    }),
  );
  if (parts.some(({ value }) => value === true)) return true;
  look.requireAll(...parts);
  return false;
}

const indexes = (count: number) => Array.from({ length: count }, (_, i) => i);

/** The defects that a case records. Throws `Missing` where facts lack. `coverOff` asks with the cover taken off. */
export function defectsOf(look: Look, coverOff = false): Defects {
  const retrofit = look.has('onPanel');
  const untied = look.has('handlePerPole') && pairUntied(look);
  const breakers = look.has('backfedBreaker');
  look.needAll(
    'transfer.mechanism',
    'transfer.fit',
    'transfer.alteration',
    ...(breakers ? (['breaker.heldDown', 'breaker.construction'] as const) : []),
    ...(retrofit ? (['breaker.atInterlock'] as const) : []),
    ...(retrofit && coverOff ? (['transfer.mountedOn'] as const) : []),
  );
  const fit = look.need('transfer.fit');
  const alteration = look.need('transfer.alteration');
  return {
    loose: fit === 'loose',
    wrongSpacing: fit === 'wrong-spacing' || (retrofit && look.need('breaker.atInterlock') === 'no'),
    tieMissing: fit === 'tie-missing' || untied || (breakers && look.need('breaker.construction') === 'loose-singles'),
    trimmed: alteration === 'cut' || alteration === 'bent' || alteration === 'drilled',
    partsMissing: alteration === 'parts-missing',
    breakerNotHeld: breakers && look.need('breaker.heldDown') === 'no',
    coverOff: retrofit && coverOff && look.need('transfer.mountedOn') === 'cover',
  };
}

/** The mechanism that a case records. Throws `Missing` where it is unknown, or does not go with the transfer equipment. */
export function mechanismAt(look: Look): MechanismName {
  const name = look.need('transfer.mechanism');
  if (name === 'other')
    throw new Missing(
      ['transfer.mechanism'],
      'What keeps the sources apart fits none of the mechanisms here: ask for its listing, its instructions and its own test.',
    );
  if (!goesWith(name, look.need('transfer.kind')))
    throw new Missing(
      ['transfer.mechanism'],
      `“${MECHANISMS[name].label}” does not go with this transfer equipment; look again what keeps the sources apart.`,
    );
  return name;
}

/** Shortest sequence that joins utility and source with what a case records; undefined where none does. Throws `Missing` where facts lack. */
export function parallelSequence(look: Look, coverOff = false): readonly Move[] | undefined {
  const defects = defectsOf(look, coverOff);
  const name = mechanismAt(look);
  const key = `${name} ${JSON.stringify(defects)}`;
  if (!searched.has(key)) searched.set(key, dangerousSequence(mechanism(name, defects)));
  return searched.get(key);
}

/** A search depends on nothing but mechanism and defects, and there are few of either. */
const searched = new Map<string, readonly Move[] | undefined>();

/** An answer of the function test that does not go with what is recorded of the mechanism. */
export interface Disagreement {
  readonly fact: TestFact;
  /** What an honest hand would answer at the mechanism as it is recorded. */
  readonly model: string;
  readonly hand: string;
}

/**
 * Where the hand and the model of the recorded mechanism say different things: one of them is wrong, and nothing here says
 * which. None while the mechanism or its defects are unknown.
 */
export function disagreements(c: Case): readonly Disagreement[] {
  const look = new Look(c);
  const found = look.attempt((side) => ({ name: mechanismAt(side), defects: defectsOf(side) })).value;
  if (!found) return [];
  const { kind, mountedOn } = c.transfer ?? {};
  const model = honestAnswers(found.name, found.defects, settingOf(kind === NOT_SEEN ? undefined : kind, mountedOn));
  return (Object.entries(model) as [TestFact, string][]).flatMap(([fact, answer]) => {
    const hand = factAt(c, fact);
    return typeof hand === 'string' && hand !== NOT_SEEN && hand !== answer ? [{ fact, model: answer, hand }] : [];
  });
}
