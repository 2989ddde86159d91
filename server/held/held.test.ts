import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { touched, type Change, type Inspection } from '@careful-latch/core/record';
import { DEMO_PASSWORD } from '../demo/password';
import { CORRECTIONS, changeOf, openOffice, opening, recordedEarlier, visitor, type Office } from '../test/office';

let office: Office;
let lead: Awaited<ReturnType<typeof visitor>>;
let joss: Awaited<ReturnType<typeof visitor>>;
beforeAll(async () => {
  office = await openOffice();
  lead = await visitor(office);
  joss = await visitor(office);
  await lead.signIn('ilse');
  await joss.signIn('joss');
}, 60_000);
afterAll(() => office.close());

const hoursAgo = (hours: number) => new Date(Date.now() - hours * 3600_000).toISOString();
const asJoss = { ...CORRECTIONS, signature: { name: 'Joss Linnaker', path: '' } } as const;
/** A decision of Joss on a house of his, as it was signed some hours ago. */
async function signedAgo(hours: number): Promise<{ house: string; decision: Change }> {
  const house = randomUUID();
  await joss.change(opening(house));
  await recordedEarlier(office, house, hours + 1);
  return { house, decision: { ...(await joss.decisionOn(house, asJoss)), at: hoursAgo(hours) } };
}
const send = async (who: typeof joss, ...changes: Change[]) =>
  ((await who.change(...changes)).body as { results: { status: string; detail?: string }[] }).results;
interface HeldRow {
  readonly id: string;
  readonly inspection: string;
  readonly why: string;
}
const heldFor = async (who: typeof joss) => ((await who.get('/api/held')).body as { held: HeldRow[] }).held;
interface Kept {
  readonly sealHolds: boolean;
  readonly record: { readonly offline?: boolean; readonly receivedAt?: string };
}
const recordsOf = async (house: string) => ((await lead.get(`/api/inspections/${house}/records`)).body as { records: Kept[] }).records; // prettier-ignore

test('one that arrives within the office’s hours is sealed, and its record says that it came later', async () => {
  const { house, decision } = await signedAgo(5);
  expect(await send(joss, decision)).toMatchObject([{ status: 'taken' }]);
  const [kept] = await recordsOf(house);
  expect(kept).toMatchObject({ sealHolds: true, record: { offline: true } });
  expect(Date.parse(kept!.record.receivedAt!)).toBeGreaterThan(Date.parse(decision.at) + 4 * 3600_000);
  const now = await signedAgo(0);
  await send(joss, now.decision);
  expect((await recordsOf(now.house))[0]).toMatchObject({ record: { offline: false } });
});

test('one that arrives too late is kept for the lead, shown to its author, and sealed by nobody else', async () => {
  const { house, decision } = await signedAgo(30);
  const [answer] = await send(joss, decision);
  expect(answer).toMatchObject({ status: 'held', detail: expect.stringContaining('30 hours after it was signed') as string }); // prettier-ignore
  expect(await send(joss, decision)).toEqual([answer]); // the same question has the same answer
  const other = { ...decision, at: hoursAgo(29) }; // another under its number has another
  expect(await send(joss, other)).toMatchObject([{ status: 'refused' }]);
  expect(await recordsOf(house)).toEqual([]);
  for (const who of [joss, lead]) expect((await heldFor(who)).map(({ id }) => id)).toContain(decision.id);
  const maro = await visitor(office);
  await maro.signIn('maro');
  expect(await heldFor(maro)).toEqual([]);
  expect((await joss.post(`/api/held/${decision.id}`, { words: 'I wish it gone.' })).status).toBe(403);

  await send(lead, await lead.decisionOn(house, CORRECTIONS));
  expect((await heldFor(lead)).map(({ id }) => id)).not.toContain(decision.id);
  expect(await recordsOf(house)).toHaveLength(1);
});

test('one that was signed on something else is kept too, and says what has changed since', async () => {
  const { house, decision } = await signedAgo(2);
  await send(lead, changeOf(touched(house, 'breaker.ratingA', 100)));
  const [answer] = await send(joss, decision);
  expect(answer).toMatchObject({ status: 'held', detail: expect.stringContaining('100 A (Ilse O’Harrow)') as string });
  expect((await lead.post(`/api/held/${decision.id}`, { words: 'no' })).status).toBe(422);
  expect((await lead.post(`/api/held/${decision.id}`, { words: 'He goes there again tomorrow.' })).status).toBe(200);
  expect((await lead.post(`/api/held/${decision.id}`, { words: 'He goes there again tomorrow.' })).status).toBe(404);
  expect((await heldFor(joss)).map(({ id }) => id)).not.toContain(decision.id);
  expect(((await lead.get(`/api/inspections/${house}`)).body as Inspection).decisions).toEqual([]);
});

test('whoever signs at the office with others’ work under it unseen is refused, not held: they look and sign anew', async () => {
  const { house, decision } = await signedAgo(0);
  await send(lead, changeOf(touched(house, 'breaker.ratingA', 100)));
  expect(await send(joss, decision)).toMatchObject([{ status: 'refused', detail: expect.stringContaining('sign anew') as string }]); // prettier-ignore
  expect((await heldFor(joss)).map(({ inspection }) => inspection)).not.toContain(house);
});

test('the office says itself how long a signature may take', async () => {
  expect((await joss.patch('/api/office', { offlineHours: 72 })).status).toBe(403);
  expect((await lead.patch('/api/office', { offlineHours: 72 })).status).toBe(200);
  expect(await send(joss, (await signedAgo(30)).decision)).toMatchObject([{ status: 'taken' }]);
  expect((await lead.get('/api/session')).body).toMatchObject({ office: { offlineHours: 72 } });
});

test('whoever gave the password more than a day ago gives it again before they sign; what was signed without signal is kept for the lead', async () => {
  const old = await visitor(office);
  await old.signIn('joss');
  await office.db.execute(sql`update session set sess = jsonb_set(sess::jsonb, '{passwordAt}', '1000')::json`);
  const { decision } = await signedAgo(0);
  expect(await send(old, decision)).toMatchObject([{ status: 'refused', detail: expect.stringContaining('password again') as string }]); // prettier-ignore
  // Whatever the device’s clock says, the password’s age counts by when the office hears of it: the lead has it first.
  expect(await send(old, (await signedAgo(3)).decision)).toMatchObject([{ status: 'held', detail: expect.stringContaining('more than a day before it arrived') as string }]); // prettier-ignore
  expect((await old.post('/api/session/password', { password: 'not it' })).status).toBe(422);
  expect((await old.post('/api/session/password', { password: DEMO_PASSWORD })).status).toBe(200);
  expect(await send(old, { ...decision, id: randomUUID() })).toMatchObject([{ status: 'taken' }]);
});

describe('what an account sends after it was switched off', () => {
  interface Entries {
    readonly inspection: string;
    readonly by: string;
    readonly address: string;
    readonly entries: number;
  }
  const entriesFor = async (who: typeof joss) => ((await who.get('/api/held')).body as { entries: Entries[] }).entries;
  const settle = (wanted: object) => lead.post('/api/held', wanted);
  const inspectionOf = async (id: string) => (await lead.get(`/api/inspections/${id}`)).body as Inspection;
  const houses = [randomUUID(), randomUUID()] as const;
  let nan: Awaited<ReturnType<typeof visitor>>;
  let nanId: string;
  let sentLate: Change[];
  beforeAll(async () => {
    const { token } = (await lead.post('/api/invites', { role: 'inspector', name: 'Nan' })).body as { token: string };
    nan = await visitor(office);
    await nan.post('/api/join', { token, name: 'Nan Quarles', login: 'nan', password: DEMO_PASSWORD });
    await nan.signIn('nan');
    nanId = ((await nan.get('/api/session')).body as { account: { id: string } }).account.id;
    await send(nan, opening(houses[0]), changeOf(touched(houses[0], 'breaker.ratingA', 30)));
    const decision = await nan.decisionOn(houses[0], { ...CORRECTIONS, signature: { name: 'Nan Quarles', path: '' } });
    await lead.patch(`/api/people/${nanId}`, { active: false });
    sentLate = [
      changeOf(touched(houses[0], 'breaker.ratingA', 50)),
      decision,
      opening(houses[1]), // a house that the office has not heard of
      changeOf(touched(houses[1], 'inlet.ratingA', 30)),
    ];
  });

  test('is kept for the lead and counts for nothing; the device is told so, and that its owner is off', async () => {
    expect((await nan.get('/api/session')).body).toMatchObject({ account: null, switchedOff: true });
    expect((await nan.get('/api/inspections')).status).toBe(401);
    const answers = await send(nan, ...sentLate);
    for (const one of answers) expect(one).toMatchObject({ status: 'held', detail: expect.stringContaining('switched off') as string }); // prettier-ignore
    expect(await send(nan, ...sentLate)).toEqual(answers);
    expect((await inspectionOf(houses[0])).case.breaker).toEqual({ ratingA: 30 });
    expect((await lead.get(`/api/inspections/${houses[1]}`)).status).toBe(404);
    const [known] = await entriesFor(lead);
    expect(known).toMatchObject({ inspection: houses[0], by: nanId, entries: 1, facts: [{ path: 'breaker.ratingA', value: 50 }] }); // prettier-ignore
    expect((await entriesFor(lead))[1]).toMatchObject({ inspection: houses[1], address: expect.stringMatching(/./) as string, entries: 2 }); // prettier-ignore
    expect((await heldFor(lead)).map(({ id }) => id)).toContain(sentLate[1]!.id);
    expect(await entriesFor(joss)).toEqual([]);
    expect((await joss.post('/api/held', { inspection: houses[0], by: nanId, take: true })).status).toBe(403);
  });

  test('says its token and whose it is, as everybody else', async () => {
    const change = changeOf(touched(houses[0], 'breaker.ratingA', 60));
    expect(
      (
        await nan.bare
          .post('/api/changes')
          .set('x-account', nanId)
          .send({ changes: [change] })
      ).status,
    ).toBe(403);
    const { csrfToken } = (await nan.get('/api/session')).body as { csrfToken: string };
    const asOther = await nan.bare.post('/api/changes').set({ 'x-csrf-token': csrfToken, 'x-account': houses[0] }).send({ changes: [change] }); // prettier-ignore
    expect(asOther.status).toBe(409);
  });

  test('is taken in by the lead as theirs, a new house with it; what was signed waits for a decision of the lead', async () => {
    for (const inspection of houses)
      expect((await settle({ inspection, by: nanId, take: true })).body).toMatchObject({ refused: [] });
    expect((await inspectionOf(houses[0])).case.breaker).toEqual({ ratingA: 50 });
    expect((await inspectionOf(houses[1])).case.inlet).toEqual({ ratingA: 30 });
    const { rows } = await office.pool.query<{ by: string }>('select by from changes where inspection = $1', [
      houses[1],
    ]);
    expect(rows.map(({ by }) => by)).toEqual([nanId, nanId]);
    expect(await entriesFor(lead)).toEqual([]);
    expect((await settle({ inspection: houses[0], by: nanId, take: true })).status).toBe(404);
    expect((await inspectionOf(houses[0])).decisions).toEqual([]);
    expect((await heldFor(lead)).map(({ id }) => id)).toContain(sentLate[1]!.id);
  });

  test('is left out as a whole with a reason', async () => {
    await send(nan, changeOf(touched(houses[0], 'breaker.ratingA', 100)));
    const wanted = { inspection: houses[0], by: nanId, take: false };
    expect((await settle({ ...wanted, words: 'no' })).status).toBe(422);
    expect((await settle({ ...wanted, words: 'The phone was lost that morning.' })).status).toBe(200);
    expect(await entriesFor(lead)).toEqual([]);
    expect((await inspectionOf(houses[0])).case.breaker).toEqual({ ratingA: 50 });
  });

  test('what a rule refuses is said, and waits no longer', async () => {
    await send(nan, changeOf({ type: 'request', inspection: houses[0] })); // an inspector asks the office for nothing
    expect((await settle({ inspection: houses[0], by: nanId, take: true })).body).toMatchObject({
      taken: 0,
      refused: [expect.stringContaining('A contractor asks') as string],
    });
    expect(await entriesFor(lead)).toEqual([]);
  });
});
