import { fileURLToPath } from 'node:url';
import { and, asc, eq, gt, sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate as runMigrations } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { readCase } from '@careful-latch/core/case';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema> & { readonly $client: pg.Pool | pg.PoolClient };
/** The database within one transaction. */
export type Transaction = Database;

export interface Connection {
  readonly pool: pg.Pool;
  readonly db: Database;
}

/** The longest that one statement may take, and that a transaction may wait for its next. */
const STATEMENT_MS = 30_000;

/** Opens a pool of connections. Errors of connections, idle or in use, go to `onError`: a database that went away does not end the server. */
export function connect(url: string, onError: (error: Error) => void): Connection {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 5000,
    // A database that hangs costs the requests that are waiting, and no others.
    statement_timeout: STATEMENT_MS,
    idle_in_transaction_session_timeout: STATEMENT_MS,
  });
  pool.on('error', onError);
  pool.on('connect', (client) => client.on('error', onError)); // one in use when the database goes; its query fails by itself
  return { pool, db: drizzle(pool, { schema }) };
}

/**
 * Runs `work` in a transaction. Drizzle's own leaves its connection behind where already the beginning fails, so that a
 * database which was away for a moment would never be reached again once all connections were left.
 */
export async function inTransaction<T>(db: Database, work: (tx: Transaction) => Promise<T>): Promise<T> {
  const client = await (db.$client as pg.Pool).connect();
  let broken: Error | undefined;
  try {
    await client.query('begin');
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

/** Any number that no other program asks PostgreSQL to lock. */
const STARTING = 7_264_411;

/** Lets processes that start at the same moment on one database do so one after the other. */
export async function oneAfterTheOther<T>(pool: pg.Pool, work: () => Promise<T>): Promise<T> {
  const client = await pool.connect();
  try {
    await client.query('set statement_timeout = 0'); // the one before may have much to bring up
    await client.query('select pg_advisory_lock($1)', [STARTING]);
    return await work();
  } finally {
    client.release(true); // with its connection the lock goes too
  }
}

/** Brings the database to the newest schema. */
export async function migrate(db: Database): Promise<void> {
  await runMigrations(db, { migrationsFolder: fileURLToPath(new URL('../migrations', import.meta.url)) });
  await upgradeCases(db);
}

/** Cases read at once while they are carried over. */
const PORTION = 200;

/** Carries the cases of version 1 over to version 2, as whoever reads a file does. Sealed records stay as they were signed. */
async function upgradeCases(db: Database): Promise<void> {
  for (let after = '00000000-0000-0000-0000-000000000000'; ;) {
    const rows = await db
      .select({ id: schema.inspections.id, case: schema.inspections.case })
      .from(schema.inspections)
      .where(and(gt(schema.inspections.id, after), sql`${schema.inspections.case}->>'version' = '1'`))
      .orderBy(asc(schema.inspections.id))
      .limit(PORTION);
    if (rows.length === 0) return;
    for (const row of rows) {
      const read = readCase(row.case);
      // One that cannot be read stays as it is, for whoever opens it to see; no other waits for it.
      if (read.ok)
        await db.update(schema.inspections).set({ case: read.case }).where(eq(schema.inspections.id, row.id));
    }
    after = rows.at(-1)!.id;
  }
}
