/**
 * npm run load: an office’s server under load. Fills a database of its own with 20 offices, 100,000 inspections, 1,000,000
 * changes and 1,000,000 violations (or as many inspections as are named: npm run load -- 20000), lets 20 people work at once, each faster than a hand can, and prints what each
 * request took beside its target. Ends with 1 where a target is missed.
 */
import { execFileSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { setTimeout as pause } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { morningOf, type Inspection } from '@careful-latch/core/record';
import { Office } from '../e2e/server';
import { BROTLI } from '../server/compressed';
import { DEMO_PASSWORD } from '../server/demo/password';
import { startCluster } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const INSPECTIONS = Number(process.argv[2] ?? 100_000);
const OFFICES = 20;
const PEOPLE = 20;
const ROUNDS = 30;
/** From an answer until the same person asks again: quicker than any hand. */
const PAUSE_MS = 200;
const CHANGES_EACH = 10;
const VIOLATIONS_EACH = 10;
/** So many inspections of an office are open at a time; the others rest. */
const OPEN_EACH = 200;

const officeOf = (n: number) => `0dd0a7c4-1f5e-4b7a-9d00-${String(n).padStart(12, '0')}`;
const loginOf = (n: number) => `load-${n}`;

/** Copies the demo’s inspections, changes and decisions until there are as many as are wanted. */
async function fill(url: string): Promise<void> {
  const client = new pg.Client(url);
  await client.connect();
  await client.query(`create temp table template as
    select row_number() over (order by address) - 1 as i, * from inspections`);
  const each = Math.round(INSPECTIONS / OFFICES);
  for (let n = 0; n < OFFICES; n++) {
    const office = officeOf(n);
    const account = randomUUID();
    await client.query(`insert into offices (id, name, edition, seq) values ($1, $2, '2020', $3)`, [
      office,
      `Office ${n}`,
      each,
    ]);
    await client.query(
      `insert into accounts (id, office, login, name, role, password_hash)
       select $1, $2, $3, name, role, password_hash from accounts where login = 'ilse'`,
      [account, office, loginOf(n)],
    );
    await client.query(
      `insert into inspections (id, office, opened_by, revision, seq, address, owner, permit, edition, "case", evidence, docket,
         changed_since_decision, opened_at, changed_at, state, due_on, due_what, street, inspector, violated, rests_on, resting)
       select gen_random_uuid(), $1, $2, $5, m, m || substr(t.address, strpos(t.address, ' ')), t.owner, 'WT-' || m, t.edition, t."case",
         t.evidence, t.docket, t.changed_since_decision, t.opened_at, t.changed_at - m * interval '1 hour', t.state,
         t.due_on, t.due_what, regexp_replace(t.street, '[0-9]+$', lpad(m::text, 8, '0')), t.inspector, t.violated, t.rests_on, m <= $3
       from generate_series(1, $4::int) m join template t on t.i = m % (select count(*) from template)`,
      [office, account, each - OPEN_EACH, each, CHANGES_EACH],
    );
    await client.query(
      `insert into changes (id, office, inspection, revision, by, body)
       select gen_random_uuid(), office, id, r, opened_by,
         jsonb_build_object('id', gen_random_uuid(), 'at', '2026-11-26T10:00:00Z', 'type', 'facts', 'inspection', id,
           'facts', jsonb_build_array(jsonb_build_object('path', 'breaker.ratingA', 'value', 20 + r, 'how', 'touched')))
       from inspections, generate_series(1, $2::int) r where office = $1`,
      [office, CHANGES_EACH],
    );
    await client.query(
      `insert into violations (id, office, inspection, state, severity, rules, due_on, opened_on, settled_on)
       select gen_random_uuid(), office, id, case when r % 10 = 0 and not resting then 'open' when r % 7 = 0 then 'withdrawn' else 'verified' end,
         case when r % 4 = 0 then 'hazard' else 'correction' end, array[(array['cord/ampacity', 'breaker/held-down', 'labels/max-load'])[1 + r % 3]],
         current_date - age + 30, current_date - age, case when r % 10 > 0 or resting then least(current_date, current_date - age + r) end
       from (select *, (hashtext(id::text) & 1023) as age from inspections where office = $1) i, generate_series(1, $2::int) r`,
      [office, VIOLATIONS_EACH],
    );
    await client.query(
      `insert into visits (id, office, inspection, number, state, day, inspector)
       select gen_random_uuid(), office, id, 1, 'done', current_date - (hashtext(id::text) & 1023), inspector from inspections
       where office = $1 and inspector is not null`,
      [office],
    );
    await client.query(
      `insert into decisions (id, office, inspection, revision, by, kind, signed_at, nth, transfer, left_out, record, seal)
       select gen_random_uuid(), $1, i.id, 1, $2, d.kind, now() - (hashtext(i.id::text) & 31) * interval '1 day', 1, d.transfer, d.left_out, d.record, d.seal
       from inspections i join decisions d on d.revision = (select max(revision) from decisions e where e.inspection = d.inspection)
       where i.office = $1 and not i.resting and d.office <> all ($3::uuid[]) and i.owner = d.record->'header'->>'owner'`,
      [office, account, Array.from({ length: OFFICES }, (_, k) => officeOf(k))],
    );
    process.stdout.write(`\r${n + 1} of ${OFFICES} offices`);
  }
  await client.query('vacuum analyze');
  await client.end();
  console.log('');
}

interface Answer {
  readonly status: number;
  readonly body: string;
  /** What went over the wire, both ways, as near as it can be said: heads and compressed bodies. */
  readonly bytes: number;
}

const headBytes = (headers: Iterable<[string, string]>) =>
  [...headers].reduce((sum, [name, value]) => sum + name.length + value.length + 4, 0);

/** Somebody at work. */
class Person {
  private headers: Record<string, string> = {
    'content-type': 'application/json',
    'accept-encoding': 'br, gzip', // as browsers ask behind TLS
  };
  constructor(private readonly address: string) {}

  async ask(method: string, path: string, body?: object): Promise<Answer> {
    const sent = body && JSON.stringify(body);
    const response = await fetch(`${this.address}/api${path}`, {
      method,
      headers: this.headers,
      ...(sent && { body: sent }),
    });
    const text = await response.text();
    if (response.status >= 400) throw new Error(`${method} ${path}: ${response.status} ${text.slice(0, 200)}`);
    const coding = response.headers.get('content-encoding');
    const compressed =
      coding === 'br' ? brotliCompressSync(text, BROTLI).length : coding ? gzipSync(text).length : text.length;
    const bytes =
      headBytes(Object.entries(this.headers)) + (sent?.length ?? 0) + headBytes(response.headers) + compressed;
    if (path === '/session') {
      const { csrfToken, account } = JSON.parse(text) as { csrfToken: string; account: { id: string } };
      const cookie = response.headers
        .getSetCookie()
        .map((one) => one.split(';')[0])
        .join('; ');
      this.headers = { ...this.headers, cookie, 'x-csrf-token': csrfToken, 'x-account': account.id };
    }
    return { status: response.status, body: text, bytes };
  }
  /** The calendar at an address of its own, without a session. */
  async feed(path: string): Promise<void> {
    const answer = await fetch(this.address + path);
    if (!answer.ok || !(await answer.text()).includes('BEGIN:VCALENDAR')) throw new Error(`${path}: ${answer.status}`);
  }
  signIn = (login: string) => this.ask('POST', '/session', { login, password: DEMO_PASSWORD });
}

const times = new Map<string, number[]>();
async function timed<T>(what: string, work: () => Promise<T>): Promise<T> {
  await pause(PAUSE_MS * (0.5 + Math.random()));
  const from = performance.now();
  const result = await work();
  times.set(what, [...(times.get(what) ?? []), performance.now() - from]);
  return result;
}

/** Everything that a device which begins is given: how much of it, and the newest count. */
async function firstFetch(person: Person) {
  let bytes = 0;
  const held: Inspection[] = [];
  for (let since = 0; ;) {
    const answer = await person.ask('GET', `/inspections?since=${since}`);
    bytes += answer.bytes;
    const page = JSON.parse(answer.body) as { inspections: Inspection[]; cursor: number; more: boolean };
    held.push(...page.inspections);
    if (!page.more) return { bytes, held, cursor: page.cursor };
    since = page.cursor;
  }
}

const WORDS = ['orch', 'pip', 'row 12', "o'", 'wt 3', 'lane'];

/** Some of a day of one person, over and over. */
async function work(person: Person, held: readonly Inspection[], from: number, nth: number): Promise<number> {
  let cursor = from;
  let tapBytes = 0;
  const month = new Date().toISOString().slice(0, 7);
  const { path: feed } = JSON.parse((await person.ask('POST', '/feed', {})).body) as { path: string };
  for (let round = 0; round < ROUNDS; round++) {
    const house = held[round % held.length]!.id;
    const page = await timed('list, a page', () =>
      person.ask('GET', `/inspections/list?sort=${['due', 'changed', 'street'][round % 3]}`),
    );
    const { next } = JSON.parse(page.body) as { next: string };
    await timed('list, the next page', () =>
      person.ask('GET', `/inspections/list?sort=${['due', 'changed', 'street'][round % 3]}&after=${next}`),
    );
    await timed('search', () =>
      person.ask('GET', `/inspections/list?words=${encodeURIComponent(WORDS[round % WORDS.length]!)}`),
    );
    await timed('list of one state', () => person.ask('GET', '/inspections/list?state=stop-work'));
    await timed('one inspection', () => person.ask('GET', `/inspections/${house}`));
    const change = {
      id: randomUUID(), at: new Date().toISOString(), type: 'facts', inspection: house,
      facts: [{ path: 'breaker.ratingA', value: 20 + round, how: 'touched' }],
    }; // prettier-ignore
    const tap = await timed('a tap (one change)', () => person.ask('POST', '/changes', { changes: [change] }));
    tapBytes = Math.max(tapBytes, tap.bytes);
    // Looked at now and then, and not with every house.
    if (round % 10 === nth % 10) {
      await timed('month', () => person.ask('GET', `/month?month=${month}`));
      await timed('calendar (iCalendar)', () => person.feed(feed));
      await timed('morning, on the device', () => Promise.resolve(morningOf(held, `${month}-15`)));
    }
    const delta = await timed('what changed since', () => person.ask('GET', `/inspections?since=${cursor}`));
    cursor = (JSON.parse(delta.body) as { cursor: number }).cursor;
  }
  return tapBytes;
}

const TARGET_MS: Readonly<Record<string, number>> = { 'sign-in': 500, month: 200, 'calendar (iCalendar)': 200, 'morning, on the device': 200 }; // prettier-ignore
const ANY_TARGET_MS = 100;

const folder = join(root, '.data', 'load-postgres');
rmSync(folder, { recursive: true, force: true });
const cluster = await startCluster({ folder });
process.env.TEST_DATABASE_URL = cluster.url;
const office = await Office.open(true);
let missed = 0;
const line = (what: string, found: string, target: string, met: boolean) => {
  if (!met) missed++;
  return { what, found, target, met: met ? 'yes' : 'NO' };
};
try {
  const filling = performance.now();
  await fill(office.databaseUrl);
  console.log(
    `${INSPECTIONS} inspections, ${INSPECTIONS * CHANGES_EACH} changes, ${INSPECTIONS * VIOLATIONS_EACH} violations in ${OFFICES} offices, made in ${Math.round((performance.now() - filling) / 1000)} s`,
  );
  const people = Array.from({ length: PEOPLE }, () => new Person(office.address));
  for (const [n, one] of people.entries()) await one.signIn(loginOf(n % OFFICES));
  const first = await firstFetch(people[0]!);
  const fetched = await Promise.all(people.map(firstFetch));
  const signingIn = (async () => {
    for (let i = 0; i < 15; i++) await timed('sign-in', () => new Person(office.address).signIn(loginOf(i)));
  })();
  const taps = await Promise.all(people.map((one, n) => work(one, fetched[n]!.held, fetched[n]!.cursor, n)));
  await signingIn;
  const rssMb = Number(execFileSync('ps', ['-o', 'rss=', '-p', String(office.pid)], { encoding: 'utf8' })) / 1024;
  console.table(
    [...times].map(([what, all]) => {
      const sorted = all.sort((a, b) => a - b);
      const p95 = sorted[Math.floor(sorted.length * 0.95)]!;
      const target = TARGET_MS[what] ?? ANY_TARGET_MS;
      return {
        ...line(what, `${p95.toFixed(0)} ms`, `${target} ms p95`, p95 <= target),
        median: `${sorted[sorted.length >> 1]!.toFixed(0)} ms`,
        requests: all.length,
      };
    }),
  );
  console.table([
    line(
      `first fetch, ${first.held.length} inspections`,
      `${Math.round(first.bytes / 1024)} KB`,
      '300 KB',
      first.bytes <= 300 * 1024,
    ),
    line('a tap moves', `${Math.max(...taps)} bytes`, '2 KB', Math.max(...taps) <= 2048),
    line('server’s memory', `${rssMb.toFixed(0)} MB`, '400 MB', rssMb <= 400),
  ]);
} finally {
  await office.close();
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
}
process.exit(missed === 0 ? 0 : 1);
