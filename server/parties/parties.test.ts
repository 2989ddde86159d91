import { and, eq } from 'drizzle-orm';
import { touched, type Inspection } from '@careful-latch/core/record';
import { accounts, inspections } from '../database/schema';
import { DEMO_PROPERTIES } from '../demo/properties';
import { changeOf, openOffice, visitor, type Office } from '../test/office';

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

test('a house on which nothing is decided is given to nobody', async () => {
  const open = DEMO_PROPERTIES.find(({ decision }) => !decision)!.id;
  const answer = await lead.post(`/api/inspections/${open}/parties`, { account: maroId });
  expect(answer.status).toBe(409);
});
