import { useRouter } from 'expo-router';
import { Suspense, lazy, useLayoutEffect, useState } from 'react';
import { isElsewhere } from './elsewhere';

const KeySheet = lazy(async () => ({ default: (await import('../inspection/key-sheet')).KeySheet }));

/** The keys that do the same on every screen: ? shows them all; / finds, and where there is nothing to search in, goes to the list. */
export function KeysAnywhere() {
  const router = useRouter();
  const [sheet, setSheet] = useState(false);
  // Before the screen is painted: a key that is pressed at the first thing seen must not be lost.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || isElsewhere(event) || (event.key !== '?' && event.key !== '/')) return;
      event.preventDefault();
      if (event.key === '?') return setSheet(true);
      const search = document.querySelector<HTMLElement>('#root input[aria-label^="Search"]');
      if (search) search.focus();
      else router.navigate('/');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [router]);
  return sheet ? (
    <Suspense fallback={null}>
      <KeySheet onClose={() => setSheet(false)} />
    </Suspense>
  ) : null;
}
