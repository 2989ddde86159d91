import { yupResolver } from '@hookform/resolvers/yup';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { object, string } from 'yup';
import { Mark } from '../drawn/mark';
import { Trouble } from '../theme/trouble';
import { Field } from '../plates/field';
import { join } from '../stores/session';
import { Button } from '../theme/elements';
import { Screen } from '../theme/screen';
import { Heading, Quiet, Title } from '../theme/words';

const password = string().required('Give a password.').min(10, 'A password has at least 10 characters.');
const again = object({ password, name: string().defined(), login: string().defined() });
const anew = object({
  password,
  name: string().trim().required('Give your name.'),
  login: string().trim().required('Give a sign-in name.'),
});

/** For whoever was sent a link: a new account, or a new password of one there is. */
export function JoinScreen() {
  const router = useRouter();
  const isNew = useLocalSearchParams<{ for?: string }>().for !== 'password';
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const form = useForm({
    resolver: yupResolver(isNew ? anew : again),
    defaultValues: { name: '', login: '', password: '' },
  });
  const submit = form.handleSubmit(async (wanted) => {
    setBusy(true);
    setTrouble(undefined);
    try {
      await join({ token: window.location.hash.slice(1), ...wanted });
      router.replace('/');
    } catch (error) {
      setTrouble((error as Error).message);
      setBusy(false);
    }
  });
  return (
    <Screen narrow>
      <View style={{ gap: 14, paddingTop: 32 }}>
        <View style={{ flexDirection: 'row', gap: 16, alignItems: 'center' }}>
          <Mark />
          <Title style={{ flex: 1 }}>Careful Latch</Title>
        </View>
        <Heading>{isNew ? 'Your account' : 'A new password'}</Heading>
        {isNew && (
          <>
            <Field form={form} name="name" label="Your name, as you sign" autoComplete="name" />
            <Field form={form} name="login" label="Sign-in name" autoComplete="username" autoCapitalize="none" />
          </>
        )}
        <Field
          form={form}
          name="password"
          label="Password"
          autoComplete="new-password"
          secureTextEntry
          onSubmitEditing={() => void submit()}
        />
        <Trouble>{trouble}</Trouble>
        <Button title="Come in" loading={busy} disabled={busy} onPress={() => void submit()} />
        <Quiet>The link can be used once. Your name stands under everything that you record and sign.</Quiet>
      </View>
    </Screen>
  );
}
