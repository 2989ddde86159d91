import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { touched, type ChangeBody, type Inspection } from '@careful-latch/core/record';
import { accounts, inspections } from '../database/schema';
import { DEMO_PROPERTIES } from '../demo/properties';
import { changeOf, openOffice, opening, visitor, type Office } from '../test/office';

/** Decided, with corrections due; opened by the lead. */
const HOUSE = DEMO_PROPERTIES[3]!.id;
const PARTIES = `/api/inspections/${HOUSE}/parties`;

let office: Office;
let lead: Awaited<ReturnType<typeof visitor>>;
let maro: Awaited<ReturnType<typeof visitor>>;
let maroId: string;
beforeAll(async () => {
  office = await openOffice();
  [lead, maro] = await Promise.all([visitor(office), visitor(office)]);
  await lead.signIn('ilse');
  await maro.signIn('maro');
  maroId = (await office.db.select().from(accounts).where(eq(accounts.login, 'maro')))[0]!.id;
}, 60_000);
afterAll(() => office.close());

interface Delta {
  readonly inspections: readonly Inspection[];
  readonly gone: readonly string[];
  readonly cursor: number;
}
const delta = async (who: typeof lead, cursor = 0) => (await who.get(`/api/inspections?since=${cursor}`)).body as Delta;
const sent = async (who: typeof lead, change: Parameters<typeof lead.change>[0]) =>
  ((await who.change(change)).body as { results: { status: string }[] }).results[0]!.status;
const claim = ({ docket }: Inspection, words: string) =>
  changeOf({ type: 'violation', inspection: HOUSE, violation: docket.violations[0]!.id, to: 'claimed', words });

test('an owner with a link sees the one house, and says what was corrected there', async () => {
  const link = await lead.post(PARTIES, { name: 'Sunniva Peake' });
  expect(link.status).toBe(201);
  const owner = await visitor(office);
  const { token } = link.body as { token: string };
  const joined = { token, name: 'Sunniva Peake', login: 'sunniva', password: 'a long password' };
  expect((await owner.post('/api/join', joined)).status).toBe(201);
  expect((await owner.post('/api/join', joined)).status).toBe(410);
  await owner.signIn('sunniva', 'a long password');
  const { inspections: seen } = await delta(owner);
  expect(seen.map(({ id }) => id)).toEqual([HOUSE]);
  expect(await sent(owner, claim(seen[0]!, 'The bond is taken out.'))).toBe('taken');
  expect(await sent(owner, changeOf(touched(HOUSE, 'neutral.switched', 'yes')))).toBe('refused');
  expect((await owner.get(`/api/inspections/${DEMO_PROPERTIES[4]!.id}`)).status).toBe(404);
  expect((await owner.get(PARTIES)).status).toBe(403);
});

test('a firm that takes over hears of the house; the one before is told that it is theirs no more, and claims nothing', async () => {
  const before = await delta(maro);
  expect(before.inspections.map(({ id }) => id)).not.toContain(HOUSE);
  expect((await lead.post(PARTIES, { account: maroId })).status).toBe(201);
  const given = await delta(maro, before.cursor);
  expect(given.inspections.map(({ id }) => id)).toEqual([HOUSE]);
  expect((await lead.remove(`${PARTIES}/${maroId}`)).status).toBe(200);
  const after = await delta(maro, given.cursor);
  expect(after).toMatchObject({ inspections: [], gone: [HOUSE] });
  expect(await delta(maro, after.cursor)).toMatchObject({ inspections: [], gone: [], cursor: after.cursor });
  expect(await sent(maro, claim(given.inspections[0]!, 'All is done.'))).toBe('refused');
  expect((await lead.post(PARTIES, { account: maroId })).status).toBe(201);
  expect((await delta(maro, after.cursor)).inspections.map(({ id }) => id)).toEqual([HOUSE]);
});

test('whoever is not there is no party: nobody else’s sight of the house ends', async () => {
  const seen = async () => (await maro.get(`/api/inspections/${HOUSE}`)).status;
  expect(await seen()).toBe(200);
  expect((await lead.remove(`${PARTIES}/${randomUUID()}`)).status).toBe(404);
  expect(await seen()).toBe(200);
});

test('what a contractor opened is theirs as before, until it is given to another', async () => {
  const [own] = await office.db
    .select({ id: inspections.id })
    .from(inspections)
    .where(and(eq(inspections.openedBy, maroId)));
  expect((await maro.get(`/api/inspections/${own!.id}`)).status).toBe(200);
  expect((await lead.remove(`/api/inspections/${own!.id}/parties/${maroId}`)).status).toBe(200);
  expect((await maro.get(`/api/inspections/${own!.id}`)).status).toBe(404);
});

test.each([
  ['nobody', {}, 422, 'Say which contractor'],
  ['both', { account: '0dd0a7c4-1f5e-4b7a-9c00-000000000001', name: 'Anna' }, 422, 'Say which contractor'],
  ['an account that is none', { account: '0dd0a7c4-1f5e-4b7a-9c00-00000000dead' }, 404, 'no such contractor'],
])('%s is refused', async (_, wanted, status, words) => {
  const answer = await lead.post(PARTIES, wanted);
  expect([answer.status, (answer.body as { detail: string }).detail]).toEqual([status, expect.stringContaining(words)]);
});

describe('a contractor who is party writes his own and nothing else:', () => {
  let house: Inspection;
  const said = async (who: typeof lead, change: Parameters<typeof lead.change>[0]) =>
    ((await who.change(change)).body as { results: { status: string; detail?: string }[] }).results[0]!;
  beforeAll(async () => {
    await lead.post(PARTIES, { account: maroId });
    house = (await maro.get(`/api/inspections/${HOUSE}`)).body as Inspection;
    await lead.change(changeOf({ type: 'violation', inspection: HOUSE, violation: house.docket.violations[0]!.id, to: 'open', words: 'It is still there.' })); // prettier-ignore
    house = (await maro.get(`/api/inspections/${HOUSE}`)).body as Inspection;
  });
  const evidence = randomUUID();
  const note = (text: string | null, was?: { at: string; by: string }, of = evidence) =>
    changeOf({ type: 'evidence', inspection: HOUSE, evidence: of, is: text === null ? null : { about: 'breaker.ratingA', text, photo: null }, ...(was && { was }) }); // prettier-ignore

  test.each([
    ['a day', { dueOn: '2099-01-01' }, 'a day is given'],
    [
      'a variance',
      { variance: { authority: 'Myself', section: '702.5', extent: 'all', until: null } },
      'a variance goes',
    ],
    ['findings', { findings: [{ rule: 'inlet/cover', part: null }] }, 'findings are joined'],
  ])('%s with what he says is corrected is refused', async (_, over, detail) => {
    const one = { ...claim(house, 'It is done.'), ...over } as Parameters<typeof lead.change>[0];
    expect(await said(maro, one)).toMatchObject({
      status: 'refused',
      detail: expect.stringContaining(detail) as string,
    });
  });

  test('an inspector’s note is neither rewritten nor taken out by him; nor does he write one in the inspector’s name', async () => {
    expect(await sent(lead, note('The cover is off.'))).toBe('taken');
    for (const text of ['All is well.', null])
      expect(await said(maro, note(text))).toMatchObject({ status: 'refused', detail: expect.stringContaining('Ilse O’Harrow') as string }); // prettier-ignore
    const forged = note('All is well.', { at: '2026-11-24T15:00:00Z', by: 'Ilse O’Harrow' }, randomUUID());
    expect(await said(maro, forged)).toMatchObject({
      status: 'refused',
      detail: expect.stringContaining('log') as string,
    });
    const after = (await lead.get(`/api/inspections/${HOUSE}`)).body as Inspection;
    expect(after.evidence.filter(({ text }) => text === 'All is well.')).toEqual([]);
    expect(after.evidence.find(({ id }) => id === evidence)).toMatchObject({
      text: 'The cover is off.',
      by: 'Ilse O’Harrow',
    });
  });

  test('a reading is set again by Undo as it stood in the log, and never made up in another’s name', async () => {
    const own = randomUUID();
    await maro.change(opening(own));
    const first = changeOf(touched(own, 'breaker.ratingA', 30));
    await maro.change(first, changeOf(touched(own, 'breaker.ratingA', 40)));
    const again = (was: object) =>
      changeOf({ type: 'facts', inspection: own, facts: [{ path: 'breaker.ratingA', value: 30, how: 'touched', was }] } as ChangeBody); // prettier-ignore
    const line = { how: 'touched', at: first.at };
    const name = (await office.db.select().from(accounts).where(eq(accounts.login, 'maro')))[0]!.name;
    for (const forged of [
      { ...line, by: 'Ilse O’Harrow' },
      { ...line, by: name, how: 'measured' },
      { ...line, by: name, said: '30 A by the meter of the office' },
      { ...line, by: name, at: '2026-11-01T10:00:00Z' },
    ])
      expect(await said(maro, again(forged))).toMatchObject({ status: 'refused' });
    expect(await said(maro, again({ ...line, by: name }))).toMatchObject({ status: 'taken' });
  });
});

test('a house on which nothing is decided is given to nobody', async () => {
  const open = DEMO_PROPERTIES.find(({ decision }) => !decision)!.id;
  const answer = await lead.post(`/api/inspections/${open}/parties`, { account: maroId });
  expect(answer.status).toBe(409);
});
