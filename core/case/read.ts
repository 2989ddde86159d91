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
const isGroup = (data: unknown): data is Record<string, unknown> =>
  typeof data === 'object' && data !== null && !Array.isArray(data);

/** A part of a case as it stands there, with the values in it: place, value, place, value and so on. */
interface Piece {
  readonly key: string;
  readonly data: unknown;
  readonly found: readonly unknown[];
}

/** Whether data fit a shape; their values are added to `found`. Says no where it is not sure: then the schema decides, and says why. */
function fits(data: unknown, shape: Shape, found: unknown[]): boolean {
  if (shape.values) {
    const value = taken(data, shape.values);
    found.push(shape.place, value);
    return value !== undefined;
  }
  found.push(shape.place, data);
  if (shape.list) {
    if (!Array.isArray(data) || data.length > MOST_PARTS) return false;
    for (let i = 0; i < data.length; i++) if (!fits(data[i], shape.entry(i), found)) return false;
    return true;
  }
  if (!shape.group || !isGroup(data)) return false;
  for (const key in data) {
    const value = data[key];
    const part = shape.group.get(key);
    if (!part || (value !== undefined && !fits(value, part, found))) return false;
  }
  return true;
}

/** The values of a case that is made of pieces. */
function valuesOf(pieces: readonly Piece[]): unknown[] {
  const values = valuesOfNothing();
  for (const { found } of pieces) for (let i = 0; i < found.length; i += 2) values[found[i] as number] = found[i + 1];
  return values;
}

/** Whether the head of a case, whose members have other values than facts have, is right. */
function headFits(data: Readonly<Record<string, unknown>>): boolean {
  for (const key of HEADS) if (!Object.hasOwn(data, key)) return false;
  for (const key in data) {
    const right = HEAD.get(key);
    if (right && !right(data[key])) return false;
  }
  return true;
}

function pieceOf(key: string, data: unknown): Piece | undefined {
  const shape = CASE_SHAPE.group!.get(key);
  const found: unknown[] = [];
  return shape && fits(data, shape, found) ? { key, data, found } : undefined;
}

/** The pieces of a whole case; undefined where it does not fit. */
function piecesOf(data: Readonly<Record<string, unknown>>): Piece[] | undefined {
  if (!headFits(data)) return undefined;
  const pieces: Piece[] = [];
  for (const key in data) {
    const value = data[key];
    if (HEAD.has(key) || value === undefined) continue;
    const piece = pieceOf(key, value);
    if (!piece) return undefined;
    pieces.push(piece);
  }
  return pieces;
}

const readAs = (site: Case, pieces: readonly Piece[]): Read => ({
  ok: true,
  case: site,
  facts: new Facts(site, valuesOf(pieces)),
});

/** Checks parsed JSON against the case schema. Every error names the place, what stands there, and what would be right. */
export function readCase(data: unknown): Read {
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return { ok: false, errors: [`${quoted(data)} is no case; right would be an object { "format": … }`] };
  // The quick way for the usual file: most are well-formed, and the schema with its sentences costs ten times as much.
  const pieces = piecesOf(data as Record<string, unknown>);
  return pieces ? readAs(data as Case, pieces) : readBySchema(data);
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

/** Texts above this are read whole: few cases are so long, and a piece keeps the text that it was cut from. */
const MOST_IN_PIECES = 20_000;

/** Where the first of two texts stands from a place on; -1 where neither does. */
function earlierOf(text: string, one: string, other: string, from: number): number {
  const [i, j] = [text.indexOf(one, from), text.indexOf(other, from)];
  return i < 0 || (j >= 0 && j < i) ? j : i;
}

/** The comma before the next group, where one ends and another with its key begins: `},"inlet":{`. -1 where there is none. */
function nextGroup(text: string, from: number): number {
  for (let end = earlierOf(text, '},"', '],"', from); end >= 0; end = earlierOf(text, '},"', '],"', end + 1)) {
    const close = text.indexOf('"', end + 3);
    const open = text[close + 2];
    if (text[close + 1] === ':' && (open === '{' || open === '[')) return end + 1;
  }
  return -1;
}

/** A case's text without its last brace, cut before each group, as `JSON.stringify` writes them; perhaps elsewhere too. */
function cut(text: string): string[] {
  const parts: string[] = [];
  let from = 0;
  let comma = text.lastIndexOf(',"', earlierOf(text, '{', '[', 1));
  while (comma > 0) {
    parts.push(text.slice(from, comma));
    from = comma + 1;
    comma = nextGroup(text, from);
  }
  parts.push(text.slice(from));
  return parts;
}

/** The object that a text is; undefined where it is none. */
function objectIn(text: string): Record<string, unknown> | undefined {
  try {
    const data: unknown = JSON.parse(text);
    return isGroup(data) ? data : undefined;
  } catch {
    return undefined;
  }
}

/**
 * `parseCase` with a memory, for many cases: of a text that has come before, in this case or another, nothing is read again.
 * A text is cut where its groups seem to begin. Where the cuts are wrong, some part is no JSON by itself or no group that fits,
 * and the text is read whole; where each part is, the text is what they are together, for JSON can be read in one way only.
 */
export function caseReader(mostPieces = 10_000): (text: string) => Read {
  const pieces = new Map<string, Piece>();

  function pieceIn(text: string): Piece | undefined {
    const known = pieces.get(text);
    if (known) return known;
    const data = objectIn(`{${text}}`) ?? {};
    const [key, ...more] = Object.keys(data);
    const piece = key !== undefined && more.length === 0 ? pieceOf(key, data[key]) : undefined;
    if (!piece) return undefined;
    if (pieces.size >= mostPieces) pieces.clear();
    pieces.set(text, piece);
    return piece;
  }

  function readInPieces(text: string): Read | undefined {
    if (text.length > MOST_IN_PIECES || !text.endsWith('}')) return undefined;
    const [head, ...groups] = cut(text.slice(0, -1));
    const site = objectIn(`${head}}`);
    if (!site || !headFits(site) || Object.keys(site).some((key) => !HEAD.has(key))) return undefined;
    const found: Piece[] = [];
    for (const group of groups) {
      const piece = pieceIn(group);
      if (!piece || piece.key in site) return undefined;
      site[piece.key] = piece.data;
      found.push(piece);
    }
    return readAs(site as unknown as Case, found);
  }

  return (text) => readInPieces(text) ?? parseCase(text);
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
