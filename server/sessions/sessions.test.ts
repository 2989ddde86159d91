import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import express from 'express';
import session from 'express-session';
import supertest from 'supertest';
import { accounts, sessions } from '../database/schema';
import { DEMO_PASSWORD } from '../demo/password';
import { openOffice, visitor, type Office } from '../test/office';
import './session';
import { SessionStore } from './store';

let office: Office;
beforeAll(async () => {
  office = await openOffice();
}, 60_000);
afterAll(() => office.close());

const DAY_MS = 86_400_000;
const ofIlse = async () => (await office.db.select().from(accounts).where(eq(accounts.login, 'ilse')))[0]!;

test('whoever signs out while a request is under way is signed out: what it writes at its end makes no session', async () => {
  const store = new SessionStore({ pool: office.pool, tableName: 'session', disableTouch: true, errorLog: () => undefined }); // prettier-ignore
  const app = express();
  let arrived = () => {};
  const under = new Promise<void>((resolve) => (arrived = resolve));
  let goOn = () => {};
  const waits = new Promise<void>((resolve) => (goOn = resolve));
  app.use(session({ store, secret: 'test', resave: false, saveUninitialized: false, rolling: true }));
  app.post('/in', (request, response) => {
    store.begin(request.sessionID);
    request.session.accountId = randomUUID();
    response.end();
  });
  app.get('/slow', async (request, response) => {
    request.session.renewedAt = Date.now();
    arrived();
    await waits;
    response.end();
  });
  app.post('/out', (request, response) => request.session.destroy(() => response.end()));
  app.get('/who', (request, response) => {
    response.json({ in: request.session.accountId !== undefined });
  });
  const who = supertest.agent(app);
  await who.post('/in');
  expect((await who.get('/who')).body).toEqual({ in: true });
  const slow = who.get('/slow').then((answer) => answer);
  await under;
  const cookie = (who.jar as unknown as { getCookies(at: object): { toValueString(): string } }).getCookies({ path: '/', domain: '127.0.0.1', secure: false, script: false }).toValueString(); // prettier-ignore
  await who.post('/out');
  goOn();
  await slow;
  expect((await supertest(app).get('/who').set('cookie', cookie)).body).toEqual({ in: false });
});

test('ending the others does not put off one’s own end; nor do they come back', async () => {
  const [here, there] = [await visitor(office), await visitor(office)];
  await here.signIn('ilse');
  await there.signIn('ilse');
  const old = Date.now() - 29 * DAY_MS;
  await office.db.update(sessions).set({ sess: sql`jsonb_set(sess::jsonb, '{signedInAt}', ${String(old)}::jsonb)::json` });
  expect((await here.remove('/api/sessions')).status).toBe(200);
  expect((await here.get('/api/inspections?since=999')).status).toBe(200);
  expect((await there.get('/api/inspections?since=999')).status).toBe(401);
  await office.db.update(sessions).set({ sess: sql`jsonb_set(sess::jsonb, '{signedInAt}', ${String(old - 2 * DAY_MS)}::jsonb)::json` });
  expect((await here.get('/api/inspections?since=999')).status).toBe(401);
}); // prettier-ignore

test('another password is another session, with what its page carries', async () => {
  const here = await visitor(office);
  await here.signIn('ilse');
  const ids = async () => (await office.db.select({ sid: sessions.sid }).from(sessions)).map(({ sid }) => sid);
  const before = await ids();
  const next = 'a longer password';
  expect((await here.post('/api/password', { password: DEMO_PASSWORD, next })).status).toBe(200);
  expect((await ids()).filter((sid) => !before.includes(sid))).toHaveLength(1);
  expect((await here.post('/api/password', { password: next, next: DEMO_PASSWORD + ' again' })).status).toBe(200);
  expect((await here.get('/api/inspections?since=999')).status).toBe(200);
  await here.post('/api/password', { password: DEMO_PASSWORD + ' again', next: 'fallingfruit!' });
});

test('a stranger is heard for 16 KB, and not kept for more', async () => {
  const nobody = await visitor(office);
  const { status } = await nobody.post('/api/session', { login: 'x'.repeat(20_000), password: 'y' });
  expect(status).toBe(413);
});

test('one name is not tried from sixty addresses; whose device is known is not locked out by it', async () => {
  const far = await openOffice({ trustProxy: 1 });
  const own = await visitor(far);
  await own.signIn('joss');
  await own.signOut();
  const tries = [];
  for (let i = 0; i < 40; i++)
    tries.push((await supertest(far.app).post('/api/session').set('x-forwarded-for', `203.0.113.${i}`).send({ login: 'joss', password: 'no' })).status); // prettier-ignore
  expect([tries.slice(0, 30), tries.slice(30)]).toEqual([Array(30).fill(401), Array(10).fill(429)]);
  expect((await own.signIn('joss')).status).toBe(200);
  await far.close();
});

test('where mail goes is changed by whoever knows the password', async () => {
  const { id } = await ofIlse();
  const here = await visitor(office);
  await office.pool.query('update accounts set password_hash = (select password_hash from accounts where login = $1) where id = $2', ['joss', id]); // prettier-ignore
  await here.signIn('ilse');
  const email = 'elsewhere@windfall.example';
  expect((await here.patch('/api/account', { email, password: 'not it at all' })).status).toBe(422);
  expect((await here.patch('/api/account', { email })).status).toBe(422);
  expect((await ofIlse()).email).not.toBe(email);
  expect((await here.patch('/api/account', { email, password: DEMO_PASSWORD })).status).toBe(200);
  expect((await ofIlse()).email).toBe(email);
});
