import { randomUUID } from 'node:crypto';
import { cp, mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq, sql } from 'drizzle-orm';
import { migrate as runMigrations } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { applyChange, dayAtHouse, touched, type Change, type Inspection } from '@careful-latch/core/record';
import type { Evaluation } from '@careful-latch/core/verdict';
import supertest from 'supertest';
import { createApp } from './app';
import { giveServerRole, migrate, oneAfterTheOther } from './database/migrate';
import { bringUp } from './ledger/ledger';
import { verifyOffice } from './ledger/verify';
import { accounts, changes, decisions, inspections, offices, sessions } from './database/schema';
import { DEMO_PROPERTIES } from './demo/properties';
import { sealOf, type SealedRecord } from './inspections/seal';
import { serverLog } from './log';
import { loadDemo } from './demo/load';
import { EvidenceStore } from './evidence/store';
import { DEMO_PASSWORD } from './demo/password';
import {
  CORRECTIONS,
  changeOf,
  decisionOn,
  jpegOf,
  opening,
  openOffice,
  photoOf,
  pictureOf,
  visitor,
  type Office,
} from './test/office';

/** Setup that loads the whole demo takes long on a busy machine. */
const LOADING_DEMO_MS = 120_000;

let office: Office;
beforeAll(async () => {
  office = await openOffice();
}, LOADING_DEMO_MS);
afterAll(() => office.close());

const signedIn = async (login = 'ilse') => {
  const who = await visitor(office);
  await who.signIn(login);
  return who;
};
/** The one house of the demo that its contractor walks himself. */
const OPENED_BY_MARO = DEMO_PROPERTIES.filter(({ by, openedBy }) => (openedBy ?? by) === 'maro').map(({ id }) => id);

describe('sessions', () => {
  test('a stranger sees the demo sign-ins and nothing else', async () => {
    const who = await visitor(office);
    const session = (await who.get('/api/session')).body as {
      account: null;
      demo: { login: string }[];
      needsSetup: boolean;
    };
    expect(session).toMatchObject({ account: null, office: null, needsSetup: false });
    expect(session.demo.map((one) => one.login)).toEqual(['ilse', 'joss', 'maro']);
    const refused = await who.get('/api/inspections');
    expect(refused.status).toBe(401);
    expect(refused.type).toBe('application/problem+json');
    expect(refused.body).toMatchObject({ status: 401, detail: expect.stringContaining('Sign in first') as string });
  });

  test('whoever tries a name again and again is stopped, and locks out neither its owner’s device nor others behind the same address', async () => {
    const own = await openOffice({ demo: false });
    const ilse = await visitor(own);
    const person = { office: 'W', edition: '2020', name: 'Ilse', login: 'ilse', password: 'a long password' };
    await ilse.post('/api/setup', person);
    expect((await ilse.signIn('ilse', person.password)).status).toBe(200); // this device is known from now on
    await ilse.signOut();
    const stranger = await visitor(own);
    const statuses: number[] = [];
    for (let i = 0; i < 12; i++) statuses.push((await stranger.signIn('ilse', 'guessed')).status);
    expect(statuses).toEqual([...Array.from({ length: 10 }, () => 401), 429, 429]);
    expect((await (await visitor(own)).signIn('joss', 'guessed')).status).toBe(401);
    expect((await ilse.signIn('ilse', person.password)).status).toBe(200);
    await own.close();
  });

  test('behind a proxy cookies are for TLS alone, and the browser is told to keep to it', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'careful-latch-'));
    const app = createApp({
      ...office,
      log: serverLog('silent'),
      sessionSecret: 'test',
      evidenceFolder: folder,
      trustProxy: 1,
    });
    const answer = await supertest(app)
      .post('/api/session')
      .set('x-forwarded-proto', 'https')
      .send({ login: 'ilse', password: DEMO_PASSWORD });
    const cookies = answer.headers['set-cookie'] as unknown as string[];
    expect(cookies.length).toBeGreaterThan(0);
    expect(cookies.filter((one) => !/; Secure/.test(one))).toEqual([]);
    expect(answer.headers['strict-transport-security']).toMatch(/max-age/);
    expect((await supertest(office.app).get('/healthz')).headers['strict-transport-security']).toBeUndefined();
    await rm(folder, { recursive: true });
  });

  test('signing in works by name and password, and changes the session', async () => {
    const who = await visitor(office);
    expect((await who.signIn('ilse', 'wrong password')).status).toBe(401);
    expect((await who.signIn('nobody')).status).toBe(401);
    const before = await who.get('/api/session');
    const inside = await who.signIn(' Ilse ');
    expect(inside.body).toMatchObject({
      account: { name: 'Ilse O’Harrow', role: 'lead' },
      office: { edition: '2020' },
      demo: [],
    });
    expect(inside.headers['set-cookie']).not.toEqual(before.headers['set-cookie']);
    await who.signOut();
    expect((await who.get('/api/inspections')).status).toBe(401);
  });

  test('a change without the session’s token is refused', async () => {
    const who = await signedIn();
    const refused = await who.bare.post('/api/changes').send({ changes: [] });
    expect(refused.status).toBe(403);
    expect(refused.body).toMatchObject({ title: 'Old page' });
  });

  test(
    'the twenty-first wrong password in a minute is not tried',
    async () => {
      const other = await openOffice();
      const who = await visitor(other);
      for (let i = 0; i < 20; i++) await who.signIn('ilse', 'wrong password');
      expect((await who.signIn('ilse')).status).toBe(429);
      await other.close();
    },
    LOADING_DEMO_MS,
  );

  test('a stranger who looks leaves no row behind; another site’s page is sent away', async () => {
    const before = await office.db.$count(sessions);
    for (let i = 0; i < 5; i++)
      expect((await (await visitor(office)).get('/api/session')).body).toMatchObject({ csrfToken: null });
    expect(await office.db.$count(sessions)).toBe(before);
    const who = await visitor(office);
    const from = (headers: Record<string, string>) =>
      who.bare.post('/api/session').set(headers).send({ login: 'ilse', password: 'x' });
    expect((await from({ 'sec-fetch-site': 'cross-site' })).status).toBe(403);
    expect((await from({ origin: 'https://elsewhere.example' })).status).toBe(403);
    expect((await from({ origin: 'nonsense' })).status).toBe(403);
    expect((await from({ 'sec-fetch-site': 'same-origin' })).status).toBe(401);
  });

  test('passwords are not stored', async () => {
    for (const { passwordHash } of await office.db.select().from(accounts))
      expect(passwordHash).toMatch(/^\$argon2id\$/);
  });
});

describe('setup', () => {
  test('the first account of an empty installation, once', async () => {
    const empty = await openOffice({ demo: false });
    const who = await visitor(empty);
    expect((await who.get('/api/session')).body).toMatchObject({ needsSetup: true, demo: [] });
    const wanted = { office: 'Test office', edition: '2023', name: 'Ana d’Ys', login: 'ana', password: 'long enough' };
    expect((await who.post('/api/setup', { ...wanted, password: 'short' })).body).toMatchObject({
      detail: 'A password has at least 10 characters.',
    });
    expect((await who.post('/api/setup', wanted)).status).toBe(201);
    expect((await who.post('/api/setup', { ...wanted, login: 'eve' })).status).toBe(409);
    expect((await who.post('/api/setup', {})).status).toBe(409); // closed before anything else is looked at
    expect((await who.signIn('ana', 'long enough')).body).toMatchObject({ account: { name: 'Ana d’Ys' } });
    await empty.close();
  });
});

describe('changes', () => {
  test('an inspection is opened and walked, found again, and not approved while points stand against it', async () => {
    const who = await signedIn();
    const id = randomUUID();
    const source = (await office.db.select().from(inspections).where(eq(inspections.id, DEMO_PROPERTIES[0]!.id)))[0]!;
    const opened = opening(id);
    const facts = Object.entries(source.case.breaker!).map(([key, value]) =>
      changeOf(touched(id, `breaker.${key}`, value as string)),
    );
    const results = (await who.change(opened, ...facts)).body as { results: { status: string; revision: number }[] };
    expect(results.results.map((one) => one.revision)).toEqual(
      [...facts.keys()].map((i) => i + 1).concat(facts.length + 1),
    );
    const found = (await who.get(`/api/inspections/${id}`)).body as Inspection;
    expect(found).toMatchObject({
      revision: facts.length + 1,
      header: { owner: 'Nella D’Arbois' },
      case: { breaker: source.case.breaker },
    });

    const early = (await who.change(await who.decisionOn(id))).body as {
      results: { status: string; detail: string }[];
    };
    expect(early.results[0]).toMatchObject({
      status: 'refused',
      detail: expect.stringContaining('points are not proved') as string,
    });
  });

  test('the same change twice is one change', async () => {
    const who = await signedIn();
    const id = randomUUID();
    const fact = changeOf(touched(id, 'breaker.ratingA', 50));
    await who.change(opening(id), fact);
    const again = await who.change(fact, fact);
    expect(again.body).toEqual({
      results: [
        { id: fact.id, status: 'taken-before', revision: 2 },
        { id: fact.id, status: 'taken-before', revision: 2 },
      ],
    });
    expect(await office.db.$count(changes, eq(changes.inspection, id))).toBe(2);
  });

  test('one that is refused does not hold up the others, and says why', async () => {
    const who = await signedIn();
    const id = randomUUID();
    const bad = changeOf(touched(id, 'cord[0].sizeAwg', '11'));
    const good = changeOf(touched(id, 'cord[0].sizeAwg', 'not-seen'));
    const { results } = (await who.change(opening(id), bad, good)).body as { results: unknown[] };
    expect(results).toMatchObject([
      { status: 'taken' },
      { status: 'refused', detail: 'cord[0].sizeAwg: "11" is no AWG size in the tables; nearest are 12 and 10' },
      { status: 'taken', revision: 2 },
    ]);
  });

  test('a cord is taken out and put back', async () => {
    const who = await signedIn();
    const inspection = randomUUID();
    const length = (i: number, value: number) => changeOf(touched(inspection, `cord[${i}].lengthFt`, value));
    await who.change(
      opening(inspection),
      length(0, 20),
      length(1, 30),
      changeOf({ type: 'remove', inspection, list: 'cord', index: 0 }),
    );
    const cords = async () => ((await who.get(`/api/inspections/${inspection}`)).body as Inspection).case.cord;
    expect(await cords()).toEqual([{ id: expect.any(String) as string, lengthFt: 30 }]);
    await who.change(
      changeOf({ type: 'restore', inspection, list: 'cord', index: 0, entry: { id: 'as-before', lengthFt: 20 } }),
    );
    expect(await cords()).toMatchObject([{ id: 'as-before', lengthFt: 20 }, { lengthFt: 30 }]);
    const { results } = (
      await who.change(changeOf({ type: 'restore', inspection, list: 'cord', index: 0, entry: { color: 'red' } }))
    ).body as { results: unknown[] };
    expect(results).toMatchObject([{ status: 'refused' }]);
  });

  test.each<[string, object | string, number, string]>([
    ['no JSON', '{"changes": [', 400, 'no JSON'],
    ['no changes', {}, 422, 'missing'],
    [
      'a name that every object has by birth',
      '{"changes": [], "__proto__": "x"}',
      422,
      'nothing that is called “__proto__”',
    ],
    ['a value that has no text to it', '{"changes": {"toString": "x"}}', 422, 'a list is due here'],
    ['too many', { changes: Array.from({ length: 201 }, () => ({})) }, 422, 'At most 200'],
    ['too large', { changes: [{ type: 'x'.repeat(1_100_000) }] }, 413, 'nothing was changed'],
  ])('%s gets a sentence', async (_, body, status, words) => {
    const who = await signedIn();
    const answer = await who.post('/api/changes', body);
    expect(answer.status).toBe(status);
    expect((answer.body as { detail: string }).detail).toContain(words);
    expect(answer.type).toBe('application/problem+json');
  });

  test('what cannot be taken is answered by itself, with its id and a sentence, and what comes after it is taken', async () => {
    const who = await signedIn();
    const id = randomUUID();
    const fact = (over: object) => ({
      ...changeOf(touched(id, 'breaker.ratingA', 30)),
      ...over,
    });
    const one = (over: object) => fact({ facts: [{ path: 'breaker.ratingA', value: 30, how: 'touched', ...over }] });
    let deep: unknown = 1;
    for (let i = 0; i < 500; i++) deep = { a: deep };
    const bad: [string, unknown, string][] = [
      ['nothing', null, 'A change is one of'],
      ['a number', 7, 'A change is one of'],
      ['an unknown kind', { type: 'destroy' }, 'A change is one of'],
      ['an id that is none', fact({ id: '7' }), 'UUID'],
      ['a time that is none', fact({ at: 'yesterday' }), 'ISO 8601'],
      ['the thirteenth month', fact({ at: '2026-13-01T00:00:00Z' }), 'is no time'],
      ['the year 0', fact({ at: '0000-11-26T00:00:00Z' }), 'is no time'],
      ['half a surrogate pair', one({ value: '\ud800' }), 'cannot be kept'],
      [
        'a NUL in an owner',
        { ...opening(randomUUID()), header: { address: 'x', owner: 'a\u0000b', permit: '', edition: '2020' } },
        'cannot be kept',
      ],
      ['a stray key', fact({ mood: 'good' }), 'mood'],
      [
        'a crooked address',
        one({ path: 'breaker.ratingA[0]', value: null }),
        '"breaker.ratingA[0]" is no fact known here',
      ],
      ['another', one({ path: 'transfer.kind[0]', value: 'none-cords' }), '"transfer.kind[0]" is no fact known here'],
      ['deep nesting', one({ value: deep }), 'nested too deep'],
    ];
    const good = bad.map((_, i) => one({ value: 15 + i }));
    const body = JSON.stringify({ changes: [opening(id), ...bad.flatMap(([, one], i) => [one, good[i]])] }).replace(
      '"mood"',
      '"mood"',
    );
    const prototype = `{"changes":[${JSON.stringify(changeOf({ type: 'restore', inspection: id, list: 'cord', index: 0, entry: {} })).replace('"entry":{}', '"entry":{"__proto__":{"x":1}}')}]}`;
    const answer = await who.post('/api/changes', body);
    expect(answer.status).toBe(200);
    const { results } = answer.body as { results: { id: string | null; status: string; detail?: string }[] };
    expect(results).toHaveLength(1 + 2 * bad.length);
    bad.forEach(([name, one, sentence], i) => {
      const [refused, taken] = [results[1 + 2 * i]!, results[2 + 2 * i]!];
      expect([name, refused.status, refused.detail]).toEqual([name, 'refused', expect.stringContaining(sentence)]);
      expect(refused.id).toBe((one as { id?: string } | null)?.id ?? null);
      expect([name, taken.status]).toEqual([name, 'taken']);
    });
    const restored = (await who.post('/api/changes', prototype)).body as { results: object[] };
    expect(restored.results).toMatchObject([
      { status: 'refused', detail: expect.stringContaining('__proto__') as string },
    ]);
    expect(((await who.get(`/api/inspections/${id}`)).body as Inspection).case.breaker).toEqual({
      ratingA: 15 + bad.length - 1,
    });
    expect((await who.get('/api/inspections')).status).toBe(200);
  });

  test('an office neither sees nor changes another’s inspections', async () => {
    const [mine] = await office.db.select().from(inspections).limit(1);
    const elsewhere = randomUUID();
    await office.db.insert(offices).values({ id: elsewhere, name: 'Elsewhere', edition: '2017' });
    const [template] = await office.db.select().from(accounts).where(eq(accounts.login, 'ilse'));
    await office.db
      .insert(accounts)
      .values({ ...template!, id: randomUUID(), office: elsewhere, login: 'eve', demo: false });
    const eve = await signedIn('eve');
    expect((await eve.get('/api/inspections')).body).toMatchObject({ inspections: [], more: false });
    expect((await eve.get(`/api/inspections/${mine!.id}`)).status).toBe(404);
    expect((await eve.get(`/api/inspections/${mine!.id}/records`)).body).toMatchObject({ records: [] });
    const { results } = (await eve.change(changeOf(touched(mine!.id, 'breaker.ratingA', 15)), opening(mine!.id)))
      .body as { results: unknown[] };
    // An id that is used elsewhere is free here, and tells nothing: what is opened under it is the office's own.
    expect(results).toMatchObject([{ status: 'refused' }, { status: 'taken', revision: 1 }]);
    const still = await office.db.select().from(inspections).where(eq(inspections.office, mine!.office));
    expect(still.find(({ id }) => id === mine!.id)).toEqual(mine);
  });

  test('a contractor records, but signs nothing', async () => {
    const maro = await signedIn('maro');
    const inspection = randomUUID();
    await maro.change(opening(inspection));
    const { results } = (await maro.change(await maro.decisionOn(inspection, CORRECTIONS))).body as {
      results: unknown[];
    };
    expect(results).toMatchObject([{ status: 'refused', detail: expect.stringContaining('inspector') as string }]);
  });

  test('a contractor’s request: his facts are claimed, and what the office records is its own until it has decided', async () => {
    const [maro, joss] = [await signedIn('maro'), await signedIn('joss')];
    const id = randomUUID();
    await maro.change(opening(id), changeOf(touched(id, 'breaker.ratingA', 30)));
    expect((await joss.change(changeOf({ type: 'request', inspection: id }))).body).toMatchObject({ results: [{ status: 'refused' }] }); // prettier-ignore
    expect((await maro.change(changeOf({ type: 'request', inspection: id }))).body).toMatchObject({ results: [{ status: 'taken' }] }); // prettier-ignore
    const late = await maro.change(changeOf(touched(id, 'breaker.ratingA', 50)));
    expect(late.body).toMatchObject({ results: [{ status: 'refused', detail: expect.stringContaining('asked for') as string }] }); // prettier-ignore
    await joss.change(changeOf(touched(id, 'breaker.ratingA', 50)));
    const seenBy = async (who: typeof maro) => (await who.get(`/api/inspections/${id}`)).body as Inspection;
    const [his, found] = [await seenBy(maro), await seenBy(joss)];
    for (const one of [his, found])
      expect(one.claimed).toMatchObject({ by: 'Maro Tillane', case: { breaker: { ratingA: 30 } } });
    expect([his.case.breaker, found.case.breaker]).toEqual([undefined, { ratingA: 50 }]);
    const listed = (await maro.get('/api/inspections')).body as { inspections: Inspection[] };
    expect(listed.inspections.find((one) => one.id === id)!.case.breaker).toBeUndefined();
    await joss.change(await joss.decisionOn(id, { ...CORRECTIONS, signature: { name: 'Joss Linnaker', path: '' } }));
    expect((await seenBy(maro)).case.breaker).toEqual({ ratingA: 50 });
  });

  test('a contractor sees and changes what he opened himself, and nothing of the office’s', async () => {
    const [maro, ilse] = [await signedIn('maro'), await signedIn('ilse')];
    const own = randomUUID();
    await maro.change(opening(own));
    const listed = (await maro.get('/api/inspections')).body as { inspections: Inspection[] };
    const ids = listed.inspections.map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining([own, ...OPENED_BY_MARO]));
    expect(DEMO_PROPERTIES.map(({ id }) => id).filter((id) => ids.includes(id))).toEqual(OPENED_BY_MARO);
    const theirs = DEMO_PROPERTIES[0]!.id;
    expect((await maro.get(`/api/inspections/${theirs}`)).status).toBe(404);
    expect((await maro.get(`/api/inspections/${theirs}/records`)).body).toMatchObject({ records: [] });
    const refused = await maro.change(changeOf(touched(theirs, 'breaker.ratingA', 100)));
    expect(refused.body).toMatchObject({ results: [{ status: 'refused', detail: 'There is no such inspection.' }] });
    // What he checks for himself is no business of the office until he asks it.
    expect((await ilse.get(`/api/inspections/${own}`)).status).toBe(404);
    expect((await ilse.change(changeOf(touched(own, 'breaker.ratingA', 100)))).body).toMatchObject({ results: [{ status: 'refused' }] }); // prettier-ignore
    await maro.change(changeOf({ type: 'request', inspection: own }));
    // Once the office has decided on his own, it is an inspector's.
    await ilse.change(await ilse.decisionOn(own, CORRECTIONS));
    const late = await maro.change(changeOf(touched(own, 'breaker.ratingA', 30)));
    expect(late.body).toMatchObject({
      results: [{ status: 'refused', detail: expect.stringContaining('decided') as string }],
    });
    expect((await ilse.get(`/api/inspections/${own}`)).body).toMatchObject({ changedSinceDecision: false });
  });

  test('whoever is switched off or has another role is so from the next request on', async () => {
    const id = randomUUID();
    const [template] = await office.db.select().from(accounts).where(eq(accounts.login, 'joss'));
    await office.db.insert(accounts).values({ ...template!, id: randomUUID(), login: 'nan', name: 'Nan Quarles' });
    const nan = await signedIn('nan');
    await nan.change(opening(id));
    const set = (columns: object) => office.db.update(accounts).set(columns).where(eq(accounts.login, 'nan'));
    const decision = await nan.decisionOn(id, CORRECTIONS);
    await set({ role: 'contractor' });
    expect((await nan.change(decision)).body).toMatchObject({ results: [{ status: 'refused' }] });
    await set({ active: false });
    expect((await nan.get('/api/inspections')).status).toBe(401);
    expect((await nan.change(changeOf(touched(id, 'breaker.ratingA', 30)))).body).toMatchObject({ results: [{ status: 'held' }] }); // prettier-ignore
    expect((await (await visitor(office)).signIn('nan')).status).toBe(401);
    expect((await nan.get('/api/session')).body).toMatchObject({ account: null });
  });

  test('a session that is somebody else’s by now takes nothing in the name of the first', async () => {
    const who = await signedIn('ilse');
    const first = ((await who.get('/api/session')).body as { account: { id: string } }).account.id;
    await who.signIn('joss'); // in another tab
    const token = ((await who.get('/api/session')).body as { csrfToken: string }).csrfToken;
    const ask = () => who.bare.post('/api/changes').set('x-csrf-token', token);
    const id = randomUUID();
    const other = await ask()
      .set('x-account', first)
      .send({ changes: [opening(id)] });
    expect([other.status, (other.body as { detail: string }).detail]).toEqual([
      409,
      'Joss Linnaker has signed in here meanwhile. Sign in again as yourself; what was entered stays on this device.',
    ]);
    const nameless = await ask().send({ changes: [opening(id)] });
    expect(nameless.status).toBe(409);
    expect((await who.get(`/api/inspections/${id}`)).status).toBe(404);
  });

  test('a decision seals what was seen: facts of others meanwhile refuse it, by name, and nothing is signed', async () => {
    const [ilse, joss] = [await signedIn('ilse'), await signedIn('joss')];
    const id = randomUUID();
    await ilse.change(opening(id), changeOf(touched(id, 'breaker.ratingA', 50)));
    const onFifty = await ilse.decisionOn(id, CORRECTIONS);
    await joss.change(changeOf(touched(id, 'breaker.ratingA', 100)));
    const refused = (await ilse.change(onFifty)).body as { results: { status: string; detail: string }[] };
    expect(refused.results[0]).toMatchObject({
      status: 'refused',
      detail: expect.stringContaining('Breaker rating: 100 A (Joss Linnaker). Look at it as it is now') as string,
    });
    expect((await ilse.get(`/api/inspections/${id}/records`)).body).toMatchObject({ records: [] });
    // What she records herself after it, on her way, is of what she has seen.
    const seen = (await ilse.get(`/api/inspections/${id}`)).body as Inspection;
    const fact = changeOf(touched(id, 'breaker.ratingA', 30));
    const applied = applyChange(seen, fact, { name: 'Ilse O’Harrow', role: 'lead' });
    if (!applied.ok) throw new Error(applied.why);
    const signed = await ilse.change(fact, decisionOn(applied.inspection, CORRECTIONS));
    expect(signed.body).toMatchObject({ results: [{ status: 'taken' }, { status: 'taken' }] });
  });

  test('the same change many times at once is one change, and one answer', async () => {
    const who = await signedIn();
    const id = randomUUID();
    const open = opening(id);
    const answers = await Promise.all(Array.from({ length: 50 }, () => who.change(open)));
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200]));
    const results = answers.map(
      ({ body }) => (body as { results: { status: string; revision: number }[] }).results[0]!,
    );
    expect(results.filter(({ status }) => status === 'taken')).toHaveLength(1);
    expect(results.filter(({ status, revision }) => status === 'taken-before' && revision === 1)).toHaveLength(49);
  }, 60_000);

  test('a number that was used for something else is refused, and tells nothing of it', async () => {
    const [ilse, joss] = [await signedIn('ilse'), await signedIn('joss')];
    const id = randomUUID();
    const fact = changeOf(touched(id, 'breaker.ratingA', 50));
    await ilse.change(opening(id), fact);
    const other = { ...fact, facts: [{ path: 'breaker.ratingA', value: 100, how: 'touched' }] } as Change;
    for (const answer of [await ilse.change(other), await joss.change(fact)])
      expect(answer.body).toEqual({
        results: [
          {
            id: fact.id,
            status: 'refused',
            detail: 'Something else was recorded under this number. Record it anew.',
          },
        ],
      });
    expect((await ilse.get(`/api/inspections/${id}`)).body).toMatchObject({ case: { breaker: { ratingA: 50 } } });
  });

  test('a device is told only what was changed since it asked last, in portions, and of an older copy that it is one', async () => {
    const who = await signedIn();
    type Changed = { inspections: Inspection[]; cursor: number; more: boolean; restored: boolean };
    const since = async (cursor: number) => (await who.get(`/api/inspections?since=${cursor}`)).body as Changed;
    const all = async (cursor: number) => {
      const ids: string[] = [];
      for (let more = true; more;) {
        const answer = await since(cursor);
        ids.push(...answer.inspections.map(({ id }) => id));
        ({ cursor, more } = answer);
      }
      return { ids, cursor };
    };
    const before = await all(0);
    const many = Array.from({ length: 60 }, () => randomUUID());
    await who.change(...many.map((id) => opening(id)));
    await who.change(changeOf(touched(many[3]!, 'breaker.ratingA', 50)));
    const after = await all(before.cursor);
    expect(after.ids).toEqual([...many.filter((id) => id !== many[3]), many[3]]);
    expect((await since(before.cursor)).inspections).toHaveLength(50);
    expect(await since(after.cursor)).toMatchObject({ inspections: [], more: false, cursor: after.cursor });
    expect(await since(after.cursor + 1_000_000)).toMatchObject({ inspections: [], restored: true, cursor: 0 });
    expect((await who.get('/api/inspections?since=yesterday')).status).toBe(422);
  });

  test('what commits late is not missed: nobody counts past a transaction that has not ended', async () => {
    const who = await signedIn();
    const cursor = async (since: number) => {
      const answer = (await who.get(`/api/inspections?since=${since}`)).body as {
        inspections: Inspection[];
        cursor: number;
        more: boolean;
      };
      return answer;
    };
    let at = 0;
    for (let more = true; more;) ({ cursor: at, more } = await cursor(at));
    const [slow, quick] = [randomUUID(), randomUUID()];
    await who.change(opening(slow));
    ({ cursor: at } = await cursor(at));
    // The slow one has counted, and does not end before the quick one has come and somebody has asked.
    const client = new pg.Client(office.url);
    await client.connect();
    await client.query('begin');
    const { rows } = await client.query<{ id: string; seq: string }>(
      'update offices set seq = seq + 1 where id = (select office from inspections where id = $1) returning seq',
      [slow],
    );
    await client.query('update inspections set seq = $2 where id = $1', [slow, rows[0]!.seq]);
    const quickly = who.change(opening(quick)).then(({ status }) => expect(status).toBe(200));
    const waiting = sql`select count(*)::int as n from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'`;
    for (let n = 0; n === 0;) n = ((await office.db.execute(waiting)).rows[0] as { n: number }).n;
    const between = await cursor(at);
    expect(between.inspections).toEqual([]);
    await client.query('commit');
    await client.end();
    await quickly;
    const after = await cursor(between.cursor);
    expect(after.inspections.map(({ id }) => id)).toEqual([slow, quick]);
  });

  test('a decision that another engine has shown is refused with its own sentence', async () => {
    const ilse = await signedIn('ilse');
    const id = randomUUID();
    await ilse.change(opening(id));
    const decision = await ilse.decisionOn(id, CORRECTIONS);
    const { results } = (await ilse.change({ ...decision, shown: '0'.repeat(64) } as typeof decision)).body as {
      results: unknown[];
    };
    expect(results).toMatchObject([
      { status: 'refused', detail: expect.stringContaining('judges otherwise') as string },
    ]);
  });

  test('two devices at once: every change gets a revision of its own', async () => {
    const [one, two] = [await signedIn('ilse'), await signedIn('joss')];
    const inspection = randomUUID();
    await one.change(opening(inspection));
    const facts = (value: number) =>
      Array.from({ length: 10 }, () => changeOf(touched(inspection, 'breaker.ratingA', value)));
    await Promise.all([one.change(...facts(30)), two.change(...facts(50))]);
    const rows = await office.db
      .select({ revision: changes.revision })
      .from(changes)
      .where(eq(changes.inspection, inspection));
    expect(rows.map((row) => row.revision).sort((a, b) => a - b)).toEqual(Array.from({ length: 21 }, (_, i) => i + 1));
  });
});

describe('records', () => {
  test('the demo’s signed records hold their seals, and keep what was shown', async () => {
    const who = await signedIn();
    const id = DEMO_PROPERTIES[2]!.id; // signed at 68 °C with 10 AWG, changed to 8 AWG since
    const { records } = (await who.get(`/api/inspections/${id}/records`)).body as {
      records: { sealHolds: boolean; record: { evaluation: Evaluation } }[];
    };
    expect(records).toHaveLength(1);
    expect(records[0]).toMatchObject({
      sealHolds: true,
      record: { evaluation: { verdict: 'do-not-energize' }, signedBy: { name: 'Ilse O’Harrow' } },
    });
    expect((await who.get(`/api/inspections/${id}`)).body).toMatchObject({ changedSinceDecision: true });
  });

  test('a second decision is chained to the first, and tampering shows', async () => {
    const who = await signedIn();
    const id = DEMO_PROPERTIES[0]!.id;
    await who.change(await who.decisionOn(id));
    const seals = async () =>
      (
        (await who.get(`/api/inspections/${id}/records`)).body as {
          records: { sealHolds: boolean; seal: string; record: { previousSeal: string | null } }[];
        }
      ).records;
    const [first, second] = await seals();
    expect(second!.record.previousSeal).toBe(first!.seal);
    expect([first!.sealHolds, second!.sealHolds]).toEqual([true, true]);
    await office.pool.query('alter table decisions disable trigger user'); // as whoever reaches the database could
    await office.db.execute(
      sql`UPDATE ${decisions} SET record = jsonb_set(record, '{header,address}', '"elsewhere"') WHERE inspection = ${id} AND record->>'previousSeal' IS NULL`,
    );
    await office.pool.query('alter table decisions enable trigger user');
    expect((await seals()).map((one) => one.sealHolds)).toEqual([false, true]);
  });
});

/** Gives an empty database the schema of before: the first so many migrations. */
async function bringTo(own: Office, migrations: number): Promise<void> {
  const first = await mkdtemp(join(tmpdir(), 'careful-latch-'));
  const from = join(__dirname, 'migrations');
  const journal = JSON.parse(await readFile(join(from, 'meta', '_journal.json'), 'utf8')) as {
    entries: { tag: string }[];
  };
  const entries = journal.entries.slice(0, migrations);
  for (const { tag } of entries) await cp(join(from, `${tag}.sql`), join(first, `${tag}.sql`));
  await mkdir(join(first, 'meta'));
  await writeFile(join(first, 'meta', '_journal.json'), JSON.stringify({ ...journal, entries }));
  await runMigrations(own.db, { migrationsFolder: first });
  await rm(first, { recursive: true });
}

describe('database', () => {
  test('processes that start at the same moment bring the database up once', async () => {
    const own = await openOffice({ demo: false, migrated: false });
    const start = () => oneAfterTheOther(own.pool, () => migrate(own.db));
    await Promise.all([start(), start(), start(), start()]);
    expect(await own.db.$count(inspections)).toBe(0);
    await own.close();
  });

  test('every migration runs on a database with data in it, and a second time changes nothing', async () => {
    const before = await office.db.$count(inspections);
    await migrate(office.db);
    expect(await office.db.$count(inspections)).toBe(before);
  });

  test('the demo of the version before offices were kept apart comes up whole, and old seals hold as what they were', async () => {
    const own = await openOffice({ demo: false, migrated: false });
    await bringTo(own, 2);
    const [lead] = await office.db.select().from(accounts).where(eq(accounts.login, 'ilse'));
    const [home] = await office.db.select().from(offices).where(eq(offices.id, lead!.office));
    const copy = async (
      table: string,
      columns: string,
      values: (row: Record<string, unknown>) => unknown[],
      first = '',
    ) => {
      const { rows } = await office.pool.query<Record<string, unknown>>(
        `select ${first}* from ${table} where office = $1`,
        [home!.id],
      );
      for (const row of rows) {
        const given = values(row).map((one) => (typeof one === 'object' && !(one instanceof Date) ? JSON.stringify(one) : one)); // prettier-ignore
        await own.pool.query(`insert into ${table} (${columns}) values (${given.map((_, i) => `$${i + 1}`).join(', ')})`, given); // prettier-ignore
      }
      return rows.length;
    };
    await own.pool.query('insert into offices (id, name, edition) values ($1, $2, $3)', [home!.id, home!.name, '2020']);
    const { rows: people } = await office.pool.query<Record<string, unknown>>('select * from accounts where demo');
    for (const one of people)
      await own.pool.query('insert into accounts (id, office, login, name, role, password_hash, demo) values ($1, $2, $3, $4, $5, $6, true)', [one.id, home!.id, one.login, one.name, one.role === 'lead' ? 'inspector' : one.role, one.password_hash]); // prettier-ignore
    const ilse = people.find(({ login }) => login === 'ilse')!.id;
    await copy('inspections', 'id, office, revision, address, owner, permit, edition, "case", changed_since_decision, opened_at, changed_at', (row) => [row.id, home!.id, row.revision, row.address, row.owner, row.permit, row.edition, row.case, row.changed_since_decision, row.opened_at, row.changed_at]); // prettier-ignore
    await copy('changes', 'id, inspection, revision, by, body', (row) => [row.id, row.inspection, row.revision, ilse, row.body]); // prettier-ignore
    const signed = await copy(
      'decisions',
      'id, inspection, revision, by, kind, signed_at, record, seal',
      (row) => {
        const { docket: _, receivedAt: __, offline: ___, rules: ____, ...record } = row.record as SealedRecord; // nothing of that was sealed then
        const old = { ...record, previousSeal: null };
        return [row.id, row.inspection, row.revision, ilse, row.kind, new Date(old.decision.at), old, sealOf(old)];
      },
      'distinct on (inspection) ',
    );
    expect(signed).toBeGreaterThan(4);
    const [edited] = (await own.pool.query<{ id: string }>('select id from decisions order by id limit 1')).rows;
    await own.pool.query(`update decisions set record = jsonb_set(record, '{header,owner}', '"X"') where id = $1`, [edited!.id]); // prettier-ignore

    await migrate(own.db);
    await giveServerRole(own.pool, own.serverUrl);
    await bringUp(own.door, own.keys);
    const { rows: lines } = await own.pool.query<{ kind: string }>('select kind from ledger');
    expect(lines.filter(({ kind }) => kind === 'older-decision')).toHaveLength(signed - 1); // one did not hold any more
    expect((await verifyOffice(own.db, own.keys.publicKeys, home!.id)).wrong).toContain('put in beside the office');
    const who = await visitor(own);
    expect((await who.signIn('ilse')).body).toMatchObject({ account: { role: 'lead' } });
    const listed = ((await who.get('/api/inspections/list?limit=100')).body as { inspections: { id: string }[] }).inspections; // prettier-ignore
    expect(listed).toHaveLength(await own.db.$count(inspections));
    const holds: boolean[] = [];
    for (const { id } of listed)
      for (const one of ((await who.get(`/api/inspections/${id}/records`)).body as { records: { sealHolds: boolean }[] }).records) holds.push(one.sealHolds); // prettier-ignore
    expect(holds.filter(Boolean)).toHaveLength(signed - 1);
    expect(holds).toHaveLength(signed);
    await own.close();
  });

  test('an inspection of the first schema is brought to the newest, and loses nothing', async () => {
    const own = await openOffice({ demo: false, migrated: false });
    await bringTo(own, 1);
    const [home, id] = [randomUUID(), randomUUID()];
    await own.db.execute(sql`INSERT INTO offices (id, name, edition) VALUES (${home}, 'Old office', '2020')`);
    await own.db.execute(
      sql`INSERT INTO inspections (id, office, revision, address, owner, permit, edition, "case", changed_since_decision, opened_at, changed_at)
        VALUES (${id}, ${home}, 1, '1 Old Row', '', '', '2020', '{"format":"careful-latch/case","version":2,"edition":"2020"}', false, now(), now())`,
    );
    const [person, change] = [randomUUID(), randomUUID()];
    await own.db.execute(
      sql`INSERT INTO accounts (id, office, login, name, role, password_hash) VALUES (${person}, ${home}, 'old', 'Old', 'inspector', 'x')`,
    );
    await own.db.execute(
      sql`INSERT INTO changes (id, inspection, revision, by, body) VALUES (${change}, ${id}, 1, ${person}, '{}')`,
    );
    await own.db.execute(
      sql`INSERT INTO accounts (id, office, login, name, role, password_hash) VALUES (${randomUUID()}, ${home}, 'later', 'Later', 'inspector', 'x')`,
    );
    const stop = randomUUID();
    const record = JSON.stringify({ decision: { at: '2026-01-05T10:00:00Z' }, signedBy: { name: 'Old' } });
    await own.db.execute(
      sql`INSERT INTO decisions (id, inspection, revision, by, kind, signed_at, record, seal) VALUES (${stop}, ${id}, 1, ${person}, 'stop-work', now(), ${record}::jsonb, 'x')`,
    );
    await migrate(own.db);
    const [now, ...others] = await own.db.select().from(inspections);
    expect(now).toMatchObject({ id, address: '1 Old Row', evidence: [], openedBy: person, seq: 2 });
    expect(others).toEqual([]);
    // The stop-work is in force, though a fact that was changed since had made it a reinspection.
    const posted = { to: 'posted', at: '2026-01-05T10:00:00Z', by: 'Old', words: '' };
    expect(now!.docket).toMatchObject({ violations: [], orders: [{ id: stop, state: 'posted', steps: [posted] }] });
    expect(await own.db.select().from(offices)).toMatchObject([{ id: home, seq: 2 }]);
    const people = await own.db.select().from(accounts).orderBy(accounts.login);
    expect(people).toMatchObject([
      { login: 'later', role: 'inspector' },
      { login: 'old', role: 'lead', active: true },
    ]);
    await own.close();
  });

  test(
    'cases of version 1 are carried over; one that cannot be read stays, and sealed records stay as they were signed',
    async () => {
      const own = await openOffice({ demo: false });
      const home = randomUUID();
      await own.db.insert(offices).values({ id: home, name: 'Old office', edition: '2020' });
      const row = (id: string, site: object) => ({
      id, office: home, revision: 3, address: '1 Old Row', owner: '', permit: '', edition: '2020' as const, case: site as never, changedSinceDecision: false,
      openedAt: new Date(), changedAt: new Date(),
    }); // prettier-ignore
      const v1 = (over: object) => ({ format: 'careful-latch/case', version: 1, edition: '2020', ...over });
      const many = Array.from({ length: 450 }, () => randomUUID());
      const odd = randomUUID();
      await own.db
        .insert(inspections)
        .values(many.map((id) => row(id, v1({ feeder: { stretches: [{ metal: 'aluminium' }] } }))));
      await own.db.insert(inspections).values(row(odd, v1({ breaker: { ratingA: [null] } })));
      const [person] = await own.db
        .insert(accounts)
        .values({ id: randomUUID(), office: home, login: 'old', name: 'Old', role: 'inspector', passwordHash: 'x' })
        .returning();
      const record = { case: v1({}), evaluation: { verdict: 'do-not-energise' }, previousSeal: null } as never;
      await own.db.insert(decisions).values({
        id: randomUUID(),
        office: home,
        inspection: many[0]!,
        revision: 3,
        by: person!.id,
        kind: 'stop-work',
        signedAt: new Date(),
        record,
        seal: sealOf(record),
      });

      await migrate(own.db);
      const after = await own.db.select({ id: inspections.id, case: inspections.case }).from(inspections);
      expect(after).toHaveLength(451);
      for (const one of after)
        if (one.id === odd) expect(one.case).toEqual(v1({ breaker: { ratingA: [null] } }));
        else
          expect(one.case).toEqual({
            ...v1({}),
            version: 2,
            feeder: { stretches: [{ id: 'stretches-1', metal: 'aluminum' }] },
          });
      const [sealed] = await own.db.select().from(decisions);
      expect([sealed!.record, sealOf(sealed!.record) === sealed!.seal]).toEqual([record, true]);
      await own.close();
    },
    LOADING_DEMO_MS,
  );

  test(
    'a connection that is cut in the middle of a request costs that request alone',
    async () => {
      const own = await openOffice({ demo: false });
      const who = await visitor(own);
      const wanted = { office: 'Test office', edition: '2023', name: 'Ana', login: 'ana', password: 'long enough' };
      await who.post('/api/setup', wanted);
      await who.signIn('ana', 'long enough');
      const id = randomUUID();
      await who.change(opening(id));
      const admin = new pg.Client(own.url);
      await admin.connect();
      const cut = () =>
        admin.query(
          'SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()',
        );
      const statuses: number[] = [];
      for (let round = 0; round < 8; round++) {
        const facts = Array.from({ length: 20 }, (_, i) => changeOf(touched(id, 'breaker.ratingA', 15 + i)));
        const sent = Promise.all([who.change(...facts), who.get('/api/inspections'), who.get('/api/session')]);
        await new Promise((resolve) => setTimeout(resolve, 3 * round));
        await cut();
        for (const answer of await sent) {
          statuses.push(answer.status);
          if (answer.status !== 200)
            expect(answer.body).toMatchObject({
              status: 503,
              detail: expect.stringContaining('does not answer') as string,
            });
        }
      }
      expect(new Set(statuses)).toEqual(new Set([200, 503])); // both were met, and the server lives
      expect((await who.get('/api/inspections')).status).toBe(200);

      // and while it is away altogether, closed or put in place anew: 503 with a sentence, and by itself again afterward
      const name = new URL(own.url).pathname.slice(1);
      const elsewhere = new pg.Client(process.env.TEST_DATABASE_URL);
      await elsewhere.connect();
      await elsewhere.query(`ALTER DATABASE ${name} ALLOW_CONNECTIONS false`);
      await cut();
      await admin.end();
      const isAway = async () => {
        for (const path of ['/api/session', '/api/inspections']) {
          const away = await who.get(path);
          expect([path, away.status, away.type]).toEqual([path, 503, 'application/problem+json']);
        }
      };
      await isAway();
      await elsewhere.query(`ALTER DATABASE ${name} RENAME TO ${name}_put_aside`);
      await isAway();
      await elsewhere.query(`ALTER DATABASE ${name}_put_aside RENAME TO ${name}`);
      await elsewhere.query(`ALTER DATABASE ${name} ALLOW_CONNECTIONS true`);
      expect((await who.get('/api/inspections')).status).toBe(200);
      await elsewhere.end();
      await own.close();
    },
    LOADING_DEMO_MS,
  );

  test('the log says that a query failed, and never what people had entered', async () => {
    let written = '';
    const own = await openOffice({ demo: false, log: serverLog('info', { write: (text) => (written += text) }) });
    const who = await visitor(own);
    await own.db.execute(sql`ALTER TABLE accounts RENAME TO accounts_elsewhere`);
    const secret = 'Wilhelmina of 6 Harvest Gate';
    expect((await who.post('/api/session', { login: secret, password: 'windfall secret' })).status).toBe(500);
    await own.db.execute(sql`ALTER TABLE accounts_elsewhere RENAME TO accounts`);
    expect(written).toContain('42P01'); // no such table
    expect(written).toMatch(/"stack":"\s+at /);
    for (const part of ['ilhelmina', 'arvest', 'windfall secret', 'params', 'select ', 'Failed query'])
      expect(written).not.toContain(part);
    await own.close();
  });

  test('the demo loads once', async () => {
    expect(await loadDemo(office, office.keys, new EvidenceStore(office.evidenceFolder))).toBe(false);
    expect(DEMO_PROPERTIES.length).toBeGreaterThanOrEqual(10);
  });
});

const ADOPTED = { format: 'careful-latch/profile', version: 2, office: 'Windfall', edition: '2020', readings: {}, rules: {}, numbers: {}, checklist: [] }; // prettier-ignore
const PHOTO = '/api/inspections/{id}/photos/{sha256}';

describe('OpenAPI', () => {
  const ajv = addFormats(new Ajv2020({ strict: false }));

  test('the description is served, and every route answers as it says', async () => {
    const who = await signedIn();
    const spec = (await who.get('/api/openapi.json')).body as {
      openapi: string;
      paths: Record<
        string,
        Record<string, { responses: Record<string, { content: Record<string, { schema: object }> }> }>
      >;
    };
    expect(spec.openapi).toBe('3.1.0');
    ajv.addSchema(spec, 'spec');
    const id = randomUUID();
    const NOTES = '/api/inspections/{id}/notes';
    const PARTIES = '/api/inspections/{id}/parties';
    const DECIDED = DEMO_PROPERTIES[3]!.id;
    const [maro] = await office.db.select().from(accounts).where(eq(accounts.login, 'maro'));
    const picture = pictureOf(jpegOf(2000));
    const stranger = await visitor(office);
    const [joss] = await office.db.select().from(accounts).where(eq(accounts.login, 'joss'));
    const asked: [string, string, () => Promise<{ status: number; type: string; body: unknown }>][] = [
      ['/healthz', 'get', async () => who.get('/healthz')],
      ['/readyz', 'get', async () => who.get('/readyz')],
      ['/api/session', 'get', async () => stranger.get('/api/session')],
      ['/api/session', 'post', async () => stranger.signIn('joss')],
      ['/api/session', 'post', async () => stranger.signIn('joss', 'wrong password')],
      ['/api/session', 'delete', async () => stranger.signOut()],
      [
        '/api/setup',
        'post',
        async () =>
          who.post('/api/setup', { office: 'x', edition: '2023', name: 'x', login: 'x', password: 'long enough' }),
      ],
      [
        '/api/changes',
        'post',
        async () => who.change(opening(id), changeOf(touched(id, 'odd', 1)), photoOf(id, picture)),
      ],
      ['/api/changes', 'post', async () => who.post('/api/changes', {})],
      ['/api/inspections', 'get', async () => who.get('/api/inspections')],
      ['/api/inspections', 'get', async () => (await visitor(office)).get('/api/inspections')],
      ['/api/inspections/list', 'get', async () => who.get('/api/inspections/list?words=orch&sort=street')],
      ['/api/inspections/list', 'get', async () => who.get('/api/inspections/list?sort=color')],
      ['/api/inspections/{id}', 'get', async () => who.get(`/api/inspections/${DEMO_PROPERTIES[4]!.id}`)],
      ['/api/inspections/{id}', 'get', async () => who.get(`/api/inspections/${randomUUID()}`)],
      ['/api/inspections/{id}', 'get', async () => who.get('/api/inspections/seven')],
      [
        '/api/inspections/{id}/records',
        'get',
        async () => who.get(`/api/inspections/${DEMO_PROPERTIES[4]!.id}/records`),
      ],
      ['/api/rules', 'post', async () => who.post('/api/rules', { profile: ADOPTED, reason: 'As the township decided.', after: 0, openToo: true })], // prettier-ignore
      ['/api/rules', 'post', async () => who.post('/api/rules', { profile: ADOPTED, reason: 'As the township decided.', after: 0, openToo: true })], // prettier-ignore
      ['/api/rules', 'post', async () => who.post('/api/rules', { profile: { ...ADOPTED, numbers: { legLowV: 7 } }, reason: 'As the township decided.', after: 1, openToo: true })], // prettier-ignore
      ['/api/rules', 'get', async () => who.get('/api/rules')],
      ['/api/session', 'get', async () => who.get('/api/session')],
      ['/api/inspections', 'get', async () => who.get('/api/inspections')],
      ['/api/held', 'get', async () => who.get('/api/held')],
      ['/api/held', 'post', async () => who.post('/api/held', { inspection: id, by: id, take: true })],
      ['/api/held/{id}', 'post', async () => who.post(`/api/held/${id}`, { words: 'It was another house.' })],
      ['/api/session/password', 'post', async () => who.post('/api/session/password', { password: 'not mine' })],
      ['/api/office', 'patch', async () => who.patch('/api/office', { offlineHours: 24 })],
      ['/api/office', 'patch', async () => who.patch('/api/office', { offlineHours: 0 })],
      ['/api/mails', 'get', async () => who.get('/api/mails')],
      [
        '/api/account',
        'patch',
        async () => who.patch('/api/account', { email: 'ilse@windfall.example', password: DEMO_PASSWORD }),
      ],
      ['/api/account', 'patch', async () => who.patch('/api/account', { email: 'nowhere' })],
      ['/api/forgotten', 'post', async () => stranger.post('/api/forgotten', { login: 'ilse' })],
      ['/api/feed', 'post', async () => who.post('/api/feed', {})],
      ['/api/feed', 'delete', async () => who.remove('/api/feed')],
      ['/calendar/{secret}.ics', 'get', async () => who.get('/calendar/none.ics')],
      ['/api/month', 'get', async () => who.get('/api/month?month=2026-11')],
      ['/api/month', 'get', async () => who.get('/api/month?month=November')],
      ['/api/permits', 'get', async () => who.get('/api/permits?number=WT-1')],
      ['/api/permits', 'get', async () => who.get('/api/permits')],
      ['/api/permits/posts', 'get', async () => who.get('/api/permits/posts')],
      ['/api/permits/posts/{id}', 'post', async () => who.post(`/api/permits/posts/${randomUUID()}`, {})],
      [NOTES, 'post', async () => who.post(`/api/inspections/${id}/notes`, { words: 'A neighbor rang.' })],
      [NOTES, 'get', async () => who.get(`/api/inspections/${id}/notes`)],
      [PARTIES, 'post', async () => who.post(`/api/inspections/${DECIDED}/parties`, { name: 'Anouk O’Dell-Varr' })],
      [PARTIES, 'post', async () => who.post(`/api/inspections/${DECIDED}/parties`, { account: maro!.id })],
      [PARTIES, 'post', async () => who.post(`/api/inspections/${id}/parties`, { name: 'Too early' })],
      [PARTIES, 'get', async () => who.get(`/api/inspections/${DECIDED}/parties`)],
      [`${PARTIES}/{account}`, 'delete', async () => who.remove(`/api/inspections/${DECIDED}/parties/${maro!.id}`)],
      [`${PARTIES}/{account}`, 'delete', async () => who.remove(`/api/inspections/${DECIDED}/parties/${maro!.id}`)],
      ['/api/keeping', 'get', async () => who.get('/api/keeping')],
      [
        '/api/keeping',
        'patch',
        async () => who.patch('/api/keeping', { photo: 7, owner: null, note: null, draft: 3, view: 10 }),
      ],
      ['/api/keeping', 'patch', async () => who.patch('/api/keeping', { photo: 0, note: 1 })],
      ['/api/keeping/destroy', 'post', async () => who.post('/api/keeping/destroy', { inspection: id, kind: 'photo', reason: 'Its time is over.' })], // prettier-ignore
      ['/api/inspections/{id}/looked', 'get', async () => who.get(`/api/inspections/${DEMO_PROPERTIES[4]!.id}/looked`)],
      ['/api/storms', 'post', async () => who.post('/api/storms', { id, name: 'Ice', day: dayAtHouse(new Date().toISOString()) })], // prettier-ignore
      ['/api/storms', 'get', async () => who.get('/api/storms')],
      ['/api/storms/{id}/entries', 'post', async () => who.post(`/api/storms/${id}/entries`, { entries: [null, { id: randomUUID(), storm: id, at: new Date().toISOString(), address: '1 Lane', kind: 'taken' }] })], // prettier-ignore
      ['/api/storms/{id}', 'get', async () => who.get(`/api/storms/${id}?since=0`)],
      ['/api/people', 'get', async () => who.get('/api/people')],
      ['/api/people/{id}', 'patch', async () => who.patch(`/api/people/${id}`, { active: false })],
      ['/api/people/{id}/reset', 'post', async () => who.post(`/api/people/${joss!.id}/reset`, {})],
      ['/api/invites', 'post', async () => who.post('/api/invites', { role: 'reader', name: 'Odo' })],
      ['/api/invites', 'post', async () => who.post('/api/invites', { role: 'king', name: 'Odo' })],
      ['/api/invites/{id}', 'delete', async () => who.remove(`/api/invites/${id}`)],
      ['/api/join', 'post', async () => stranger.post('/api/join', { token: 'none', password: 'long enough' })],
      ['/api/password', 'post', async () => who.post('/api/password', { password: 'x', next: 'long enough' })],
      ['/api/sessions', 'get', async () => who.get('/api/sessions')],
      ['/api/sessions', 'delete', async () => who.remove('/api/sessions')],
      [PHOTO, 'put', async () => who.piece(`/api/inspections/${id}/photos/${picture.sha256}?at=0`, picture.bytes)],
      [PHOTO, 'get', async () => who.get(`/api/inspections/${id}/photos/${picture.sha256}`)],
      [PHOTO, 'get', async () => who.get(`/api/inspections/${id}/photos/${'0'.repeat(64)}`)],
    ];
    for (const [path, method, ask] of asked) {
      const answer = await ask();
      const described = spec.paths[path]?.[method]?.responses[String(answer.status)];
      expect([path, method, answer.status, described !== undefined]).toEqual([path, method, answer.status, true]);
      expect(Object.keys(described!.content)).toEqual([answer.type]);
      const pointer = ['paths', path, method, 'responses', String(answer.status), 'content', answer.type, 'schema']
        .map((part) => part.replaceAll('~', '~0').replaceAll('/', '~1'))
        .join('/');
      if (answer.type === 'image/jpeg') continue;
      const valid = ajv.compile({ $ref: `spec#/${encodeURI(pointer)}` });
      valid(answer.body);
      expect([path, method, valid.errors]).toEqual([path, method, null]);
    }
    const covered = new Set(asked.map(([path, method]) => `${method} ${path}`));
    for (const [path, methods] of Object.entries(spec.paths))
      for (const method of Object.keys(methods)) expect(covered).toContain(`${method} ${path}`);
  });

  test('an address that is none gets a sentence', async () => {
    const answer = await (await visitor(office)).get('/api/nowhere');
    expect([answer.status, answer.type]).toEqual([404, 'application/problem+json']);
  });

  test('without its database the server is alive but not ready, and says so', async () => {
    const other = await openOffice({ demo: false });
    const who = await visitor(other);
    await other.pool.query('select 1');
    const broken = { ...other, pool: other.pool };
    await broken.close();
    expect((await who.get('/healthz')).status).toBe(200);
    const ready = await who.get('/readyz');
    expect([ready.status, (ready.body as { detail: string }).detail]).toEqual([503, 'The database does not answer.']);
  });
});

describe('the record', () => {
  const own = { words: 'The panel hangs loose.', remedy: 'Fasten it.', cites: ['110.13(A)'], severity: 'correction', station: 'panel' } as const; // prettier-ignore
  const takenUp = (inspection: string, violation: string) =>
    changeOf({ type: 'violation', inspection, violation, to: 'open', words: '', findings: [], is: { ...own, cites: [...own.cites] } }); // prettier-ignore
  const claim = (inspection: string, violation: string) =>
    changeOf({ type: 'violation', inspection, violation, to: 'claimed', words: 'It is fastened.' });

  test('a contractor says what he has corrected, and settles nothing; a reader changes nothing at all', async () => {
    const [maro, ilse] = [await signedIn('maro'), await signedIn('ilse')];
    const [house, violation] = [randomUUID(), randomUUID()];
    await maro.change(opening(house));
    const early = await maro.change(takenUp(house, violation));
    expect(early.body).toMatchObject({ results: [{ status: 'refused', detail: expect.stringContaining('only inspector or lead') as string }] }); // prettier-ignore
    await maro.change(changeOf({ type: 'request', inspection: house }));
    await ilse.change(takenUp(house, violation));
    await ilse.change(await ilse.decisionOn(house, CORRECTIONS));
    const said = await maro.change(claim(house, violation));
    expect(said.body).toMatchObject({ results: [{ status: 'taken' }] });
    const settle = changeOf({ type: 'violation', inspection: house, violation, to: 'withdrawn', words: 'It is not mine.' }); // prettier-ignore
    expect((await maro.change(settle)).body).toMatchObject({ results: [{ status: 'refused' }] });
    expect(((await ilse.get(`/api/inspections/${house}`)).body as Inspection).docket.violations).toMatchObject([
      { state: 'claimed', steps: [{ by: 'Ilse O’Harrow' }, { by: 'Maro Tillane', words: 'It is fastened.' }] },
    ]);

    await office.db.update(accounts).set({ role: 'reader' }).where(eq(accounts.login, 'joss'));
    const joss = await signedIn('joss');
    expect((await joss.get(`/api/inspections/${house}`)).status).toBe(200);
    const tried = await joss.change(changeOf(touched(house, 'breaker.ratingA', 30)), opening(randomUUID()));
    expect(tried.body).toMatchObject({ results: Array(2).fill({ status: 'refused', detail: 'A reader changes nothing.' }) }); // prettier-ignore
    await office.db.update(accounts).set({ role: 'inspector' }).where(eq(accounts.login, 'joss'));
  });

  test('anybody who holds a paper is told its number, its day, and whether it is current; nothing of the house', async () => {
    const ilse = await signedIn('ilse');
    const [house, violation] = [randomUUID(), randomUUID()];
    await ilse.change(opening(house, '7 Nobody’s Business'), takenUp(house, violation));
    const first = await ilse.decisionOn(house, CORRECTIONS);
    await ilse.change(first);
    const nobody = await visitor(office);
    const asked = await nobody.get(`/papers/${first.id}`);
    const { records } = (await ilse.get(`/api/inspections/${house}/records`)).body as { records: { number: string }[] };
    expect(records[0]!.number).toMatch(/^20\d\d-\d{4,}$/);
    expect(asked.text).toContain(records[0]!.number);
    expect(asked.text).toContain('CURRENT');
    expect(asked.text).not.toMatch(/Business|Nella|WT-1|loose/);
    await ilse.change(await ilse.decisionOn(house, CORRECTIONS));
    expect((await nobody.get(`/papers/${first.id}`)).text).toContain('VOID');
    expect((await nobody.get(`/papers/${randomUUID()}`)).status).toBe(404);
    expect((await nobody.get('/papers/none')).status).toBe(422);
  });
});
