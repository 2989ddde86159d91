import { randomUUID } from 'node:crypto';
import { eq, like } from 'drizzle-orm';
import { ROLES, touched, type Role } from '@careful-latch/core/record';
import { accounts, mails, offices } from '../database/schema';
import { verifyOffice } from '../ledger/verify';
import { openApi } from '../openapi';
import { changeOf, opening, openOffice, visitor, type Office } from '../test/office';

let office: Office;
let lead: Awaited<ReturnType<typeof visitor>>;
const PASSWORD = 'a long password';

beforeAll(async () => {
  office = await openOffice({ demo: false });
  lead = await visitor(office);
  await lead.post('/api/setup', { office: 'Windfall', edition: '2020', name: 'Ilse O’Harrow', login: 'ilse', password: PASSWORD }); // prettier-ignore
  await lead.signIn('ilse', PASSWORD);
});
afterAll(() => office.close());

async function invited(login: string, role: Role, firm = role === 'firm-lead' ? 'Tried Electric' : '', by = lead) {
  const { token } = (await by.post('/api/invites', { role, name: login, firm })).body as { token: string };
  const who = await visitor(office);
  expect((await who.post('/api/join', { token, name: `The ${login}`, login, password: PASSWORD })).status).toBe(201);
  await who.signIn(login, PASSWORD);
  const { account } = (await who.get('/api/session')).body as { account: { id: string; role: Role } };
  expect(account.role).toBe(role);
  return { who, token, id: account.id };
}
/** The lead of an office of their own, on the same server. */
async function leadElsewhere(login: string) {
  const elsewhere = randomUUID();
  await office.db.insert(offices).values({ id: elsewhere, name: 'Elsewhere', edition: '2017' });
  const [template] = await office.db.select().from(accounts).where(eq(accounts.login, 'ilse'));
  await office.db.insert(accounts).values({ ...template!, id: randomUUID(), office: elsewhere, login });
  const who = await visitor(office);
  await who.signIn(login, PASSWORD);
  return who;
}
const statusOf = async (who: typeof lead) => (await who.get('/api/inspections')).status;

test('whoever has a link comes in once, and as what they were invited', async () => {
  const { who, token } = await invited('joss', 'inspector');
  expect((await who.change(opening(randomUUID()))).body).toMatchObject({ results: [{ status: 'taken' }] });
  const again = await visitor(office);
  const answer = await again.post('/api/join', { token, name: 'Eve', login: 'eve', password: PASSWORD });
  expect(answer.body).toMatchObject({ status: 410, detail: expect.stringContaining('Ask the lead') as string });
  expect((await again.post('/api/join', { token: 'x', name: 'Eve', login: 'eve', password: PASSWORD })).status).toBe(410); // prettier-ignore
});

test('a link that was taken back, a name that is taken, and a short password get a sentence', async () => {
  const { token } = (await lead.post('/api/invites', { role: 'reader', name: 'Odo' })).body as { token: string };
  const odo = await visitor(office);
  const join = (over: object) => odo.post('/api/join', { token, name: 'Odo', login: 'odo', password: PASSWORD, ...over }); // prettier-ignore
  expect((await join({ password: 'short' })).body).toMatchObject({ status: 422, detail: expect.stringContaining('at least 10') as string }); // prettier-ignore
  expect((await join({ login: 'ILSE' })).body).toMatchObject({ status: 409, detail: expect.stringContaining('already') as string }); // prettier-ignore
  const { invites } = (await lead.get('/api/people')).body as { invites: { id: string; name: string }[] };
  const open = invites.find(({ name }) => name === 'Odo')!;
  expect((await lead.bare.delete(`/api/invites/${open.id}`)).status).toBe(403); // without the session's own token
  expect((await lead.remove(`/api/invites/${open.id}`)).status).toBe(200);
  expect((await join({})).status).toBe(410);
});

test('two who use one link at the same moment: one comes in', async () => {
  const { token } = (await lead.post('/api/invites', { role: 'reader', name: 'Twins' })).body as { token: string };
  const twins = await Promise.all([visitor(office), visitor(office)]);
  const answers = await Promise.all(
    twins.map((one, i) => one.post('/api/join', { token, name: 'Twin', login: `twin-${i}`, password: PASSWORD })),
  );
  expect(answers.map(({ status }) => status).sort()).toEqual([201, 410]);
});

test('who is switched off is out at once, and stays out of a session from before when switched on again', async () => {
  const { who, id } = await invited('una', 'inspector');
  expect(await statusOf(who)).toBe(200);
  await lead.patch(`/api/people/${id}`, { active: false });
  expect(await statusOf(who)).toBe(401);
  await lead.patch(`/api/people/${id}`, { active: true });
  expect(await statusOf(who)).toBe(401);
  await who.signIn('una', PASSWORD);
  expect(await statusOf(who)).toBe(200);
});

test('a person is changed in role, firm and being on, and in nothing else; nor is anybody let in by it', async () => {
  const { id } = await invited('planted', 'inspector');
  const stood = async () => (await office.db.select().from(accounts).where(eq(accounts.id, id)))[0];
  const before = await stood();
  const planted = { passwordHash: before!.passwordHash, name: 'Ilse O’Harrow', login: 'ilse2', email: 'e@example.test', feedHash: 'x', demo: true, office: randomUUID(), id: randomUUID(), voidBefore: null }; // prettier-ignore
  for (const [name, value] of Object.entries(planted)) {
    const { status, body } = await lead.patch(`/api/people/${id}`, { active: true, [name]: value });
    expect([name, status, (body as { detail: string }).detail]).toEqual([
      name,
      422,
      expect.stringContaining(`“${name}”`),
    ]);
  }
  expect(await stood()).toEqual(before);
});

test('an office keeps a lead: the last one is neither demoted nor switched off', async () => {
  const { account } = (await lead.get('/api/session')).body as { account: { id: string } };
  for (const wanted of [{ role: 'inspector' }, { active: false }])
    expect((await lead.patch(`/api/people/${account.id}`, wanted)).body).toMatchObject({ status: 409 });
  const { id } = await invited('second', 'lead');
  expect((await lead.patch(`/api/people/${id}`, { role: 'inspector' })).status).toBe(200);
});

test('another password ends every other session; a wrong present one changes nothing', async () => {
  const { who } = await invited('bram', 'inspector');
  const elsewhere = await visitor(office);
  await elsewhere.signIn('bram', PASSWORD);
  expect((await who.post('/api/password', { password: 'not mine', next: 'another password' })).status).toBe(422);
  expect(await statusOf(elsewhere)).toBe(200);
  const { sessions } = (await who.get('/api/sessions')).body as { sessions: { here: boolean }[] };
  expect(sessions.map(({ here }) => here).sort()).toEqual([false, true]);
  expect((await who.post('/api/password', { password: PASSWORD, next: 'another password' })).status).toBe(200);
  expect([await statusOf(who), await statusOf(elsewhere)]).toEqual([200, 401]);
  expect((await elsewhere.signIn('bram', PASSWORD)).status).toBe(401);
  expect((await elsewhere.signIn('bram', 'another password')).status).toBe(200);
  expect((await who.remove('/api/sessions')).status).toBe(200);
  expect([await statusOf(who), await statusOf(elsewhere)]).toEqual([200, 401]);
});

test('whoever forgot their password gets one by a link of the lead, once', async () => {
  const { who, id } = await invited('nan', 'inspector');
  const { token } = (await lead.post(`/api/people/${id}/reset`, {})).body as { token: string };
  const anew = await visitor(office);
  expect((await anew.post('/api/join', { token, password: 'remembered now' })).body).toEqual({ login: 'nan' });
  expect(await statusOf(who)).toBe(401);
  expect((await anew.signIn('nan', 'remembered now')).status).toBe(200);
  expect((await anew.post('/api/join', { token, password: 'remembered now' })).status).toBe(410);
});

test.each(['A\nB', 'A\u2028B', 'A\rB'])('a name of two lines is none: %j', async (name) => {
  const answer = await lead.post('/api/invites', { role: 'reader', name });
  expect([answer.status, (answer.body as { detail: string }).detail]).toEqual([
    422,
    expect.stringContaining('one line'),
  ]);
  const [house] = [opening(randomUUID(), `12 Pippin Row\n${name}`)];
  expect((await lead.change(house)).body).toMatchObject({ results: [{ status: 'refused', detail: expect.stringContaining('one line') as string }] }); // prettier-ignore
});

describe('a firm', () => {
  let runa: Awaited<ReturnType<typeof invited>>;
  let odd: Awaited<ReturnType<typeof invited>>;
  beforeAll(async () => {
    runa = await invited('runa', 'firm-lead', 'Runa & Daughters');
    odd = await invited('odd', 'contractor', 'Odd Wiring');
  });
  const housesOf = async ({ who }: { who: typeof lead }, since = 0) => {
    const { body } = await who.get(`/api/inspections?since=${since}`);
    const { inspections, gone, cursor } = body as { inspections: { id: string }[]; gone: string[]; cursor: number };
    return { ids: inspections.map(({ id }) => id), gone, cursor };
  };

  test('has its own people, whom its lead invites and switches off, and nobody else’s', async () => {
    const tove = await invited('tove', 'contractor', '', runa.who);
    const { people } = (await runa.who.get('/api/people')).body as { people: { login: string; firm: string }[] };
    expect(people.map(({ login, firm }) => [login, firm])).toEqual([['runa', 'Runa & Daughters'], ['tove', 'Runa & Daughters']]); // prettier-ignore
    for (const refused of [
      await runa.who.post('/api/invites', { role: 'inspector', name: 'Z' }),
      await odd.who.get('/api/people'), // only its lead looks after them
    ])
      expect(refused.status).toBe(403);
    for (const path of [`/api/people/${odd.id}`, `/api/people/${randomUUID()}`])
      expect((await runa.who.patch(path, { active: false })).status).toBe(404);
    expect((await runa.who.post(`/api/people/${odd.id}/reset`, {})).status).toBe(404);
    expect((await runa.who.patch(`/api/people/${tove.id}`, { role: 'inspector' })).status).toBe(422);
    expect((await runa.who.patch(`/api/people/${runa.id}`, { role: 'contractor' })).body).toMatchObject({ title: 'The last lead' }); // prettier-ignore
    expect((await runa.who.patch(`/api/people/${tove.id}`, { active: false })).status).toBe(200);
    expect(await statusOf(tove.who)).toBe(401);
    expect((await runa.who.patch(`/api/people/${tove.id}`, { active: true })).status).toBe(200);
  });

  test('sees its own houses, one another’s too; another firm never, the office once it is asked', async () => {
    const tyr = await invited('tyr', 'contractor', 'runa & daughters'); // the lead of the office, in other capitals
    const house = randomUUID();
    const before = await housesOf(tyr);
    await runa.who.change(opening(house));
    expect((await housesOf(runa)).ids).toEqual([house]);
    const told = await housesOf(tyr, before.cursor);
    expect(told.ids).toEqual([house]);
    expect((await tyr.who.change(changeOf(touched(house, 'breaker.ratingA', 30)))).body).toMatchObject({ results: [{ status: 'taken' }] }); // prettier-ignore
    expect((await housesOf(odd)).ids).toEqual([]);
    const read = async ({ who }: { who: typeof lead }) => (await who.get(`/api/inspections/${house}`)).status;
    expect([await read(odd), await read({ who: lead }), await read(tyr)]).toEqual([404, 404, 200]);
    expect((await odd.who.change(changeOf(touched(house, 'breaker.ratingA', 50)))).body).toMatchObject({ results: [{ status: 'refused' }] }); // prettier-ignore
    const listed = async (who: typeof lead) => ((await who.get('/api/inspections/list?sort=changed')).body as { inspections: { id: string }[] }).inspections.map(({ id }) => id); // prettier-ignore
    expect([(await listed(lead)).includes(house), await listed(odd.who), await listed(tyr.who)]).toEqual([false, [], [house]]); // prettier-ignore
    const office = await housesOf({ who: lead });
    await tyr.who.change(changeOf({ type: 'request', inspection: house }));
    expect((await housesOf({ who: lead }, office.cursor)).ids).toEqual([house]);
    expect([await read(odd), await read({ who: lead })]).toEqual([404, 200]);
  });

  test('loses a house as a whole, and each of its devices hears of it', async () => {
    const una = await invited('una-of-runa', 'contractor', '', runa.who);
    const house = randomUUID();
    await runa.who.change(opening(house), changeOf({ type: 'request', inspection: house }));
    await lead.change(await lead.decisionOn(house, { kind: 'corrections-required', dueOn: '2026-12-09' }));
    const before = await housesOf(una);
    expect(before.ids).toContain(house);
    expect((await lead.remove(`/api/inspections/${house}/parties/${una.id}`)).status).toBe(200);
    expect(await housesOf(una, before.cursor)).toMatchObject({ ids: [], gone: [house] });
    expect((await housesOf(runa, before.cursor)).gone).toEqual([house]);
    expect((await lead.post(`/api/inspections/${house}/parties`, { account: odd.id })).status).toBe(201);
    expect((await housesOf(odd)).ids).toEqual([house]);
  });

  test('a contractor of none becomes one of it, for good, and each hears of the houses of the other', async () => {
    const [alone, far] = [
      await invited('alone', 'contractor'),
      await invited('far-away', 'contractor', 'Far Electric'),
    ];
    const [own, theirs] = [randomUUID(), randomUUID()];
    await alone.who.change(opening(own));
    await far.who.change(opening(theirs));
    const [one, other] = [await housesOf(alone), await housesOf(far)];
    const put = (wanted: object) => lead.patch(`/api/people/${alone.id}`, wanted);
    expect((await put({ role: 'firm-lead' })).body).toMatchObject({ detail: 'Say first of which firm they are.' });
    expect((await put({ firm: 'Far Electric' })).status).toBe(200);
    expect((await housesOf(alone, one.cursor)).ids).toContain(theirs);
    expect((await housesOf(far, other.cursor)).ids).toContain(own);
    for (const wanted of [{ firm: 'Odd Wiring' }, { role: 'inspector' }]) expect((await put(wanted)).status).toBe(422);
  });

  test.each([
    ['one who leads none', { role: 'firm-lead', name: 'Z' }],
    ['an inspector of one', { role: 'inspector', name: 'Z', firm: 'Odd Wiring' }],
    ['an address that is none', { role: 'reader', name: 'Z', email: 'at home' }],
  ])('%s is not invited', async (_, wanted) => {
    expect((await lead.post('/api/invites', wanted)).status).toBe(422);
  });
});

test('an invitation goes by mail, too, and whoever joins by it is reached there', async () => {
  const email = 'nils@example.test';
  const { token } = (await lead.post('/api/invites', { role: 'reader', name: 'Nils', email })).body as {
    token: string;
  };
  const [mail] = await office.db.select().from(mails).where(eq(mails.to, email));
  expect(mail!.body).toContain(`/join#${token}`);
  const nils = await visitor(office);
  await nils.post('/api/join', { token, name: 'Nils Aker', login: 'nils', password: PASSWORD });
  await nils.signIn('nils', PASSWORD);
  expect((await nils.get('/api/sessions')).body).toMatchObject({ email });
});

test('the lead of a firm mails to few within a day, and no word of their own', async () => {
  const { who } = await invited('runa-mails', 'firm-lead', 'Mailing & Daughters');
  const invite = (n: number) => who.post('/api/invites', { role: 'contractor', name: 'Buy my cheap cords', email: `stranger-${n}@example.test` }); // prettier-ignore
  for (let n = 0; n < 10; n++) expect((await invite(n)).status).toBe(201);
  expect([(await invite(10)).status, (await who.post('/api/invites', { role: 'contractor', name: 'By hand' })).status]).toEqual([429, 201]); // prettier-ignore
  const sent = await office.db.select().from(mails).where(like(mails.to, 'stranger-%'));
  expect(sent).toHaveLength(10);
  for (const { subject, body } of sent) expect(subject + body).not.toMatch(/cheap|runa/i);
});

test('what was done to accounts stands in the ledger, and the ledger holds', async () => {
  const [{ id: home } = { id: '' }] = await office.db.select({ id: offices.id }).from(offices);
  const { lines, wrong } = await verifyOffice(office.db, office.keys.publicKeys, home);
  expect(wrong).toBeUndefined();
  expect(lines).toBeGreaterThan(10);
  const { rows } = await office.pool.query<{ jws: string }>("select jws from ledger where kind = 'people' order by n");
  const said = rows.map(({ jws }) => (JSON.parse(Buffer.from(jws.split('.')[1]!, 'base64url').toString()) as { did: string }).did); // prettier-ignore
  expect(said.slice(0, 3)).toEqual(['stands so where lines about accounts begin', 'invited joss as inspector', 'joined as inspector']); // prettier-ignore
  expect(said).toEqual(expect.arrayContaining(['switched The una off', 'changed the password']));
});

describe('every route of the description, tried by', () => {
  interface Operation {
    readonly security?: { readonly session: readonly string[] }[];
  }
  const routes = Object.entries(openApi().paths as Record<string, Record<string, Operation>>)
    .filter(([path]) => path.startsWith('/api/') && path !== '/api/session')
    .flatMap(([path, operations]) => Object.entries(operations).map(([method, one]) => ({ path, method, needs: one.security?.[0]?.session }))); // prettier-ignore
  const there = (path: string) =>
    path.replace('{id}', randomUUID()).replace('{sha256}', 'ab'.repeat(32)).replace('{secret}', 'x');
  const tried = (who: typeof lead, { path, method }: { path: string; method: string }) =>
    who.any(method as 'get', there(path));

  test('nobody: only what needs no session answers otherwise than “sign in”', async () => {
    const nobody = await visitor(office);
    for (const route of routes) {
      const { status } = await tried(nobody, route);
      expect([route.method, route.path, status === 401]).toEqual([route.method, route.path, route.needs !== undefined]);
    }
  });

  test.each((Object.keys(ROLES) as Role[]).filter((one) => one !== 'lead'))('a %s: what is the lead’s, or of those who inspect, is refused', async (role) => {
    const { who } = await invited(`tries-${role}`, role);
    for (const route of routes.filter(({ needs }) => needs !== undefined)) {
      const { status, body } = (await tried(who, route)) as { status: number; body: { title?: string } };
      const { needs } = route;
      const refused = needs!.length === 0 || needs!.includes(role) ? undefined : needs!.includes('inspector') ? 'Inspectors only' : 'The lead only'; // prettier-ignore
      expect([route.path, status === 403 ? body.title : undefined]).toEqual([route.path, refused]);
      expect([route.path, status === 401]).toEqual([route.path, false]);
    }
  }); // prettier-ignore

  test('somebody of a role that nobody has listed: no house is told, nothing is taken, every other door is shut', async () => {
    const { who, id } = await invited('tries-auditor', 'reader');
    const house = randomUUID();
    await lead.change(opening(house, '78 Unlisted Row'));
    expect(JSON.stringify((await who.get('/api/inspections?since=0')).body)).toContain('78 Unlisted Row');
    await office.pool.query("update accounts set role = 'auditor' where id = $1", [id]);
    expect((await who.get('/api/inspections?since=0')).body).toMatchObject({ inspections: [], more: false });
    expect((await who.get('/api/inspections/list')).body).toMatchObject({ inspections: [] });
    expect((await who.get(`/api/inspections/${house}`)).status).toBe(404);
    for (const change of [opening(randomUUID()), changeOf(touched(house, 'breaker.ratingA', 30))])
      expect((await who.change(change)).body).toMatchObject({ results: [{ status: 'refused', detail: expect.stringContaining('Nobody has said what') as string }] }); // prettier-ignore
    for (const route of routes.filter(({ needs }) => needs !== undefined && needs.length > 0))
      expect([route.path, ((await tried(who, route)) as { status: number }).status]).toEqual([route.path, 403]);
  });

  test('another firm, another office and a switched-off account, for a house that is there: none is told a word of it', async () => {
    const [runa, odd] = [await invited('runa-tries', 'firm-lead', 'Tried & Daughters'), await invited('odd-tries', 'firm-lead', 'Odd & Sons')]; // prettier-ignore
    const far = await leadElsewhere('far-tries');
    const off = await invited('off-tries', 'inspector');
    const [house, address] = [randomUUID(), '77 Unheard Row'];
    await runa.who.change(opening(house, address), changeOf({ type: 'request', inspection: house }));
    await lead.change(await lead.decisionOn(house, { kind: 'corrections-required', dueOn: '2026-12-09' }));
    await lead.patch(`/api/people/${off.id}`, { active: false });
    const named = routes.map((route) => ({ ...route, path: route.path.replace('{id}', house) }));
    expect(JSON.stringify((await lead.get(`/api/inspections/${house}`)).body)).toContain(address);
    for (const [who, name] of [
      [odd.who, 'another firm'],
      [far, 'another office'],
      [off.who, 'switched off'],
    ] as const)
      for (const route of named) {
        const { status, body } = await tried(who, route);
        expect([name, route.method, route.path, JSON.stringify(body ?? null).includes(address)]).toEqual([name, route.method, route.path, false]); // prettier-ignore
        const isOpen = route.needs === undefined || route.path === '/api/changes'; // which keeps for the lead what they still send
        if (name === 'switched off' && !isOpen) expect([route.path, status]).toEqual([route.path, 401]);
      }
    const still = (await lead.get(`/api/inspections/${house}`)).body as { revision: number; decisions: unknown[] };
    expect([still.revision, still.decisions.length]).toEqual([3, 1]);
  });

  test('a lead of another office: nobody and nothing of this one is there', async () => {
    const far = await leadElsewhere('far');
    const [template] = await office.db.select().from(accounts).where(eq(accounts.login, 'ilse'));
    const { people } = (await far.get('/api/people')).body as { people: { login: string }[] };
    expect(people.map(({ login }) => login)).toEqual(['far']);
    expect((await far.patch(`/api/people/${template!.id}`, { active: false })).status).toBe(404);
    expect((await far.post(`/api/people/${template!.id}/reset`, {})).status).toBe(404);
    const { token: _, ...made } = (await lead.post('/api/invites', { role: 'reader', name: 'Z' })).body as { token: string }; // prettier-ignore
    expect(made).toMatchObject({ expiresAt: expect.any(String) as string });
    const { invites } = (await lead.get('/api/people')).body as { invites: { id: string }[] };
    expect((await far.remove(`/api/invites/${invites[0]!.id}`)).status).toBe(404);
    expect(await statusOf(lead)).toBe(200);
  });
});
