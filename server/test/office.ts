import { execFile } from 'node:child_process';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { promisify } from 'node:util';
import pg from 'pg';
import { pino } from 'pino';
import supertest from 'supertest';
import { STATIONS } from '@careful-latch/core/case';
import {
  judged,
  shownText,
  type Change,
  type ChangeBody,
  type Decision,
  type Inspection,
} from '@careful-latch/core/record';
import { createApp } from '../app';
import { connect, type Connection } from '../database/client';
import { giveServerRole, migrate, requireServerRole, serverUrlOf } from '../database/migrate';
import { loadDemo } from '../demo/load';
import { openKeys, type SealKeys } from '../ledger/keys';
import { bringUp } from '../ledger/ledger';
import { sha256 } from '../ledger/line';
import { EvidenceStore } from '../evidence/store';
import { DEMO_PASSWORD } from '../demo/password';

function adminUrl(): string {
  const url = process.env.TEST_DATABASE_URL;
  if (!url) throw new Error('TEST_DATABASE_URL is not set. Run npm test, which starts a database for the tests.');
  return url;
}

async function asAdmin(sql: string): Promise<void> {
  const client = new pg.Client(adminUrl());
  await client.connect();
  await client.query(sql);
  await client.end();
}

/** An office; its own connection is the owner's, for whom nothing is hidden. */
export interface Office extends Connection {
  /** What the server has. */
  readonly served: Connection;
  readonly serverUrl: string;
  readonly app: ReturnType<typeof createApp>;
  readonly url: string;
  readonly keys: SealKeys;
  readonly evidenceFolder: string;
  close(): Promise<void>;
}

/** All offices of a run of the tests seal with the same key: they are copies of one. */
export const KEYS_FILE = join(tmpdir(), `.careful-latch-keys-of-tests-${process.ppid}.json`);
/** Any number that no other program asks PostgreSQL to lock. */
const COPYING = 7_264_412;

/** Makes a database as a copy of one with the newest schema, with the demo or empty, which the first who asks in a run makes. */
async function copyOfModel(name: string, demo: boolean, keys: SealKeys): Promise<void> {
  const model = `test_model_${process.ppid}_${demo ? 'demo' : 'empty'}`;
  const client = new pg.Client(adminUrl());
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [COPYING]); // goes with the connection
    const { rowCount } = await client.query('select from pg_database where datname = $1', [model]);
    if (rowCount === 0) {
      await client.query(`DROP DATABASE IF EXISTS ${model}_begun`);
      await client.query(`CREATE DATABASE ${model}_begun`);
      const url = Object.assign(new URL(adminUrl()), { pathname: `/${model}_begun` }).toString();
      const owner = connect(url, () => undefined);
      await migrate(owner.db);
      if (demo) await loadDemo(owner, keys, new EvidenceStore(await mkdtemp(join(tmpdir(), '.careful-latch-'))));
      await owner.pool.end();
      await client.query(`ALTER DATABASE ${model}_begun RENAME TO ${model}`);
    }
    await client.query(`CREATE DATABASE ${name} TEMPLATE ${model}`);
  } finally {
    await client.end();
  }
}

/** A database of its own with the newest schema, and the server on it under its own role. */
export async function openOffice({
  demo = true,
  migrated = true,
  log = pino({ level: 'silent' }),
  trustProxy = undefined as number | undefined,
} = {}): Promise<Office> {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const keys = await openKeys(KEYS_FILE);
  if (migrated) await copyOfModel(name, demo, keys);
  else await asAdmin(`CREATE DATABASE ${name}`);
  const url = Object.assign(new URL(adminUrl()), { pathname: `/${name}` }).toString();
  const owner = connect(url, () => undefined);
  const serverUrl = serverUrlOf(url, 'test');
  const served = connect(serverUrl, () => undefined);
  if (migrated) {
    await giveServerRole(owner.pool, serverUrl);
    await requireServerRole(served.pool);
  }
  if (migrated) await bringUp(owner.door, keys);
  const evidenceFolder = await mkdtemp(join(tmpdir(), '.careful-latch-'));
  const app = createApp({
    ...served,
    log,
    sessionSecret: 'test',
    keys,
    evidenceFolder,
    ...(trustProxy !== undefined && { trustProxy }),
  });
  return {
    ...owner,
    served,
    serverUrl,
    app,
    keys,
    evidenceFolder,
    url,
    close: async () => {
      await Promise.all([owner.pool.end(), served.pool.end()]);
      await asAdmin(`DROP DATABASE ${name} WITH (FORCE)`);
      await asAdmin(`DROP ROLE IF EXISTS ${name}_server`);
      await rm(evidenceFolder, { recursive: true });
    },
  };
}

/** The command that starts the built server; the build runs in a process of its own, for the tests’ runner knows no modules of its kind. */
export async function builtServer(): Promise<readonly [string, string[]]> {
  const run = promisify(execFile);
  const { stdout } = await run(
    process.execPath,
    [
      '--input-type=module',
      '-e',
      `import { serverBundle, serverCommand } from ${JSON.stringify(pathToFileURL(join(root, 'tools', 'bundle.mjs')).href)}; console.log(JSON.stringify(serverCommand(await serverBundle(${JSON.stringify(root)}))));`,
    ],
    { cwd: root },
  );
  return JSON.parse(stdout) as [string, string[]];
}
const root = join(__dirname, '..', '..');

/** A browser at the office: keeps its cookie and carries the token. */
export async function visitor({ app }: Office) {
  const agent = supertest.agent(app);
  let token = '';
  let account = '';
  return {
    get: (path: string) => agent.get(path),
    post: (path: string, body: object | string) =>
      agent
        .post(path)
        .set('x-csrf-token', token)
        .set('x-account', account)
        .set('content-type', 'application/json')
        .send(body),
    patch: (path: string, body: object) => agent.patch(path).set('x-csrf-token', token).send(body),
    remove: (path: string) => agent.delete(path).set('x-csrf-token', token),
    /** Anything, with this visitor's token and nothing in it. */
    any: (method: 'get' | 'post' | 'put' | 'patch' | 'delete', path: string) =>
      agent[method](path).set('x-csrf-token', token).set('x-account', account),
    /** A piece of a photo. */
    piece: (path: string, piece: Buffer) =>
      agent.put(path).set('x-csrf-token', token).set('content-type', 'application/octet-stream').send(piece),
    bare: agent,
    async signIn(login: string, password = DEMO_PASSWORD) {
      const response = await this.post('/api/session', { login, password });
      if (response.status === 200) {
        const state = response.body as { csrfToken: string; account: { id: string } };
        token = state.csrfToken;
        account = state.account.id;
      }
      return response;
    },
    async signOut() {
      const response = await agent.delete('/api/session').set('x-csrf-token', token);
      token = '';
      return response;
    },
    change: (...changes: Change[]) =>
      agent.post('/api/changes').set('x-csrf-token', token).set('x-account', account).send({ changes }),
    /** What a device was told was taken, sent again; by which copy of the office it has heard of. */
    sentAgain: (changes: readonly Change[], epoch: string) =>
      agent
        .post('/api/changes')
        .set({ 'x-csrf-token': token, 'x-account': account, 'x-epoch': epoch, 'x-again': '1' })
        .send({ changes }),
    /** The decision on an inspection as it stands at the office. */
    async decisionOn(inspection: string, over: Partial<Decision> = {}) {
      const seen = (await agent.get(`/api/inspections/${inspection}`)).body as Inspection;
      return decisionOn(seen, over);
    },
  };
}

/** Lets what was recorded at a house have come so many hours earlier: what is signed on it offline is not signed before it. */
export async function recordedEarlier({ pool }: Office, house: string, hours: number): Promise<void> {
  await pool.query('alter table changes disable trigger user');
  await pool.query(`update changes set received_at = received_at - $1 * interval '1 hour' where inspection = $2`, [
    hours,
    house,
  ]);
  await pool.query('alter table changes enable trigger user');
}

/** What can be signed on a house where next to nothing is proved. */
export const CORRECTIONS = { kind: 'corrections-required', dueOn: '2026-12-09' } as const;

/** A decision on what somebody has seen. */
export function decisionOn(seen: Inspection, over: Partial<Decision> = {}): Change {
  const shown = sha256(shownText(seen, judged(seen)));
  const decision: Decision = {
    kind: 'approved',
    conditions: [],
    dueOn: null,
    order: null,
    scope: [...STATIONS],
    leftOut: '',
    handover: '',
    signature: { name: 'Ilse O’Harrow', path: '' },
    ...over,
  };
  return changeOf({ type: 'decide', inspection: seen.id, base: seen.revision, shown, decision });
}

let last = 0;
/** A change of just now, each after the one before. */
export const changeOf = (body: ChangeBody): Change =>
  ({ ...body, id: randomUUID(), at: new Date((last = Math.max(last + 1, Date.now()))).toISOString() }) as Change;

export const opening = (inspection: string, address = '99 Test Orchard'): Change =>
  changeOf({ type: 'open', inspection, header: { address, owner: 'Nella D’Arbois', permit: 'WT-1', edition: '2020' } });

/** The head of a JPEG of 1600 × 1200 pixels: so much of it is read. */
const JPEG_HEAD = Buffer.from(
  'ffd8ffe000104a46494600010100000100010000ffc0001108' + '04b0' + '0640' + '03012200021101031101',
  'hex',
);
/** A JPEG of some length, with noise for a picture. */
export const jpegOf = (length: number, head = JPEG_HEAD) => Buffer.concat([head, randomBytes(length - head.length)]);

/** A picture with its SHA-256. */
export const pictureOf = (bytes: Buffer) => ({ bytes, sha256: createHash('sha256').update(bytes).digest('hex') });

/** The change that announces it. */
export const photoOf = (inspection: string, { bytes, sha256 }: ReturnType<typeof pictureOf>): Change =>
  changeOf({
    type: 'evidence',
    inspection,
    evidence: randomUUID(),
    is: {
      about: 'breaker.ratingA',
      text: '',
      photo: { sha256, bytes: bytes.length, widthPx: 1600, heightPx: 1200, marks: [] },
    },
  });
