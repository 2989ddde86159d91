import { randomUUID } from 'node:crypto';
import { dayAtHouse } from '@careful-latch/core/record';
import { type StormEntry } from '@careful-latch/core/storm';
import { openOffice, visitor, type Office } from '../test/office';

let office: Office;
let ilse: Awaited<ReturnType<typeof visitor>>;
let joss: typeof ilse;
const TODAY = dayAtHouse(new Date().toISOString());
beforeAll(async () => {
  office = await openOffice();
  [ilse, joss] = await Promise.all([visitor(office), visitor(office)]);
  await ilse.signIn('ilse');
  await joss.signIn('joss');
}, 60_000);
afterAll(() => office.close());

const entry = (storm: string, address: string, over: Partial<StormEntry> = {}): StormEntry =>
  ({ id: randomUUID(), storm, at: new Date().toISOString(), address, kind: 'taken', ...over }) as StormEntry;
async function opened(): Promise<string> {
  const id = randomUUID();
  expect((await ilse.post('/api/storms', { id, name: 'Ice of November', day: TODAY })).status).toBe(200);
  return id;
}
const statuses = (body: unknown) => (body as { results: { status: string }[] }).results.map(({ status }) => status);

test('the lead opens a day, once; whoever inspects takes houses, and sees what others said, from a count on', async () => {
  const id = await opened();
  expect((await ilse.post('/api/storms', { id, name: 'Ice of November', day: TODAY })).status).toBe(200);
  expect((await ilse.post('/api/storms', { id, name: 'Another', day: TODAY })).status).toBe(409);
  expect((await joss.post('/api/storms', { id: randomUUID(), name: 'Mine', day: TODAY })).status).toBe(403);
  const { storms } = (await joss.get('/api/storms')).body as { storms: object[] };
  expect(storms[0]).toEqual({ id, name: 'Ice of November', day: TODAY }); // the demo’s lies behind
  expect(
    statuses((await joss.post(`/api/storms/${id}/entries`, { entries: [entry(id, '4 Alder Lane')] })).body),
  ).toEqual(['taken']);
  const first = (await ilse.get(`/api/storms/${id}`)).body as { entries: object[]; cursor: number };
  expect(first.entries).toMatchObject([{ address: '4 Alder Lane', by: 'Joss Linnaker' }]);
  await ilse.post(`/api/storms/${id}/entries`, { entries: [entry(id, '4 alder lane')] });
  const next = (await joss.get(`/api/storms/${id}?since=${first.cursor}`)).body as { entries: object[] };
  expect(next.entries).toMatchObject([{ address: '4 alder lane', by: 'Ilse O’Harrow' }]);
});

test('an entry that comes twice is one; under the same number nothing else; each is judged by itself', async () => {
  const id = await opened();
  const one = entry(id, '9 Orchard Loop');
  const bad = entry(id, '10 Orchard Loop', { kind: 'seen', release: 'release', answers: { source: 'running' } });
  const old = entry(id, '11 Orchard Loop', { at: '2026-01-02T15:00:00Z' });
  const sent = await joss.post(`/api/storms/${id}/entries`, {
    entries: [one, bad, old, null, { ...one, address: { toString: 'x' } }, one],
  });
  expect(statuses(sent.body)).toEqual(['taken', 'refused', 'refused', 'refused', 'refused', 'taken']);
  expect(statuses((await ilse.post(`/api/storms/${id}/entries`, { entries: [one] })).body)).toEqual(['refused']);
  expect(
    statuses((await joss.post(`/api/storms/${id}/entries`, { entries: [{ ...one, address: '1 Lane' }] })).body),
  ).toEqual(['refused']);
  expect(((await joss.get(`/api/storms/${id}`)).body as { entries: object[] }).entries).toHaveLength(1);
  expect((await joss.post(`/api/storms/${randomUUID()}/entries`, { entries: [one] })).status).toBe(404);
});

test('what no database keeps is a sentence, not a failure: a day that is none, a count beyond counting, a text with a zero in it', async () => {
  const id = await opened();
  const day = await ilse.post('/api/storms', { id: randomUUID(), name: 'Ice', day: '2026-13-45' });
  const count = await ilse.get(`/api/storms/${id}?since=${'9'.repeat(25)}`);
  const zero = await ilse.post('/api/storms', { id: randomUUID(), name: 'I\u0000ce', day: TODAY });
  for (const { status, body } of [day, count, zero])
    expect([status, body]).toEqual([422, expect.objectContaining({ detail: expect.any(String) as string })]);
});

test('a house with an order in force is not released to the utility; it may be held back', async () => {
  const id = await opened();
  const answers = { source: 'off', cord: 'out', transfer: 'seen', damage: 'none', water: 'none', acts: 'owner' };
  const at = (address: string, release: 'release' | 'hold') => entry(id, address, { kind: 'seen', release, answers });
  const { body } = await joss.post(`/api/storms/${id}/entries`, {
    entries: [at('30 Ladder Lane', 'release'), at('30 LADDER LANE', 'release'), at('30 Ladder Lane', 'hold'), at('31 Ladder Lane', 'release')],
  }); // prettier-ignore
  expect(statuses(body)).toEqual(['refused', 'refused', 'taken', 'taken']);
  expect((body as { results: { detail: string }[] }).results[0]!.detail).toMatch(/^An order is in force here/);
});
