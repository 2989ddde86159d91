import { Input } from '../theme/elements';
import { Controller, type FieldPath, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { TextInputProps } from 'react-native';

interface Props<T extends FieldValues> extends Pick<
  TextInputProps,
  'autoComplete' | 'autoCapitalize' | 'secureTextEntry' | 'placeholder' | 'multiline' | 'onSubmitEditing'
> {
  readonly form: UseFormReturn<T>;
  readonly name: FieldPath<T>;
  readonly label: string;
}

/** A typed field of a form, with its label above and its sentence below when it is wrong. */
export function Field<T extends FieldValues>({ form, name, label, ...rest }: Props<T>) {
  return (
    <Controller
      control={form.control}
      name={name}
      render={({ field, fieldState }) => (
        <Input
          {...rest}
          label={label}
          aria-label={label}
          value={(field.value as string | undefined) ?? ''}
          onChangeText={field.onChange}
          onBlur={field.onBlur}
          errorMessage={fieldState.error?.message}
          renderErrorMessage={fieldState.error !== undefined}
          containerStyle={{ paddingHorizontal: 0 }}
        />
      )}
    />
  );
}
