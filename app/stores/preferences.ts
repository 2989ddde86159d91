import { create } from 'zustand';
import { persist } from 'zustand/middleware';

const MOST_ALIKE = 100;

interface Preferences {
  readonly appearance: 'device' | 'day' | 'night';
  /** Help under the fields, for the apprentice; folded away for good by whoever needs it no more. */
  readonly help: boolean;
  /** Every station as a sheet of all its facts, rather than drawn. */
  readonly allFacts: boolean;
  /** “Not seen” and Undo change their corners. */
  readonly leftHanded: boolean;
  /** Houses that are walked with the kinds of parts of another at hand, the latest last: both by their ids. */
  readonly alike: readonly (readonly [inspection: string, other: string])[];
  setAppearance(appearance: Preferences['appearance']): void;
  setHelp(help: boolean): void;
  setAllFacts(allFacts: boolean): void;
  setLeftHanded(leftHanded: boolean): void;
  setAlike(inspection: string, other: string): void;
}

export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      appearance: 'device',
      help: true,
      allFacts: false,
      leftHanded: false,
      alike: [],
      setAppearance: (appearance) => set({ appearance }),
      setHelp: (help) => set({ help }),
      setAllFacts: (allFacts) => set({ allFacts }),
      setLeftHanded: (leftHanded) => set({ leftHanded }),
      setAlike: (inspection, other) =>
        set(({ alike }) => ({ alike: [...alike.slice(1 - MOST_ALIKE), [inspection, other] as const] })),
    }),
    { name: 'careful-latch-preferences' },
  ),
);
