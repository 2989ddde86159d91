import { randomUUID } from 'node:crypto';
import supertest from 'supertest';
import { eq } from 'drizzle-orm';
import { accounts, violations, visits } from '../database/schema';
import { verifyOffice } from '../ledger/verify';
import { CORRECTIONS, changeOf, openOffice, opening, visitor, type Office } from '../test/office';

let office: Office;
let ilse: Awaited<ReturnType<typeof visitor>>;
beforeAll(async () => {
  office = await openOffice();
  ilse = await visitor(office);
  await ilse.signIn('ilse');
}, 60_000);
afterAll(() => office.close());

/** A house sent away for one thing of the inspector's own, with a visit ahead. */
async function sentAway() {
  const inspection = randomUUID();
  const violation = randomUUID();
  await ilse.change(opening(inspection, '44 Calendar Way'));
  const is = { words: 'The cover is cracked.', remedy: 'A new one.', cites: ['110.12'], severity: 'correction' as const, station: 'panel' as const }; // prettier-ignore
  await ilse.change(changeOf({ type: 'violation', inspection, violation, to: 'open', words: '', findings: [], is }));
  const decision = await ilse.decisionOn(inspection, CORRECTIONS);
  await ilse.change(decision);
  const visit = randomUUID();
  await ilse.change(
    changeOf({
      type: 'visit',
      inspection,
      visit,
      to: 'scheduled',
      words: '',
      day: '2026-12-10',
      inspector: 'Joss Linnaker',
    }),
  );
  return { inspection, violation, visit, decision: decision.id };
}

describe('a calendar at an address of one’s own', () => {
  const lines = async (path: string) => (await supertest(office.app).get(path)).text;
  const made = async (who: typeof ilse) => ((await who.post('/api/feed', {})).body as { path: string }).path;

  test('says what is due and who goes where, without a session; an inspector’s has his own visits alone', async () => {
    await sentAway();
    const all = await lines(await made(ilse));
    expect(all).toMatch(/SUMMARY:Visit: 44 Calendar Way \(Joss Linnaker\)/);
    expect(all).toMatch(/SUMMARY:Correction due: 44 Calendar Way/);
    expect(all).not.toContain('D’Arbois'); // whose house it is is nobody's business
    const joss = await visitor(office);
    await joss.signIn('joss');
    const own = await lines(await made(joss));
    expect(own).toContain('Visit: 44 Calendar Way');
    expect(own).not.toContain('(Ilse O’Harrow)');
  });

  test('a new address ends the one before; taken back, or with its account switched off, there is none', async () => {
    const first = await made(ilse);
    const second = await made(ilse);
    expect((await supertest(office.app).get(first)).status).toBe(404);
    await office.db.update(accounts).set({ active: false }).where(eq(accounts.login, 'ilse'));
    expect((await supertest(office.app).get(second)).status).toBe(404);
    await office.db.update(accounts).set({ active: true }).where(eq(accounts.login, 'ilse'));
    expect((await supertest(office.app).get(second)).status).toBe(200);
    await ilse.remove('/api/feed');
    expect((await supertest(office.app).get(second)).status).toBe(404);
    expect((await supertest(office.app).get('/calendar/none.ics')).status).toBe(404);
  });
});

test('violations and visits have their rows, which follow every change', async () => {
  const { inspection, violation, visit } = await sentAway();
  const [row] = await office.db.select().from(violations).where(eq(violations.id, violation));
  expect(row).toMatchObject({
    inspection,
    state: 'open',
    severity: 'correction',
    dueOn: CORRECTIONS.dueOn,
    settledOn: null,
    rules: [],
  });
  await ilse.change(
    changeOf({ type: 'violation', inspection, violation, to: 'withdrawn', words: 'It was another house.' }),
  );
  const [settled] = await office.db.select().from(violations).where(eq(violations.id, violation));
  expect(settled).toMatchObject({ state: 'withdrawn', settledOn: new Date().toISOString().slice(0, 10) });
  const [ahead] = await office.db.select().from(visits).where(eq(visits.id, visit));
  expect(ahead).toMatchObject({
    inspection,
    state: 'scheduled',
    day: '2026-12-10',
    inspector: 'Joss Linnaker',
    number: 1,
  });
});

test('a month counts what was decided, taken up and withdrawn, of whatever has happened five times; a contractor has none', async () => {
  const month = new Date().toISOString().slice(0, 7);
  const before = (await ilse.get(`/api/month?month=${month}`)).body as {
    taken: { n: number };
    firstByTransfer: object[];
  };
  const one = await sentAway();
  await ilse.change(
    changeOf({
      type: 'paper',
      inspection: one.inspection,
      decision: one.decision,
      to: 'void',
      words: 'It was another house.',
    }),
  );
  const after = (await ilse.get(`/api/month?month=${month}`)).body as typeof before & {
    papers: object[];
    visits: object[];
  };
  expect(after.taken.n).toBe(before.taken.n + 1);
  expect(after.papers).toContainEqual({ of: 'void', n: 1 });
  for (const { n } of after.firstByTransfer as { n: number }[]) expect(n).toBeGreaterThanOrEqual(5);
  expect((await ilse.get('/api/month?month=2026-13')).status).toBe(422);
  const maro = await visitor(office);
  await maro.signIn('maro');
  expect((await maro.get(`/api/month?month=${month}`)).status).toBe(403);
});

test('a decision made void stands in the ledger; somebody who edits or deletes it afterwards is found', async () => {
  const one = await sentAway();
  const words = 'It names another house.';
  const change = changeOf({ type: 'paper', inspection: one.inspection, decision: one.decision, to: 'void', words });
  await ilse.change(change);
  expect((await supertest(office.app).get(`/papers/${one.decision}`)).text).toContain('VOID');
  const [{ office: id } = { office: '' }] = await office.db.select({ office: accounts.office }).from(accounts);
  const verified = async () => (await verifyOffice(office.db, office.keys.publicKeys, id)).wrong;
  expect(await verified()).toBeUndefined();
  const rewritten = async (sql: string) => {
    await office.pool.query('alter table changes disable trigger user');
    await office.pool.query(sql);
    await office.pool.query('alter table changes enable trigger user');
  };
  await rewritten(`update changes set body = jsonb_set(body, '{words}', '"For a friend."') where id = '${change.id}'`);
  expect(await verified()).toMatch(/decision: void\) was edited/);
  await rewritten(`delete from changes where id = '${change.id}'`);
  expect(await verified()).toMatch(/decision: void\) was deleted/);
});

describe('who complained', () => {
  const NAME = 'Zebulon Nightwhistle';
  test('is read by those who inspect, and stands in nothing else that the office answers', async () => {
    const { inspection, decision } = await sentAway();
    const path = `/api/inspections/${inspection}/notes`;
    expect((await ilse.post(path, { words: `${NAME} rang: the cord goes through a window.` })).status).toBe(200);
    expect((await ilse.get(path)).body).toMatchObject({
      notes: [{ by: 'Ilse O’Harrow', words: expect.stringContaining(NAME) as string }],
    });
    expect((await ilse.post(`/api/inspections/${randomUUID()}/notes`, { words: 'x' })).status).toBe(404);
    const maro = await visitor(office);
    await maro.signIn('maro');
    expect([(await maro.get(path)).status, (await maro.post(path, { words: 'x' })).status]).toEqual([403, 403]);
    const answers = [
      `/api/inspections/${inspection}`,
      `/api/inspections/${inspection}/records`,
      '/api/inspections?since=0',
      '/api/inspections/list?limit=100',
      `/papers/${decision}`,
    ];
    for (const one of answers) {
      const { status, text } = await ilse.get(one);
      expect([one, status, text.includes('Nightwhistle')]).toEqual([one, 200, false]);
    }
  });
});
