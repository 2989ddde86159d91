import { createHash } from 'node:crypto';
import type { Page } from '@playwright/test';
import type { Inspection, Photo } from '@careful-latch/core/record';
import { complaints, tooSmall } from './access';
import { WITHOUT_OFFICE, expect, test } from './office';
import { Walker, choosePhoto } from './walk';

const HOUSE = '0dd0a7c4-1f5e-4b7a-9c00-000000000001';
const CAMERA = 'Camera of nobody';

/** A photo of more than 8 MB as a phone held upright takes it: lying on its side, with a note that turns it, and who made the camera. */
async function cameraPhoto(page: Page): Promise<Buffer> {
  const lying = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(3200, 2400);
    const context = canvas.getContext('2d')!;
    const noise = context.createImageData(3200, 2400);
    for (let at = 0; at < noise.data.length; at += 65_536) crypto.getRandomValues(noise.data.subarray(at, at + 65_536));
    for (let i = 3; i < noise.data.length; i += 4) noise.data[i] = 255;
    context.putImageData(noise, 0, 0);
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.97 });
    const reader = new FileReader();
    return new Promise<string>((resolve) => {
      reader.onload = () => resolve((reader.result as string).split(',')[1]!);
      reader.readAsDataURL(blob);
    });
  });
  const jpeg = Buffer.from(lying, 'base64');
  const tiff = Buffer.alloc(38 + CAMERA.length + 1);
  tiff.write('II*\0', 0, 'latin1');
  tiff.writeUInt32LE(8, 4);
  tiff.writeUInt16LE(2, 8);
  tiff.writeUInt16LE(0x010f, 10); // maker
  tiff.writeUInt16LE(2, 12);
  tiff.writeUInt32LE(CAMERA.length + 1, 14);
  tiff.writeUInt32LE(38, 18);
  tiff.writeUInt16LE(0x0112, 22); // orientation: a quarter turn to the right
  tiff.writeUInt16LE(3, 24);
  tiff.writeUInt32LE(1, 26);
  tiff.writeUInt16LE(6, 30);
  tiff.write(CAMERA, 38, 'latin1');
  const head = Buffer.from([0xff, 0xe1, 0, 0]);
  const exif = Buffer.concat([head, Buffer.from('Exif\0\0', 'latin1'), tiff]);
  exif.writeUInt16BE(exif.length - 2, 2);
  return Buffer.concat([jpeg.subarray(0, 2), exif, jpeg.subarray(2)]);
}

async function photosOf(page: Page, address: string): Promise<Photo[]> {
  const answer = await page.request.get(`${address}/api/inspections/${HOUSE}`);
  return ((await answer.json()) as Inspection).evidence.flatMap(({ photo }) => photo ?? []);
}

test(
  'a photo of 8 MB without signal: kept through a reload, ringed, sent once the office is there, sealed with the decision',
  WITHOUT_OFFICE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn(undefined, 'drawings');
    await page.goto(`${office.address}/inspection/${HOUSE}/breaker?fact=breaker.ratingA`);
    const taken = await cameraPhoto(page);
    expect(taken.length).toBeGreaterThan(8_000_000);
    await page.getByTestId('evidence-key').click();
    await page.evaluate(() => navigator.serviceWorker.ready);
    await walker.savedAtOffice();
    await office.stop();

    await choosePhoto(page, 'note.txt', Buffer.from('no photo'));
    await expect(page.getByTestId('evidence').getByRole('alert')).toContainText(
      'note.txt is no photo that can be read here.',
    );
    await choosePhoto(page, 'the handle.jpg', taken);
    await page.getByTestId('shown-photo').click();
    const photo = page.getByTestId('photo');
    const box = (await photo.boundingBox())!;
    expect(box.height).toBeGreaterThan(box.width); // upright, as it was held
    await photo.click({ position: { x: box.width * 0.25, y: box.height * 0.75 } });
    await page.getByRole('radio', { name: 'Arrow', exact: true }).click();
    await photo.click({ position: { x: box.width * 0.75, y: box.height * 0.25 } });
    await photo.click({ position: { x: box.width * 0.75, y: box.height * 0.25 } }); // turns it
    await page.getByLabel('Caption', { exact: true }).fill('30 on the generator’s handle');
    expect([await complaints(page), await tooSmall(page)]).toEqual([[], []]);
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.getByTestId('shown-photo')).toContainText('30 on the generator’s handle');
    await expect(page.getByTestId('save-line')).toContainText('1 photo');

    await page.reload();
    await page.getByTestId('evidence-key').click();
    await page.getByTestId('evidence').getByRole('button', { name: 'Write a note' }).click();
    await page.getByLabel('Note', { exact: true }).fill('Handle worn; it still clicks.');
    await page.getByRole('button', { name: 'Keep the note' }).click();
    await expect(page.getByTestId('shown-note')).toContainText('Handle worn');

    expect([await complaints(page), await tooSmall(page)]).toEqual([[], []]);
    await office.start();
    await page.getByTestId('save-line').click();
    await expect(page.getByTestId('save-line')).toHaveText('Saved at the office');
    const [kept] = await photosOf(page, office.address);
    expect(kept).toMatchObject({ widthPx: 1200, heightPx: 1600 });
    expect(kept!.marks.map(({ kind, turnDeg }) => [kind, turnDeg])).toEqual([
      ['ring', 0],
      ['arrow', 45],
    ]);
    expect(kept!.marks[0]!.x).toBeCloseTo(0.25, 1);
    expect(kept!.marks[0]!.y).toBeCloseTo(0.75, 1);
    const answer = await page.request.get(`${office.address}/api/inspections/${HOUSE}/photos/${kept!.sha256}`);
    const bytes = await answer.body();
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(kept!.sha256);
    expect([bytes.includes('Exif'), bytes.includes(CAMERA)]).toEqual([false, false]);

    await page.goto(`${office.address}/inspection/${HOUSE}/decide`);
    await page.getByRole('radio', { name: 'Approved', exact: true }).click();
    await page.getByRole('button', { name: /^Sign: / }).click();
    await page.getByTestId('signed').first().getByTestId('shown-photo').click();
    await expect(page.getByRole('dialog', { name: 'Photo' })).toContainText('30 on the generator’s handle');
    await expect(page.getByLabel('Caption', { exact: true })).toHaveCount(0); // what was sealed is only looked at
  },
);
