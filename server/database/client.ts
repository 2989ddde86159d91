import { fileURLToPath } from 'node:url';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate as runMigrations } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface Connection {
  readonly pool: pg.Pool;
  readonly db: Database;
}

/** Opens a pool of connections. Errors of idle connections go to `onError`, so that a database that went away does not end the server. */
export function connect(url: string, onError: (error: Error) => void): Connection {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000 });
  pool.on('error', onError);
  return { pool, db: drizzle(pool, { schema }) };
}

/** Brings the database to the newest schema. */
export async function migrate(db: Database): Promise<void> {
  await runMigrations(db, { migrationsFolder: fileURLToPath(new URL('../migrations', import.meta.url)) });
}
