import { ValidationError } from 'yup';
import { isEdition } from '../codebook';
import { FORMAT, MOST_PARTS, MOST_TITLE, VERSION, caseSchema, type Case } from './schema';
import { listPathOf } from './stations';
import { quoted, taken } from './fact';
import { CASE_SHAPE, CATALOGUE, catalogueKey, type Shape } from './catalogue';
import { Facts, factAt, keysOf, valuesOfNothing, withFact } from './path';

/** Case files above this are refused before they are parsed. A complete case takes about 3 kB. */
export const MOST_BYTES = 1_000_000;

export type Read =
  { readonly ok: true; readonly case: Case; readonly facts: Facts } | { readonly ok: false; readonly errors: string[] };

function sentence(error: ValidationError): string {
  const message = error.message;
  return !error.path || message.startsWith(`${error.path}:`) ? message : `${error.path}: ${message}`;
}

const HEAD = new Map<string, (value: unknown) => boolean>([
  ['format', (value) => value === FORMAT],
  ['version', (value) => value === VERSION],
  ['edition', isEdition],
  ['title', (value) => value === undefined || (typeof value === 'string' && value.length <= MOST_TITLE)],
]);
const HEADS = ['format', 'version', 'edition'];
const isGroup = (data: unknown): data is Readonly<Record<string, unknown>> =>
  typeof data === 'object' && data !== null && !Array.isArray(data);

/** Whether data fit a shape; their values go where they stand. Says no where it is not sure: then the schema decides, and says why. */
function fits(data: unknown, shape: Shape, values: unknown[]): boolean {
  if (shape.values) return (values[shape.place] = taken(data, shape.values)) !== undefined;
  values[shape.place] = data;
  if (shape.list) {
    if (!Array.isArray(data) || data.length > MOST_PARTS) return false;
    for (let i = 0; i < data.length; i++) if (!fits(data[i], shape.entry(i), values)) return false;
    return true;
  }
  if (!shape.group || !isGroup(data)) return false;
  for (const key in data) {
    const value = data[key];
    const part = shape.group.get(key);
    if (!part || (value !== undefined && !fits(value, part, values))) return false;
  }
  return true;
}

/** The values of a whole case, whose head has other values than facts have; undefined where it does not fit. */
function valuesIn(data: Readonly<Record<string, unknown>>): unknown[] | undefined {
  const values = valuesOfNothing();
  for (const key of HEADS) if (!Object.hasOwn(data, key)) return undefined;
  for (const key in data) {
    const value = data[key];
    const head = HEAD.get(key);
    const shape = CASE_SHAPE.group!.get(key);
    if (head ? !head(value) : !shape || (value !== undefined && !fits(value, shape, values))) return undefined;
  }
  return values;
}

/** Checks parsed JSON against the case schema. Every error names the place, what stands there, and what would be right. */
export function readCase(data: unknown): Read {
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return { ok: false, errors: [`${quoted(data)} is no case; right would be an object { "format": … }`] };
  // The quick way for the usual file: most are well-formed, and the schema with its sentences costs ten times as much.
  const values = valuesIn(data as Record<string, unknown>);
  if (!values) return readBySchema(data);
  const site = data as Case;
  return { ok: true, case: site, facts: new Facts(site, values) };
}

/** The same by the schema alone; the two ways must agree. */
export function readBySchema(data: object): Read {
  try {
    const site = caseSchema.validateSync(data, { strict: true, abortEarly: false }) as Case;
    return { ok: true, case: site, facts: new Facts(site) };
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
  if (!CATALOGUE.has(catalogueKey(path))) return `${quoted(path)} is no fact known here`;
  if (keysOf(path).some((key) => typeof key === 'number' && key >= MOST_PARTS))
    return `${path}: more than ${MOST_PARTS} entries`;
  if (value === undefined) return undefined;
  const read = readCase(withFact({ format: 'careful-latch/case', version: 1, edition: '2023' }, path, value));
  return read.ok ? undefined : (read.errors.find((error) => error.startsWith(path)) ?? read.errors[0]);
}

/** Addresses of all facts recorded in a case, in the catalogue's order. */
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
  return found;
}
