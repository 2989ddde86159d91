import Papa from 'papaparse';
import {
  CATALOGUE,
  NOT_SEEN,
  factAt,
  isAsked,
  readAmount,
  valueText,
  whyNotFact,
  withFact,
  type Case,
  type FactMeta,
} from '../case';

const LIST = 'loads.circuits';

/** A column of the table of circuits: one fact of each. */
export interface CircuitColumn {
  /** The fact's name within a circuit, like `slot`. */
  readonly key: string;
  readonly meta: FactMeta;
}

/** The columns, the slot first, as on every directory. */
export const CIRCUIT_COLUMNS: readonly CircuitColumn[] = [...CATALOGUE]
  .filter(([key]) => key.startsWith(`${LIST}.`))
  .map(([key, meta]) => ({ key: key.slice(LIST.length + 1), meta }))
  .sort((a, b) => Number(b.key === 'slot') - Number(a.key === 'slot'));

/** Address of a fact of a circuit, counted from 0. */
export const circuitPath = (row: number, key: string) => `${LIST}[${row}].${key}`;

const circuitsOf = (c: Case): readonly Readonly<Record<string, unknown>>[] => c.loads?.circuits ?? [];

/** The columns that are asked of some circuit of this house, or answered. */
export function columnsOf(c: Case): readonly CircuitColumn[] {
  const rows = circuitsOf(c).length > 0 ? c : withFact(c, `${LIST}[0].id`, 'new');
  return CIRCUIT_COLUMNS.filter(({ key }) =>
    circuitsOf(rows).some((_, row) => {
      const path = circuitPath(row, key);
      return factAt(rows, path) !== undefined || isAsked(rows, path);
    }),
  );
}

/** A value as a person reads it in the table, without its unit, which stands at the head of the column. */
export function cellText({ key, meta }: CircuitColumn, value: unknown): string {
  if (value === undefined) return '';
  if (value === NOT_SEEN) return 'not seen';
  return meta.kind === 'amount' || meta.kind === 'size' ? String(value) : valueText(circuitPath(0, key), value);
}

/** A column's name, with the unit of its values. */
export const headOf = ({ meta }: CircuitColumn) => (meta.unit ? `${meta.label}, ${meta.unit}` : meta.label);

/** The circuits of a house as CSV (RFC 4180) with a line of column names; no cell can be taken for a formula. */
export function circuitsCsv(c: Case): string {
  const rows = circuitsOf(c).map((circuit) => CIRCUIT_COLUMNS.map((one) => cellText(one, circuit[one.key])));
  return `${Papa.unparse([CIRCUIT_COLUMNS.map(headOf), ...rows], { escapeFormulae: true })}\r\n`;
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

/** What a cell says: a value, none where it is empty, or a sentence why it is none. */
export function readCell({ key, meta }: CircuitColumn, text: string): { value?: string | number; why?: string } {
  const said = plain(text);
  if (said === '') return {};
  if (said === 'not seen') return { value: NOT_SEEN };
  const choice = meta.choices.find(({ value, label }) => plain(label) === said || plain(value) === said);
  if (choice && meta.kind !== 'amount') return { value: choice.value };
  if (meta.kind !== 'amount') {
    const all = meta.choices.map(({ label }) => label).join(', ');
    return { why: `“${text.trim()}” is none of ${all}` };
  }
  const read = readAmount(meta, text);
  if (!read.ok) return { why: read.why };
  const why = whyNotFact(circuitPath(0, key), read.value);
  return why === undefined ? { value: read.value } : { why: why.replace(/^\S+: /, '') };
}

/** Cells, line by line; by default with whatever separator a file has. */
const linesOf = (text: string, delimiter = ''): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, '').replace(/[\r\n]+$/, ''), {
    skipEmptyLines: 'greedy',
    delimiter,
  }).data.map((cells) => cells.map((cell) => cell.replace(/^'(?=[=+\-@])/, '')));

export type CircuitsRead =
  | { readonly ok: true; readonly facts: readonly (readonly [path: string, value: string | number])[] }
  | { readonly ok: false; readonly errors: readonly string[] };

/** As many sentences as a person mends at once. */
const MOST_ERRORS = 8;

/**
 * Reads circuits from CSV or from what a spreadsheet copies: with a line of column names, each line the circuit in its slot,
 * or one more; without it, cell by cell from `at` on, to the right through `columns` and down. Empty cells leave what is
 * there. Nothing is taken by halves: where one cell cannot be read, the sentences say which, and no fact comes out.
 */
export function readCircuits(
  c: Case,
  text: string,
  columns: readonly CircuitColumn[],
  at: { readonly row: number; readonly column: number } = { row: 0, column: 0 },
): CircuitsRead {
  const csv = linesOf(text);
  const named = csv[0]?.map((cell) =>
    CIRCUIT_COLUMNS.find((one) => [headOf(one), one.meta.label, one.key].some((name) => plain(name) === plain(cell))),
  );
  const hasHead = named?.some(Boolean) ?? false;
  // A spreadsheet copies cells with tabs between them: a comma is then part of a number.
  const lines = hasHead ? csv : linesOf(text, '\t');
  const [head] = lines;
  if (!head) return { ok: false, errors: ['There is no circuit in it.'] };
  const unknown = hasHead ? head.filter((cell, i) => !named![i] && plain(cell) !== '') : [];
  if (unknown.length > 0)
    return {
      ok: false,
      errors: [
        `No column is called ${unknown.map((cell) => `“${cell.trim()}”`).join(', ')}. The columns are ${CIRCUIT_COLUMNS.map(headOf).join('; ')}.`,
      ],
    };

  const errors: string[] = [];
  const facts: [string, string | number][] = [];
  const known = circuitsOf(c);
  let added = known.length;
  const own = hasHead ? named! : columns.slice(at.column);
  for (const [i, cells] of (hasHead ? lines.slice(1) : lines).entries()) {
    const values = cells.flatMap((cell, j) => {
      const column = own[j];
      if (!column) {
        if (plain(cell) !== '') errors.push(`Line ${i + 1}: “${cell.trim()}” stands in no column.`);
        return [];
      }
      const { value, why } = readCell(column, cell);
      if (why !== undefined) errors.push(`Line ${i + 1}, ${column.meta.label}: ${why}.`);
      return value === undefined ? [] : [[column.key, value] as const];
    });
    if (values.length === 0) continue;
    const slot = values.find(([key]) => key === 'slot')?.[1];
    const there = slot === undefined ? -1 : known.findIndex((one) => one.slot === slot);
    const row = hasHead ? (there >= 0 ? there : added) : at.row + i;
    if (row >= added) added = row + 1;
    for (const [key, value] of values) facts.push([circuitPath(row, key), value]);
  }
  const tooMany = facts.map(([path]) => whyNotFact(path, undefined)).find((why) => why !== undefined);
  if (tooMany !== undefined) errors.push(`${tooMany}.`);
  if (errors.length > MOST_ERRORS)
    errors.splice(MOST_ERRORS, Infinity, `And ${errors.length - MOST_ERRORS} more like these.`);
  return errors.length > 0
    ? { ok: false, errors }
    : facts.length > 0
      ? { ok: true, facts }
      : { ok: false, errors: ['There is no circuit in it.'] };
}
