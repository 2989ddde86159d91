import { startTransition, useEffect, useState } from 'react';

/**
 * A value one frame later: for what stands around the answer to a tap, so that the answer itself is drawn first.
 * React's own deferred value may be worked on before that frame. What stands there until then may be given.
 */
export function useSoon<T>(value: T, first: T = value): T {
  const [soon, setSoon] = useState(first);
  useEffect(() => {
    if (soon === value) return;
    let task: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      task = setTimeout(() => startTransition(() => setSoon(() => value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(task);
    };
  }, [value, soon]);
  return soon;
}
