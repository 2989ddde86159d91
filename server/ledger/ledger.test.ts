import { randomUUID } from 'node:crypto';
import { mkdtemp, readFile, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { drizzle } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import { touched } from '@careful-latch/core/record';
import * as schema from '../database/schema';
import { CORRECTIONS, changeOf, opening, openOffice, visitor, type Office } from '../test/office';
import { readAnchors, writeAnchor, type Anchor } from './anchor';
import { newKey, openKeys, passingKeys, signedBy } from './keys';
import { bringUp } from './ledger';
import { sha256, type Line } from './line';
import { verifyOffice } from './verify';

const PASSWORD = 'a long password';
let office: Office;
let who: Awaited<ReturnType<typeof visitor>>;
let home: string;
const house = randomUUID();
let anchors: Anchor[];
const verify = (known = anchors) => verifyOffice(office.db, office.keys.publicKeys, home, known);

beforeAll(async () => {
  office = await openOffice({ demo: false });
  who = await visitor(office);
  const person = { office: 'Windfall', edition: '2020', name: 'Ilse O’Harrow', login: 'ilse', password: PASSWORD };
  await who.post('/api/setup', person);
  const session = (await who.signIn('ilse', PASSWORD)).body as { office: { id: string } };
  home = session.office.id;
  await bringUp(office.door, office.keys);
  await who.change(opening(house), changeOf(touched(house, 'breaker.ratingA', 50)));
  for (let i = 0; i < 3; i++) {
    await who.change(await who.decisionOn(house, CORRECTIONS));
    await who.change(changeOf(touched(house, 'inlet.ratingA', 30)));
  }
  const folder = await mkdtemp(join(tmpdir(), 'careful-latch-'));
  await writeAnchor(office.door, office.keys, folder);
  anchors = await readAnchors(folder);
  await rm(folder, { recursive: true });
});
afterAll(() => office.close());

test('what the office sealed holds, line by line, and as it was anchored', async () => {
  // Its key, its lead, three decisions; and the day signs the change behind the last of them.
  expect(await verify()).toEqual({ lines: 6, unsigned: 0, untold: 0 });
  expect(anchors).toMatchObject([{ office: home, n: 6 }]);
});

test('an anchor of the same day is never taken back', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'careful-latch-'));
  await writeAnchor(office.door, office.keys, folder);
  const before = await readAnchors(folder);
  const { rows } = await office.pool.query<{ n: number; head: string }>(
    'select ledger_n as n, ledger_head as head from offices',
  );
  const set = (n: number, head: string) =>
    office.pool.query('update offices set ledger_n = $1, ledger_head = $2', [n, head]);
  for (const [n, head] of [
    [3, 'cut off'],
    [rows[0]!.n, 'rewritten'],
  ] as const) {
    await set(n, head);
    await writeAnchor(office.door, office.keys, folder);
    expect(await readAnchors(folder)).toEqual(before);
  }
  await set(rows[0]!.n, rows[0]!.head);
  await rm(folder, { recursive: true });
});

/** Does something to the database as whoever reaches it could, says what the verification finds, and takes it back. */
async function after(statements: string, keys = office.keys, known = anchors): Promise<string | undefined> {
  const client = new pg.Client(office.url);
  await client.connect();
  await client.query('begin');
  for (const table of ['changes', 'decisions', 'ledger', 'signed_logs'])
    await client.query(`alter table ${table} disable trigger user`);
  await client.query(statements);
  const db = drizzle(client as never, { schema }) as unknown as Office['db'];
  const { wrong } = await verifyOffice(db, keys.publicKeys, home, known);
  await client.query('rollback');
  await client.end();
  return wrong;
}
const SECOND = `id = (select subject::uuid from ledger where n = 4)`;

test.each<[string, string, RegExp]>([
  [
    'a record edited',
    `update decisions set record = jsonb_set(record, '{header,address}', '"elsewhere"') where ${SECOND}`,
    /^Line 4: decision on elsewhere, 2026-.*: its record was edited\.$/,
  ],
  ['a seal edited', `update decisions set seal = 'x' where ${SECOND}`, /^Line 4: .*its seal was edited/],
  ['a kind edited', `update decisions set kind = 'approved' where ${SECOND}`, /^Line 4: .*its kind was edited/],
  [
    'a signer edited',
    `insert into accounts (id, office, login, name, role, password_hash) select '${randomUUID()}', office, 'eve', 'Eve', role, password_hash from accounts limit 1;
     update decisions set by = (select id from accounts where login = 'eve') where ${SECOND}`,
    /^Line 4: .*its signer was edited/,
  ],
  [
    'a time edited',
    `update decisions set signed_at = signed_at - interval '1 day' where ${SECOND}`,
    /^Line 4: .*its time was edited/,
  ],
  [
    'a change edited',
    `update changes set body = jsonb_set(body, '{facts,0,value}', '30') where revision = 2`,
    /^Line 3: .*the changes that led to it were edited/,
  ],
  ['a change taken out', `delete from changes where revision = 2`, /^Line 3: .*the changes that led to it were edited/],
  ['a line taken out', `delete from ledger where n = 2`, /^Line 2: it was taken out/],
  [
    'a line and its decision taken out, and the others moved up',
    `delete from decisions where id = (select subject::uuid from ledger where n = 3); delete from ledger where n = 3;
     update ledger set n = n - 1 where n > 3; update offices set ledger_n = 5`,
    /^Line 3: its columns were edited/,
  ],
  ['a decision taken out', `delete from decisions where ${SECOND}`, /^Line 4: the decision of .* was deleted/],
  [
    'the last cut off',
    `delete from decisions where id = (select subject::uuid from ledger where n = 5); delete from ledger where n > 4`,
    /^The end: the office has counted to line 6, and the last is 4/,
  ],
  [
    'a decision put in beside the office',
    `insert into decisions select '${randomUUID()}', inspection, revision + 50, by, kind, signed_at, record, seal, office from decisions where ${SECOND}`,
    /has no line: it was put in beside the office/,
  ],
  [
    'a column of the ledger edited',
    `update ledger set kind = 'older-decision' where n = 4`,
    /^Line 4: its columns were edited/,
  ],
])('%s is found, and named', async (_, statements, wrong) => {
  expect(await after(statements)).toMatch(wrong);
});

const lineOf = async (n: number): Promise<{ jws: string; line: Line }> => {
  const rows = await office.db.select().from(schema.ledger);
  const { jws } = rows.find((one) => one.n === n)!;
  return { jws, line: (await signedBy(office.keys.publicKeys, jws)) as Line };
};

test('everything rewritten with other keys fails at the first line', async () => {
  const thief = await passingKeys();
  const { line } = await lineOf(5);
  const forged = await thief.sign({ ...line, decided: 'approved' });
  expect(await after(`update ledger set jws = '${forged}' where n = 5`)).toMatch(/^Line 5: its signature fails/);
});

test('what was cut off or rewritten with the office’s own keys is found by an anchor kept elsewhere', async () => {
  const fifth = await lineOf(5);
  const cutOff = `delete from ledger where n = 6; delete from signed_logs;
    update offices set ledger_n = 5, ledger_head = '${sha256(fifth.jws)}'`;
  expect(await after(cutOff)).toMatch(/^The end: on 2\d{3}-.* there were 6 lines, and 5 are there\.$/);
  expect(await after(cutOff, office.keys, [])).toBeUndefined(); // nobody else kept anything

  const { line } = await lineOf(6);
  const forged = await office.keys.sign({ ...line, at: '2026-11-26T00:00:00.000Z' });
  const rewritten = `update ledger set jws = '${forged}' where n = 6; update offices set ledger_head = '${sha256(forged)}'`;
  expect(await after(rewritten)).toMatch(/^Line 6: it is not the one that was there on /);
});

test('a decision that was put in beside the office is not taken into the ledger by a start', async () => {
  const own = await openOffice();
  await own.pool.query(
    'insert into decisions select gen_random_uuid(), inspection, revision + 50, by, kind, signed_at, record, seal, office from decisions limit 1',
  );
  await bringUp(own.door, own.keys);
  const [one] = await own.db.select().from(schema.offices);
  expect((await verifyOffice(own.db, own.keys.publicKeys, one!.id)).wrong).toMatch(/put in beside the office/);
  await own.close();
}, 120_000);

test('the server itself can only add to what was sealed', async () => {
  for (const statement of [
    'update changes set revision = revision',
    'delete from decisions',
    "update ledger set jws = ''",
    'truncate ledger',
  ])
    await expect(office.pool.query(statement)).rejects.toThrow(/is only ever added to/);
});

test('a new key is vouched for by the one before, and what the old one sealed still holds', async () => {
  const own = await openOffice({ demo: false });
  const at = randomUUID();
  await own.db.insert(schema.offices).values({ id: at, name: 'W', edition: '2020' });
  const [first, second] = [await newKey(), await newKey()];
  const old = await passingKeys(first);
  await bringUp(own.door, old);
  const both = await passingKeys(first, second);
  await bringUp(own.door, both);
  await bringUp(own.door, both); // once each
  expect(await verifyOffice(own.db, both.publicKeys, at)).toEqual({ lines: 2, unsigned: 0, untold: 0 });
  expect(await verifyOffice(own.db, old.publicKeys, at)).toEqual({ lines: 2, unsigned: 0, untold: 0 }); // the old one signed the line of the new
  await own.close();
});

test('a decision sealed before there was a ledger is taken into it once, as what it was', async () => {
  const own = await openOffice();
  const line = async () =>
    (await own.pool.query<{ n: number }>("select count(*)::int as n from ledger where kind = 'older-decision'"))
      .rows[0]!.n;
  expect(await line()).toBe(0);
  await own.pool.query('alter table ledger disable trigger user');
  await own.pool.query('delete from ledger; ');
  await own.pool.query("update offices set ledger_n = 0, ledger_head = ''");
  await bringUp(own.door, own.keys);
  const decided = (await own.pool.query<{ n: number }>('select count(*)::int as n from decisions')).rows[0]!.n;
  expect(await line()).toBe(decided);
  await bringUp(own.door, own.keys);
  expect(await line()).toBe(decided);
  const [one] = await own.db.select().from(schema.offices);
  expect(await verifyOffice(own.db, own.keys.publicKeys, one!.id)).toEqual({
    lines: decided + 5,
    unsigned: 0,
    untold: 0,
  }); // and its key, its three people, and the day
  await own.close();
}, 120_000);

test('the key file is made once, readable by its owner alone, whoever comes first', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'careful-latch-'));
  const file = join(folder, 'keys', 'seal.json');
  const opened = await Promise.all([openKeys(file), openKeys(file)]);
  const kept = JSON.parse(await readFile(file, 'utf8')) as { keys: { kid: string }[] };
  expect(kept.keys).toHaveLength(1);
  expect((await openKeys(file)).publicKeys.map(({ kid }) => kid)).toEqual([kept.keys[0]!.kid]);
  expect(opened.flatMap(({ publicKeys }) => publicKeys.map((key) => 'd' in key))).toEqual([false, false]);
  const { mode } = await stat(file);
  expect(mode & 0o077).toBe(0);
  await rm(folder, { recursive: true });
});
