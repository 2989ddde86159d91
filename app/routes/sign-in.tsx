import { yupResolver } from '@hookform/resolvers/yup';
import { Button } from '../theme/elements';
import { Redirect, useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useLayoutEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { mixed, object, string } from 'yup';
import { EDITIONS, type Edition } from '@careful-latch/core/codebook';
import { Mark } from '../drawn/mark';
import { Field } from '../plates/field';
import { Plate, Plates } from '../plates/plate';
import { useInspections } from '../stores/inspections';
import { office } from '../stores/office';
import { askDemo, resume, setUp, signIn, useSession } from '../stores/session';
import { DRAWING_PICTURES, Lift, typedIntoPicture } from '../theme/first-picture';
import { Waiting } from '../theme/inside';
import { Screen } from '../theme/screen';
import { Trouble } from '../theme/trouble';
import { wayOn } from '../theme/way-on';
import { Heading, Quiet, Title, Words } from '../theme/words';

const signInSchema = object({
  login: string().trim().required('Give your sign-in name.'),
  password: string().required('Give your password.'),
});
const setUpSchema = signInSchema.shape({
  office: string().trim().required('Give the name of the office.'),
  edition: mixed<Edition>()
    .oneOf([...EDITIONS], 'Choose the edition that the office has adopted.')
    .required('Choose the edition that the office has adopted.'),
  name: string().trim().required('Give your name.'),
  password: string().required('Give a password.').min(10, 'A password has at least 10 characters.'),
});

const useWayOn = () => wayOn(useLocalSearchParams<{ to?: string }>().to);

function useTry() {
  const router = useRouter();
  const to = useWayOn();
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const attempt = async (act: () => Promise<void>) => {
    setBusy(true);
    setTrouble(undefined);
    try {
      await act();
      router.replace(to);
    } catch (error) {
      setTrouble((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return { trouble, busy, attempt };
}

function SignInForm({ again }: { again: boolean }) {
  const demo = useSession((one) => one.demo);
  const { trouble, busy, attempt } = useTry();
  const form = useForm({
    resolver: yupResolver(signInSchema),
    defaultValues: { login: '', password: '' },
  });
  useLayoutEffect(() => {
    form.setValue('login', typedIntoPicture('username'));
    form.setValue('password', typedIntoPicture('current-password'));
  }, [form]);
  useEffect(() => {
    if (again) void askDemo();
  }, [again]);
  const submit = () => void form.handleSubmit(({ login, password }) => attempt(() => signIn(login, password)))();
  return (
    <View style={{ gap: 14 }}>
      <Field form={form} name="login" label="Sign-in name" autoComplete="username" autoCapitalize="none" />
      <Field
        form={form}
        name="password"
        label="Password"
        autoComplete="current-password"
        secureTextEntry
        onSubmitEditing={submit}
      />
      <Trouble>{trouble}</Trouble>
      <Button title="Sign in" loading={busy} disabled={busy} onPress={submit} />
      <Forgotten loginOf={() => form.getValues('login')} />
      {demo.length > 0 && (
        <View style={{ gap: 8 }}>
          <Heading>Demo: one tap</Heading>
          {demo.map((one) => (
            <Plate
              key={one.login}
              role="button"
              label={`${one.name}, ${one.role}`}
              onPress={() => void attempt(() => signIn(one.login, one.password))}
            />
          ))}
        </View>
      )}
    </View>
  );
}

/** Whoever forgot their password: a link by mail, where the office has an address of theirs. It says the same for every name. */
function Forgotten({ loginOf }: { loginOf: () => string }) {
  const [said, setSaid] = useState<string>();
  const ask = () =>
    loginOf().trim() === ''
      ? setSaid('Give your sign-in name first.')
      : void office.forgotten(loginOf()).then(
          () =>
            setSaid('If the office has a mail address of yours, a link is on its way. If not, ask the lead for one.'),
          (error: Error) => setSaid(error.message),
        );
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row' }}>
        <Plate role="button" quiet label="I forgot it" onPress={ask} />
      </View>
      {said !== undefined && <Words role="status">{said}</Words>}
    </View>
  );
}

function SetUpForm() {
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
      <Words style={{ fontWeight: '700' }}>Adopted edition</Words>
      <Plates label="Adopted edition">
        {EDITIONS.map((one) => (
          <Plate
            key={one}
            reading
            label={one}
            selected={edition === one}
            onPress={() => form.setValue('edition', one, { shouldValidate: true })}
          />
        ))}
      </Plates>
      <Trouble>{form.formState.errors.edition?.message}</Trouble>
      <Field form={form} name="name" label="Your name" autoComplete="name" />
      <Field form={form} name="login" label="Sign-in name" autoComplete="username" autoCapitalize="none" />
      <Field form={form} name="password" label="Password" autoComplete="new-password" secureTextEntry />
      <Trouble>{trouble}</Trouble>
      <Button
        title="Make the account"
        loading={busy}
        disabled={busy}
        onPress={() => void form.handleSubmit((wanted) => attempt(() => setUp(wanted)))()}
      />
    </View>
  );
}

export default function SignIn() {
  const { known, needsSetup } = useSession();
  const reach = useInspections((one) => one.reach);
  const to = useWayOn();
  if (!DRAWING_PICTURES && (known === 'asking' || known === 'no-storage')) return <Waiting why={known} />;
  if (known === 'signed-in' && reach !== 'signed-out') return <Redirect href={to} />;
  return (
    <Screen narrow>
      <View style={{ gap: 18, paddingTop: 32 }}>
        <View style={{ flexDirection: 'row', gap: 16, alignItems: 'center' }}>
          <Mark />
          <View style={{ flex: 1 }}>
            <Title>Careful Latch</Title>
            <Quiet>Inspection of portable generator connections</Quiet>
          </View>
        </View>
        {known === 'unreachable' ? (
          <View style={{ gap: 12 }}>
            <Words>
              The office cannot be reached, and nobody has signed in on this phone before. Sign in once where there is
              signal; after that it works without.
            </Words>
            <Button title="Try again" onPress={() => void resume()} />
          </View>
        ) : needsSetup ? (
          <SetUpForm />
        ) : (
          <SignInForm again={known === 'signed-in'} />
        )}
        <Quiet>
          It shows what holds, what is violated and what nobody has proved. The adopted code, the local office and
          licensed practice decide; a wrong connection kills.
        </Quiet>
      </View>
      <Lift />
    </Screen>
  );
}
