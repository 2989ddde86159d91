import { DEMO_PASSWORD } from '../demo/password';
import { mkdtemp, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { accounts, inspections, mails, offices } from '../database/schema';
import { openOffice, visitor, type Office } from '../test/office';
import { postMail, writeMails } from './outbox';
import { startQueue } from './queue';
import { remind } from './reminders';

let office: Office;
let home: string;
let folder: string;
let lead: Awaited<ReturnType<typeof visitor>>;
beforeAll(async () => {
  office = await openOffice();
  home = (await office.db.select().from(offices))[0]!.id;
  folder = await mkdtemp(join(tmpdir(), 'outbox-'));
  lead = await visitor(office);
  await lead.signIn('ilse');
}, 60_000);
afterAll(async () => {
  await office.close();
  await rm(folder, { recursive: true });
});

const written = async () =>
  Promise.all((await readdir(folder)).filter((file) => file.endsWith('.eml')).map((file) => readFile(join(folder, file), 'utf8'))); // prettier-ignore
/** A mail’s text, as whoever reads it has it. */
const plain = (eml: string) => eml.replace(/=\r?\n/g, '').replace(/=([0-9A-F]{2})/g, (_, hex: string) => String.fromCharCode(parseInt(hex, 16))); // prettier-ignore
const waiting = () => office.db.$count(mails, eq(mails.office, home));

test('whoever forgot their password and has an address gets a link by mail, once; a name that is none gets the same answer and no mail', async () => {
  const stranger = await visitor(office);
  const ask = async (login: string) => {
    const { status, body } = await stranger.post('/api/forgotten', { login });
    return [status, body as unknown];
  };
  const before = await waiting();
  expect(await ask('joss')).toEqual([200, { done: true }]); // he has no address yet
  expect(await ask('nobody-such')).toEqual([200, { done: true }]);
  expect(await waiting()).toBe(before);
  const joss = await visitor(office);
  await joss.signIn('joss');
  expect((await joss.patch('/api/account', { email: 'not an address' })).status).toBe(422);
  expect((await joss.patch('/api/account', { email: 'joss@windfall.example', password: DEMO_PASSWORD })).status).toBe(
    200,
  );
  expect(await ask('joss')).toEqual([200, { done: true }]);
  expect(await waiting()).toBe(before + 1);

  expect(await writeMails(office.served.door, folder)).toBe(before + 1);
  expect(await writeMails(office.served.door, folder)).toBe(0); // each is written once
  const mail = plain((await written()).find((one) => one.includes('joss@windfall.example'))!);
  expect(mail).toContain('Subject: A new password');
  const token = /\/join\?for=password#(\S+)/.exec(mail)![1];
  const join_ = { token, password: 'remembered now' };
  expect((await stranger.post('/api/join', join_)).body).toEqual({ login: 'joss' });
  expect((await stranger.post('/api/join', join_)).status).toBe(410);

  // The lead sees that it went, and never what lets somebody in.
  const { body } = await lead.get('/api/mails');
  expect(body).toMatchObject({ mails: [{ to: 'joss@windfall.example', subject: 'A new password', writtenAt: expect.any(String) as string }] }); // prettier-ignore
  expect(JSON.stringify(body)).not.toContain(token);
});

test('an outbox that cannot be written keeps what waits, and is written later', async () => {
  await office.served.door.inOffice(home, (tx) =>
    postMail(tx, { office: home, to: 'a@windfall.example', subject: 'Wait', body: 'Text' }),
  );
  const blocked = join(folder, 'blocked');
  await writeFile(blocked, 'a file where a folder is wanted');
  await expect(writeMails(office.served.door, blocked)).rejects.toThrow();
  expect(await writeMails(office.served.door, folder)).toBe(1);
});

test('a mail of what is rolled back is none', async () => {
  const before = await waiting();
  const failing = office.served.door.inOffice(home, async (tx) => {
    await postMail(tx, { office: home, to: 'a@windfall.example', subject: 'Never', body: 'Text' });
    throw new Error('rolled back');
  });
  await expect(failing).rejects.toThrow('rolled back');
  expect(await waiting()).toBe(before);
});

test('each is reminded once a day of what concerns them: the lead all, an inspector their visits, a contractor his corrections', async () => {
  await office.db.update(accounts).set({ email: null });
  const at = (login: string) => office.db.update(accounts).set({ email: `${login}@windfall.example` }).where(eq(accounts.login, login)); // prettier-ignore
  await at('ilse');
  await at('maro');
  const today = new Date().toISOString().slice(0, 10);
  const [maro] = await office.db.select().from(accounts).where(eq(accounts.login, 'maro'));
  const his = office.db.update(inspections).set({ dueOn: today, dueWhat: 'violation' });
  await his.where(eq(inspections.openedBy, maro!.id));
  expect(await remind(office.served.door, today)).toBe(2);
  expect(await remind(office.served.door, today)).toBe(2); // asked for again: the same mails
  const made = await office.db.select().from(mails).where(eq(mails.office, home));
  const due = made.filter(({ key }) => key.startsWith('due '));
  expect(due).toHaveLength(2);
  const of = (login: string) => due.find(({ to }) => to.startsWith(login))!;
  expect(of('ilse').body).toContain('12 Orchard Loop: correction');
  expect(of('ilse').subject).toMatch(/due, \d+ of them late/);
  expect(of('maro').body).toContain('8 Pippin Row: correction');
  expect(of('maro').body).not.toContain('12 Orchard Loop');
});

test('the queue writes what waits as soon as it is woken, under the server’s own role', async () => {
  const errors: Error[] = [];
  const queue = await startQueue(office.serverUrl, { door: office.served.door, folder, onError: (error) => errors.push(error) });
  try {
    await office.served.door.inOffice(home, (tx) =>
      postMail(tx, { office: home, to: 'woken@windfall.example', subject: 'Woken', body: 'Text' }),
    );
    queue.wake();
    for (;;) {
      if ((await written()).some((one) => one.includes('woken@windfall.example'))) break;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    expect(errors).toEqual([]);
  } finally {
    await queue.stop();
  }
}); // prettier-ignore
