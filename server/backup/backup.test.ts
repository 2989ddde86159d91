import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { touched } from '@careful-latch/core/record';
import { connect } from '../database/client';
import { offices } from '../database/schema';
import { verifyOffice } from '../ledger/verify';
import { CORRECTIONS, changeOf, jpegOf, opening, openOffice, photoOf, pictureOf, visitor } from '../test/office';
import { backUp, restore } from './backup';

const PASSWORD = 'a long password';

test('a backup comes back into an empty database, with its photos, and every seal holds', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'careful-latch-'));
  const [own, empty] = [await openOffice({ demo: false }), await openOffice({ demo: false, migrated: false })];
  const who = await visitor(own);
  await who.post('/api/setup', {
    office: 'W',
    edition: '2020',
    name: 'Ilse O’Harrow',
    login: 'ilse',
    password: PASSWORD,
  });
  await who.signIn('ilse', PASSWORD);
  const house = randomUUID();
  const picture = pictureOf(jpegOf(5000));
  await who.change(opening(house), changeOf(touched(house, 'breaker.ratingA', 50)), photoOf(house, picture));
  await who.piece(`/api/inspections/${house}/photos/${picture.sha256}?at=0`, picture.bytes);
  await who.change(await who.decisionOn(house, CORRECTIONS));

  const programs = process.env.POSTGRES_PROGRAMS!; // npm test says where they are
  const place = { databaseUrl: own.url, evidenceFolder: own.evidenceFolder, programs };
  const backup = join(folder, 'backup');
  await backUp(place, backup);
  await expect(backUp(place, backup)).rejects.toThrow('is there already');
  await expect(restore(place, backup)).rejects.toThrow('The database is not empty.');
  await expect(restore(place, folder)).rejects.toThrow('is no backup');

  const there = { databaseUrl: empty.url, evidenceFolder: join(folder, 'photos'), programs };
  await restore(there, backup);
  const { db, pool } = connect(empty.url, () => undefined);
  const [office] = await db.select().from(offices);
  expect(await verifyOffice(db, own.keys.publicKeys, office!.id)).toMatchObject({ lines: 3, unsigned: 0 });
  const photo = join(folder, 'photos', office!.id, picture.sha256.slice(0, 2), `${picture.sha256}.jpg`);
  expect(picture.bytes.equals(await readFile(photo))).toBe(true);
  await expect(pool.query('delete from decisions')).rejects.toThrow(/only ever added to/); // the guards came too
  await pool.end();
  await own.close();
  await empty.close();
  await rm(folder, { recursive: true });
}, 60_000);
