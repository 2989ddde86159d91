import { useLayoutEffect, useRef, useState } from 'react';

type Acts = Readonly<Record<string, (...args: never[]) => unknown>>;

/** The same functions for as long as a component stands, each of which does what the newest of its name does: who is given them is not drawn anew for it. */
export function useSteady<T extends Acts>(acts: T): T {
  const newest = useRef(acts);
  useLayoutEffect(() => {
    newest.current = acts;
  });
  const [steady] = useState(
    () =>
      Object.fromEntries(
        Object.keys(acts).map((name) => [name, (...args: never[]) => newest.current[name]!(...args)]),
      ) as T,
  );
  return steady;
}
