/** What people of an office may be: each role does what its words say, and nothing else. */
export const ROLES = {
  lead: 'Lead: inspects and signs, settles hazards and orders, and looks after people',
  inspector: 'Inspector: inspects and signs',
  contractor: 'Contractor: walks the houses of his firm, and says what was corrected',
  'firm-lead': 'Firm’s lead: a contractor, who looks after the people of his firm',
  reader: 'Reader: sees everything of the office, and changes nothing',
} as const;
export type Role = keyof typeof ROLES;

/** A role’s name, as it is read. */
export const roleName = (role: Role): string => ROLES[role].split(':')[0]!;

/** Who makes a change. */
export interface Person {
  readonly name: string;
  readonly role: Role;
}

/** Whether somebody is of a firm, or an owner, and so of outside the office: they walk for themselves and answer for what is to be corrected. */
export const isOutside = (role: Role): boolean => role === 'contractor' || role === 'firm-lead';

/** Whether somebody inspects for the office, and signs. */
export const inspects = (role: Role): boolean => role === 'lead' || role === 'inspector';
