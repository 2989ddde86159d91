// Taps, keys and scroll gestures from "New inspection" to the findings, by drawing and strip in the real interface at 390 × 844.
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium as browserType, type Locator, type Page } from '@playwright/test';
import { TRANSFER_KINDS, withFact } from '@careful-latch/core/case';
import { VERDICT_WORDS, evaluate } from '@careful-latch/core/verdict';
import { example as house } from '../core/test/examples';
import { Office } from '../e2e/server';
import { StripWalker, openByDrawing, usualAt } from '../e2e/strip';
import { buildApplication } from './build.mjs';
import { chromium } from './chromium.mjs';
import { startCluster } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));

/** What more a house takes with three faults, a value that is typed, and a wrong touch that is taken back. */
const MORE_WITH_FAULTS = 10;

interface Limit {
  readonly example: string;
  readonly taps: number;
  readonly scrolls: number;
  /** What is otherwise than at the example. */
  readonly faults?: Readonly<Record<string, string | number>>;
}

/** The most that each may take. */
const SOUND: readonly Limit[] = [
  { example: 'walk-interlock-four-circuits', taps: 77, scrolls: 3 },
  { example: 'walk-switch-ten-circuits', taps: 101, scrolls: 6 },
  { example: 'ok-single-circuit-switch', taps: 67, scrolls: 3 },
  { example: 'ok-cords-only', taps: 27, scrolls: 3 },
  { example: 'ok-transfer-panel', taps: 80, scrolls: 4 },
  { example: 'ok-whole-house-manual', taps: 80, scrolls: 4 },
  { example: 'ok-whole-house-automatic', taps: 80, scrolls: 4 },
];

const TYPED = { 'feeder.stretches[0].lengthFt': 63 };
const FAULTS: Readonly<Record<string, Limit['faults']>> = {
  'walk-interlock-four-circuits': { ...TYPED, 'breaker.heldDown': 'no', 'panel.doubleTaps': 'yes', 'labels.generatorBreaker': 'no' },
  'walk-switch-ten-circuits': { ...TYPED, 'transfer.leadsLanded': 'no', 'transfer.gfciAfciKept': 'no', 'labels.positions': 'no' },
  'ok-single-circuit-switch': { ...TYPED, 'siting.coAlarms': 'no', 'inlet.entrySealed': 'no', 'panel.directoryTrue': 'no' },
  'ok-cords-only': { 'cord[0].lengthFt': 63, 'cord[0].coiled': 'yes', 'cord[0].strainRelief': 'no', 'siting.coAlarms': 'no' },
}; // prettier-ignore
const LIMITS: readonly Limit[] = SOUND.flatMap((one) => {
  const faults = FAULTS[one.example];
  return faults ? [one, { ...one, faults, taps: one.taps + MORE_WITH_FAULTS, scrolls: one.scrolls + 2 }] : [one];
});

/** Touches of a journey, each counted. */
type Touch = (what: Locator) => Promise<void>;

/** What is done at the office's houses of the demo, from the list on, and the most touches that it may take. */
const JOURNEYS: readonly {
  readonly name: string;
  readonly taps: number;
  readonly go: (page: Page, touch: Touch) => Promise<void>;
}[] = [
  {
    name: 'reinspection: two open, one verified, one not',
    taps: 20,
    async go(page, touch) {
      const button = (name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' });
      await touch(page.getByTestId('row-12 Orchard Loop'));
      await touch(button('Begin the visit'));
      await touch(button('The owner'));
      const directory = page.getByTestId(/^violation-/).filter({ hasText: 'The directory is wrong' });
      await touch(directory.getByRole('radio').first());
      await touch(directory.getByRole('button', { name: 'Corrected, seen' }));
      await touch(button('Decide and sign'));
      await touch(page.getByRole('radio', { name: 'Corrections required' }));
      await touch(page.getByRole('radio', { name: /^in 14 days/ }));
      await touch(button(/^Sign: /));
      await page.getByText('Seal holds').first().waitFor();
    },
  },
  {
    name: 'clean approval of a finished walk, papers included',
    taps: 8,
    async go(page, touch) {
      await touch(page.getByTestId('row-6 Harvest Gate'));
      await touch(page.getByRole('button', { name: /^Findings/ }).first());
      await touch(page.getByRole('button', { name: 'Decide and sign' }));
      await touch(page.getByRole('radio', { name: 'Approved', exact: true }));
      await touch(page.getByRole('button', { name: 'Sign: approved' }));
      await page.getByText('Seal holds').first().waitFor();
      await touch(page.getByRole('button', { name: 'Certificate of inspection' }).first());
      const saved = page.waitForEvent('download');
      await touch(page.getByRole('button', { name: 'Save as PDF' }));
      await saved;
    },
  },
  {
    name: 'a house on a storm day',
    taps: 10,
    async go(page, touch) {
      await page.goto(`${new URL(page.url()).origin}/storm`);
      await page.getByLabel('What happened').fill('Ice');
      await page.getByRole('button', { name: 'Open a storm day' }).click(); // once for the day
      await touch(page.getByLabel('House', { exact: true }));
      await page.keyboard.type('5 Sleet Lane');
      await touch(page.getByRole('button', { name: 'I am there' }));
      for (const answer of ['Off', 'Out', 'Seen, on utility', 'None seen', 'None', 'The owner'])
        await touch(page.getByRole('radio', { name: answer, exact: true }));
      await touch(page.getByRole('button', { name: 'Release to the utility' }));
      await page.getByTestId('storm-house').waitFor();
    },
  },
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
    for (const { example, taps, scrolls, faults } of LIMITS.filter(
      (one) => wanted.length === 0 || wanted.includes(one.example),
    )) {
      const truth = Object.entries(faults ?? {}).reduce((c, [path, value]) => withFact(c, path, value), house(example));
      const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
      const page = await context.newPage();
      await page.goto(office.address);
      await page.getByRole('button', { name: /Ilse/ }).click();
      await page.getByRole('button', { name: 'New inspection' }).waitFor();
      const usual = await usualAt(page, office.address);
      const walker = new StripWalker(page, { scrolls: true });
      await openByDrawing(page, walker, TRANSFER_KINDS[truth.transfer!.kind as keyof typeof TRANSFER_KINDS]);
      try {
        let slipped = faults === undefined;
        await walker.walk(truth, usual, async (touch) => {
          if (!slipped && touch.act === 'read') slipped = await walker.slip(touch.label);
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
      found.push({
        example,
        ...(faults && { faults }),
        ...walker.count,
        most: { taps, scrolls },
        verdict,
        right,
        within,
      });
      await context.close();
    }
    for (const { name, taps, go } of JOURNEYS.filter((one) => wanted.length === 0 || wanted.includes(one.name))) {
      const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
      const page = await context.newPage();
      await page.goto(office.address);
      await page.getByRole('button', { name: /Ilse/ }).click();
      await page.getByRole('button', { name: 'New inspection' }).waitFor();
      let count = 0;
      try {
        await go(page, async (what) => {
          await what.click({ timeout: 15_000 });
          count++;
        });
      } catch (error) {
        await page.screenshot({ path: join(root, '.data', 'taps-failed.png') });
        throw error;
      }
      if (count > taps) over = true;
      found.push({ journey: name, taps: count, most: { taps }, within: count <= taps });
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
