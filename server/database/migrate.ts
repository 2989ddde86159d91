import { createHash, createHmac, pbkdf2Sync, randomBytes } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { and, asc, eq, gt, isNull, sql } from 'drizzle-orm';
import { migrate as runMigrations } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { readCase } from '@careful-latch/core/case';
import { summaryOf } from '@careful-latch/core/record';
import { inspectionsOf } from '../inspections/queries';
import { QUEUE_SCHEMA, installQueue } from '../mail/queue';
import type { Database } from './client';
import * as schema from './schema';

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
  await summarize(db);
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

/** What lists say of inspections that were kept before there were any. */
async function summarize(db: Database): Promise<void> {
  for (;;) {
    const rows = await db.select().from(schema.inspections).where(isNull(schema.inspections.street)).limit(PORTION);
    if (rows.length === 0) return;
    for (const one of await inspectionsOf(db, rows))
      await db.update(schema.inspections).set(summaryOf(one)).where(eq(schema.inspections.id, one.id));
  }
}

/** Refuses a role that PostgreSQL would not hold back: with it nothing but our own queries would keep offices apart. */
export async function requireServerRole(pool: pg.Pool): Promise<void> {
  const { rows } = await pool.query<{ free: boolean }>(
    `select rolsuper or rolbypassrls or pg_has_role(current_user, (select relowner from pg_class where oid = 'public.offices'::regclass), 'member') as free
     from pg_roles where rolname = current_user`,
  );
  if (rows[0]?.free)
    throw new Error(
      'SERVER_DATABASE_URL names the owner of the database, or a superuser. The server needs a role of its own; see docs/running.md.',
    );
}

/** The address of a database for the server's own role, which is named after it; its password is known to whoever has the secret that all processes share. */
export function serverUrlOf(ownerUrl: string, secret: string): string {
  const url = new URL(ownerUrl);
  url.username = `${decodeURIComponent(url.pathname.slice(1))}_server`;
  url.password = createHmac('sha256', secret).update('database role').digest('hex');
  return url.toString();
}

/** Rounds of PBKDF2 in PostgreSQL's verifiers. */
const ROUNDS = 4096;

/** What PostgreSQL keeps of a password (RFC 5803, SCRAM-SHA-256): sent instead of it, so that it stands in no log of statements. */
function scramVerifier(password: string): string {
  const salt = randomBytes(16);
  const salted = pbkdf2Sync(password.normalize('NFKC'), salt, ROUNDS, 32, 'sha256');
  const keyed = (what: string) => createHmac('sha256', salted).update(what).digest();
  const stored = createHash('sha256').update(keyed('Client Key')).digest('base64');
  return `SCRAM-SHA-256$${ROUNDS}:${salt.toString('base64')}$${stored}:${keyed('Server Key').toString('base64')}`;
}

/** Makes the role that an address names, or gives it the address's password, and lets it do what the server does. Needs an owner who may make roles. */
export async function giveServerRole(owner: pg.Pool, url: string): Promise<void> {
  const { username, password } = new URL(url);
  const role = pg.escapeIdentifier(decodeURIComponent(username));
  const secret = pg.escapeLiteral(scramVerifier(decodeURIComponent(password)));
  const client = await owner.connect();
  try {
    await client
      .query(`create role ${role} login password ${secret}`)
      .catch((error: Error) =>
        isThereAlready(error) ? client.query(`alter role ${role} login password ${secret}`) : Promise.reject(error),
      );
    await client.query(`grant careful_latch_serving to ${role}`);
    // The queue's schema is the server's own; one that belongs to another role came with a copy of the database, and holds nothing that
    // is not in the outbox too.
    const { rows } = await client.query<{ theirs: boolean }>(
      'select nspowner::regrole::text <> quote_ident($1) as theirs from pg_namespace where nspname = $2',
      [decodeURIComponent(username), QUEUE_SCHEMA],
    );
    if (rows[0]?.theirs) await client.query(`drop schema ${QUEUE_SCHEMA} cascade`);
    await client.query(`create schema if not exists ${QUEUE_SCHEMA} authorization ${role}`);
  } finally {
    client.release();
  }
  await installQueue(owner, url);
}
const isThereAlready = (error: Error & { code?: string }) => ['42710', '23505'].includes(error.code ?? '');
