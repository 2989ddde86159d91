import { sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import type { Account } from '../sessions/account';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema> & { readonly $client: pg.Pool | pg.PoolClient };
/** The database within one transaction. */
export type Transaction = Database;

/** Where the rows of an office are reached, and what must be known before it is known which office. */
export interface Door {
  /** Runs `work` in a transaction that sees one office's rows, and no other's. */
  inOffice<T>(office: string, work: (tx: Transaction) => Promise<T>): Promise<T>;
  /** An account as it stands now; undefined where there is none, or it is switched off. */
  accountOf(id: string): Promise<(Account & { readonly voidBeforeMs: number }) | undefined>;
  /** An account that is switched off; undefined where there is none. */
  switchedOff(id: string): Promise<Account | undefined>;
  /** The office of a sign-in name, an invitation's hash, a decision, or of the demo; undefined where there is none. */
  officeOf(what: 'login' | 'invite' | 'decision' | 'demo' | 'feed', key?: string): Promise<string | undefined>;
  officeIds(): Promise<string[]>;
}

export interface Connection {
  readonly pool: pg.Pool;
  /** Under the owner's role it sees every office; under the server's, what a transaction is set to. */
  readonly db: Database;
  readonly door: Door;
}

/** The longest that one statement may take, and that a transaction may wait for its next. */
const STATEMENT_MS = 30_000;

/** Opens a pool of connections. Errors of connections, idle or in use, go to `onError`: a database that went away does not end the server. */
export function connect(url: string, onError: (error: Error) => void, { connections = 10 } = {}): Connection {
  const pool = new pg.Pool({
    connectionString: url,
    max: connections,
    connectionTimeoutMillis: 5000,
    // A database that hangs costs the requests that are waiting, and no others.
    statement_timeout: STATEMENT_MS,
    idle_in_transaction_session_timeout: STATEMENT_MS,
  });
  pool.on('error', onError);
  pool.on('connect', (client) => client.on('error', onError)); // one in use when the database goes; its query fails by itself
  const db = drizzle(pool, { schema });
  return { pool, db, door: doorOf(db) };
}

/** PostgreSQL itself keeps offices apart (migration 0007); this tells it which one. Set for a transaction, never for a connection, which others use after it. */
function doorOf(db: Database): Door {
  return {
    inOffice: (office, work) => inTransaction(db, work, `set local app.office = ${pg.escapeLiteral(office)}`),
    async accountOf(id) {
      const { rows } = await db.execute<Record<string, unknown> & Account & { voidBeforeMs: number }>(
        sql`select id, office, login, name, role, firm, coalesce(extract(epoch from void_before) * 1000, 0)::float8 as "voidBeforeMs" from account_of(${id})`,
      );
      return rows[0];
    },
    async switchedOff(id) {
      const { rows } = await db.execute<Record<string, unknown> & Account>(
        sql`select id, office, login, name, role, firm from switched_off(${id})`,
      );
      return rows[0];
    },
    async officeOf(what, key = '') {
      const { rows } = await db.execute<{ office: string | null }>(sql`select office_of(${what}, ${key}) as office`);
      return rows[0]!.office ?? undefined;
    },
    async officeIds() {
      const { rows } = await db.execute<{ id: string }>(sql`select office_ids() as id`);
      return rows.map(({ id }) => id);
    },
  };
}

/**
 * Runs `work` in a transaction with a setting of its own. Drizzle's own leaves its connection behind where already the beginning fails, so that a
 * database which was away for a moment would never be reached again once all connections were left.
 */
async function inTransaction<T>(db: Database, work: (tx: Transaction) => Promise<T>, setting: string): Promise<T> {
  const client = await (db.$client as pg.Pool).connect();
  let broken: Error | undefined;
  try {
    await client.query(`begin; ${setting}`); // one way there and back
    const result = await work(drizzle(client, { schema }));
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch((lost: Error) => (broken = lost));
    throw error;
  } finally {
    client.release(broken); // one that could not even be rolled back is thrown away
  }
}
