import { everyEdition } from './editions';

/** What the letters of a flexible cord say (Table 400.4). */
export const CORD_LETTERS: Readonly<Record<string, string>> = {
  G: 'portable power cable with grounds',
  C: 'portable power cable',
  S: 'hard service, 600 V',
  J: 'junior hard service, 300 V',
  P: 'parallel cord, light duty',
  T: 'thermoplastic',
  E: 'thermoplastic elastomer',
  O: 'oil-resistant jacket',
  OO: 'oil-resistant jacket and insulation',
  V: 'vacuum-cleaner cord, light duty',
  W: 'for wet places and sunlight',
};

interface CordType {
  /** Extra-hard and hard usage serve outdoors and on a building site; the others do not. */
  readonly usage: 'extra-hard' | 'hard' | 'not-hard';
  readonly outdoors: boolean;
}
const type = (usage: CordType['usage'], outdoors: boolean): CordType => ({ usage, outdoors });

/** Types met at a portable generator, those for outdoors whole (Table 400.4). Outdoors is what the W says. */
export const CORD_TYPES = {
  SOOW: type('extra-hard', true),
  STW: type('extra-hard', true),
  STOW: type('extra-hard', true),
  STOOW: type('extra-hard', true),
  SEOOW: type('extra-hard', true),
  SEOW: type('extra-hard', true),
  SEW: type('extra-hard', true),
  SOW: type('extra-hard', true),
  SJTW: type('hard', true),
  SJTOW: type('hard', true),
  SJTOOW: type('hard', true),
  SJOOW: type('hard', true),
  SJOW: type('hard', true),
  SJEOOW: type('hard', true),
  SJEOW: type('hard', true),
  SJEW: type('hard', true),
  W: type('extra-hard', true),
  G: type('extra-hard', true),
  SC: type('extra-hard', true),
  SOO: type('extra-hard', false),
  SO: type('extra-hard', false),
  ST: type('extra-hard', false),
  SJT: type('hard', false),
  SJO: type('hard', false),
  SJ: type('hard', false),
  SVT: type('not-hard', false),
  'SPT-2': type('not-hard', false),
} as const satisfies Record<string, CordType>;
/** Portable power cables, whose ampacity is in a table of its own. */
export const isPortableCable = (name: CordTypeName): boolean => name === 'W' || name === 'G' || name === 'SC';
export type CordTypeName = keyof typeof CORD_TYPES;
export const CORD_TYPE_CITES = everyEdition('400.4');

/** The letters of a type, each with its meaning, longest first: SJOOW → S, J, OO, W. */
export function lettersOf(name: string): string[] {
  return (name.match(/OO|[A-Z]/g) ?? []).map((letter) => `${letter}: ${CORD_LETTERS[letter] ?? 'no meaning here'}`);
}
