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

/** What there is to be done and seen, each by whoever has it. */
export const CAPABILITIES = {
  'see-office': 'sees all houses of the office',
  'see-own': 'sees the houses of his own, or of his firm',
  record: 'records at a house: head, facts, photos and notes',
  request: 'asks the office for an inspection',
  answer: 'says what was corrected, and appeals',
  inspect: 'inspects, cites, goes there, and signs',
  settle: 'settles hazards, orders, appeals, and what was issued',
} as const;
export type Capability = keyof typeof CAPABILITIES;

/** What each role may do. A role that is not in it may do nothing, and so may not see. */
export const MAY: Readonly<Record<Role, readonly Capability[]>> = {
  lead: ['see-office', 'record', 'answer', 'inspect', 'settle'],
  inspector: ['see-office', 'record', 'answer', 'inspect'],
  contractor: ['see-own', 'record', 'request', 'answer'],
  'firm-lead': ['see-own', 'record', 'request', 'answer'],
  reader: ['see-office'],
};

/** Whether somebody may do something; closed to a role that nobody has listed. */
export const may = (role: Role, capability: Capability): boolean =>
  Object.hasOwn(MAY, role) && MAY[role].includes(capability);

/** The roles that may do something, as the table has them. */
export const whoMay = (capability: Capability): readonly Role[] =>
  (Object.keys(MAY) as Role[]).filter((role) => may(role, capability));

/** Who makes a change. */
export interface Person {
  readonly name: string;
  readonly role: Role;
}

/** Whether somebody is of a firm, or an owner, and so of outside the office: they walk for themselves and answer for what is to be corrected. */
export const isOutside = (role: Role): boolean => may(role, 'see-own');

/** Whether somebody inspects for the office, and signs. */
export const inspects = (role: Role): boolean => may(role, 'inspect');
