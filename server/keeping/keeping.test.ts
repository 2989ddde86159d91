import { existsSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { EvidenceStore } from '../evidence/store';
import { accounts, inspections, notes } from '../database/schema';
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

/** A house with a photo and a note that lies so many years back, with nothing to be done there. */
async function house(years: number) {
  const inspection = randomUUID();
  const picture = pictureOf(jpegOf(2000));
  const path = `/api/inspections/${inspection}/photos/${picture.sha256}`;
  await ilse.change(opening(inspection, `${years} Bygone Lane`), photoOf(inspection, picture));
  expect((await ilse.piece(`${path}?at=0`, picture.bytes)).body).toMatchObject({ whole: true });
  await ilse.post(`/api/inspections/${inspection}/notes`, { words: 'A neighbor rang.' });
  const then = new Date(Date.now() - years * 366 * 86_400_000);
  await office.db
    .update(inspections)
    .set({ changedAt: then, restsOn: '2020-01-01' })
    .where(eq(inspections.id, inspection));
  await office.db.update(notes).set({ at: then }).where(eq(notes.inspection, inspection));
  return { inspection, path, sha256: picture.sha256 };
}
type Due = { inspection: string; kind: string; n: number; held: boolean };
const due = async () => ((await ilse.get('/api/keeping')).body as { due: Due[] }).due;
const destroy = (inspection: string, kind: 'photo' | 'note') =>
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
  const aged = () =>
    office.db
      .update(inspections)
      .set({ changedAt: new Date('2017-01-01'), restsOn: '2020-01-01' })
      .where(eq(inspections.id, inspection));
  await hold('held');
  await aged();
  expect((await due()).find((one) => one.inspection === inspection)).toMatchObject({ held: true });
  expect((await destroy(inspection, 'photo')).body).toMatchObject({ title: 'Held' });
  await hold('released');
  await aged();
  await ilse.patch('/api/keeping', { photo: null, note: 3 });
  expect((await destroy(inspection, 'photo')).status).toBe(409);
  await ilse.patch('/api/keeping', { photo: 7, note: 3 });
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
