/** npm run pictures: takes docs/screenshots/ anew from the demo data, one picture of each main view. */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium as browserType, type Page } from '@playwright/test';
import { Office } from '../e2e/server';
import { buildApplication } from './build.mjs';
import { chromium } from './chromium.mjs';
import { startCluster } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const folder = join(root, 'docs', 'screenshots');
const say = (text: string) => console.log(`· ${text}`);
const house = (n: number) => `/inspection/0dd0a7c4-1f5e-4b7a-9c00-${String(n).padStart(12, '0')}`;
const PHONE = { width: 390, height: 844 };
const DESK = { width: 1280, height: 800 };

interface Picture {
  readonly name: string;
  readonly path: string;
  readonly desk?: boolean;
  readonly night?: boolean;
  readonly before?: (page: Page) => Promise<void>;
}

/** A photo of a panel, drawn for it, with a ring around the generator's handle. */
async function ringedPhoto(page: Page): Promise<void> {
  const drawn = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(1200, 1500);
    const context = canvas.getContext('2d')!;
    const box = (color: string, ...at: [number, number, number, number]) => {
      context.fillStyle = color;
      context.fillRect(...at);
    };
    box('#8b9093', 0, 0, 1200, 1500);
    box('#6d7275', 90, 60, 1020, 1380);
    context.font = '84px sans-serif';
    for (let row = 0; row < 5; row++)
      for (const [column, x] of [160, 640].entries()) {
        box('#26292b', x, 150 + row * 250, 400, 190);
        box('#44494c', x + (column ? 20 : 210), 185 + row * 250, 170, 120);
        context.fillStyle = '#e8e4da';
        context.fillText(row === 1 && column === 0 ? '50' : '20', x + (column ? 240 : 60), 275 + row * 250);
      }
    const blob = await canvas.convertToBlob({ type: 'image/jpeg' });
    return [...new Uint8Array(await blob.arrayBuffer())];
  });
  await page.getByTestId('evidence-key').click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'From files' }).click();
  await (await chooser).setFiles({ name: 'panel.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(drawn) });
  await page.getByTestId('shown-photo').click();
  const photo = page.getByTestId('photo');
  const { width, height } = (await photo.boundingBox())!;
  await photo.click({ position: { x: width * 0.25, y: height * 0.33 } });
  await page.getByLabel('Caption', { exact: true }).fill('50 on the generator’s handle');
}

/** A storm day on which one house was seen, and the next is looked at. */
async function stormHouse(page: Page): Promise<void> {
  await page.getByLabel('What happened').fill('Ice on the lines');
  await page.getByRole('button', { name: 'Open a storm day' }).click();
  const see = async (address: string, answers: readonly string[]) => {
    await page.getByLabel('House', { exact: true }).fill(address);
    await page.getByRole('button', { name: 'I am there' }).click();
    for (const answer of answers) await page.getByRole('radio', { name: answer, exact: true }).click();
  };
  await see('3 Windfall Lane', ['Off', 'Out', 'Seen, on utility', 'None seen', 'None', 'The owner']);
  await page.getByRole('button', { name: 'Release to the utility' }).click();
  await page.getByTestId('storm-house').waitFor();
  await see('30 Ladder Lane', ['Running', 'Plugged in', 'None: an outlet is fed', 'None seen', 'None', 'Nobody']);
}

const PICTURES: Picture[] = [
  { name: 'list', path: '/' },
  { name: 'morning', path: '/morning' },
  { name: 'visit', path: `${house(2)}/visit` },
  { name: 'calendar', path: '/calendar' },
  { name: 'month', path: '/month' },
  { name: 'storm', path: '/storm', before: stormHouse },
  { name: 'paper', path: `${house(12)}/paper?name=order` },
  { name: 'path', path: house(2) },
  { name: 'photo', path: `${house(2)}/breaker?fact=breaker.ratingA`, before: ringedPhoto },
  { name: 'breaker-violated', path: `${house(2)}/breaker` },
  { name: 'neutral', path: `${house(4)}/neutral` },
  { name: 'source', path: `${house(1)}/source` },
  { name: 'loads', path: `${house(6)}/loads` },
  { name: 'findings', path: `${house(12)}/findings` },
  {
    name: 'decide',
    path: `${house(9)}/decide`,
    before: async (page) => page.getByRole('radio', { name: 'Corrections required' }).click(),
  },
  { name: 'record', path: `${house(5)}/record`, before: async (page) => page.getByText('Seal holds').waitFor() },
  { name: 'desk-list', path: '/', desk: true, night: true },
  { name: 'desk-wall', path: house(2), desk: true },
  { name: 'desk-loads', path: `${house(6)}/loads`, desk: true },
];

await buildApplication(root, say);
mkdirSync(folder, { recursive: true });
const cluster = await startCluster({ folder: join(root, '.data', 'bench-postgres'), say, forTests: true });
process.env.TEST_DATABASE_URL = cluster.url;
const office = await Office.open(true);
const browser = await browserType.launch({ executablePath: chromium(), args: ['--no-sandbox', '--disable-gpu'] });
try {
  const first = await browser.newPage({ viewport: PHONE });
  await first.goto(`${office.address}/sign-in`);
  await first.getByRole('button', { name: /lead/ }).first().waitFor();
  await first.getByRole('button', { name: /lead/ }).first().click();
  await first.getByRole('button', { name: 'New inspection' }).waitFor();
  const storageState = await first.context().storageState();
  for (const { name, path, desk, night, before } of PICTURES) {
    const context = await browser.newContext({
      viewport: desk ? DESK : PHONE,
      colorScheme: night ? 'dark' : 'light',
      storageState,
    });
    const page = await context.newPage();
    await page.goto(`${office.address}${path}`);
    await page.getByRole('heading').first().waitFor();
    await page.waitForTimeout(1200);
    await before?.(page);
    await page.waitForTimeout(400);
    await page
      .getByText(/Asking the office|sending…/)
      .first()
      .waitFor({ state: 'hidden' });
    await page.screenshot({ path: join(folder, `${name}.png`) });
    say(name);
    await context.close();
  }
} finally {
  await browser.close();
  await office.close();
  await cluster.stop();
}
