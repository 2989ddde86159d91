import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Preferences {
  readonly appearance: 'device' | 'day' | 'night';
  /** Help under the fields, for the apprentice; folded away for good by whoever needs it no more. */
  readonly help: boolean;
  /** Every station as a sheet of all its facts, rather than drawn. */
  readonly allFacts: boolean;
  /** “Not seen” and Undo change their corners. */
  readonly leftHanded: boolean;
  setAppearance(appearance: Preferences['appearance']): void;
  setHelp(help: boolean): void;
  setAllFacts(allFacts: boolean): void;
  setLeftHanded(leftHanded: boolean): void;
}

export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      appearance: 'device',
      help: true,
      allFacts: false,
      leftHanded: false,
      setAppearance: (appearance) => set({ appearance }),
      setHelp: (help) => set({ help }),
      setAllFacts: (allFacts) => set({ allFacts }),
      setLeftHanded: (leftHanded) => set({ leftHanded }),
    }),
    { name: 'careful-latch-preferences' },
  ),
);
