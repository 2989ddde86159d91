import { Redirect, Slot, usePathname } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { resume, useSession } from '../stores/session';
import { useInspections } from '../stores/inspections';
import { DRAWING_PICTURES, liftPicture } from '../theme/first-picture';
import { Appearance, usePalette } from '../theme/theme';
import { Quiet, Title } from '../theme/words';
import { Mark } from '../drawn/mark';

export { ErrorBoundary } from '../theme/error-boundary';

function Waiting({ words }: { words: string }) {
  const palette = usePalette();
  return (
    <View style={{ flex: 1, backgroundColor: palette.paper, padding: 24, justifyContent: 'center', gap: 12 }}>
      <Mark />
      <Title>Careful Latch</Title>
      <Quiet>{words}</Quiet>
    </View>
  );
}

// Asked before anything is drawn, so that the first screen need not wait for it.
if (!DRAWING_PICTURES) void resume();

/** Lets in whoever is signed in, on this device or at the office; everybody else goes to the sign-in. */
function Gate() {
  const known = useSession((one) => one.known);
  const ready = useInspections((one) => one.ready);
  const path = usePathname();
  useEffect(() => {
    if ('serviceWorker' in navigator && process.env.NODE_ENV === 'production')
      void navigator.serviceWorker.register('/worker.js');
  }, []);
  const opening = known === 'asking' || (known === 'signed-in' && !ready);
  useEffect(() => {
    if (!opening) liftPicture();
  }, [opening]);
  const door = path === '/sign-in';
  if (DRAWING_PICTURES) return <Slot />;
  if (known === 'asking') return <Waiting words="Opening…" />;
  if (known === 'no-storage')
    return (
      <Waiting words="This browser does not let the application keep anything on the device, so nothing you enter would be safe. Open it in an ordinary window, or free some storage, and load it again." />
    );
  if (known !== 'signed-in') return door ? <Slot /> : <Redirect href="/sign-in" />;
  if (!ready) return <Waiting words="Opening what this phone has…" />;
  return <Slot />;
}

export default function Layout() {
  return (
    <Appearance>
      <Gate />
    </Appearance>
  );
}
