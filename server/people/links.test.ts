import { readFileSync } from 'node:fs';
import { join } from 'node:path';
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

test.each([
  'Ilse O’Harrow',
  'ILSE O\'HARROW',
  'Ilse  O’Harrow ',
  'Ilse O‘Harrow',
  'Ilsе O’Harrоw', // two letters of another script
  'Ílse O’Harrow',
  'I1se O’Harrow',
  'Ilse\u200bO’Harrow',
])('nobody joins as %s, who is of the office already, whoever invites', (name) => joinedAs(name).then((status) => expect([name, status]).toEqual([name, 409]))); // prettier-ignore

test('another name that begins alike is somebody else, and a common password, of letters or of digits, lets nobody in', async () => {
  expect(await joinedAs('Ilse O’Hara')).toBe(201);
  expect(await joinedAs('Nobody Else', 'Password123')).toBe(422);
  expect(await joinedAs('Nobody Else', '1234567890')).toBe(422);
});

test('of an office of before, those who share a name are numbered', async () => {
  const own = await openOffice({ demo: true });
  await own.pool.query(`insert into accounts (id, office, login, name, role, password_hash) select gen_random_uuid(), office, 'twin', 'ilse  o’harrow', role, password_hash from accounts where login = 'ilse'`); // prettier-ignore
  await own.pool.query(readFileSync(join(__dirname, '..', 'migrations', '0022_own_names.sql'), 'utf8'));
  const { rows } = await own.pool.query<{ name: string }>(`select name from accounts where login in ('ilse', 'twin') order by name`); // prettier-ignore
  expect(rows.filter(({ name }) => / \(2\)$/.test(name))).toHaveLength(1);
  expect(new Set(rows.map(({ name }) => name.toLowerCase())).size).toBe(2);
  await own.close();
});

/** What whoever is invited is answered, who calls themselves so. */
async function joinedAs(name: string, password = 'a long password'): Promise<number> {
  const lead = await visitor(office);
  await lead.signIn('ilse');
  const { token } = (await lead.post('/api/invites', { role: 'contractor', name: 'Guest' })).body as { token: string };
  const login = `guest-${Math.random().toString(36).slice(2)}`;
  return (await (await visitor(office)).post('/api/join', { token, name, login, password })).status;
}
