import { useState } from 'react';
import type { ChangeBody } from '@careful-latch/core/record';
import { record } from '../stores/inspections';

/** Makes changes, and says in a sentence why one cannot be made. */
export function useChange(): { trouble: string | undefined; change: (body: ChangeBody) => boolean } {
  const [trouble, setTrouble] = useState<string>();
  const change = (body: ChangeBody): boolean => {
    try {
      record(body);
      setTrouble(undefined);
      return true;
    } catch (error) {
      setTrouble((error as Error).message);
      return false;
    }
  };
  return { trouble, change };
}
