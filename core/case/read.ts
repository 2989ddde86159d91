import { ValidationError } from 'yup';
import { MOST_PARTS, caseSchema, emptyCase, type Case } from './schema';
import { listPathOf } from './stations';
import { quoted, type Schema } from './fact';
import { upgraded } from './upgrade';
import { CATALOGUE, catalogueKey, isLocal } from './catalogue';
import { factAt, keysOf, withFact } from './path';

/** Case files above this are refused before they are parsed. A complete case takes about 3 kB. */
export const MOST_BYTES = 1_000_000;

export type Read = { readonly ok: true; readonly case: Case } | { readonly ok: false; readonly errors: string[] };

type Fits = (value: unknown) => boolean;

/**
 * Whether a value is sound, at a tenth of what the schema takes to say so; made from the schema, once. It never says why:
 * what does not fit is shown to the schema. It may doubt what the schema takes, never the other way round.
 */
function fitting(node: Schema): Fits {
  const takes = node.meta()?.takes;
  if (takes) return takes;
  if (node.innerType) {
    const each = fitting(node.innerType);
    return (value) =>
      Array.isArray(value) &&
      value.length <= MOST_PARTS &&
      [...(value as unknown[])].every(each) &&
      new Set((value as { id: string }[]).map((one) => one.id)).size === value.length;
  }
  if (!node.fields) return (value) => node.isValidSync(value, { strict: true });
  const fields = new Map(Object.entries(node.fields).map(([key, field]) => [key, fitting(field)]));
  const required = Object.entries(node.fields)
    .filter(([, field]) => !field.isValidSync(undefined, { strict: true }))
    .map(([key]) => key);
  return (value) =>
    typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    required.every((key) => Object.hasOwn(value, key)) &&
    Object.entries(value).every(([key, one]) => fields.get(key)?.(one) === true);
}
const fits = fitting(caseSchema as unknown as Schema);

function sentence(error: ValidationError): string {
  const message = error.message;
  return !error.path || message.startsWith(`${error.path}:`) ? message : `${error.path}: ${message}`;
}

/** Checks parsed JSON against the case schema; version 1 is carried over first. Every error names the place, what stands there, and what would be right. */
export function readCase(data: unknown): Read {
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return { ok: false, errors: [`${quoted(data)} is no case; right would be an object { "format": … }`] };
  const site = upgraded(data);
  if (fits(site)) return { ok: true, case: site as Case };
  try {
    return { ok: true, case: caseSchema.validateSync(site, { strict: true, abortEarly: false }) as Case };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const errors = (error.inner.length > 0 ? error.inner : [error]).map(sentence);
    return { ok: false, errors: [...new Set(errors)] };
  }
}

/** Reads a case from text. */
export function parseCase(text: string): Read {
  if (text.length > MOST_BYTES)
    return { ok: false, errors: [`the file has ${text.length} characters; a case has at most ${MOST_BYTES}`] };
  if (text.trim() === '') return { ok: false, errors: ['the file is empty; right would be a case { "format": … }'] };
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return { ok: false, errors: [`this is no JSON: ${(error as Error).message}`] };
  }
  return readCase(data);
}

/** Why a value cannot be recorded at an address; undefined if it can. An undefined value takes the fact away. */
export function whyNotFact(path: string, value: unknown): string | undefined {
  if (isLocal(path) && /^local\.[a-z0-9-]{1,60}$/.test(path)) {
    const read = value === undefined || readCase(withFact(emptyCase('2023'), path, value));
    return read === true || read.ok ? undefined : read.errors[0];
  }
  const key = catalogueKey(path);
  const list = CATALOGUE.has(key) ? listPathOf(key) : undefined;
  // One address for one fact: cord[0].sizeAwg, and neither cord[00].sizeAwg nor inlet.ratingA[0].
  const index = list && keysOf(path).find((one) => typeof one === 'number');
  if (!CATALOGUE.has(key) || path !== (list ? `${list}[${index}]${key.slice(list.length)}` : key))
    return `${quoted(path)} is no fact known here`;
  if (index !== undefined && Number(index) >= MOST_PARTS) return `${path}: more than ${MOST_PARTS} entries`;
  if (value === undefined) return undefined;
  const read = readCase(withFact(emptyCase('2023'), path, value));
  return read.ok ? undefined : (read.errors.find((error) => error.startsWith(path)) ?? read.errors[0]);
}

/** Addresses of all facts recorded in a case, in the catalogue's order; the office's own items last. */
export function recordedFacts(c: Case): string[] {
  const found: string[] = [];
  for (const key of CATALOGUE.keys()) {
    const listPath = listPathOf(key);
    if (!listPath) {
      if (factAt(c, key) !== undefined) found.push(key);
      continue;
    }
    const list = factAt(c, listPath);
    if (Array.isArray(list))
      list.forEach((_, i) => {
        const path = `${listPath}[${i}]${key.slice(listPath.length)}`;
        if (factAt(c, path) !== undefined) found.push(path);
      });
  }
  return [...found, ...Object.keys(c.local ?? {}).map((id) => `local.${id}`)];
}
