import { MECHANISMS, goesWith, type MechanismName } from '../case';
import { Missing, type Look } from '../electrical';
import { dangerousSequence, mechanism, type Defects, type Move } from './mechanisms';

/** The defects that a case records. Throws `Missing` where facts lack. `coverOff` asks with the cover taken off. */
export function defectsOf(look: Look, coverOff = false): Defects {
  const kind = look.need('transfer.kind');
  const retrofit = kind === 'retrofit-interlock';
  const breakers = retrofit || kind === 'transfer-panel';
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
    tieMissing: fit === 'tie-missing' || (breakers && look.need('breaker.construction') === 'loose-singles'),
    trimmed: alteration === 'cut' || alteration === 'bent' || alteration === 'drilled',
    partsMissing: alteration === 'parts-missing',
    breakerNotHeld: breakers && look.need('breaker.heldDown') === 'no',
    coverOff: retrofit && coverOff && look.need('transfer.mountedOn') === 'cover',
  };
}

/** The mechanism that a case records. Throws `Missing` where it is unknown, or does not go with the transfer means. */
export function mechanismAt(look: Look): MechanismName {
  const name = look.need('transfer.mechanism');
  if (!goesWith(name, look.need('transfer.kind')))
    throw new Missing(
      ['transfer.mechanism'],
      `“${MECHANISMS[name].label}” does not go with this transfer means; look again what keeps the sources apart.`,
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
