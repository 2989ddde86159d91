import { randomUUID } from 'node:crypto';
import { openOffice, opening, visitor, type Office } from '../test/office';

let office: Office;
let lead: Awaited<ReturnType<typeof visitor>>;
let joss: typeof lead;
beforeAll(async () => {
  office = await openOffice();
  [lead, joss] = await Promise.all([visitor(office), visitor(office)]);
  await lead.signIn('ilse');
  await joss.signIn('joss');
}, 60_000);
afterAll(() => office.close());

test('the lead sets the office’s time zone, and papers are asked about by its day; nobody else does, and no other', async () => {
  expect((await joss.patch('/api/office', { zone: 'America/Chicago' })).status).toBe(403);
  for (const wrong of [{ zone: 'Central' }, { zone: '' }, {}, { zone: null }])
    expect([wrong, (await lead.patch('/api/office', wrong)).status]).toEqual([wrong, 422]);
  const house = randomUUID();
  await lead.change(opening(house, '79 Evening Row'));
  const decision = await lead.decisionOn(house, { kind: 'corrections-required', dueOn: '2026-12-09' });
  await lead.change(decision);
  await office.pool.query('alter table decisions disable trigger user');
  await office.pool.query(`update decisions set signed_at = '2026-12-01T02:10:00Z' where id = $1`, [decision.id]);
  const dayOf = async (zone: string) => {
    expect((await lead.patch('/api/office', { zone })).status).toBe(200);
    expect((await lead.get('/api/session')).body).toMatchObject({ office: { zone } });
    return /\d{4}-\d\d-\d\d(?=<)/.exec((await joss.bare.get(`/papers/${decision.id}`)).text)?.[0];
  };
  expect([await dayOf('America/Chicago'), await dayOf('Asia/Tokyo')]).toEqual(['2026-11-30', '2026-12-01']);
});
