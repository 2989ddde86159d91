/** Who works in the demo's office; their names stand in the picture of its sign-in, too (tools/drawn.mjs). */
export const DEMO_PEOPLE = [
  { login: 'ilse', name: 'Ilse O’Harrow', role: 'lead' },
  { login: 'joss', name: 'Joss Linnaker', role: 'inspector' },
  { login: 'maro', name: 'Maro Tillane', role: 'firm-lead' },
] as const;

export type DemoLogin = (typeof DEMO_PEOPLE)[number]['login'];
