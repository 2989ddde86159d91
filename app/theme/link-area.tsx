import { useRouter } from 'expo-router';
import { Pressable, type PressableProps } from 'react-native';

/**
 * What is touched to go somewhere; nothing where there is nowhere to go. React Native for the Web leaves the Enter key on a
 * link to the browser, which knows no link in an area without an address: it is answered here.
 */
export function LinkArea({
  to,
  ...rest
}: Omit<PressableProps, 'role' | 'onPress' | 'disabled'> & { to: string | undefined }) {
  const router = useRouter();
  const go = () => to !== undefined && router.navigate(to as never);
  const byKeyboard = { onKeyDown: ({ key }: { key: string }) => key === 'Enter' && go() };
  return <Pressable {...rest} {...byKeyboard} role="link" disabled={to === undefined} onPress={go} />;
}
