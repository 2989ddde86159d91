import { existsSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { Kept } from '@careful-latch/core/record';
import { EvidenceStore } from '../evidence/store';
import { accounts, changes, decisions, destroyed, held, inspections, notes, views } from '../database/schema';
import { hidden } from '../ledger/hidden';
import { withoutOwner } from '../inspections/seal';
import { verifyOffice } from '../ledger/verify';
import {
  CORRECTIONS,
  changeOf,
  jpegOf,
  openOffice,
  opening,
  photoOf,
  pictureOf,
  visitor,
  type Office,
} from '../test/office';

let office: Office;
let ilse: Awaited<ReturnType<typeof visitor>>;
let home: string;
beforeAll(async () => {
  office = await openOffice();
  ilse = await visitor(office);
  await ilse.signIn('ilse');
  home = (await office.db.select({ office: accounts.office }).from(accounts))[0]!.office;
}, 60_000);
afterAll(() => office.close());

const keep = (over: Partial<Record<Kept, number | null>>) =>
  ilse.patch('/api/keeping', { photo: 7, owner: null, note: 3, draft: 3, view: 10, ...over });

/** Lets so many years go by at a house on which nothing is to be done. */
const age = (inspection: string, years: number) =>
  office.db
    .update(inspections)
    .set({ changedAt: new Date(Date.now() - years * 366 * 86_400_000), restsOn: '2020-01-01' })
    .where(eq(inspections.id, inspection));

/** A house with a photo and a note that lies so many years back, with nothing to be done there. */
async function house(years: number) {
  const inspection = randomUUID();
  const picture = pictureOf(jpegOf(2000));
  const path = `/api/inspections/${inspection}/photos/${picture.sha256}`;
  await ilse.change(opening(inspection, `${years} Bygone Lane`), photoOf(inspection, picture));
  expect((await ilse.piece(`${path}?at=0`, picture.bytes)).body).toMatchObject({ whole: true });
  await ilse.post(`/api/inspections/${inspection}/notes`, { words: 'A neighbor rang.' });
  const then = new Date(Date.now() - years * 366 * 86_400_000);
  await age(inspection, years);
  await office.db.update(notes).set({ at: then }).where(eq(notes.inspection, inspection));
  return { inspection, path, sha256: picture.sha256 };
}
type Due = { inspection: string; kind: string; n: number; held: boolean };
const due = async () => ((await ilse.get('/api/keeping')).body as { due: Due[] }).due;
const destroy = (inspection: string, kind: Kept) =>
  ilse.post('/api/keeping/destroy', { inspection, kind, reason: 'Its time is over, by our schedule.' });

test('what is over its time is shown, and goes when the lead says so: the file, and a line that it was there', async () => {
  const [old, young] = [await house(8), await house(1)];
  expect((await due()).filter(({ inspection }) => inspection === old.inspection).map(({ kind, n }) => [kind, n])).toEqual([['photo', 1], ['note', 1]]); // prettier-ignore
  expect((await due()).some(({ inspection }) => inspection === young.inspection)).toBe(false);
  expect((await destroy(young.inspection, 'photo')).status).toBe(409);
  const file = new EvidenceStore(office.evidenceFolder).find(home, old.sha256)!;
  expect((await destroy(old.inspection, 'photo')).status).toBe(200);
  expect((await destroy(old.inspection, 'note')).status).toBe(200);
  expect(existsSync(file)).toBe(false);
  expect(await ilse.get(old.path)).toMatchObject({
    status: 410,
    body: { detail: expect.stringMatching(/was destroyed on/) as string },
  });
  expect((await ilse.piece(`${old.path}?at=0`, jpegOf(2000))).status).toBe(410); // a phone that still has it
  expect((await ilse.get(`/api/inspections/${old.inspection}/notes`)).body).toEqual({ notes: [] });
  expect((await due()).some(({ inspection }) => inspection === old.inspection)).toBe(false);
  const { destroyed } = (await ilse.get(`/api/inspections/${old.inspection}/looked`)).body as { destroyed: object[] };
  expect(destroyed).toMatchObject([{ kind: 'photo', subject: old.sha256, by: 'Ilse O’Harrow' }, { kind: 'note' }]);
  expect((await verifyOffice(office.db, office.keys.publicKeys, home)).wrong).toBeUndefined();
});

test('a hold blocks it, until it is released; what is to be kept for ever is never over its time', async () => {
  const { inspection } = await house(9);
  const hold = (to: 'held' | 'released') =>
    ilse.change(changeOf({ type: 'hold', inspection, to, words: 'A court has asked for it.' }));
  await hold('held');
  await age(inspection, 9);
  expect((await due()).find((one) => one.inspection === inspection)).toMatchObject({ held: true });
  expect((await destroy(inspection, 'photo')).body).toMatchObject({ title: 'Held' });
  await hold('released');
  await age(inspection, 9);
  await keep({ photo: null });
  expect((await destroy(inspection, 'photo')).status).toBe(409);
  await keep({ photo: 7 });
  expect((await destroy(inspection, 'photo')).status).toBe(200);
});

test('a photo that another house shows too stays', async () => {
  const { inspection, sha256, path } = await house(8);
  const other = randomUUID();
  await ilse.change(opening(other, '1 Other Lane'));
  await ilse.change(changeOf({ type: 'evidence', inspection: other, evidence: randomUUID(), is: { about: 'breaker.ratingA', text: '', photo: { sha256, bytes: 2000, widthPx: 4, heightPx: 3, marks: [] } } })); // prettier-ignore
  await ilse.change(await ilse.decisionOn(other, CORRECTIONS));
  expect((await destroy(inspection, 'photo')).body).toMatchObject({ title: 'Shown elsewhere' });
  expect((await ilse.get(path)).status).toBe(200);
  expect((await verifyOffice(office.db, office.keys.publicKeys, home)).wrong).toBeUndefined();
});

test('who looked at the records of a house is written down, once a day', async () => {
  const { inspection } = await house(1);
  await ilse.change(await ilse.decisionOn(inspection, CORRECTIONS));
  const joss = await visitor(office);
  await joss.signIn('joss');
  for (const who of [ilse, joss, joss]) await who.get(`/api/inspections/${inspection}/records`);
  const { looked } = (await ilse.get(`/api/inspections/${inspection}/looked`)).body as { looked: { by: string }[] };
  expect(looked.map(({ by }) => by)).toEqual(['Ilse O’Harrow', 'Joss Linnaker']);
  expect((await joss.get(`/api/inspections/${inspection}/looked`)).status).toBe(403);
});

const OWNERS = /D’Arbois|Odalys/;
const nameNow = { type: 'head', address: '8 Bygone Lane', owner: 'Odalys Brenn', permit: 'WT-1', reason: 'The house was sold.' } as const; // prettier-ignore

/** A decided house whose owner changed, and where that lies eight years back. */
async function sold(): Promise<string> {
  const inspection = randomUUID();
  await ilse.change(opening(inspection, nameNow.address), changeOf({ ...nameNow, inspection }));
  await ilse.change(await ilse.decisionOn(inspection, CORRECTIONS));
  await age(inspection, 8);
  return inspection;
}
const rowsOf = async (inspection: string) => ({
  log: await office.db.select().from(changes).where(eq(changes.inspection, inspection)).orderBy(changes.revision),
  sealed: await office.db.select().from(decisions).where(eq(decisions.inspection, inspection)),
});
const verified = async () => (await verifyOffice(office.db, office.keys.publicKeys, home)).wrong;

test('the owners’ names of a house go where their time is over: hashes are left, and every seal holds over them', async () => {
  const inspection = await sold();
  expect((await destroy(inspection, 'owner')).status).toBe(409); // kept for ever, until the office says otherwise
  await keep({ owner: 5 });
  expect((await due()).find((one) => one.inspection === inspection && one.kind === 'owner')).toMatchObject({ n: 1 });
  const before = await rowsOf(inspection);
  expect(JSON.stringify(before)).toMatch(OWNERS);
  expect((await destroy(inspection, 'owner')).status).toBe(200);
  const after = await rowsOf(inspection);
  expect(JSON.stringify(after)).not.toMatch(OWNERS);
  const { salt } = before.sealed[0]!.record;
  expect(after.sealed[0]!.record).toMatchObject({ header: { owner: hidden(salt!, 'Odalys Brenn') } });
  expect(JSON.stringify(after)).not.toContain(salt); // with it a name could be guessed
  expect(after.log.map(({ body }) => ('shown' in body ? body.shown : 'sha256:')).every((one) => one.startsWith('sha256:'))).toBe(true); // prettier-ignore
  expect(await verified()).toBeUndefined();
  const { records } = (await ilse.get(`/api/inspections/${inspection}/records`)).body as { records: object[] };
  expect(records).toMatchObject([{ sealHolds: true }]);
  expect((await ilse.get(`/api/inspections/${inspection}`)).body).toMatchObject({ header: { owner: '' } });
  expect((await due()).some((one) => one.inspection === inspection && one.kind === 'owner')).toBe(false);
  // What is recorded and decided there later is sealed like any other, and goes like it.
  await ilse.change(changeOf({ ...nameNow, inspection, owner: 'Odalys Again' }));
  await ilse.change(await ilse.decisionOn(inspection, CORRECTIONS));
  expect(await verified()).toBeUndefined();
  await age(inspection, 6);
  expect((await destroy(inspection, 'owner')).status).toBe(200);
  expect(JSON.stringify(await rowsOf(inspection))).not.toMatch(OWNERS);
  expect(await verified()).toBeUndefined();
});

test('nothing but a hash comes in the place of a name, and only with a line that it was destroyed', async () => {
  const inspection = await sold();
  const { sealed, log } = await rowsOf(inspection);
  const { id, record } = sealed[0]!;
  const put = (owner: string, { salt: _, ...rest } = record) =>
    office.db
      .update(decisions)
      .set({ record: { ...rest, header: { ...record.header, owner } } })
      .where(eq(decisions.id, id));
  const refused = { cause: { message: expect.stringContaining('only ever added to') as string } };
  await expect(put('Somebody Else')).rejects.toMatchObject(refused);
  await expect(office.db.update(changes).set({ body: { ...log[0]!.body, at: '2020-01-01T00:00:00Z' } }).where(eq(changes.id, log[0]!.id))).rejects.toMatchObject(refused); // prettier-ignore
  await office.db
    .update(decisions)
    .set({ record: withoutOwner(record) })
    .where(eq(decisions.id, id));
  expect(await verified()).toMatch(/8 Bygone Lane.*nobody has written down that it was destroyed/);
  await keep({ owner: 5 });
  expect(await destroy(inspection, 'owner')).toMatchObject({ status: 200 });
  expect(await verified()).toBeUndefined();
  await put(hidden('another salt', 'Somebody Else'));
  expect(await verified()).toMatch(/its record was edited/);
  await put(withoutOwner(record).header.owner);
  expect(await verified()).toBeUndefined();
});

test('what was sealed before there were salts keeps its names', async () => {
  const inspection = await sold();
  await office.db.update(inspections).set({ salt: null }).where(eq(inspections.id, inspection));
  await keep({ owner: 5 });
  expect((await destroy(inspection, 'owner')).status).toBe(409);
});

test('decisions left unsealed, and who looked, go after years of their own', async () => {
  const inspection = randomUUID();
  await ilse.change(opening(inspection, '12 Bygone Lane'));
  const decision = await ilse.decisionOn(inspection, CORRECTIONS);
  const [own] = await office.db.select({ id: accounts.id }).from(accounts).where(eq(accounts.login, 'ilse'));
  const row = { office: home, inspection, by: own!.id };
  const draft = { ...row, body: decision, why: 'it arrived late.', receivedAt: new Date('2020-01-01') };
  await office.db.insert(held).values([
    { ...draft, id: randomUUID(), settledAt: new Date('2020-01-02'), settled: 'It was signed anew.' },
    { ...draft, id: randomUUID() }, // the lead has not settled it yet
  ]);
  await office.db.insert(views).values({ ...row, day: '2010-01-01' });
  const here = (await due()).filter((one) => one.inspection === inspection);
  expect(here.map(({ kind, n }) => [kind, n])).toEqual([['draft', 1], ['view', 1]]); // prettier-ignore
  expect((await destroy(inspection, 'draft')).status).toBe(200);
  expect((await destroy(inspection, 'view')).status).toBe(200);
  expect(await office.db.select().from(held).where(eq(held.inspection, inspection))).toHaveLength(1);
  expect(await office.db.select().from(views).where(eq(views.inspection, inspection))).toHaveLength(0);
  const written = await office.db.select().from(destroyed).where(eq(destroyed.inspection, inspection));
  expect(written.map(({ kind }) => kind).toSorted()).toEqual(['draft', 'view']);
  await keep({ draft: null, view: null });
  expect((await due()).some((one) => one.inspection === inspection)).toBe(false);
});
