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

const PICTURES: Picture[] = [
  { name: 'list', path: '/' },
  { name: 'new-inspection', path: '/new' },
  { name: 'path', path: house(2) },
  { name: 'cord', path: `${house(2)}/cord` },
  { name: 'breaker-violated', path: `${house(2)}/breaker` },
  { name: 'neutral', path: `${house(4)}/neutral` },
  { name: 'transfer', path: `${house(7)}/transfer` },
  { name: 'source', path: `${house(1)}/source` },
  { name: 'function-test', path: `${house(1)}/function?fact=function.bothWithPartMoved` },
  {
    name: 'all-facts',
    path: `${house(3)}/feeder`,
    before: async (page) => page.getByRole('button', { name: 'All facts' }).click(),
  },
  { name: 'loads', path: `${house(6)}/loads` },
  { name: 'findings', path: `${house(12)}/findings` },
  {
    name: 'decide',
    path: `${house(9)}/decide`,
    before: async (page) => page.getByRole('radio', { name: 'Corrections required' }).click(),
  },
  { name: 'record', path: `${house(5)}/record`, before: async (page) => page.getByText('Seal holds').waitFor() },
  { name: 'path-night', path: house(4), night: true },
  { name: 'desk-feeder', path: `${house(3)}/feeder`, desk: true },
  { name: 'desk-breaker-night', path: `${house(2)}/breaker`, desk: true, night: true },
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
  await first
    .getByRole('button', { name: /inspector/ })
    .first()
    .waitFor();
  await first.screenshot({ path: join(folder, 'sign-in.png') });
  await first
    .getByRole('button', { name: /inspector/ })
    .first()
    .click();
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
    await page.screenshot({ path: join(folder, `${name}.png`) });
    say(name);
    await context.close();
  }
} finally {
  await browser.close();
  await office.close();
  await cluster.stop();
}
