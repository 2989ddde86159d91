/** What people of an office may be: each role does what its words say, and nothing else. */
export const ROLES = {
  lead: 'Lead: inspects and signs, settles hazards and orders, and looks after people',
  inspector: 'Inspector: inspects and signs',
  contractor: 'Contractor: walks his own houses, and says what he has corrected',
  reader: 'Reader: sees everything of the office, and changes nothing',
} as const;
export type Role = keyof typeof ROLES;

/** Who makes a change. */
export interface Person {
  readonly name: string;
  readonly role: Role;
}

/** Whether somebody inspects for the office, and signs. */
export const inspects = (role: Role): boolean => role === 'lead' || role === 'inspector';
