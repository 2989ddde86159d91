import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { Trouble } from '../theme/trouble';
import { Plate } from '../plates/plate';
import { office } from '../stores/office';
import { useSession } from '../stores/session';
import { Back } from '../theme/back';
import { momentText } from '../theme/dates';
import { Button, Input } from '../theme/elements';
import { Screen } from '../theme/screen';
import { Heading, Quiet, Title, Words } from '../theme/words';

/** One’s own password, and where one is signed in. */
export function OwnAccountScreen() {
  const account = useSession((one) => one.account);
  const [password, setPassword] = useState('');
  const [next, setNext] = useState('');
  const [sessions, setSessions] = useState<readonly { signedInAt: string; here: boolean }[]>([]);
  const [email, setEmail] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const [done, setDone] = useState<string>();
  const attempt = useCallback(async (work: () => Promise<unknown>, said?: string) => {
    setTrouble(undefined);
    setDone(undefined);
    try {
      await work();
      const own = await office.sessions();
      setSessions(own.sessions);
      setEmail((before) => before ?? own.email ?? '');
      setDone(said);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  }, []);
  useEffect(() => {
    void attempt(() => Promise.resolve());
  }, [attempt]);
  const change = () =>
    attempt(async () => {
      await office.changePassword(password, next);
      setPassword('');
      setNext('');
    }, 'Your password is changed, and every other session has ended.');
  const field = (
    label: string,
    value: string,
    onChangeText: (text: string) => void,
    autoComplete: 'current-password' | 'new-password',
  ) => (
    <Input
      label={label}
      aria-label={label}
      value={value}
      onChangeText={onChangeText}
      autoComplete={autoComplete}
      secureTextEntry
      renderErrorMessage={false}
      containerStyle={{ paddingHorizontal: 0 }}
    />
  );
  return (
    <Screen narrow head={<Back to="/" label="Inspections" />}>
      <View style={{ gap: 12 }}>
        <Title>{account?.name}</Title>
        <Trouble>{trouble}</Trouble>
        {done !== undefined && <Words role="status">{done}</Words>}
        <Quiet>Asked for before the password, or where mail goes, is changed.</Quiet>
        {field('Your present password', password, setPassword, 'current-password')}
        <Heading>Another password</Heading>
        {field('The new one, at least 10 characters', next, setNext, 'new-password')}
        <Button title="Change it" onPress={() => void change()} />
        <Heading>Mail</Heading>
        <Quiet>What is due goes there each morning, and a link to a new password when you forget yours.</Quiet>
        <Input
          label="Your mail address"
          aria-label="Your mail address"
          value={email ?? ''}
          onChangeText={setEmail}
          autoComplete="email"
          autoCapitalize="none"
          inputMode="email"
          renderErrorMessage={false}
          containerStyle={{ paddingHorizontal: 0 }}
        />
        <View style={{ flexDirection: 'row' }}>
          <Plate
            role="button"
            label="Keep it"
            onPress={() =>
              void attempt(
                () => office.changeOwn({ email: email?.trim() || null, password }),
                email?.trim() ? 'Mail goes there from now on.' : 'You get no mail from now on.',
              )
            }
          />
        </View>
        <Heading>Where you are signed in</Heading>
        {sessions.map((one) => (
          <Words key={one.signedInAt}>{`Since ${momentText(one.signedInAt)}${one.here ? ', here' : ''}`}</Words>
        ))}
        {sessions.length > 1 && (
          <View style={{ flexDirection: 'row' }}>
            <Plate
              role="button"
              label="End the others"
              onPress={() => void attempt(() => office.endOtherSessions(), 'Every other session has ended.')}
            />
          </View>
        )}
        <Quiet>A phone that was lost: end the others, then change the password.</Quiet>
      </View>
    </Screen>
  );
}
