import type { FactMeta, Unit } from './fact';

/** An amount as it was read off a tool or a label, in the fact's own unit. */
export type AmountRead =
  | {
      readonly ok: true;
      readonly value: number;
      /** As it was read, where in another unit. */ readonly asRead?: string;
    }
  | { readonly ok: false; readonly why: string };

type Turn = (value: number) => number;
const times =
  (factor: number): Turn =>
  (value) =>
    value * factor;

/** Units in which an amount may be read, by the unit in which it is kept: spelled as people do, small letters, without dots and blanks. */
const READ_IN: Readonly<Partial<Record<Unit, Readonly<Record<string, Turn>>>>> = {
  'lb-in': {
    'lb-ft': times(12),
    'ft-lb': times(12),
    lbft: times(12),
    ftlb: times(12),
    'in-lb': times(1),
    inlb: times(1),
    nm: times(8.8507),
    'n-m': times(8.8507),
  },
  '°F': { c: (value) => (value * 9) / 5 + 32, '°c': (value) => (value * 9) / 5 + 32, f: times(1) },
  ft: { m: times(3.28084), cm: times(0.0328084), in: times(1 / 12), '"': times(1 / 12), "'": times(1), yd: times(3) },
  in: { cm: times(1 / 2.54), mm: times(1 / 25.4), m: times(39.3701), ft: times(12), "'": times(12), '"': times(1) },
  W: { kw: times(1000) },
  Ω: { ohm: times(1), ohms: times(1), kω: times(1000), kohm: times(1000), mω: times(1_000_000), k: times(1000) },
  A: { ma: times(0.001) },
  kA: { a: times(0.001) },
  V: { mv: times(0.001), kv: times(1000) },
};

const FRACTIONS: Readonly<Record<string, number>> = {
  '½': 0.5,
  '¼': 0.25,
  '¾': 0.75,
  '⅛': 0.125,
  '⅜': 0.375,
  '⅝': 0.625,
  '⅞': 0.875,
};
/** A number, perhaps with a fraction, and what stands behind it. */
const PIECE = /(-?\d+(?:[.,]\d+)?)?\s*(?:(\d+)\/(\d+)|([½¼¾⅛⅜⅝⅞]))?\s*([^\d\s½¼¾⅛⅜⅝⅞.,][^\d½¼¾⅛⅜⅝⅞]*)?/gu;

const plain = (unit: string) =>
  unit
    .toLowerCase()
    .replace(/[·. ]/g, '')
    .replace('feet', 'ft')
    .replace('inches', 'in')
    .replace('’', "'")
    .replace('”', '"');

/** Whether an amount kept in a unit is often read in another one. */
export const oftenReadOtherwise = (unit: Unit): boolean => ['lb-in', '°F', 'ft', 'in'].includes(unit);

/** Digits that a turned value keeps: a torque tool and a thermometer have no more. */
const rounded = (value: number) => Math.round(value * 100) / 100;

/**
 * Reads an amount: a number, with a fraction if need be, alone or in a unit that can be turned into the fact's; several pieces
 * are added, as in 6 ft 6 in. Refused with a sentence where a unit is none of those, or where nothing is a number.
 */
export function readAmount({ unit, min, max }: Pick<FactMeta, 'unit' | 'min' | 'max'>, text: string): AmountRead {
  const bounds = `right would be ${min} to ${max} ${unit}`.trim();
  const turns = READ_IN[unit] ?? {};
  let value = 0;
  let pieces = 0;
  let turned = false;
  const left = text.trim().replace(/(\d),(\d{3})(?!\d)/g, '$1$2');
  for (const [whole, number, above, below, sign, behind] of left.matchAll(PIECE)) {
    if (whole.trim() === '') continue;
    if (number === undefined && sign === undefined && above === undefined)
      return { ok: false, why: `“${text}” is no number; ${bounds}` };
    const amount =
      Number((number ?? '0').replace(',', '.')) + (sign ? FRACTIONS[sign]! : above ? Number(above) / Number(below) : 0);
    const name = behind === undefined ? '' : plain(behind);
    const own = name === plain(unit) || (name === '' && !(unit === 'ft' && pieces > 0));
    const turn = own ? times(1) : turns[name === '' ? 'in' : name]; // what stands behind feet is inches
    if (!turn) return { ok: false, why: `“${behind!.trim()}” cannot be turned into ${unit || 'a count'}; ${bounds}` };
    if (!own) turned = true;
    value += turn(amount);
    pieces++;
  }
  if (pieces === 0) return { ok: false, why: `“${text}” is no number; ${bounds}` };
  return turned ? { ok: true, value: rounded(value), asRead: text.trim() } : { ok: true, value };
}
