import { randomUUID } from 'node:crypto';
import { mkdtemp, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { pino } from 'pino';
import { touched } from '@careful-latch/core/record';
import { createApp } from '../app';
import { backUp, restore } from '../backup/backup';
import { changes, decisions, held, ledger, offices } from '../database/schema';
import { verifyOffice } from '../ledger/verify';
import { CORRECTIONS, changeOf, opening, openOffice, visitor, type Office } from '../test/office';
import { settleEpochs } from './epoch';

let office: Office;
let file: string;
let id: string;
beforeEach(async () => {
  office = await openOffice();
  file = join(await mkdtemp(join(tmpdir(), 'careful-latch-')), 'epochs.json');
  [{ id }] = (await office.db.select({ id: offices.id }).from(offices)) as [{ id: string }];
  await settleEpochs(office.door, office.keys, file);
}, 60_000);
afterEach(() => office.close());

const row = async () => (await office.db.select().from(offices).where(eq(offices.id, id)))[0]!;
const settle = () => settleEpochs(office.door, office.keys, file);

test('an office that goes on has one epoch, and the file follows its ledger', async () => {
  const before = await row();
  const who = await visitor(office);
  await who.signIn('ilse');
  const house = randomUUID();
  await who.change(opening(house), changeOf(touched(house, 'breaker.ratingA', 50)));
  await who.change(await who.decisionOn(house, CORRECTIONS));
  await settle();
  const now = await row();
  expect([now.epoch, now.ledgerN]).toEqual([before.epoch, before.ledgerN + 1]);
  expect(JSON.parse(await readFile(file, 'utf8'))).toEqual({ [id]: { epoch: now.epoch, n: now.ledgerN } });
});

test('an older backup has a new epoch, says which lines are lost, and uses no number again; what is sent again is taken, its decision held', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'careful-latch-'));
  const programs = process.env.POSTGRES_PROGRAMS!; // npm test says where they are
  const before = await row();
  await backUp({ databaseUrl: office.url, evidenceFolder: office.evidenceFolder, programs }, join(folder, 'backup'));
  const who = await visitor(office);
  await who.signIn('ilse');
  const house = randomUUID();
  const made = [opening(house), changeOf(touched(house, 'breaker.ratingA', 50))];
  await who.change(...made);
  const decision = await who.decisionOn(house, CORRECTIONS);
  await who.change(decision);
  await settle();
  const { ledgerN } = await row();

  const empty = await openOffice({ demo: false, migrated: false });
  await restore({ databaseUrl: empty.url, evidenceFolder: join(folder, 'photos'), programs }, join(folder, 'backup'));
  await settleEpochs(empty.door, office.keys, file);
  const back = async () => (await empty.db.select().from(offices))[0]!;
  const now = await back();
  expect([before.epoch === now.epoch, now.ledgerN]).toEqual([false, ledgerN + 1]);
  expect(await verifyOffice(empty.db, office.keys.publicKeys, id)).toMatchObject({
    lines: before.ledgerN + 1,
    untold: 0,
  });
  await settleEpochs(empty.door, office.keys, file);
  expect((await back()).epoch).toBe(now.epoch); // once

  const app = createApp({ ...empty, log: pino({ level: 'silent' }), sessionSecret: 'test', keys: office.keys });
  const after = await visitor({ ...empty, app });
  await after.signIn('ilse');
  const again = await after.sentAgain([...made, decision], now.epoch);
  expect(again.body).toMatchObject({
    results: [{ status: 'taken' }, { status: 'taken' }, { status: 'held', detail: expect.stringContaining('brought back from a backup') as string }],
  }); // prettier-ignore
  expect(again.headers['x-epoch']).toBe(now.epoch);
  expect(await empty.db.$count(decisions, eq(decisions.inspection, house))).toBe(0);
  expect(await empty.db.$count(held, eq(held.id, decision.id))).toBe(1);
  expect((await after.sentAgain(made, now.epoch)).body).toMatchObject({ results: [{ status: 'taken-before' }, { status: 'taken-before' }] }); // prettier-ignore

  const late = await after.sentAgain([changeOf(touched(house, 'breaker.ratingA', 30))], before.epoch);
  expect([late.status, late.body]).toMatchObject([412, { detail: expect.stringContaining('Nothing was taken') as string }]); // prettier-ignore
  expect(await empty.db.$count(changes, eq(changes.inspection, house))).toBe(2);
  await empty.close();
}, 60_000);

test('another copy than was served last is one, though its ledger is as long; a file that is lost begins anew', async () => {
  const before = await row();
  await writeFile(file, JSON.stringify({ [id]: { epoch: randomUUID(), n: before.ledgerN } }));
  await settle();
  const now = await row();
  expect([now.epoch === before.epoch, now.ledgerN]).toEqual([false, before.ledgerN]);
  await writeFile(file, '{}');
  await settle();
  expect((await row()).epoch).toBe(now.epoch);
  await writeFile(file, '{"cut o');
  await expect(settle()).rejects.toThrow('cannot be read: it is no JSON');
});

test('lines that were cut out and not said to be lost are found', async () => {
  const who = await visitor(office);
  await who.signIn('ilse');
  await office.pool.query('alter table ledger disable trigger all');
  const { ledgerN } = await row();
  await office.db.delete(ledger).where(eq(ledger.n, ledgerN - 1));
  const { wrong } = await verifyOffice(office.db, office.keys.publicKeys, id);
  expect(wrong).toBe(`Line ${ledgerN - 1}: it was taken out.`);
});
