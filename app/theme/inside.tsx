import { Redirect, usePathname } from 'expo-router';
import type { ComponentType } from 'react';
import { View } from 'react-native';
import { Mark } from '../drawn/mark';
import { useInspections } from '../stores/inspections';
import { useSession } from '../stores/session';
import { DRAWING_PICTURES, Lift } from './first-picture';
import { KeysAnywhere } from './keys-anywhere';
import { usePalette } from './theme';
import { signInFor } from './way-on';
import { Quiet, Title } from './words';

const WAITING = {
  asking: 'Opening…',
  opening: 'Opening what this phone has…',
  'no-storage':
    'This browser does not let the application keep anything on the device, so nothing you enter would be safe. Open it in an ordinary window, or free some storage, and load it again.',
} as const;

/** Where a screen would be, before it can be or where it cannot. */
export function Waiting({ why }: { why: keyof typeof WAITING }) {
  const palette = usePalette();
  return (
    <View style={{ flex: 1, backgroundColor: palette.paper, padding: 24, justifyContent: 'center', gap: 12 }}>
      <Mark />
      <Title>Careful Latch</Title>
      <Quiet>{WAITING[why]}</Quiet>
      {why === 'no-storage' && <Lift />}
    </View>
  );
}

/**
 * A screen for whoever is signed in, on this device or at the office; everybody else goes to the sign-in. Each screen asks
 * for itself: the navigator above them must stay as it is.
 */
export function inside(Shown: ComponentType) {
  return function Inside() {
    const known = useSession((one) => one.known);
    const ready = useInspections((one) => one.ready);
    const here = usePathname();
    if (DRAWING_PICTURES) return <Shown />;
    if (known === 'asking' || known === 'no-storage') return <Waiting why={known} />;
    if (known !== 'signed-in') return <Redirect href={signInFor(here)} />;
    if (!ready) return <Waiting why="opening" />;
    return (
      <>
        <Shown />
        <KeysAnywhere />
        <Lift />
      </>
    );
  };
}
