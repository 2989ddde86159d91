/**
 * npm run faults: what an office must live through. Two servers on one database, a hundred people who write and sign at once;
 * meanwhile each server is killed, and PostgreSQL ends, ten times (npm run faults -- --rounds 3: three times). After that
 * nothing that was acknowledged may be missing or there twice, revisions have no gaps, and every seal holds. A clock is set in
 * mid-flight, the disk of the photos is full, and an older backup comes back, before and after others have worked. Then a hundred
 * thousand requests of nonsense (--requests 5000) over every route: none may end in a 500, tell a stack trace, or leave memory.
 */
import { spawnSync } from 'node:child_process';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import fc from 'fast-check';
import pg from 'pg';
import type { Inspection } from '@careful-latch/core/record';
import { KEYS, Office } from '../e2e/server';
import { connect } from '../server/database/client';
import { offices } from '../server/database/schema';
import { openKeys } from '../server/ledger/keys';
import { verifyOffice } from '../server/ledger/verify';
import { openApi } from '../server/openapi';
import { startCluster } from './database.mjs';
import { Findings, correctionsOn, rssMb, signIn, type Session } from './visitor';

const root = fileURLToPath(new URL('..', import.meta.url));
const { values } = parseArgs({
  options: { rounds: { type: 'string', default: '10' }, requests: { type: 'string', default: '100000' } },
});
const ROUNDS = Number(values.rounds);
const REQUESTS = Number(values.requests);
const WRITERS = 100;
/** So many of them write on houses that others write on too. */
const SHARING = 20;
const SHARED_HOUSES = 4;
/** Every so manieth thing that somebody does is a signature. */
const SIGNS_EVERY = 8;
/** Between one fault and the next: some are at rest, some meet what the one before left. */
const BETWEEN_MS = 700;
/** An answer that takes longer is asked for again. */
const PATIENCE_MS = 8000;

const found = new Findings();
const say = found.say.bind(found);

/** Asks one server, then the other, until an answer comes that is one. */
async function insist<T>(servers: readonly Office[], session: Session, path: string, body?: object): Promise<T> {
  for (let attempt = Math.floor(Math.random() * 2); ; attempt++) {
    try {
      const response = await fetch(`${servers[attempt % 2]!.address}/api${path}`, {
        headers: session.headers,
        ...(body && { method: 'POST', body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(PATIENCE_MS),
      });
      if (response.status === 200) return (await response.json()) as T;
      if (response.status < 500) throw new TypeError(`${path}: ${response.status} ${await response.text()}`);
    } catch (error) {
      if (error instanceof TypeError && error.message.startsWith(path)) throw error;
    }
    await pause(50);
  }
}

/** What a writer was told: that a change is there, under this revision. */
interface Told {
  readonly id: string;
  readonly inspection: string;
  readonly revision: number;
  readonly signed: boolean;
}

const told: Told[] = [];
let refused = 0;
/** By house of one's own: the value that was acknowledged last. */
const lastOwn = new Map<string, number>();
/** When each writer was answered last. */
const answeredAt: number[] = [];
let writing = true;

type Body = Readonly<Record<string, unknown>> & { readonly type: string };

async function tell(servers: readonly Office[], session: Session, inspection: string, body: Body): Promise<boolean> {
  const change = { ...body, inspection, id: randomUUID(), at: new Date().toISOString() };
  const { results } = await insist<{ results: { status: string; revision: number }[] }>(servers, session, '/changes', {
    changes: [change],
  });
  const [{ status, revision }] = results as [{ status: string; revision: number }];
  if (status === 'refused') refused++;
  else told.push({ id: change.id, inspection, revision, signed: body.type === 'decide' });
  return status !== 'refused';
}

async function sign(servers: readonly Office[], session: Session, inspection: string): Promise<void> {
  const seen = await insist<Inspection>(servers, session, `/inspections/${inspection}`);
  await tell(servers, session, inspection, correctionsOn(seen, session.name));
}

async function writer(n: number, servers: readonly Office[], session: Session, house: string | undefined) {
  const own = house ?? randomUUID();
  const header = { address: `${n} Fault Row`, owner: '', permit: '', edition: '2020' };
  if (house === undefined) await tell(servers, session, own, { type: 'open', header });
  for (let i = 1; writing; i++) {
    if (i % SIGNS_EVERY === 0) await sign(servers, session, own);
    else {
      const value = 15 + (i % 180);
      const facts = [{ path: 'breaker.ratingA', value, how: 'touched' }];
      if ((await tell(servers, session, own, { type: 'facts', facts })) && house === undefined) lastOwn.set(own, value);
    }
    answeredAt[n] = Date.now();
    await pause(20 + Math.random() * 60);
  }
}

/** Ends PostgreSQL, in order or as a crash does; who watches it starts it again. */
async function endDatabase(folder: string, url: string, signal: 'SIGINT' | 'SIGQUIT'): Promise<void> {
  process.kill(Number(readFileSync(join(folder, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]), signal);
  await pause(300);
  for (;;) {
    const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 1000 });
    client.on('error', () => undefined);
    const there = await client.connect().then(
      () => true,
      () => false,
    );
    await client.end().catch(() => undefined);
    if (there) return;
    await pause(100);
  }
}

async function lookedOver(office: Office): Promise<void> {
  const { db, pool } = connect(office.databaseUrl, () => undefined);
  const { rows } = await pool.query<{ id: string; inspection: string; revision: number }>(
    'select id, inspection, revision from changes',
  );
  const kept = new Map(rows.map((row) => [row.id, row]));
  const missing = told.filter(({ id }) => !kept.has(id));
  say(
    'nothing that was acknowledged is missing',
    missing.length === 0,
    `${told.length} acknowledged, ${missing.length} missing`,
  );
  const moved = told.filter(({ id, revision, inspection }) => {
    const row = kept.get(id);
    return row && (row.revision !== revision || row.inspection !== inspection);
  });
  say('each is there under the revision that was told', moved.length === 0, `${moved.length} under another`);
  const ids = new Set(told.map(({ id }) => id));
  say('nothing was acknowledged twice', ids.size === told.length, `${told.length - ids.size} twice`);
  const gaps = await pool.query(
    `select i.id from inspections i left join changes c on c.office = i.office and c.inspection = i.id
     group by i.office, i.id, i.revision
     having count(c.id) <> i.revision or max(c.revision) <> i.revision or min(c.revision) <> 1`,
  );
  say('revisions have no gaps', gaps.rowCount === 0, `${gaps.rowCount} inspections with gaps`);
  const cases = await pool.query<{ id: string; value: number }>(
    `select id, ("case"->'breaker'->>'ratingA')::int as value from inspections where id = any($1)`,
    [[...lastOwn.keys()]],
  );
  const other = cases.rows.filter(({ id, value }) => lastOwn.get(id) !== value);
  say(
    'each house stands as its only writer left it',
    other.length === 0 && cases.rows.length === lastOwn.size,
    `${cases.rows.length} houses, ${other.length} otherwise`,
  );
  const signed = await pool.query<{ id: string }>('select id from decisions');
  const decisions = new Set(signed.rows.map(({ id }) => id));
  const unsigned = told.filter((one) => one.signed && !decisions.has(one.id));
  say(
    'each signature is a sealed decision',
    unsigned.length === 0,
    `${told.filter((one) => one.signed).length} signed, ${unsigned.length} without`,
  );
  const { publicKeys } = await openKeys(KEYS);
  for (const { id, name } of await db.select().from(offices)) {
    const { lines, wrong } = await verifyOffice(db, publicKeys, id);
    say(`seals of ${name}`, wrong === undefined, wrong ?? `${lines} lines hold`);
  }
  await pool.end();
}

async function underFaults(folder: string, office: Office, url: string): Promise<void> {
  const other = await Office.beside(office);
  const servers = [office, other];
  const people = [await signIn(office.address, 'ilse'), await signIn(other.address, 'joss')];
  const shared = Array.from({ length: SHARED_HOUSES }, () => randomUUID());
  for (const [i, house] of shared.entries())
    await tell(servers, people[0]!, house, { type: 'open', header: { address: `${i} Shared Row`, owner: '', permit: '', edition: '2020' } }); // prettier-ignore
  const writers = Array.from({ length: WRITERS }, (_, n) =>
    writer(n, servers, people[n % 2]!, n < SHARING ? shared[n % SHARED_HOUSES] : undefined),
  );
  for (let round = 0; round < ROUNDS; round++) {
    for (const server of servers) {
      await pause(BETWEEN_MS);
      await server.stop('SIGKILL');
      await pause(BETWEEN_MS);
      await server.start();
    }
    await pause(BETWEEN_MS);
    await endDatabase(folder, url, round % 2 ? 'SIGINT' : 'SIGQUIT');
    console.log(`round ${round + 1} of ${ROUNDS}: ${told.length} acknowledged so far`);
  }
  const calm = Date.now();
  await pause(5 * BETWEEN_MS);
  writing = false;
  await Promise.all(writers);
  const stuck = answeredAt.filter((at) => at < calm).length;
  say(
    'everybody goes on by themselves after the last fault',
    stuck === 0,
    `${WRITERS} writers, ${stuck} stuck; ${refused} refused, for others had recorded since`,
  );
  const ended = servers.reduce((sum, { endedByItself }) => sum + endedByItself, 0);
  say('no server ends because its database is away', ended === 0, `${ended} ended by themselves`);
  await lookedOver(office);
  await other.stop();
}

const FACT = (value: number): Body => ({ type: 'facts', facts: [{ path: 'breaker.ratingA', value, how: 'touched' }] });
type Answered = { readonly results: readonly { readonly status: string; readonly detail?: string }[] };

/**
 * An older backup is brought back under people who were told that what they recorded was taken; `first`: others have worked on it
 * before those hear of it. They send again what they were told, as devices do, and each of it is at the office then, or offered back with a sentence.
 */
async function broughtBack(office: Office, first: boolean): Promise<void> {
  await office.keep();
  const people = [await signIn(office.address, 'ilse'), await signIn(office.address, 'joss')];
  const epochOf = async (one: Session) =>
    (await fetch(`${office.address}/api/inspections?since=0`, { headers: one.headers })).headers.get('x-epoch')!;
  const before = await epochOf(people[0]!);
  const houses = [randomUUID(), randomUUID()];
  const taken: object[][] = [[], []];
  for (const [i, one] of people.entries()) {
    const open = { type: 'open', header: { address: `${i} Backup Row`, owner: '', permit: '', edition: '2020' } };
    for (const what of [open, ...Array.from({ length: 20 }, (_, n) => FACT(20 + n))]) {
      const change = { ...what, inspection: houses[i]!, id: randomUUID(), at: new Date().toISOString() };
      const { results } = await insist<Answered>([office, office], one, '/changes', { changes: [change] });
      if (results[0]!.status === 'taken') taken[i]!.push(change);
    }
    const seen = await insist<Inspection>([office, office], one, `/inspections/${houses[i]!}`);
    const decision = { ...correctionsOn(seen, one.name), id: randomUUID(), at: new Date().toISOString() };
    const { results } = await insist<Answered>([office, office], one, '/changes', { changes: [decision] });
    if (results[0]!.status === 'taken') taken[i]!.push(decision);
  }
  await office.comeBack();
  if (first) {
    const third = await signIn(office.address, 'ilse');
    const own = randomUUID();
    const open = { type: 'open', header: { address: 'Meanwhile Row', owner: '', permit: '', edition: '2020' } };
    for (const what of [open, ...Array.from({ length: 60 }, (_, n) => FACT(20 + n))])
      await tell([office, office], third, own, what);
  }
  const again = [await signIn(office.address, 'ilse'), await signIn(office.address, 'joss')];
  const old = await fetch(`${office.address}/api/changes`, { method: 'POST', headers: { ...again[0]!.headers, 'x-epoch': before }, body: JSON.stringify({ changes: [] }) }); // prettier-ignore
  const now = await epochOf(again[0]!);
  const words = first ? 'after others have worked' : 'before anybody has worked';
  say(`an older backup, ${words}: nothing is taken from a device that has not heard of it`, old.status === 412 && now !== before, `${old.status}`); // prettier-ignore
  let back = 0;
  let lost = 0;
  for (const [i, one] of again.entries())
    for (const change of taken[i]!) {
      const response = await fetch(`${office.address}/api/changes`, { method: 'POST', headers: { ...one.headers, 'x-epoch': now, 'x-again': '1' }, body: JSON.stringify({ changes: [change] }) }); // prettier-ignore
      const [{ status, detail } = { status: 'none' }] = ((await response.json()) as Answered).results;
      if (['taken', 'taken-before'].includes(status)) back++;
      else if (!detail) lost++;
    }
  const { rows } = await onDatabase(office, 'select id from changes');
  const there = new Set(rows.map(({ id }) => id));
  const all = taken.flat() as { id: string; type: string }[];
  const absent = all.filter(({ id, type }) => type !== 'decide' && !there.has(id));
  say(`an older backup, ${words}: all that was acknowledged is there again, decisions wait for the lead`, lost === 0 && absent.length === 0 && back === all.length - 2, `${all.length} acknowledged, ${back} there again, ${all.length - back} held, ${absent.length + lost} lost`); // prettier-ignore
}

async function onDatabase(office: Office, statement: string) {
  const client = new pg.Client(office.databaseUrl);
  await client.connect();
  const answer = await client.query<{ id: string }>(statement);
  await client.end();
  return answer;
}

/** A disk that is full: a photo that does not fit is refused with a sentence, stays on its device, and comes whole once there is room. */
async function fullDisk(office: Office): Promise<void> {
  const small = join(root, '.data', 'faults-full');
  rmSync(small, { recursive: true, force: true });
  mkdirSync(small, { recursive: true });
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=400k', 'tmpfs', small]).status === 0;
  if (!mounted) return console.log('not tried: a full disk; this account may not mount one');
  try {
    await office.stop();
    office.settings = { EVIDENCE_FOLDER: small };
    await office.start();
    const who = await signIn(office.address, 'ilse');
    const head = Buffer.from('ffd8ffe000104a46494600010100000100010000ffc000110804b0064003012200021101031101', 'hex');
    const statuses: number[] = [];
    const send = async () => {
      const picture = Buffer.concat([head, randomBytes(150_000)]);
      const name = createHash('sha256').update(picture).digest('hex');
      const house = randomUUID();
      await tell([office, office], who, house, { type: 'open', header: { address: 'Full Row', owner: '', permit: '', edition: '2020' } }); // prettier-ignore
      await tell([office, office], who, house, { type: 'evidence', evidence: randomUUID(), is: { about: 'breaker.ratingA', text: '', photo: { sha256: name, bytes: picture.length, widthPx: 1600, heightPx: 1200, marks: [] } } }); // prettier-ignore
      const put = async () =>
        (await fetch(`${office.address}/api/inspections/${house}/photos/${name}?at=0`, { method: 'PUT', headers: { ...who.headers, 'content-type': 'application/octet-stream' }, body: picture })).status; // prettier-ignore
      statuses.push(await put());
      return put;
    };
    await send();
    await send();
    const last = await send();
    spawnSync('mount', ['-o', 'remount,size=4m', small]);
    statuses.push(await last());
    say('a full disk: what does not fit is refused, what was taken is whole, and it comes once there is room', statuses.join() === '200,200,507,200', statuses.join(', ')); // prettier-ignore
  } finally {
    await office.stop();
    spawnSync('umount', [small]);
    rmSync(small, { recursive: true, force: true });
    office.settings = {};
    await office.start();
  }
}

/** A device whose clock is set back, and forward, in the middle: every change is there once, in its order, dated by the office. */
async function clockSet(office: Office): Promise<void> {
  const who = await signIn(office.address, 'joss');
  const house = randomUUID();
  const begun = Date.now();
  const ids: string[] = [];
  for (let n = 0; n < 60; n++) {
    const offMs = n < 20 ? 0 : n < 40 ? -30 * 86_400_000 : 365 * 86_400_000;
    const now = new Date(Date.now() + offMs).toISOString();
    const what = n === 0 ? { type: 'open', header: { address: 'Clock Row', owner: '', permit: '', edition: '2020' } } : FACT(15 + n); // prettier-ignore
    const change = { ...what, inspection: house, id: randomUUID(), at: now };
    for (let twice = 0; twice < 2; twice++) await insist([office, office], who, '/changes', { changes: [change], now });
    ids.push(change.id);
  }
  const { rows } = await onDatabase(office, `select id, (body->>'at') as at from changes where inspection = '${house}' order by revision`); // prettier-ignore
  const dated = (rows as unknown as { id: string; at: string }[]).filter(({ at }) => Math.abs(Date.parse(at) - begun) < 600_000); // prettier-ignore
  say('a clock that is set in mid-flight: each change once, in its order, dated by the office', rows.map(({ id }) => id).join() === ids.join() && dated.length === ids.length, `${ids.length} sent twice, ${rows.length} there, ${dated.length} dated by the office`); // prettier-ignore
}

/** Anything that may stand in an address or a body: of the right kind, nearly so, or not at all. */
const text = fc.oneof(
  fc.uuid(),
  fc.string({ maxLength: 40, unit: 'binary' }),
  fc.constantFrom('', '0', '-1', '1e309', 'null', '__proto__', 'constructor', '../../etc', '%00', '\u0000', "' or 1=1 --", '\ud800'),
); // prettier-ignore
const change = fc.record(
  {
    id: fc.oneof(fc.uuid(), text),
    at: fc.oneof(fc.constantFrom('2026-11-26T10:00:00Z', '2026-02-31T10:00:00Z', '0001-01-01T00:00:00Z'), text),
    type: fc.constantFrom('open', 'facts', 'head', 'remove', 'restore', 'evidence', 'violation', 'not-taken-up', 'order', 'condition', 'visit', 'decide', 'x'), // prettier-ignore
    inspection: fc.oneof(fc.uuid(), text),
    header: fc.jsonValue(),
    facts: fc.array(fc.record({ path: text, value: fc.jsonValue(), how: text }, { requiredKeys: [] }), {
      maxLength: 3,
    }),
    decision: fc.jsonValue(),
    violation: text,
    to: text,
    is: fc.jsonValue(),
    evidence: text,
  },
  { requiredKeys: ['type'] },
);
const body = fc.oneof(
  fc.jsonValue(),
  fc.record({ changes: fc.array(fc.oneof(change, fc.jsonValue()), { maxLength: 4 }) }),
  fc.record({ login: text, password: text, name: text, token: text, role: text, active: fc.jsonValue(), next: text }, { requiredKeys: [] }), // prettier-ignore
);
/** Half of a pair of surrogates stands in no address. */
const wellFormed = (one: string) => Buffer.from(one).toString();
/** Whoever signs in with a wrong password a hundred times is held off, and nothing more is tried: not this way. */
const LIMITED = ['/api/session', '/api/join', '/api/password'];

async function fuzzed(office: Office): Promise<void> {
  const { headers } = await signIn(office.address, 'joss');
  const routes = Object.entries(openApi().paths as Record<string, object>).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => ({ path, method: method.toUpperCase() })),
  );
  const statuses = new Map<number, number>();
  const bad: string[] = [];
  const samples: number[] = [];
  const generated = fc.sample(fc.tuple(fc.nat(), text, text, body, fc.nat(9)), 2000);
  let at = 0;
  const next = async () => {
    while (at < REQUESTS) {
      const n = at++;
      if (n % Math.ceil(REQUESTS / 10) === 0) samples.push(rssMb(office));
      const [pick, one, two, anything, roll] = generated[(n * 7919) % generated.length]!;
      const { path, method } = routes[(pick + n) % routes.length]!;
      if (LIMITED.includes(path) && method === 'POST' && n % 50 > 0) continue;
      if (path === '/api/session' && method === 'DELETE') continue; // it would sign us out
      const address = path.replace(/\{\w+\}/g, () => encodeURIComponent(roll < 5 ? randomUUID() : wellFormed(one)));
      const query = roll % 3 === 0 ? `?since=${encodeURIComponent(wellFormed(two))}&after=${n}&words=${encodeURIComponent(wellFormed(one))}&at=${roll}` : ''; // prettier-ignore
      const response = await fetch(`${office.address}${address}${query}`, {
        method,
        headers: { ...(roll > 0 && headers), 'content-type': roll === 8 ? 'text/plain' : 'application/json' },
        ...(method !== 'GET' && { body: roll === 9 ? two : JSON.stringify(anything) }),
        redirect: 'manual',
      });
      const said = await response.text();
      statuses.set(response.status, (statuses.get(response.status) ?? 0) + 1);
      if (response.status >= 500 || /\n\s+at |node_modules|\.ts:\d|\.mjs:\d/.test(said))
        bad.push(
          `${method} ${address}${query} ${JSON.stringify(anything).slice(0, 300)} → ${response.status} ${said.slice(0, 200)}`,
        );
    }
  };
  await Promise.all(Array.from({ length: 12 }, next));
  samples.push(rssMb(office));
  const known = [...statuses].sort(([a], [b]) => a - b).map(([status, count]) => `${count} × ${status}`);
  say('no 500, no stack trace', bad.length === 0, bad[0] ?? known.join(', '));
  // The first tenths fill caches; from the middle on nothing more may come.
  const [middle, end] = [samples[5]!, samples.at(-1)!];
  say('memory does not grow', end < middle * 1.15, samples.map((one) => `${Math.round(one)}`).join(', ') + ' MB');
}

const folder = join(root, '.data', 'faults-postgres');
rmSync(folder, { recursive: true, force: true });
const cluster = await startCluster({ folder, keepRunning: true });
process.env.TEST_DATABASE_URL = cluster.url;
const office = await Office.open(true);
try {
  if (ROUNDS > 0) {
    await underFaults(folder, office, cluster.url);
    await clockSet(office);
    await fullDisk(office);
    for (const first of [false, true]) {
      const own = await Office.open(true);
      await broughtBack(own, first);
      await own.close();
    }
  }
  if (REQUESTS > 0) await fuzzed(office);
} finally {
  await office.close();
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
process.exit(found.failures === 0 ? 0 : 1);
