import { useEffect, useState } from 'react';
import { create } from 'zustand';
import type { Case } from '@careful-latch/core/case';

/** A case file that somebody gave the application: what is recorded in it goes into the next inspection that is opened. */
export const useGiven = create<{ readonly given: { readonly name: string; readonly case: Case } | undefined }>(() => ({
  given: undefined,
}));

/** Reads a case file whole, or throws an Error that says what is wrong with it and where. */
export async function giveCase(file: File): Promise<void> {
  const { readGiven } = await import('./given');
  useGiven.setState({ given: { name: file.name, case: readGiven(file.name, await file.text()) } });
}

/** Takes in a case file that is dropped on the page; the sentence where it cannot be read. */
export function useDropped(onGiven: () => void): string | undefined {
  const [trouble, setTrouble] = useState<string>();
  useEffect(() => {
    const over = (event: DragEvent) => event.preventDefault(); // else the browser opens it
    const drop = (event: DragEvent) => {
      event.preventDefault();
      const file = event.dataTransfer?.files[0];
      if (file) giveCase(file).then(onGiven, (error: Error) => setTrouble(error.message));
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  }, [onGiven]);
  return trouble;
}
