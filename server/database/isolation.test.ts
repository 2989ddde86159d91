import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import type { Inspection } from '@careful-latch/core/record';
import { CORRECTIONS, openOffice, opening, visitor, type Office } from '../test/office';
import { databaseCodeOf } from '../problems';
import { connect } from './client';
import { giveServerRole, requireServerRole } from './migrate';
import { accounts, changes, decisions, destroyed, firms, held, inspections, invites, ledger, mails, notes, offices, parties, permitPosts, rules, stormEntries, storms, views, violations, visits } from './schema'; // prettier-ignore

let office: Office;
let home: string;
const elsewhere = randomUUID();
beforeAll(async () => {
  office = await openOffice();
  home = (await office.db.select().from(offices))[0]!.id;
  await office.db.insert(offices).values({ id: elsewhere, name: 'Elsewhere', edition: '2017' });
  const [ilse] = await office.db.select().from(accounts).where(eq(accounts.login, 'ilse'));
  const [house] = await office.db.select({ id: inspections.id }).from(inspections);
  const row = { id: randomUUID(), office: home, by: ilse!.id };
  const about = { ...row, inspection: house!.id };
  await office.db.insert(mails).values({ ...row, key: 'k', to: 'nan@example.test', subject: 's', body: 'b' });
  await office.db.insert(held).values({ ...about, body: opening(house!.id), why: 'It came late.' });
  await office.db.insert(notes).values({ ...about, words: 'Who complained.' });
  await office.db.insert(views).values(about);
  await office.db
    .insert(parties)
    .values({ ...about, account: ilse!.id })
    .onConflictDoNothing();
  await office.db.insert(destroyed).values({ ...about, kind: 'note', subject: 'n', reason: 'Its time was over.' });
  await office.db.insert(storms).values({ ...row, name: 'Ice', day: '2026-11-26' });
  const entry = {
    id: randomUUID(),
    storm: row.id,
    at: '2026-11-26T15:00:00Z',
    address: '1 Lane',
    kind: 'taken',
  } as const;
  await office.db.insert(stormEntries).values({ ...row, id: entry.id, storm: row.id, seq: 1, body: entry });
  await office.db.insert(accounts).values({ ...ilse!, id: randomUUID(), office: elsewhere, login: 'eve', demo: false });
  const lead = await visitor(office);
  await lead.signIn('ilse');
  await lead.post('/api/invites', { role: 'inspector', name: 'Nan' });
  const profile = { format: 'careful-latch/profile', version: 2, office: 'Windfall', edition: '2020' };
  await lead.post('/api/rules', { profile, reason: 'As the township decided.', after: 0, openToo: false });
}, 60_000);
afterAll(() => office.close());

const TABLES = {
  offices,
  firms,
  accounts,
  invites,
  inspections,
  changes,
  decisions,
  ledger,
  rules,
  mails,
  held,
  permitPosts,
  notes,
  parties,
  storms,
  stormEntries,
  violations,
  visits,
};
const counts = async (db: Office['db']) => {
  const all: Record<string, number> = {};
  for (const [name, table] of Object.entries(TABLES)) all[name] = await db.$count(table);
  return all;
};
/** With what code of PostgreSQL something is refused; undefined where it is done. */
const refusal = (work: Promise<unknown>) =>
  work.then(
    () => undefined,
    (error: unknown) => databaseCodeOf(error),
  );
const FORBIDDEN = '42501';

test('a query that names no office sees nothing, whatever table it asks', async () => {
  const none = Object.fromEntries(Object.keys(TABLES).map((name) => [name, 0]));
  expect(await counts(office.served.db)).toEqual(none);
  const all = await counts(office.db);
  for (const name of Object.keys(TABLES)) expect([name, all[name]! > 0]).toEqual([name, true]); // there was something to see
});

test('within an office its rows are all that is seen, and a query that forgets to ask for it changes no other’s', async () => {
  const { door } = office.served;
  expect(await door.inOffice(elsewhere, counts)).toEqual({
    ...(await counts(office.served.db)),
    offices: 1,
    accounts: 1,
  });
  const own = await door.inOffice(home, counts);
  expect(own).toEqual({ ...(await counts(office.db)), offices: 1, accounts: 3 });
  const changed = await door.inOffice(elsewhere, (tx) =>
    tx.update(inspections).set({ owner: 'nobody' }).returning({ id: inspections.id }),
  );
  expect(changed).toEqual([]);
  const person = { login: 'mallory', name: 'M', role: 'lead' as const, passwordHash: 'x' };
  const planted = door.inOffice(elsewhere, (tx) =>
    tx.insert(accounts).values({ id: randomUUID(), office: home, ...person }),
  );
  expect(await refusal(planted)).toBe(FORBIDDEN);
});

test('what a transaction was set to is gone with it, also for a connection that others use after it', async () => {
  const one = connect(office.serverUrl, () => undefined, { connections: 1 });
  await one.door.inOffice(home, async (tx) => expect(await tx.$count(inspections)).toBeGreaterThan(0));
  expect(await one.db.$count(inspections)).toBe(0);
  await expect(one.door.inOffice(home, () => Promise.reject(new Error('broken off')))).rejects.toThrow('broken off');
  expect(await one.db.$count(inspections)).toBe(0);
  await one.pool.end();
});

test('what the server makes for itself is not asked in the place of the office’s tables', async () => {
  const own = connect(office.serverUrl, () => undefined, { connections: 1 });
  const other = randomUUID();
  await own.pool.query('create temp table accounts (like public.accounts); create temp table offices (id uuid)');
  await own.pool.query('insert into pg_temp.offices values ($1)', [other]);
  await own.pool.query("insert into pg_temp.accounts (id, office, login, name, role, password_hash, active, demo) values ($1, $1, 'mallory', 'M', 'lead', 'x', true, true)", [other]); // prettier-ignore
  expect(await own.door.officeIds()).not.toContain(other);
  expect(await own.door.officeOf('login', 'mallory')).toBeUndefined();
  expect(await own.door.accountOf(other)).toBeUndefined();
  await own.pool.query("create function pg_temp.lower(text) returns text language sql as $$ select 'x' $$");
  expect(await own.door.officeOf('demo')).toBe(home);
  await own.pool.end();
});

test('what must be known before an office is, is asked in the name of a role that signs in nowhere and changes nothing', async () => {
  const { rows } = await office.pool.query<{ name: string; owner: string; path: string[] }>(
    `select proname as name, proowner::regrole::text as owner, proconfig as path from pg_proc where prosecdef and pronamespace = 'public'::regnamespace order by 1`,
  );
  expect(rows.map(({ name }) => name)).toEqual(['account_of', 'office_ids', 'office_of', 'switched_off']);
  for (const one of rows)
    expect([one.owner, one.path]).toEqual(['careful_latch_asking', ['search_path=pg_catalog, pg_temp']]);
  const { rows: rights } = await office.pool.query<{ right: string }>(
    `select distinct privilege_type as right from information_schema.role_table_grants where grantee = 'careful_latch_asking'`,
  );
  expect(rights.map(({ right }) => right)).toEqual(['SELECT']);
  const { rows: roles } = await office.pool.query("select rolcanlogin, rolsuper, rolbypassrls from pg_roles where rolname = 'careful_latch_asking'"); // prettier-ignore
  expect(roles).toEqual([{ rolcanlogin: false, rolsuper: false, rolbypassrls: false }]);
});

test('the server’s password is part of no statement: what logs statements has only what PostgreSQL keeps of it', async () => {
  const said: string[] = [];
  const owner = connect(office.url, () => undefined);
  owner.pool.on('connect', (client) => {
    const query = client.query.bind(client) as (...all: unknown[]) => unknown;
    client.query = ((...all: unknown[]) => {
      said.push(JSON.stringify(all.filter((one) => typeof one !== 'function')));
      return query(...all);
    }) as never;
  });
  await giveServerRole(owner.pool, office.serverUrl);
  await owner.pool.end();
  const { username, password } = new URL(office.serverUrl);
  expect(said.filter((one) => one.includes(username)).length).toBeGreaterThan(1);
  expect(said.filter((one) => one.includes(password))).toEqual([]);
  const again = connect(office.serverUrl, () => undefined);
  expect((await again.pool.query('select current_user as me')).rows).toEqual([{ me: username }]);
  await again.pool.end();
});

test('two offices at the same moment, over and over, each see their own', async () => {
  const seen = await Promise.all(
    Array.from({ length: 60 }, (_, i) =>
      office.served.door.inOffice(i % 2 ? home : elsewhere, async (tx) => {
        const [own] = await tx.select({ id: offices.id }).from(offices);
        await tx.execute(sql`select pg_sleep(0.002)`);
        return [own!.id, (await tx.$count(inspections)) > 0];
      }),
    ),
  );
  for (const [i, one] of seen.entries()) expect(one).toEqual(i % 2 ? [home, true] : [elsewhere, false]);
});

test.each([
  ['changes', 'update changes set revision = 99'],
  ['changes', 'delete from changes'],
  ['decisions', "update decisions set kind = 'approved'"],
  ['decisions', 'delete from decisions'],
  ['ledger', 'delete from ledger'],
  ['ledger', 'truncate ledger'],
  ['the rules', "update rules set reason = 'x'"],
  ['the guards', 'alter table ledger disable trigger user'],
  ['the policies', 'alter table changes disable row level security'],
  ['an inspection', 'delete from inspections'],
  ['an account', 'delete from accounts'],
  ['a restricted note', "update notes set words = ''"],
  ['what was destroyed', 'delete from destroyed'],
  ['a storm day', 'delete from storms'],
  ['what was seen on it', 'delete from storm_entries'],
])('the server’s role is refused at %s: %s', async (_, statement) => {
  expect(await refusal(office.served.door.inOffice(home, (tx) => tx.execute(sql.raw(statement))))).toBe(FORBIDDEN);
});

test('the server serves under no role that PostgreSQL would not hold back', async () => {
  await expect(requireServerRole(office.pool)).rejects.toThrow('needs a role of its own');
  await expect(requireServerRole(office.served.pool)).resolves.toBeUndefined();
});

test('the number of another office’s decision is refused without telling whose it is', async () => {
  const eve = await visitor(office);
  await eve.signIn('eve');
  const id = randomUUID();
  await eve.change(opening(id));
  const [theirs] = await office.db.select({ id: decisions.id }).from(decisions);
  const decision = await eve.decisionOn(id, { ...CORRECTIONS, signature: { name: 'Ilse O’Harrow', path: '' } });
  const { results } = (await eve.change({ ...decision, id: theirs!.id })).body as { results: unknown[] };
  expect(results).toEqual([
    { id: theirs!.id, status: 'refused', detail: expect.stringContaining('Something else was recorded') as string },
  ]);
  expect(((await eve.get(`/api/inspections/${id}`)).body as Inspection).revision).toBe(1);
});
