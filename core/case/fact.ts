import { mixed, type MixedSchema } from 'yup';
import { WIRE_SIZES, type WireSize } from '../codebook';

/** Somebody looked and could not see it. Not looked at yet is the fact's absence. */
export const NOT_SEEN = 'not-seen';
export type NotSeen = typeof NOT_SEEN;

export type Unit = 'A' | 'V' | 'W' | 'Hz' | 'ft' | 'in' | '°C' | '°F' | 'kA' | 'AWG' | 'in³' | 'Ω' | 'lb-in' | '%' | '';

export interface Choice {
  readonly value: string;
  readonly label: string;
  /** Offered only where it can be; absent: wherever the fact is asked. */
  readonly when?: When;
}

/** Whether something is asked or offered, by the facts beside it and by all of the case. */
type When = (siblings: Readonly<Record<string, unknown>>, site: Readonly<Record<string, unknown>>) => boolean;

/** What the whole program knows of a fact: the schema checks by it, the sheet draws it, an unproven outcome asks by it. */
export interface FactMeta {
  readonly kind: 'choice' | 'amount' | 'yes-no' | 'size';
  readonly label: string;
  /** The right answer as a statement, where the label is none. */
  readonly so?: string;
  /** How to find it out at the site. */
  readonly ask: string;
  /** What a sound house answers, by which examples know a fact that is younger than they are. */
  readonly sound?: string | number;
  readonly unit: Unit;
  /** Plates in the trade's order, the usual ones first. */
  readonly choices: readonly Choice[];
  /** Amounts only: bounds of what can be meant. */
  readonly min?: number;
  readonly max?: number;
  /** A name of the drawing that shows the choices, where looking beats reading. */
  readonly drawing?: 'configuration' | 'pins' | 'wire' | 'device';
  /** Asked only where another fact of the same object makes it matter. */
  readonly when?: When;
  /** Read where it was recorded, and asked no more: another fact says it better. */
  readonly retired?: true;
}

/** A schema, or a part of it: what the catalogue and the reader see of it. */
export interface Schema {
  meta(): { readonly fact?: FactMeta; readonly takes?: Takes } | undefined;
  isValidSync(value: unknown, options: { readonly strict: true }): boolean;
  readonly fields?: Readonly<Record<string, Schema>>;
  readonly innerType?: Schema;
}

/** Whether a value is one of a fact's. */
type Takes = (value: unknown) => boolean;

/** Why a value is none of the fact's, and what would be right, in a sentence. */
type Wrong = (value: unknown) => string;

type Words = Pick<FactMeta, 'label' | 'so' | 'ask' | 'sound' | 'drawing' | 'when' | 'retired'>;
type FactSchema<T> = MixedSchema<T | NotSeen | undefined>;

const ANYTHING = mixed().nullable().optional(); // nullable, so that null meets the fact's own sentence

function fact<T>(meta: FactMeta, wrong: Wrong): FactSchema<T> {
  const { kind, choices, min = Infinity, max = -Infinity } = meta;
  const texts = [NOT_SEEN, ...(kind === 'amount' ? [] : choices.map((one) => one.value))];
  const known = new Set<unknown>(texts);
  const takes: Takes = (value) => (typeof value === 'number' ? value >= min && value <= max : known.has(value));
  return ANYTHING.test('fact', (value, context) => {
    if (value === undefined || takes(value)) return true;
    return context.createError({ message: wrong(value) });
  }).meta({ fact: meta, takes }) as unknown as FactSchema<T>; // last, for each step copies what the schema holds
}

/** A value as it would be quoted back to the person who typed it, kept short. */
export function quoted(value: unknown): string {
  let text: string;
  try {
    text = JSON.stringify(value) ?? String(value);
  } catch {
    text = 'something nested too deep'; // JSON.stringify recurses; a hostile file can exhaust its stack
  }
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}

/** One of several named answers: as a record, or as pairs where a record would put numbers out of the trade's order. */
export function choice<const T extends string>(
  labels: Readonly<Record<T, string>> | readonly (readonly [T, string])[],
  { offered, ...words }: Words & { readonly offered?: Readonly<Partial<Record<T, When>>> },
): FactSchema<T> {
  const pairs = Array.isArray(labels) ? (labels as [T, string][]) : Object.entries<string>(labels as Record<T, string>);
  const choices = pairs.map(([value, label]) => {
    const when = offered?.[value as T];
    return { value, label, ...(when && { when }) };
  });
  return fact<T>(
    { kind: 'choice', unit: '', choices, ...words },
    (value) =>
      `${quoted(value)} is no answer here; right would be one of ${choices.map((one) => one.value).join(', ')}, or "${NOT_SEEN}"`,
  );
}

/** A measured, read or counted number; `usual` become plates. */
export function amount(
  unit: Unit,
  bounds: readonly [min: number, max: number],
  usual: readonly (number | readonly [number, string])[],
  words: Words,
): FactSchema<number> {
  const [min, max] = bounds;
  const choices = usual.map((one) =>
    typeof one === 'number' ? { value: String(one), label: String(one) } : { value: String(one[0]), label: one[1] },
  );
  return fact<number>(
    { kind: 'amount', unit, min, max, choices, ...words },
    (value) =>
      `${quoted(value)} is no number that can be meant here; right would be ${min} to ${max}${unit && ` ${unit}`}`,
  );
}

interface YesNo extends Words {
  /** What is said in the place of yes and no: where yes is the bad answer nobody should have to think twice. */
  readonly says?: readonly [yes: string, no: string];
}

export function yesNo({ says = ['Yes', 'No'], ...words }: YesNo): FactSchema<'yes' | 'no'> {
  const choices = [
    { value: 'yes', label: says[0] },
    { value: 'no', label: says[1] },
  ];
  return fact<'yes' | 'no'>(
    { kind: 'yes-no', unit: '', choices, ...words },
    (value) => `${quoted(value)} is no answer here; right would be "yes", "no" or "${NOT_SEEN}"`,
  );
}

function nearestSizes(value: unknown, sizes: readonly WireSize[]): string {
  const wanted = typeof value === 'object' ? NaN : Number(value); // an object may have no text to it, and throw
  const near = Number.isFinite(wanted)
    ? [...sizes]
        .filter((size) => !size.includes('/'))
        .sort((a, b) => Math.abs(Number(a) - wanted) - Math.abs(Number(b) - wanted) || Number(b) - Number(a))
    : sizes;
  return near.slice(0, 2).join(' and ');
}

/** A conductor size out of those the tables have. */
export function wireSize(sizes: readonly WireSize[], words: Words): FactSchema<WireSize> {
  const choices = sizes.map((size) => ({ value: size, label: size }));
  return fact<WireSize>({ kind: 'size', unit: 'AWG', choices, drawing: 'wire', ...words }, (value) => {
    const known = WIRE_SIZES.includes(value as WireSize);
    return `${quoted(value)} is ${known ? 'not made for this use' : 'no AWG size in the tables'}; nearest are ${nearestSizes(value, sizes)}`;
  });
}
