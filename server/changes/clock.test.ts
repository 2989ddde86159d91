import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { touched, type Change, type Inspection } from '@careful-latch/core/record';
import { changes, inspections } from '../database/schema';
import { CORRECTIONS, changeOf, decisionOn, openOffice, opening, photoOf, jpegOf, pictureOf, recordedEarlier, visitor, type Office } from '../test/office'; // prettier-ignore
import { clockOffMs, dated } from './clock';

const HOUR_MS = 3600_000;
let office: Office;
let who: Awaited<ReturnType<typeof visitor>>;
beforeAll(async () => {
  office = await openOffice();
  who = await visitor(office);
  await who.signIn('ilse');
});
afterAll(() => office.close());

/** A device whose clock is so many hours behind the office's, or ahead: what it records, and what it says while it sends. */
function deviceOff(hours: number) {
  const off = (at: string) => new Date(Date.parse(at) + hours * HOUR_MS).toISOString();
  return {
    says: <C extends Change>(change: C): C => ({ ...change, at: off(change.at) }),
    send: async (...all: Change[]) =>
      ((await who.post('/api/changes', { changes: all, now: off(new Date().toISOString()) })).body as { results: { status: string; detail?: string; dated?: string }[] }).results, // prettier-ignore
  };
}
const houseOf = async (house: string) => (await who.get(`/api/inspections/${house}`)).body as Inspection;
const bodyOf = async (id: string) => (await office.db.select().from(changes).where(eq(changes.id, id)))[0]!.body;
const isNow = (at: string) => Math.abs(Date.parse(at) - Date.now()) < 60_000;

test.each([
  ['a right clock', 0, 0],
  ['nine minutes behind', -9 * 60_000, 0],
  ['eleven minutes behind', -11 * 60_000, 11 * 60_000],
  ['a day ahead', 24 * HOUR_MS, -24 * HOUR_MS],
])('%s', (_, deviceMs, offMs) => {
  expect(clockOffMs(new Date(1_800_000_000_000 + deviceMs).toISOString(), 1_800_000_000_000)).toBe(offMs);
});

test('having been offline is no error of a clock: what was recorded ten hours ago stays so', () => {
  const to = Date.parse('2026-12-02T18:00:00.000Z');
  const then = { at: '2026-12-02T08:00:00.000Z' };
  expect(dated(then, clockOffMs('2026-12-02T18:00:01.000Z', to), -Infinity, to)).toBe(then);
});

test.each([-24 * 365 * 25, -20, 3, 24 * 365 * 73])('a clock %i hours off: what it dates is dated by the office, what it said is kept, and its device fetches the house anew', async (hours) => {
  const device = deviceOff(hours);
  const house = randomUUID();
  const [open, fact, photo] = [opening(house), changeOf(touched(house, 'breaker.ratingA', 30)), photoOf(house, pictureOf(jpegOf(500)))].map(device.says); // prettier-ignore
  expect(await device.send(open!, fact!, photo!)).toMatchObject([{ status: 'taken', dated: 'clock' }, { dated: 'clock' }, { dated: 'clock' }]); // prettier-ignore
  const now = await houseOf(house);
  expect([isNow(now.openedAt), isNow(now.changedAt), isNow(now.evidence[0]!.at)]).toEqual([true, true, true]);
  expect(await bodyOf(fact!.id)).toMatchObject({ clockAt: fact!.at });
  // The same again is the same; what is sent otherwise under its number is not.
  expect(await device.send(fact!)).toMatchObject([{ status: 'taken-before' }]);
  expect(await device.send({ ...fact!, at: new Date().toISOString() })).toMatchObject([{ status: 'refused' }]);
}); // prettier-ignore

test('what was not fetched anew is not signed, and says why; then it is, dated by the office, and its seal holds', async () => {
  const device = deviceOff(-5);
  const house = randomUUID();
  const first = [opening(house), photoOf(house, pictureOf(jpegOf(500)))].map(device.says);
  await device.send(...first);
  // As the device still shows it: with its own times.
  const own = await houseOf(house);
  const stale = { ...own, evidence: own.evidence.map((one) => ({ ...one, at: first[1]!.at })) };
  const unseen = device.says(decisionOn(stale, CORRECTIONS));
  expect(await device.send(unseen)).toMatchObject([{ status: 'refused', detail: expect.stringContaining('the clock of this device is wrong') as string }]); // prettier-ignore
  const signed = device.says(await who.decisionOn(house, CORRECTIONS));
  expect(await device.send(signed)).toMatchObject([{ status: 'taken', dated: 'clock' }]);
  const { records } = (await who.get(`/api/inspections/${house}/records`)).body as { records: { sealHolds: boolean; record: { decision: { at: string } } }[] }; // prettier-ignore
  expect(records).toMatchObject([{ sealHolds: true }]);
  expect(isNow(records[0]!.record.decision.at)).toBe(true);
});

test('a signature is not before what its device had heard of, nor behind its arrival, whatever the device says', async () => {
  for (const at of ['2001-01-01T00:00:00.000Z', '2099-01-01T00:00:00.000Z']) {
    const house = randomUUID();
    await who.change(opening(house));
    await recordedEarlier(office, house, 1);
    const decision = { ...(await who.decisionOn(house, CORRECTIONS)), at } as Change;
    const answer = (await who.change(decision)).body as { results: { status: string }[] };
    const [{ at: sealedAt } = { at: '' }] = (await houseOf(house)).decisions;
    if (at < '2026') {
      // Not before the house was heard of, an hour ago.
      expect(answer.results).toMatchObject([{ status: 'taken', dated: 'bounds' }]);
      expect(Math.abs(Date.parse(sealedAt) - (Date.now() - HOUR_MS))).toBeLessThan(60_000);
    } else expect([answer.results[0]!.status, isNow(sealedAt)]).toEqual(['taken', true]);
  }
});

test('how long something is kept counts by when the office heard of it', async () => {
  const house = randomUUID();
  await who.change({ ...opening(house), at: '2001-01-01T00:00:00.000Z' }); // of a device that does not say its clock
  const [row] = await office.db.select().from(inspections).where(eq(inspections.id, house));
  expect(isNow(row!.changedAt.toISOString())).toBe(true);
});

test('a time that is none is refused with a sentence', async () => {
  for (const now of ['yesterday', 5, '2026-13-40'])
    expect((await who.post('/api/changes', { changes: [], now })).status).toBe(422);
});

test.each([-9, -0.5, -0.05, 0.05, 0.5, 9])('a clock %d minutes off is right enough: what its device shows is what the office has, and a decision on it is sealed', async (minutes) => {
  const device = deviceOff(minutes / 60);
  const house = randomUUID();
  const first = [opening(house), changeOf(touched(house, 'breaker.ratingA', 30)), photoOf(house, pictureOf(jpegOf(500)))].map(device.says);
  expect((await device.send(...first)).map(({ dated: by }) => by)).toEqual([undefined, undefined, undefined]);
  const own = await houseOf(house);
  expect(own).toMatchObject({ openedAt: first[0]!.at, evidence: [{ at: first[2]!.at }] });
  const [answer] = await device.send(device.says(decisionOn(own, CORRECTIONS)));
  expect(answer).toMatchObject({ status: 'taken' });
  expect(answer!.dated).not.toBe('clock');
}); // prettier-ignore
