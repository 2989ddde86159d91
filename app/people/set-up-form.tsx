import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { mixed, object, string } from 'yup';
import { EDITIONS, type Edition } from '@careful-latch/core/codebook';
import { isZone } from '@careful-latch/core/record';
import { Field } from '../plates/field';
import { EditionPlates } from '../plates/edition-plates';
import { setUp } from '../stores/session';
import { Button } from '../theme/elements';
import { Trouble } from '../theme/trouble';
import { Heading } from '../theme/words';
import { useTry } from './attempt';

const setUpSchema = object({
  login: string().trim().required('Give your sign-in name.'),
  office: string().trim().required('Give the name of the office.'),
  edition: mixed<Edition>()
    .oneOf([...EDITIONS], 'Choose the edition that the office has adopted.')
    .required('Choose the edition that the office has adopted.'),
  name: string().trim().required('Give your name.'),
  password: string().required('Give a password.').min(10, 'A password has at least 10 characters.'),
});

/** The time zone of this browser, where it names one; the lead may set another. */
function zoneHere(): { readonly zone?: string } {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return isZone(zone) ? { zone } : {};
}

/** The first account of a new office. */
export function SetUpForm() {
  const { trouble, busy, attempt } = useTry();
  const form = useForm({
    resolver: yupResolver(setUpSchema),
    defaultValues: { office: '', edition: undefined, name: '', login: '', password: '' },
  });
  const edition = form.watch('edition');
  return (
    <View style={{ gap: 14 }}>
      <Heading>First account of this office</Heading>
      <Field form={form} name="office" label="Office" />
      <EditionPlates
        label="Adopted edition"
        edition={edition}
        onEdition={(one) => form.setValue('edition', one, { shouldValidate: true })}
      />
      <Trouble>{form.formState.errors.edition?.message}</Trouble>
      <Field form={form} name="name" label="Your name" autoComplete="name" />
      <Field form={form} name="login" label="Sign-in name" autoComplete="username" autoCapitalize="none" />
      <Field form={form} name="password" label="Password" autoComplete="new-password" secureTextEntry />
      <Trouble>{trouble}</Trouble>
      <Button
        title="Make the account"
        loading={busy}
        disabled={busy}
        onPress={() => void form.handleSubmit((wanted) => attempt(() => setUp({ ...wanted, ...zoneHere() })))()}
      />
    </View>
  );
}
