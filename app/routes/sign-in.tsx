import { Button, Input } from '../theme/elements';
import { Redirect } from 'expo-router';
import { Suspense, lazy, useEffect, useState } from 'react';
import { View } from 'react-native';
import { roleName } from '@careful-latch/core/people';
import { Mark } from '../drawn/mark';
import { Plate } from '../plates/plate';
import { useInspections } from '../stores/inspections';
import { office } from '../stores/office';
import { useTry, useWayOn } from '../people/attempt';
import { askDemo, resume, signIn, useSession } from '../stores/session';
import { DRAWING_PICTURES, Lift, typedIntoPicture } from '../theme/first-picture';
import { Waiting } from '../theme/inside';
import { Screen } from '../theme/screen';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Title, Words } from '../theme/words';

const SetUpForm = lazy(async () => ({ default: (await import('../docket/screens')).SetUpForm }));

function SignInForm({ again }: { again: boolean }) {
  const demo = useSession((one) => one.demo);
  const { trouble, busy, attempt } = useTry();
  // Two words need no package of forms, which nothing else on the way to the list needs.
  const [typed, setTyped] = useState(() => ({
    login: typedIntoPicture('username'),
    password: typedIntoPicture('current-password'),
  }));
  const [asked, setAsked] = useState(false);
  useEffect(() => {
    if (again) void askDemo();
  }, [again]);
  const submit = () => {
    setAsked(true);
    if (typed.login.trim() !== '' && typed.password !== '')
      void attempt(() => signIn(typed.login.trim(), typed.password));
  };
  const missing = { login: 'Give your sign-in name.', password: 'Give your password.' };
  const field = (name: 'login' | 'password') => {
    const why = asked && (name === 'login' ? typed.login.trim() : typed.password) === '' ? missing[name] : undefined;
    return {
      value: typed[name],
      onChangeText: (text: string) => setTyped({ ...typed, [name]: text }),
      renderErrorMessage: why !== undefined,
      ...(why !== undefined && { errorMessage: why }),
      containerStyle: { paddingHorizontal: 0 },
    };
  };
  return (
    <View style={{ gap: 14 }}>
      <Input
        {...field('login')}
        label="Sign-in name"
        aria-label="Sign-in name"
        autoComplete="username"
        autoCapitalize="none"
      />
      <Input
        {...field('password')}
        label="Password"
        aria-label="Password"
        autoComplete="current-password"
        secureTextEntry
        onSubmitEditing={submit}
      />
      <Trouble>{trouble}</Trouble>
      <Button title="Sign in" loading={busy} disabled={busy} onPress={submit} />
      <Forgotten login={typed.login} />
      {demo.length > 0 && (
        <View style={{ gap: 8 }}>
          <Heading>Demo: one tap</Heading>
          {demo.map((one) => (
            <Plate
              key={one.login}
              role="button"
              label={`${one.name}, ${roleName(one.role).toLowerCase()}`}
              onPress={() => void attempt(() => signIn(one.login, one.password))}
            />
          ))}
        </View>
      )}
    </View>
  );
}

/** Whoever forgot their password: a link by mail, where the office has an address of theirs. It says the same for every name. */
function Forgotten({ login }: { login: string }) {
  const [said, setSaid] = useState<string>();
  const ask = () =>
    login.trim() === ''
      ? setSaid('Give your sign-in name first.')
      : void office.forgotten(login).then(
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
          <Suspense fallback={null}>
            <SetUpForm />
          </Suspense>
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
