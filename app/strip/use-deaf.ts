import { useEffect, useState } from 'react';

/** New plates take no touch for this long: a thumb that is still on its way down means the ones before. */
const DEAF_MS = 350;

/** Whether plates that came with `what` are still deaf. */
export function useDeaf(what: string): boolean {
  const [heard, setHeard] = useState<string>();
  useEffect(() => {
    const timer = setTimeout(() => setHeard(what), DEAF_MS);
    return () => clearTimeout(timer);
  }, [what]);
  return heard !== what;
}
