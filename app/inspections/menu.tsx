import { Suspense, lazy, useState } from 'react';
import { Plate } from '../plates/plate';
import { useSession } from '../stores/session';

const Settings = lazy(async () => ({ default: (await import('../people/screens')).Settings }));

/** The way to whoever is signed in, and to all that is not about one house. */
export function Menu() {
  const [open, setOpen] = useState(false);
  const account = useSession((one) => one.account);
  const initials = account?.name
    .split(/\s+/)
    .map((word) => word[0])
    .join('');
  return (
    <>
      <Plate role="button" label={initials ?? 'Me'} onPress={() => setOpen(true)} testID="menu" />
      {open && (
        <Suspense fallback={null}>
          <Settings onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
