import { randomUUID } from 'node:crypto';
import type { Pool, PoolClient } from 'pg';
import type { JWK } from 'jose';
import { drizzle } from 'drizzle-orm/node-postgres';
import * as schema from '../database/schema';
import type { Role } from '@careful-latch/core/record';
import type { EvidenceStore } from '../evidence/store';
import { NO_PASSWORD } from '../sessions/routes';
import { verifyOffice } from '../ledger/verify';

const OFFICE_FORMAT = 'careful-latch/office';
/** Version 1 held no photos, version 2 no rows that a day's line signs. */
const OFFICE_VERSION = 3;
const READ_VERSIONS: readonly unknown[] = [1, 2, OFFICE_VERSION];

/** What belongs to an office, each table after those that it hangs on. Sessions, invitations and what waits to be mailed do not go along. */
const TABLES = ['firms', 'accounts', 'rules', 'inspections', 'changes', 'decisions', 'held', 'permit_posts', 'notes', 'storms', 'storm_entries', 'violations', 'visits', 'views', 'destroyed', 'parties', 'ledger', 'signed_logs'] as const; // prettier-ignore
type Table = (typeof TABLES)[number];

/** Columns that stay at home: nobody signs in elsewhere by an old password, nor reads a calendar by an old address. */
const AT_HOME: Readonly<Partial<Record<string, Readonly<Record<string, unknown>>>>> = {
  accounts: { password_hash: NO_PASSWORD, feed_hash: null, demo: false },
};
/** What a file does not say of a row, whatever stands there: people come switched off, and somebody here lets them in. */
const ON_ARRIVAL: typeof AT_HOME = { accounts: { ...AT_HOME.accounts, active: false, void_before: null } };

/** Somebody who came with an office, and is to be let in. */
interface Arrived {
  readonly login: string;
  readonly name: string;
  readonly role: Role;
}

/** The file as JSON Schema, a line each. */
export const officeFileSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Careful Latch office, a line each: a head, rows of tables, photos, an end with their counts',
  oneOf: [
    {
      type: 'object',
      required: ['format', 'version', 'made', 'office'],
      properties: { format: { const: OFFICE_FORMAT }, version: { enum: READ_VERSIONS }, made: { type: 'string' }, office: { type: 'object' } }, // prettier-ignore
    },
    {
      type: 'object',
      required: ['table', 'row'],
      properties: { table: { enum: TABLES }, row: { type: 'object' } },
    },
    {
      type: 'object',
      required: ['photo', 'jpeg'],
      properties: { photo: { type: 'string', pattern: '^[0-9a-f]{64}$' }, jpeg: { type: 'string', contentEncoding: 'base64' } }, // prettier-ignore
    },
    { type: 'object', required: ['end'], properties: { end: { type: 'object' } } },
  ],
};

const PORTION = 500;

/** Columns of a table that are written, not worked out by the database. */
async function columnsOf(client: PoolClient, table: string): Promise<string[]> {
  const { rows } = await client.query<{ column_name: string }>(
    `select column_name from information_schema.columns where table_schema = 'public' and table_name = $1 and is_generated = 'NEVER' order by ordinal_position`,
    [table],
  );
  return rows.map((one) => one.column_name);
}

/** An office with everything that belongs to it, line by line, as it stood at one moment. Asks as the owner. */
export async function* officeLines(pool: Pool, store: EvidenceStore, office: string): AsyncGenerator<string> {
  const client = await pool.connect();
  try {
    await client.query('begin isolation level repeatable read read only');
    const { rows } = await client.query<{ row: object }>('select to_jsonb(o) as row from offices o where id = $1', [
      office,
    ]);
    if (!rows[0]) throw new Error('There is no such office.');
    yield JSON.stringify({
      format: OFFICE_FORMAT,
      version: OFFICE_VERSION,
      made: new Date().toISOString(),
      office: rows[0].row,
    });
    const end: Record<string, number> = {};
    for (const table of TABLES) {
      const columns = (await columnsOf(client, table)).map((one) => `"${one}"`).join(', ');
      await client.query(
        `declare rows no scroll cursor for select to_jsonb(r) as row from (select ${columns} from "${table}" where office = $1) r`,
        [office],
      );
      end[table] = 0;
      for (;;) {
        const { rows: some } = await client.query<{ row: object }>(`fetch ${PORTION} from rows`);
        if (some.length === 0) break;
        end[table] += some.length;
        for (const { row } of some) yield JSON.stringify({ table, row: { ...row, ...AT_HOME[table] } });
      }
      await client.query('close rows');
    }
    end.photos = 0;
    for await (const { sha256, picture } of store.all(office)) {
      end.photos++;
      yield JSON.stringify({ photo: sha256, jpeg: picture.toString('base64') });
    }
    yield JSON.stringify({ end });
    await client.query('commit');
  } finally {
    client.release(true);
  }
}

/** What is wrong with an office’s file, with the line; nothing of it was taken. */
export class OfficeFileError extends Error {}

const isObject = (data: unknown): data is Record<string, unknown> =>
  typeof data === 'object' && data !== null && !Array.isArray(data);

/**
 * Takes an office in, whole or not at all: every line in one transaction, and every seal verified with the keys at hand before it
 * ends; of a file that is refused no photo stays. Throws an `OfficeFileError` that says what is wrong, and at which line. Resolves with the
 * office’s name and its people, who are switched off and have no password.
 */
export async function takeOffice(
  pool: Pool,
  store: EvidenceStore,
  keys: readonly JWK[],
  lines: AsyncIterable<string>,
): Promise<{ readonly name: string; readonly people: readonly Arrived[] }> {
  const client = await pool.connect();
  const counts: Record<string, number> = {};
  /** Photos that were not here before. */
  const brought: string[] = [];
  const columns = new Map<string, string>();
  let n = 0;
  let office: { id: string; name: string } | undefined;
  let ended = false;
  const wrong = (why: string) => new OfficeFileError(`Line ${n}: ${why} Nothing was taken.`);
  try {
    await client.query('begin');
    for await (const line of lines) {
      n++;
      if (line.trim() === '') continue;
      if (ended) throw wrong('there is something behind the end.');
      let data: unknown;
      try {
        data = JSON.parse(line);
      } catch {
        throw wrong('this is no JSON.');
      }
      if (!isObject(data)) throw wrong('a line is an object.');
      if (!office) {
        if (data.format !== OFFICE_FORMAT) throw wrong(`the file begins with {"format":"${OFFICE_FORMAT}", …}.`);
        if (!READ_VERSIONS.includes(data.version)) throw wrong(`version ${OFFICE_VERSION} is read here; this is ${JSON.stringify(data.version)}.`); // prettier-ignore
        if (!isObject(data.office)) throw wrong('the office is missing.');
        await put(client, columns, 'offices', { ...data.office, epoch: randomUUID() }, wrong); // a copy of itself
        office = { id: String(data.office.id), name: String(data.office.name) };
        continue;
      }
      if (isObject(data.end)) {
        const end: Record<string, unknown> = { photos: 0, signed_logs: 0, ...data.end };
        const short = [...TABLES, 'photos'].find((table) => end[table] !== (counts[table] ?? 0));
        if (short) throw wrong(`${String(end[short])} rows of ${short} were written, and ${counts[short] ?? 0} are there.`); // prettier-ignore
        ended = true;
        continue;
      }
      if (typeof data.photo === 'string') {
        if (!/^[0-9a-f]{64}$/.test(data.photo)) throw wrong('a photo is named by its SHA-256.');
        const picture = Buffer.from(String(data.jpeg), 'base64');
        const is = { sha256: data.photo, bytes: picture.length };
        if (!store.find(office.id, is.sha256)) brought.push(is.sha256);
        const { whole } = await store.write(office.id, is, 0, picture).catch(() => ({ whole: false }));
        if (!whole) throw wrong('this photo is not the one that its SHA-256 names.');
        counts.photos = (counts.photos ?? 0) + 1;
        continue;
      }
      const { table, row } = data;
      if (!TABLES.includes(table as Table)) throw wrong(`${JSON.stringify(table)} is no table of an office.`);
      if (!isObject(row)) throw wrong('the row is missing.');
      if (row.office !== office.id) throw wrong('the row is of another office.');
      await put(client, columns, table as Table, row, wrong);
      counts[table as Table] = (counts[table as Table] ?? 0) + 1;
    }
    if (!office) throw new OfficeFileError('The file is empty. Nothing was taken.');
    if (!ended) throw wrong('the file breaks off here; its end is missing.');
    const { wrong: broken } = await verifyOffice(drizzle(client, { schema }), keys, office.id);
    if (broken) throw new OfficeFileError(`Its seals do not hold with the keys at hand. ${broken} Nothing was taken.`);
    const { rows: people } = await client.query<Arrived>(
      'select login, name, role from accounts where office = $1 order by role, name',
      [office.id],
    );
    await client.query('commit');
    return { name: office.name, people };
  } catch (error) {
    await client.query('rollback');
    if (office) for (const sha256 of brought) await store.destroy(office.id, sha256);
    throw error;
  } finally {
    client.release();
  }
}

/** Writes one row; says what is wrong with it where the database does not take it. */
async function put(
  client: PoolClient,
  columns: Map<string, string>,
  table: Table | 'offices',
  row: object,
  wrong: (why: string) => Error,
): Promise<void> {
  if (!columns.has(table)) columns.set(table, (await columnsOf(client, table)).map((one) => `"${one}"`).join(', '));
  const named = columns.get(table)!;
  try {
    await client.query(
      `insert into "${table}" (${named}) select ${named} from jsonb_populate_record(null::"${table}", $1::jsonb)`,
      [JSON.stringify({ ...row, ...ON_ARRIVAL[table] })],
    );
  } catch (error) {
    const { code, message } = error as { code?: string; message: string };
    throw wrong(
      code === '23505' ? `this row of ${table} is there already.` : `this row of ${table} cannot be kept: ${message}.`,
    );
  }
}
