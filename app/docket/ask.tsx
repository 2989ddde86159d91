import { Controller, useForm, type FieldPath } from 'react-hook-form';
import { View } from 'react-native';
import type { Asked } from '@careful-latch/core/record';
import { Field } from '../plates/field';
import { Plate, Plates } from '../plates/plate';
import { Words } from '../theme/words';
import { Day } from './day';

export type Values = Record<string, string>;

/** What is wrong with the answers: by the name of the question, in a sentence. */
export interface Wrong {
  readonly name: string;
  readonly message: string;
}

/** A few questions that belong together; nothing is done before the answers can be read, and what is wrong is said beside it. */
export function Ask({
  label,
  fields,
  usual = {},
  wrong,
  act,
  onDo,
  onClose,
}: {
  label: string;
  fields: readonly Asked[];
  /** What is answered before anybody has. */
  usual?: Values;
  wrong: (values: Values) => Wrong | undefined;
  /** What is done with the answers. */
  act: string;
  onDo: (values: Values) => void;
  onClose: () => void;
}) {
  const form = useForm<{ answers: Values }>({
    defaultValues: { answers: Object.fromEntries(fields.map(({ name }) => [keyOf(name), usual[name] ?? ''])) },
  });
  const answered = ({ answers }: { answers: Values }) => {
    const values = Object.fromEntries(fields.map(({ name }) => [name, (answers[keyOf(name)] ?? '').trim()]));
    const open = fields.find(({ name, choices }) => choices && values[name] === '');
    const why = open ? { name: open.name, message: 'Choose one.' } : wrong(values);
    const at = why && fields.find(({ name }) => name === why.name);
    if (at) form.setError(fieldOf(at.name), { message: why.message });
    else onDo(values);
  };
  return (
    <View role="form" aria-label={label} style={{ gap: 8 }}>
      {fields.map(({ name, label: asks, lines, days, choices }) =>
        days || choices ? (
          <Controller
            key={name}
            control={form.control}
            name={fieldOf(name)}
            render={({ field, fieldState }) => (
              <View style={{ gap: 4 }}>
                <Words style={{ fontSize: 16, fontWeight: '700' }}>{asks}</Words>
                {days ? (
                  <Day label={asks} day={String(field.value ?? '')} days={days} onChoose={field.onChange} />
                ) : (
                  <Plates label={asks}>
                    {Object.entries(choices!).map(([value, words]) => (
                      <Plate
                        key={value}
                        label={words}
                        selected={field.value === value}
                        onPress={() => field.onChange(value)}
                      />
                    ))}
                  </Plates>
                )}
                {fieldState.error && (
                  <Words role="alert" style={{ fontSize: 16 }}>
                    {fieldState.error.message}
                  </Words>
                )}
              </View>
            )}
          />
        ) : (
          <Field key={name} form={form} name={fieldOf(name)} label={asks} multiline={lines ?? false} />
        ),
      )}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Plate role="button" label={act} onPress={() => void form.handleSubmit(answered)()} />
        <Plate role="button" quiet label="Not now" onPress={onClose} />
      </View>
    </View>
  );
}

/** A point in a name would be a level of the form. */
const keyOf = (name: string) => name.replaceAll('.', '-');
const fieldOf = (name: string) => `answers.${keyOf(name)}` as FieldPath<{ answers: Values }>;
