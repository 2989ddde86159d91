import { openOffice, visitor, type Office } from '../test/office';

const PASSWORD = 'a long password';
let office: Office;
let lead: Awaited<ReturnType<typeof visitor>>;
beforeAll(async () => {
  office = await openOffice();
  lead = await visitor(office);
  await lead.signIn('ilse');
}, 60_000);
afterAll(() => office.close());

test('a link to a new password ends with any other password, and what somebody has invited with their being switched off', async () => {
  const olaf = await visitor(office);
  const asked = (await lead.post('/api/invites', { role: 'lead', name: 'Olaf' })).body as { token: string };
  await olaf.post('/api/join', { token: asked.token, name: 'Olaf Reine', login: 'olaf', password: PASSWORD });
  await olaf.signIn('olaf', PASSWORD);
  const { account } = (await olaf.get('/api/session')).body as { account: { id: string } };
  const reset = async () => ((await lead.post(`/api/people/${account.id}/reset`, {})).body as { token: string }).token;
  const [first, second] = [await reset(), await reset()];
  const anew = await visitor(office);
  const joins = async (wanted: object) => (await anew.post('/api/join', wanted)).status;
  expect(await joins({ token: first, password: 'remembered now' })).toBe(201);
  expect(await joins({ token: second, password: 'somebody else’s' })).toBe(410);
  const third = await reset();
  await olaf.signIn('olaf', 'remembered now');
  expect((await olaf.post('/api/password', { password: 'remembered now', next: 'another password' })).status).toBe(200);
  expect(await joins({ token: third, password: 'somebody else’s' })).toBe(410);
  const { token } = (await olaf.post('/api/invites', { role: 'lead', name: 'A friend' })).body as { token: string };
  await lead.patch(`/api/people/${account.id}`, { active: false });
  expect(await joins({ token, name: 'A friend', login: 'friend', password: PASSWORD })).toBe(410);
  expect((await olaf.signOut()).body).toMatchObject({ account: null, switchedOff: false }); // who is off can go, too
});
