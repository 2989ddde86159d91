import type { NotSeen } from './fact';
import type { TransferKind } from './traits';

/** What keeps source and utility apart by its shape, as the eye tells it. */
export const MECHANISMS = {
  'sliding-plate': { label: 'One plate slides between the handles', kinds: ['retrofit-interlock'] },
  'two-part-plate': { label: 'Two plates, one pushes the other', kinds: ['retrofit-interlock'] },
  linkage: { label: 'Linkage fixed to the breakers', kinds: ['retrofit-interlock', 'transfer-panel'] },
  'linked-mains': { label: 'Factory-linked mains', kinds: ['transfer-panel', 'whole-house-manual'] },
  'circuit-handles': { label: 'Handles: line, off, generator', kinds: ['load-side-switch', 'single-circuit-switch'] },
  'double-throw': { label: 'One handle, double throw', kinds: ['whole-house-manual', 'single-circuit-switch'] },
  other: {
    label: 'Something else',
    kinds: [
      'retrofit-interlock',
      'load-side-switch',
      'transfer-panel',
      'whole-house-manual',
      'whole-house-automatic',
      'single-circuit-switch',
    ],
  },
  automatic: { label: 'Contactors, mechanically held apart', kinds: ['whole-house-automatic'] },
} as const satisfies Record<string, { label: string; kinds: readonly TransferKind[] }>;
export type MechanismName = keyof typeof MECHANISMS;

/** Whether a mechanism is one that transfer equipment can have. */
export const goesWith = (name: MechanismName, kind: TransferKind | NotSeen | undefined): boolean =>
  (MECHANISMS[name].kinds as readonly unknown[]).includes(kind);
