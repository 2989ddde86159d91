import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Preferences {
  readonly appearance: 'device' | 'day' | 'night';
  /** Help under the fields, for the apprentice; folded away for good by whoever needs it no more. */
  readonly help: boolean;
  setAppearance(appearance: Preferences['appearance']): void;
  setHelp(help: boolean): void;
}

export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      appearance: 'device',
      help: true,
      setAppearance: (appearance) => set({ appearance }),
      setHelp: (help) => set({ help }),
    }),
    { name: 'careful-latch-preferences' },
  ),
);
