import { randomUUID } from 'node:crypto';
import { drizzle } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import { touched } from '@careful-latch/core/record';
import * as schema from '../database/schema';
import { changeOf, openOffice, opening, visitor, type Office } from '../test/office';
import { bringUp, sealDay } from './ledger';
import { verifyOffice, type Verified } from './verify';

let office: Office;
let who: Awaited<ReturnType<typeof visitor>>;
let home: string;
const draft = randomUUID();

beforeAll(async () => {
  office = await openOffice();
  who = await visitor(office);
  await who.signIn('ilse');
  home = (await office.door.officeIds())[0]!;
  await who.change(opening(draft), changeOf(touched(draft, 'breaker.ratingA', 50)));
  await office.door.inOffice(home, (tx) => sealDay(tx, office.keys, home));
});
afterAll(() => office.close());

/** Does something to the database as whoever reaches it could, says what the verification finds, and takes it back. */
async function after(...statements: string[]): Promise<Verified> {
  const client = new pg.Client(office.url);
  await client.connect();
  await client.query('begin');
  for (const table of ['changes', 'decisions', 'ledger', 'signed_logs'])
    await client.query(`alter table ${table} disable trigger user`);
  for (const one of statements) await client.query(one);
  const db = drizzle(client as never, { schema }) as unknown as Office['db'];
  const verified = await verifyOffice(db, office.keys.publicKeys, home);
  await client.query('rollback');
  await client.end();
  return verified;
}

test('what stands of every house of the demo is what its log tells, from the record that was sealed last', async () => {
  const { rows } = await office.pool.query<{ n: string }>('select count(*) as n from ledger');
  expect(await after()).toEqual({ lines: Number(rows[0]!.n), unsigned: 0, untold: 0 });
});

const ORDERED = `jsonb_array_length(docket->'orders') > 0`;
const put = (body: object) =>
  `insert into changes (id, office, inspection, revision, by, body)
   select '${randomUUID()}', office, id, revision + 1, (select id from accounts where login = 'ilse'),
     '${JSON.stringify(body)}'::jsonb || jsonb_build_object('inspection', id, 'order', docket->'orders'->0->>'id') from inspections where ${ORDERED} limit 1`;

test.each<[string, string[], RegExp]>([
  [
    'a live order struck out',
    [`update inspections set docket = jsonb_set(docket, '{orders}', '[]') where ${ORDERED}`],
    /: its orders: it stands otherwise than its log tells it\.$/,
  ],
  [
    '“lifted” put into the log',
    [put({ id: randomUUID(), type: 'order', to: 'lifted', words: 'All is well by now.', at: '2026-12-01T10:00:00Z' })],
    /^What was done at .* \(order: lifted\) has no line: it was put in beside the office\.$/,
  ],
  [
    'rules put in',
    [
      `insert into rules (office, version, profile, reason, by) select office, 77, '{}', 'Because it suits me.', id from accounts where login = 'ilse'`,
    ],
    /^Version 77 of the office’s rules has no line/,
  ],
  [
    'the author of a change edited',
    [
      `update changes set by = (select id from accounts where login = 'joss') where inspection = '${draft}' and revision = 2`,
    ],
    /^Line \d+: the changes at 99 Test Orchard were edited/,
  ],
  [
    'the time of a change edited',
    [`update changes set received_at = received_at - interval '1 day' where inspection = '${draft}' and revision = 2`],
    /^Line \d+: the changes at 99 Test Orchard were edited/,
  ],
  [
    'the author of a change that led to a decision edited',
    [
      `update changes c set by = (select id from accounts where login = 'joss') where revision = 1 and exists (select from decisions d where d.inspection = c.inspection) and by <> (select id from accounts where login = 'joss')`,
    ],
    /^Line \d+: decision on .*the changes that led to it were edited/,
  ],
  [
    'a fact edited where it stands',
    [`update inspections set "case" = jsonb_set("case", '{breaker,ratingA}', '30') where id = '${draft}'`],
    /^99 Test Orchard: what is recorded there: it stands otherwise than its log tells it\.$/,
  ],
  [
    'an inspector made lead',
    [`update accounts set role = 'lead' where login = 'joss'`],
    /^The account of Joss Linnaker is not as the last line about it says/,
  ],
  [
    'an account renamed',
    [`update accounts set name = 'Joss L.' where login = 'joss'`],
    /^The account of Joss L\. is not as/,
  ],
  [
    'an account put in',
    [
      `insert into accounts (id, office, login, name, role, password_hash) select '${randomUUID()}', office, 'eve', 'Eve', role, password_hash from accounts limit 1`,
    ],
    /^The account of Eve has no line/,
  ],
  [
    'a row of a day edited',
    [`update signed_logs set revision = 1 where inspection = '${draft}'`],
    /^Line \d+: what was signed on .* of each house’s log was edited/,
  ],
])('%s is found, and named', async (_, statements, wrong) => {
  expect((await after(...statements)).wrong).toMatch(wrong);
});

test('what is recorded since the day’s line is said to be signed by none yet, and is signed the next day', async () => {
  const own = await openOffice({ demo: false });
  const one = await visitor(own);
  await one.post('/api/setup', { office: 'W', edition: '2020', name: 'Ilse O’Harrow', login: 'ilse', password: 'a long password' }); // prettier-ignore
  await one.signIn('ilse', 'a long password');
  const [at] = await own.door.officeIds();
  const house = randomUUID();
  await one.change(opening(house));
  expect(await verifyOffice(own.db, own.keys.publicKeys, at!)).toMatchObject({ unsigned: 1 });
  const day = () => own.door.inOffice(at!, (tx) => sealDay(tx, own.keys, at!));
  await day();
  await day(); // one a day
  const signed = await verifyOffice(own.db, own.keys.publicKeys, at!);
  expect(signed).toEqual({ lines: 3, unsigned: 0, untold: 0 }); // its key, its lead, the day
  await own.close();
});

test('what was sealed before lines told of accounts and logs holds as what it was, and all that stands then is signed once', async () => {
  const own = await openOffice();
  const [at] = await own.door.officeIds();
  for (const table of ['ledger', 'decisions']) await own.pool.query(`alter table ${table} disable trigger user`);
  await own.pool.query('delete from ledger');
  // A ledger of before: its key in a line of version 1, and a house whose state no log tells.
  const [key] = own.keys.publicKeys;
  const jws = await own.keys.sign({ v: 1, office: at, n: 1, prev: '', kind: 'key', subject: key!.kid, at: '2026-01-01T00:00:00Z', key }); // prettier-ignore
  await own.pool.query('insert into ledger (office, n, kind, subject, jws) values ($1, 1, $2, $3, $4)', [at, 'key', key!.kid, jws]); // prettier-ignore
  await own.pool.query(`update offices set ledger_n = 1, ledger_head = encode(sha256($1::bytea), 'hex')`, [jws]);
  await own.pool.query('delete from decisions');
  await own.pool.query(`update inspections set permit = 'of before'`);
  expect(await verifyOffice(own.db, own.keys.publicKeys, at!)).toMatchObject({ wrong: expect.stringContaining('permit') as string }); // prettier-ignore
  await bringUp(own.door, own.keys);
  await bringUp(own.door, own.keys); // once
  const { rows } = await own.pool.query<{ n: string }>('select count(*) as n from ledger');
  expect(await verifyOffice(own.db, own.keys.publicKeys, at!)).toEqual({ lines: Number(rows[0]!.n), unsigned: 0, untold: 0 }); // prettier-ignore
  expect(rows[0]!.n).toBe('5'); // its key, three people, the day
  const visiting = await visitor(own);
  await visiting.signIn('ilse');
  const { rows: houses } = await own.pool.query<{ id: string }>(
    `select id from inspections where not self_check limit 1`,
  );
  expect((await visiting.change(changeOf(touched(houses[0]!.id, 'breaker.ratingA', 40)))).body).toMatchObject({ results: [{ status: 'taken' }] }); // prettier-ignore
  expect(await verifyOffice(own.db, own.keys.publicKeys, at!)).toEqual({ lines: 5, unsigned: 1, untold: 1 });
  await own.pool.query(`update inspections set permit = 'edited since'`);
  expect(await verifyOffice(own.db, own.keys.publicKeys, at!)).toMatchObject({ wrong: expect.stringContaining('its permit number') as string }); // prettier-ignore
  await own.close();
});

test('in a ledger wholly of before, a house whose log is of no kind that is told again is not proved, and not wrong', async () => {
  const own = await openOffice();
  const [at] = await own.door.officeIds();
  for (const table of ['ledger', 'decisions', 'changes'])
    await own.pool.query(`alter table ${table} disable trigger user`);
  const [house] = (await own.pool.query<{ inspection: string }>('select inspection from changes group by 1 order by 1 limit 1')).rows; // prettier-ignore
  await own.pool.query('delete from decisions; delete from ledger');
  await own.pool.query('delete from changes where inspection = $1', [house!.inspection]);
  const [key] = own.keys.publicKeys;
  const jws = await own.keys.sign({ v: 1, office: at, n: 1, prev: '', kind: 'key', subject: key!.kid, at: '2026-01-01T00:00:00Z', key }); // prettier-ignore
  await own.pool.query('insert into ledger (office, n, kind, subject, jws) values ($1, 1, $2, $3, $4)', [at, 'key', key!.kid, jws]); // prettier-ignore
  await own.pool.query(`update offices set ledger_n = 1, ledger_head = encode(sha256($1::bytea), 'hex')`, [jws]);
  const found = await verifyOffice(own.db, own.keys.publicKeys, at!);
  expect([found.wrong, found.untold]).toEqual([undefined, 1]);
  await own.close();
});
