// Taps, keys and scroll gestures from "New inspection" to the findings, by drawing and strip in the real interface at 390 × 844.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium as browserType } from '@playwright/test';
import { TRANSFER_KINDS, parseCase, type Case } from '@careful-latch/core/case';
import { VERDICT_WORDS, evaluate } from '@careful-latch/core/verdict';
import { Office } from '../e2e/server';
import { StripWalker, openByDrawing, usualAt } from '../e2e/strip';
import { buildApplication } from './build.mjs';
import { chromium } from './chromium.mjs';
import { startCluster } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));

/** The most that each may take. */
const LIMITS: readonly { readonly example: string; readonly taps: number; readonly scrolls: number }[] = [
  { example: 'walk-interlock-four-circuits', taps: 75, scrolls: 3 },
  { example: 'walk-switch-ten-circuits', taps: 110, scrolls: 6 },
  { example: 'ok-single-circuit-switch', taps: 65, scrolls: 3 },
  { example: 'ok-cords-only', taps: 25, scrolls: 3 },
  { example: 'ok-transfer-panel', taps: 80, scrolls: 4 },
  { example: 'ok-whole-house-manual', taps: 80, scrolls: 4 },
  { example: 'ok-whole-house-automatic', taps: 80, scrolls: 4 },
];

const wanted = process.argv.slice(2);
const say = (text: string) => console.error(`· ${text}`);

async function main(): Promise<void> {
  await buildApplication(root, say);
  const cluster = await startCluster({ folder: join(root, '.data', 'taps-postgres'), say, forTests: true });
  process.env.TEST_DATABASE_URL = cluster.url;
  const office = await Office.open(true);
  const browser = await browserType.launch({ executablePath: chromium(), args: ['--no-sandbox', '--disable-gpu'] });
  const found: object[] = [];
  let over = false;
  try {
    for (const { example, taps, scrolls } of LIMITS.filter(
      (one) => wanted.length === 0 || wanted.includes(one.example),
    )) {
      const read = parseCase(readFileSync(join(root, 'examples', `${example}.json`), 'utf8'));
      if (!read.ok) throw new Error(read.errors.join('\n'));
      const truth: Case = read.case;
      const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
      const page = await context.newPage();
      await page.goto(office.address);
      await page.getByRole('button', { name: /Ilse/ }).click();
      await page.getByRole('button', { name: 'New inspection' }).waitFor();
      const usual = await usualAt(page, office.address);
      const walker = new StripWalker(page, { scrolls: true });
      await openByDrawing(page, walker, TRANSFER_KINDS[truth.transfer!.kind as keyof typeof TRANSFER_KINDS]);
      try {
        await walker.walk(truth, usual, async (touch) => {
          if (process.env.TRACE) console.error(walker.count.taps, JSON.stringify(touch));
        });
        await walker.touch(page.getByTestId('strip').getByRole('button', { name: 'Findings', exact: true }));
      } catch (error) {
        await page.screenshot({ path: join(root, '.data', 'taps-failed.png') });
        throw error;
      }
      const verdict = await page.getByTestId('verdict').first().innerText();
      const right = VERDICT_WORDS[evaluate(truth).verdict];
      const within = walker.count.taps <= taps && walker.count.scrolls <= scrolls && verdict.includes(right);
      if (!within) over = true;
      found.push({ example, ...walker.count, most: { taps, scrolls }, verdict, right, within });
      await context.close();
    }
  } finally {
    await browser.close();
    await office.close();
    await cluster.stop();
  }
  console.log(JSON.stringify(found, undefined, 2));
  if (over) process.exitCode = 1;
}

await main();
