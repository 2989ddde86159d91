import { yupResolver } from '@hookform/resolvers/yup';
import { Controller, useForm, type DefaultValues, type FieldPath, type Resolver } from 'react-hook-form';
import { View } from 'react-native';
import type { AnySchema, ObjectSchema } from 'yup';
import { Field } from '../plates/field';
import { Plate, Plates } from '../plates/plate';
import { Words } from '../theme/words';
import { Day } from './day';

/** What is asked: typed words, a day, or one of a few that stand on plates. */
export interface Asked {
  readonly name: string;
  readonly label: string;
  readonly lines?: boolean;
  /** A day; so many days from now are offered. */
  readonly days?: readonly number[];
  readonly choices?: Readonly<Record<string, string>>;
}

type Values = Record<string, string>;

/** A few questions that belong together; nothing is done before each has its answer, and what is wrong is said beside it. */
export function Ask({
  label,
  fields,
  schema,
  act,
  onDo,
  onClose,
}: {
  label: string;
  fields: readonly Asked[];
  schema: AnySchema;
  /** What is done with the answers. */
  act: string;
  onDo: (values: Values) => void;
  onClose: () => void;
}) {
  const form = useForm<Values>({
    resolver: yupResolver(schema as ObjectSchema<Values>) as Resolver<Values>,
    defaultValues: Object.fromEntries(fields.map(({ name }) => [name, ''])) as DefaultValues<Values>,
  });
  return (
    <View role="form" aria-label={label} style={{ gap: 8 }}>
      {fields.map(({ name, label: asks, lines, days, choices }) =>
        days || choices ? (
          <Controller
            key={name}
            control={form.control}
            name={name as FieldPath<Values>}
            render={({ field, fieldState }) => (
              <View style={{ gap: 4 }}>
                {days ? (
                  <Day label={asks} day={field.value ?? ''} days={days} onChoose={field.onChange} />
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
          <Field key={name} form={form} name={name} label={asks} multiline={lines ?? false} />
        ),
      )}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Plate role="button" label={act} onPress={() => void form.handleSubmit(onDo)()} />
        <Plate role="button" quiet label="Not now" onPress={onClose} />
      </View>
    </View>
  );
}
