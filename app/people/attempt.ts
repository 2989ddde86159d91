import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { wayOn } from '../theme/way-on';

/** Where somebody goes once they are in. */
export const useWayOn = () => wayOn(useLocalSearchParams<{ to?: string }>().to);

/** Tries to come in; the office's sentence where it is refused. */
export function useTry() {
  const router = useRouter();
  const to = useWayOn();
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const attempt = async (act: () => Promise<void>) => {
    setBusy(true);
    setTrouble(undefined);
    try {
      await act();
      router.replace(to);
    } catch (error) {
      setTrouble((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return { trouble, busy, attempt };
}
