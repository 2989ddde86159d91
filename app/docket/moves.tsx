import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { ValidationError } from 'yup';
import { isOutside, readChange, type Asked, type ChangeBody, type Offered } from '@careful-latch/core/record';
import { Plate } from '../plates/plate';
import { useSession } from '../stores/session';
import { Trouble } from '../theme/trouble';
import { Ask, type Values, type Wrong } from './ask';
import { Say } from './say';
import { useChange } from './use-change';

/** What can be answered to questions whose answers hang on the house or the office, by their names. */
type Choices = Readonly<Record<string, Asked['choices']>>;

/** Something that the interface can offer: how it is called, what it asks, and the part of the change that it is. */
export interface Offering {
  readonly offered: Offered;
  readonly body: object;
}

/** A change with the answers in it, each where its name says; a day that was left empty is none. */
function withAnswers(body: object, asks: Offered['asks'], values: Values): ChangeBody {
  const made: Record<string, unknown> = { ...body };
  for (const [name, value] of Object.entries(values)) {
    const isDay = typeof asks === 'object' && asks.some((one) => one.name === name && one.days !== undefined);
    const answer = isDay && value === '' ? null : value;
    const [first, second] = name.split('.') as [string, string?];
    made[first] = second === undefined ? answer : { ...(made[first] as object | undefined), [second]: answer };
  }
  return made as unknown as ChangeBody;
}

/** What the core would say to answers as they are, by the name of the question. */
function wrongIn(body: ChangeBody): Wrong | undefined {
  try {
    readChange({ ...body, id: crypto.randomUUID(), at: new Date().toISOString() });
    return undefined;
  } catch (error) {
    if (error instanceof ValidationError) return { name: error.path ?? '', message: error.message };
    throw error;
  }
}

/** Makes what is offered at a touch, or asks first; `form` is what asks, where anything does. */
export function useOffer(choices: Choices = {}, usual: Values = {}) {
  const { trouble, change } = useChange();
  const [asking, setAsking] = useState<Offering>();
  const make = ({ body, offered }: Offering, values: Values) => {
    if (change(withAnswers(body, offered.asks, values))) setAsking(undefined);
  };
  const offer = (one: Offering) => (one.offered.asks === undefined ? make(one, {}) : setAsking(one));
  const form = asking && asks(asking, choices, usual, make, () => setAsking(undefined));
  return { trouble, change, offer, form };
}

function asks(
  one: Offering,
  choices: Choices,
  usual: Values,
  make: (one: Offering, values: Values) => void,
  onClose: () => void,
): ReactNode {
  const { label, asks: what, act = label, offers } = one.offered;
  if (typeof what === 'string')
    return (
      <Say
        key={label}
        label={what}
        act={act}
        {...(offers && { offers })}
        onSay={(words) => make(one, { words })}
        onClose={onClose}
      />
    );
  const fields = what!
    .map((field) => (choices[field.name] ? { ...field, choices: choices[field.name]! } : field))
    .filter((field) => !field.choices || Object.keys(field.choices).length > 0); // nobody has said between what
  return (
    <Ask
      key={label}
      label={label}
      fields={fields}
      usual={usual}
      wrong={(values) => wrongIn(withAnswers(one.body, what, values))}
      act={act}
      onDo={(values) => make(one, values)}
      onClose={onClose}
    />
  );
}

/** A plate for what is offered, by the name that it has for whoever looks. */
export function OfferPlate({ one, quiet = true, onOffer }: { one: Offering; quiet?: boolean; onOffer: (one: Offering) => void }) {
  const outside = useSession(({ account }) => account !== null && isOutside(account.role));
  const { label, outside: ownName = label } = one.offered;
  return <Plate role="button" quiet={quiet} label={outside ? ownName : label} onPress={() => onOffer(one)} />;
} // prettier-ignore

/** What stands open here, as plates; the one that was touched asks in their place. */
export function Offers({ offerings, choices = {} }: { offerings: readonly Offering[]; choices?: Choices }) {
  const { trouble, offer, form } = useOffer(choices);
  if (offerings.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <Trouble>{trouble}</Trouble>
      {form ?? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {offerings.map((one) => (
            <OfferPlate key={one.offered.label} one={one} onOffer={offer} />
          ))}
        </View>
      )}
    </View>
  );
}
