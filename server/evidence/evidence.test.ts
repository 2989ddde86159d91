import { randomUUID } from 'node:crypto';
import { rm, stat, writeFile } from 'node:fs/promises';
import { eq } from 'drizzle-orm';
import type { Inspection } from '@careful-latch/core/record';
import { accounts, offices } from '../database/schema';
import { EvidenceStore } from './store';
import { verifyPhotos } from './verify';
import {
  CORRECTIONS,
  changeOf,
  jpegOf,
  opening,
  openOffice,
  photoOf,
  pictureOf,
  visitor,
  type Office,
} from '../test/office';

const PASSWORD = 'a long password';
let office: Office;
let who: Awaited<ReturnType<typeof visitor>>;

beforeAll(async () => {
  office = await openOffice({ demo: false });
  who = await visitor(office);
  const person = { office: 'Windfall', edition: '2020', name: 'Ilse O’Harrow', login: 'ilse', password: PASSWORD };
  expect((await who.post('/api/setup', person)).status).toBe(201);
  await who.signIn('ilse', PASSWORD);
});
afterAll(() => office.close());

const addressOf = (inspection: string, { sha256 }: { sha256: string }) =>
  `/api/inspections/${inspection}/photos/${sha256}`;

/** An inspection that announces a picture of some length. */
async function announced(length: number) {
  const inspection = randomUUID();
  const picture = pictureOf(jpegOf(length));
  await who.change(opening(inspection), photoOf(inspection, picture));
  return { inspection, picture, address: addressOf(inspection, picture) };
}

test('a photo goes in pieces, goes on after a break, and comes back byte for byte', async () => {
  const { address, picture } = await announced(1_100_000);
  const piece = (from: number) => picture.bytes.subarray(from, Math.min(from + 500_000, picture.bytes.length));
  expect((await who.get(address)).status).toBe(404);
  expect((await who.piece(`${address}?at=0`, piece(0))).body).toEqual({ held: 500_000, whole: false });
  // A device that lost the answer sends it again; one that believes more was taken is told how much is there.
  expect((await who.piece(`${address}?at=0`, piece(0))).body).toEqual({ held: 500_000, whole: false });
  expect((await who.piece(`${address}?at=1000000`, piece(1_000_000))).body).toEqual({ held: 500_000, whole: false });
  expect((await who.get(address)).status).toBe(404);
  expect((await who.piece(`${address}?at=500000`, piece(500_000))).body).toEqual({ held: 1_000_000, whole: false });
  const last = await who.piece(`${address}?at=1000000`, piece(1_000_000));
  expect(last.body).toEqual({ held: 1_100_000, whole: true });
  expect((await who.piece(`${address}?at=0`, piece(0))).body).toEqual({ held: 1_100_000, whole: true });
  const back = await who.get(address);
  expect([back.status, back.type]).toEqual([200, 'image/jpeg']);
  expect(picture.bytes.equals(back.body as Buffer)).toBe(true);
});

test('a photo whose file was altered is not shown, and is found by the verification; one that was taken away is counted', async () => {
  const { address, picture } = await announced(1000);
  await who.piece(`${address}?at=0`, picture.bytes);
  const [own] = await office.db.select().from(offices);
  const store = new EvidenceStore(office.evidenceFolder);
  const verified = () => verifyPhotos(office.db, store, own!.id);
  const before = await verified();
  expect(before.wrong).toBeUndefined();
  const file = store.find(own!.id, picture.sha256)!;
  await writeFile(file, jpegOf(1000));
  const shown = await who.get(address);
  expect([shown.status, (shown.body as { detail: string }).detail]).toEqual([409, expect.stringContaining('altered')]);
  expect((await verified()).wrong).toMatch(/^A photo of 99 Test Orchard \([0-9a-f]{64}\): its file was altered\.$/);
  await rm(file);
  expect(await verified()).toEqual({ held: before.held - 1, absent: before.absent + 1 });
});

test('another picture than was announced is refused with a sentence, and the right one is taken after it', async () => {
  const { address, picture } = await announced(1000);
  const wrong = Buffer.from(picture.bytes).fill(7, 500);
  const refused = await who.piece(`${address}?at=0`, wrong);
  expect([refused.status, (refused.body as { detail: string }).detail]).toEqual([
    422,
    'The photo that came is not the one that was announced. It is sent again.',
  ]);
  expect((await who.piece(`${address}?at=0`, picture.bytes)).body).toEqual({ held: 1000, whole: true });
});

test('what is no picture, too long, too large, empty, at no place or announced by nobody is refused', async () => {
  const { address, picture, inspection } = await announced(1000);
  const statusOf = async (path: string, bytes: Buffer) => (await who.piece(path, bytes)).status;
  expect(await statusOf(`${address}?at=900`, picture.bytes)).toBe(200); // a gap is not written
  expect(await statusOf(`${address}?at=0`, Buffer.concat([picture.bytes, Buffer.from('more')]))).toBe(422);
  expect(await statusOf(`${address}?at=0`, Buffer.alloc(600_000))).toBe(413);
  expect(await statusOf(`${address}?at=0`, Buffer.alloc(0))).toBe(422);
  expect(await statusOf(`${address}?at=-1`, picture.bytes)).toBe(422);
  expect(await statusOf(address, picture.bytes)).toBe(422);
  expect(await statusOf(`${addressOf(inspection, pictureOf(jpegOf(60)))}?at=0`, picture.bytes)).toBe(404);
  expect(await statusOf(`/api/inspections/${inspection}/photos/..%2F..%2Fsecret?at=0`, picture.bytes)).toBe(422);
  const page = pictureOf(Buffer.from('<html>no picture</html>'));
  await who.change(photoOf(inspection, page));
  expect(await statusOf(`${addressOf(inspection, page)}?at=0`, page.bytes)).toBe(422);
});

const SIZE = 'ffc0001108000a000a03012200021101031101';

/** What a camera writes of where it was: an Exif segment with a GPS directory, 41° 30′ N, 81° 42′ W. */
function placeOfCamera(): string {
  const tiff = Buffer.alloc(128);
  tiff.write('II*\0', 0, 'latin1');
  tiff.writeUInt32LE(8, 4);
  const entry = (at: number, tag: number, type: number, count: number, value: number) => {
    tiff.writeUInt16LE(tag, at);
    tiff.writeUInt16LE(type, at + 2);
    tiff.writeUInt32LE(count, at + 4);
    tiff.writeUInt32LE(value, at + 8);
  };
  tiff.writeUInt16LE(1, 8);
  entry(10, 0x8825, 4, 1, 26);
  tiff.writeUInt16LE(4, 26);
  entry(28, 1, 2, 2, 'N'.charCodeAt(0));
  entry(40, 2, 5, 3, 80);
  entry(52, 3, 2, 2, 'W'.charCodeAt(0));
  entry(64, 4, 5, 3, 104);
  [41, 1, 30, 1, 0, 1, 81, 1, 42, 1, 0, 1].forEach((one, i) => tiff.writeUInt32LE(one, 80 + i * 4));
  const exif = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
  return `ffe1${(exif.length + 2).toString(16).padStart(4, '0')}${exif.toString('hex')}`;
}

test.each([
  [
    'of more pixels than are kept',
    'ffe000104a46494600010100000100010000ffc0001108ffffffff03012200021101031101',
    /more pixels than are kept/,
  ],
  ['with no head', 'ff', /cannot be read as a JPEG/],
  ['that says where it was taken', `${placeOfCamera()}${SIZE}`, /says where it was taken/],
])('a picture %s is not kept', async (_, head, why) => {
  const picture = pictureOf(jpegOf(400, Buffer.from(`ffd8${head}`, 'hex')));
  const inspection = randomUUID();
  await who.change(opening(inspection), photoOf(inspection, picture));
  const { status, body } = await who.piece(`${addressOf(inspection, picture)}?at=0`, picture.bytes);
  expect([status, (body as { detail: string }).detail]).toEqual([422, expect.stringMatching(why)]);
});

test('whoever only reads sends no photo; what was begun and left is swept, what goes on is not', async () => {
  const { address, picture } = await announced(1000);
  await who.piece(`${address}?at=0`, picture.bytes.subarray(0, 500));
  const [template] = await office.db.select().from(accounts).where(eq(accounts.login, 'ilse'));
  await office.db
    .insert(accounts)
    .values({ ...template!, id: randomUUID(), role: 'reader', name: 'Reed', login: 'reed' });
  const reed = await visitor(office);
  await reed.signIn('reed', PASSWORD);
  expect((await reed.piece(`${address}?at=500`, picture.bytes.subarray(500))).status).toBe(403);
  const store = new EvidenceStore(office.evidenceFolder);
  expect(await store.sweep(3600_000)).toBe(0);
  expect(await store.sweep(-1)).toBeGreaterThan(0);
  expect((await who.piece(`${address}?at=0`, picture.bytes)).body).toEqual({ held: 1000, whole: true });
  const { mode } = await stat(store.find(template!.office, picture.sha256)!);
  expect(mode & 0o077).toBe(0); // its owner's alone
});

test('nobody who is not of the office, and nobody without the session’s token, gives or gets a photo', async () => {
  const { address, picture } = await announced(1000);
  await who.piece(`${address}?at=0`, picture.bytes);
  const elsewhere = randomUUID();
  await office.db.insert(offices).values({ id: elsewhere, name: 'Elsewhere', edition: '2017' });
  const [template] = await office.db.select().from(accounts).where(eq(accounts.login, 'ilse'));
  await office.db.insert(accounts).values({ ...template!, id: randomUUID(), office: elsewhere, login: 'eve' });
  const eve = await visitor(office);
  expect((await eve.get(address)).status).toBe(401);
  expect((await eve.piece(`${address}?at=0`, picture.bytes)).status).toBe(401);
  await eve.signIn('eve', PASSWORD);
  expect((await eve.get(address)).status).toBe(404);
  expect((await eve.piece(`${address}?at=0`, picture.bytes)).status).toBe(404);
  expect((await who.bare.put(`${address}?at=0`).set('content-type', 'application/octet-stream').send('x')).status).toBe(
    403,
  );
});

test('what was shown when a decision was signed is sealed by its hash, and still there when it was taken out since', async () => {
  const { inspection, picture, address } = await announced(1000);
  await who.piece(`${address}?at=0`, picture.bytes);
  await who.change(await who.decisionOn(inspection, CORRECTIONS));
  const { evidence } = (await who.get(`/api/inspections/${inspection}`)).body as Inspection;
  await who.change(changeOf({ type: 'evidence', inspection, evidence: evidence[0]!.id, is: null }));
  expect((await who.get(`/api/inspections/${inspection}`)).body).toMatchObject({ evidence: [] });
  expect((await who.get(`/api/inspections/${inspection}/records`)).body).toMatchObject({
    records: [{ sealHolds: true, record: { evidence: [{ photo: { sha256: picture.sha256 }, by: 'Ilse O’Harrow' }] } }],
  });
  expect((await who.get(address)).status).toBe(200);
});
