import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { cp, mkdir, readdir, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import pg from 'pg';

import { QUEUE_SCHEMA } from '../mail/queue';

/** Where an office is: its database, its photos, and the folder of PostgreSQL's own programs. */
export interface Place {
  readonly databaseUrl: string;
  readonly evidenceFolder: string;
  readonly programs: string;
}

/** Runs one of PostgreSQL's programs; the password goes by the environment, where no list of processes shows it. */
async function run({ programs, databaseUrl }: Place, name: string, args: readonly string[]): Promise<void> {
  const url = new URL(databaseUrl);
  const process_ = spawn(join(programs, name), [...args], {
    stdio: ['ignore', 'ignore', 'pipe'],
    env: {
      ...process.env,
      PGHOST: url.hostname,
      PGPORT: url.port,
      PGUSER: decodeURIComponent(url.username),
      PGPASSWORD: decodeURIComponent(url.password),
      PGDATABASE: url.pathname.slice(1),
    },
  });
  let said = '';
  process_.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  const [code] = (await once(process_, 'close')) as [number];
  if (code !== 0) throw new Error(`${name} failed: ${said.trim().split('\n').slice(-3).join(' ')}`);
}

const UNDEFINED_COLUMN = '42703';
const DUMP = 'database.dump';
const PHOTOS = 'photos';

/**
 * Writes a backup into a folder that is not there yet: first the database, then the photos, so that every photo which the
 * database names is in it. Keys are not: whoever has both can seal in the office's name.
 */
export async function backUp(place: Place, folder: string): Promise<void> {
  if (existsSync(folder)) throw new Error(`${folder} is there already. Name a folder that is not.`);
  const made = `${folder}.part`; // half a backup is never taken for one
  await rm(made, { recursive: true, force: true });
  await mkdir(made, { recursive: true, mode: 0o700 });
  await run(place, 'pg_dump', [
    '--format=custom',
    '--no-owner',
    `--exclude-schema=${QUEUE_SCHEMA}`,
    `--file=${join(made, DUMP)}`,
  ]);
  if (existsSync(place.evidenceFolder))
    await cp(place.evidenceFolder, join(made, PHOTOS), { recursive: true, filter: (path) => !path.endsWith('.part') });
  await rename(made, folder);
}

/** Brings a backup back into an empty database. Throws an Error with a sentence where it is not empty, or the folder no backup. */
export async function restore(place: Place, folder: string): Promise<void> {
  const files = await readdir(folder).catch(() => [] as string[]);
  if (!files.includes(DUMP)) throw new Error(`${folder} is no backup: it has no ${DUMP}.`);
  const client = new pg.Client(place.databaseUrl);
  await client.connect();
  const { rows } = await client.query("select 1 from information_schema.tables where table_schema = 'public' limit 1");
  // The dump gives the server its rights; in another cluster its roles are not there yet.
  if (rows.length === 0)
    for (const role of ['careful_latch_serving', 'careful_latch_asking'])
      await client.query(`create role ${role} nologin`).catch(() => undefined); // there, or pg_restore will say so
  await client.end();
  if (rows.length > 0)
    throw new Error('The database is not empty. A backup is brought back into an empty one; nothing was changed.');
  await run(place, 'pg_restore', [
    '--no-owner',
    '--exit-on-error',
    `--dbname=${new URL(place.databaseUrl).pathname.slice(1)}`,
    join(folder, DUMP),
  ]);
  // Another copy of itself, whatever the server knows of it: an older backup has no epoch yet, and gets one with the next start.
  const back = new pg.Client(place.databaseUrl);
  await back.connect();
  await back.query('update offices set epoch = gen_random_uuid()').catch((error: { code?: string }) => {
    if (error.code !== UNDEFINED_COLUMN) throw error;
  });
  await back.end();
  if (files.includes(PHOTOS)) await cp(join(folder, PHOTOS), place.evidenceFolder, { recursive: true });
}
