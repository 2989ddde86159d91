import type { Page } from '@playwright/test';
import { TRANSFER_KINDS, emptyCase, factAt, recordedFacts, withFact, type Station } from '@careful-latch/core/case';
import { VERDICT_WORDS, evaluate } from '@careful-latch/core/verdict';
import { ON_PHONE, expect, test } from './office';
import type { Office } from './server';
import { StripWalker, openByDrawing, usualAt } from './strip';
import { example } from '../core/test/examples';
import { Walker } from './walk';

/** A house of each connection. */
const HOUSES = [
  'walk-interlock-four-circuits',
  'ok-load-side-switch',
  'ok-whole-house-manual',
  'ok-transfer-panel',
  'ok-whole-house-automatic',
  'ok-single-circuit-switch',
  'ok-cords-only',
];
/** Of these every fact is walked, of the others what they have not in common with the first. */
const WHOLE = ['walk-interlock-four-circuits', 'ok-single-circuit-switch', 'ok-cords-only'];
const FIRST = example(HOUSES[0]!);
/** These are walked on the smallest phone; `npm run journeys` walks all of them on all three sizes. On a wide screen the first worked case is. */
const SMALL = HOUSES.slice(3);
const EVERY_SIZE = process.env.EVERY_SIZE !== undefined;

/** Signs in, and opens a station of the first house of the demo data. */
async function atStation(page: Page, office: Office, where: string): Promise<StripWalker> {
  await new Walker(page, office).signIn(undefined, 'drawings');
  await page.goto(`${office.address}/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000001/${where}`);
  return new StripWalker(page);
}

for (const [name, small] of HOUSES.flatMap((one) =>
  EVERY_SIZE ? [[one, false] as const, [one, true] as const] : [[one, SMALL.includes(one)] as const],
))
  test(
    `${name}: a whole house by drawing and strip; on ${small ? 'the smallest phone' : 'a phone'}`,
    !small && EVERY_SIZE ? {} : ON_PHONE,
    async ({ page, office }) => {
      const walker = new Walker(page, office);
      if (small) await page.setViewportSize({ width: 360, height: 640 });
      const truth = example(name);
      const strip = new StripWalker(page, { keyboard: walker.wide });
      await strip.hurry();
      await walker.signIn(undefined, 'drawings');
      const usual = await usualAt(page, office.address);
      await openByDrawing(page, strip, TRANSFER_KINDS[truth.transfer!.kind as keyof typeof TRANSFER_KINDS]);
      // Of connections that are like another in most, that is recorded already; `npm run journeys` walks all of every house.
      const common = EVERY_SIZE || WHOLE.includes(name) ? [] : recordedFacts(truth).filter((path) => factAt(truth, path) === factAt(FIRST, path)); // prettier-ignore
      const begun = withFact(emptyCase(truth.edition), 'transfer.kind', truth.transfer!.kind);
      if (common.length > 0) await walker.seed(truth, common);
      const reloaded = new Set<Station>();
      await strip.walk(
        truth,
        usual,
        async ({ station }) => {
          // A reload at every third station: what was recorded is there, and the same part is in hand.
          if (reloaded.has(station) || !['cord', 'breaker', 'grounding', 'function'].includes(station)) return;
          reloaded.add(station);
          await page.reload();
          await page.getByTestId('strip').waitFor();
        },
        common.reduce((now, path) => withFact(now, path, factAt(truth, path)), begun),
      );
      await strip.toFindings();
      await walker.verdict(VERDICT_WORDS[evaluate(truth).verdict]);
      await expect(page.getByText('To come back for')).toHaveCount(0);
    },
  );

test(
  'a wrong touch is one Undo away, through stations; the reading taken again is as it was',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn(undefined, 'drawings');
    const strip = new StripWalker(page);
    await openByDrawing(page, strip, TRANSFER_KINDS['none-cords']);
    const plate = (name: string) => page.getByTestId('strip').getByRole('button', { name, exact: true });
    await strip.touch(plate('Gasoline, 120/240 V, 7000 / 8750 W'));
    await expect(page.getByTestId('part-source/nameplate')).toHaveAttribute('aria-label', /7000/);
    await strip.touch(plate('Undo'));
    await expect(page.getByTestId('part-source/nameplate')).toHaveAttribute('aria-label', /nobody has looked/);
    await strip.touch(plate('Gasoline, 120 V, 2200 / 2800 W'));
    await expect(page.getByTestId('part-source/nameplate')).toHaveAttribute('aria-label', /2200/);
    // where nobody knows where the exhaust points, a touch on the source in the plan says nothing, and asks
    await page.goto(page.url().replace(/source(\?.*)?$/, 'siting'));
    await strip.touch(page.getByTestId('siting-exhaust'));
    await expect(page.getByTestId('question')).toHaveText('Where does its muffler point?');
    await expect(page.getByTestId('part-siting/exhaust')).toHaveAttribute('aria-label', 'Exhaust, nobody has looked');
  },
);

test('a violation stops the walk, is read, and gone on from; what was touched by hand is changed alone', async ({
  page,
  office,
}) => {
  const strip = await atStation(page, office, 'breaker');
  await strip.touch(page.getByTestId('part-breaker/face'));
  await strip.touch(page.getByTestId('known-breaker.ratingA'));
  await strip.touch(
    page.getByTestId('strip').locator('[aria-busy="false"]').getByRole('radio', { name: '50', exact: true }),
  );
  await expect(page.getByTestId('strip')).toContainText('30 A allowed by the inlet, 50 A found.');
  await expect(page.getByTestId('part-breaker/face')).toHaveAttribute('aria-label', /violated/);
  await strip.touch(page.getByTestId('strip').getByRole('button', { name: 'Undo', exact: true }));
  await expect(page.getByTestId('part-breaker/face')).toHaveAttribute('aria-label', /30 A.*known/);
});

test('a meter that goes silent says so; the value is typed instead', ON_PHONE, async ({ page, office }) => {
  await page.routeWebSocket(/\/api\/meter/, () => undefined); // it is connected, and says nothing
  const strip = await atStation(page, office, 'grounding?fact=grounding.frameToPanelOhm');
  await strip.touch(page.getByTestId('strip').getByRole('button', { name: 'Take the reading', exact: true }));
  await expect(page.getByTestId('meter')).toContainText('Simulated meter');
  await expect(page.getByTestId('meter')).toContainText('The meter says nothing.');
  await strip.touch(page.getByRole('button', { name: 'Type it instead', exact: true }));
  await page.getByTestId('strip').getByLabel('Frame of the source to panel ground, typed').fill('0.4');
  await page.getByTestId('strip').getByLabel('Frame of the source to panel ground, typed').press('Enter');
  await expect(page.getByTestId('strip')).toContainText('0.4 Ω from frame to panel.');
});

test('the plan of the siting is touched: a ring, a place, the exhaust that turns; each is taken back by itself', async ({
  page,
  office,
}) => {
  const strip = await atStation(page, office, 'siting');
  const place = page.getByTestId('part-siting/place');
  const exhaust = page.getByTestId('part-siting/exhaust');
  await expect(exhaust).toHaveAttribute('aria-label', 'Exhaust, Away from the house, known');
  await strip.touch(page.getByTestId('siting-ring-5'));
  await expect(page.getByTestId('strip')).toContainText('5 ft from the nearest opening, 20 ft needed');
  await expect(place).toHaveAttribute('aria-label', /5 ft, Outdoors, open.*violated/);
  await strip.touch(page.getByTestId('siting-ring-20'));
  await expect(page.getByTestId('siting-ring-20')).toHaveAttribute('aria-pressed', 'true');
  await expect(place).toHaveAttribute('aria-label', /20 ft, Outdoors, open.*known/);
  await strip.touch(page.getByTestId('siting-exhaust'));
  await expect(exhaust).toHaveAttribute('aria-label', 'Exhaust, Away, to the left, known');
  await page.getByTestId('siting-exhaust').press('Enter');
  await expect(page.getByTestId('strip')).toContainText('The muffler points along the house');
  await strip.touch(page.getByTestId('strip').getByRole('button', { name: 'Undo', exact: true }));
  await expect(exhaust).toHaveAttribute('aria-label', 'Exhaust, Away, to the left, known');
  await strip.touch(page.getByTestId('siting-garage'));
  await expect(page.getByTestId('strip')).toContainText('the exhaust kills within minutes');
  await page.reload();
  await expect(page.getByTestId('siting-garage')).toHaveAttribute('aria-pressed', 'true');
  await expect(place).toHaveAttribute('aria-label', /0 ft, Garage or carport.*hazard/);
  await page.getByRole('link', { name: /^Back to/ }).press('Enter'); // a link is followed by its key, too
  await expect(page).not.toHaveURL(/siting/);
});

test(
  'a circuit that is in no slot stands beside the panel, and the empty slot that is touched then is its own',
  ON_PHONE,
  async ({ page, office }) => {
    const strip = await atStation(page, office, 'loads');
    const taken = page.getByRole('button', { name: /^\d+ .*, slot on leg/ });
    const empty = page.getByRole('button', { name: /^\d+, slot on leg .*nobody has looked$/ });
    const beside = page.getByTestId('in-no-slot-0');
    await taken.first().waitFor();
    const before = await taken.count();
    await page.goto(`${page.url()}?fact=${encodeURIComponent('loads.circuits[0].slot')}`);
    await strip.touch(page.getByTestId('strip').getByRole('button', { name: 'Not seen', exact: true }));
    await expect(beside).toContainText('in no slot yet');
    await expect(taken).toHaveCount(before - 1);
    await strip.touch(beside);
    await strip.touch(empty.first());
    await expect(beside).toHaveCount(0);
    await expect(taken).toHaveCount(before);
  },
);

test(
  'two handles that are touched one after the other share a neutral; Undo goes on after the page was loaded again',
  ON_PHONE,
  async ({ page, office }) => {
    const strip = await atStation(page, office, 'loads');
    const handles = page.getByRole('button', { name: /^\d+ .*, slot on leg/ });
    await strip.touch(page.getByTestId('part-loads/neutral'));
    await strip.touch(handles.nth(0));
    await expect(page.getByTestId('question')).toContainText('now the handle that shares its neutral');
    await strip.touch(handles.nth(1));
    for (const i of [0, 1]) await expect(handles.nth(i)).toHaveAttribute('aria-label', /shares neutral a/);
    await expect(page.getByTestId('save-line')).toContainText('Saved at the office');
    await page.reload();
    await expect(handles.nth(0)).toHaveAttribute('aria-label', /shares neutral a/);
    await strip.touch(page.getByTestId('strip').getByRole('button', { name: 'Undo', exact: true }));
    for (const i of [0, 1]) await expect(handles.nth(i)).not.toHaveAttribute('aria-label', /shares neutral/);
  },
);

test('while a hazard stands nothing asks for the source to be run', ON_PHONE, async ({ page, office }) => {
  const strip = await atStation(page, office, 'function?fact=function.generatorWithMainOn');
  const plates = page.getByTestId('strip').locator('[aria-busy="false"]');
  await strip.touch(page.getByTestId('known-function.generatorWithMainOn'));
  await strip.touch(plates.getByRole('radio', { name: 'It closed', exact: true }));
  await expect(page.getByTestId('told')).toContainText('both sources closed');
  await page.goto(`${page.url().split('?')[0]}?fact=function.groundA`);
  await strip.touch(page.getByTestId('known-function.groundA'));
  await strip.touch(page.getByTestId('strip').getByRole('button', { name: 'Not seen', exact: true }));
  await page.goto(page.url().split('?')[0]!);
  await expect(page.getByTestId('question')).toHaveCount(0);
  await expect(page.getByTestId('strip').getByRole('button', { name: 'Findings', exact: true })).toBeVisible();
});

test('the strip is as high for two answers as for twenty, and with signal as without', ON_PHONE, async ({ page, office }) => {
  const strip = await atStation(page, office, 'breaker?part=breaker%2Fface');
  const height = async () => (await page.getByTestId('strip').boundingBox())!.height;
  await strip.touch(page.getByTestId('known-breaker.ratingA'));
  const before = await height();
  await strip.touch(page.getByTestId('known-breaker.construction'));
  expect(await height()).toBe(before);
  await page.context().setOffline(true);
  await strip.touch(page.getByTestId('known-breaker.ratingA'));
  await strip.touch(page.getByTestId('plates').getByRole('radio', { name: '20', exact: true }));
  await expect(page.getByTestId('save-line')).toContainText('cannot be reached');
  await page.context().setOffline(false);
  await strip.touch(page.getByTestId('known-breaker.construction'));
  expect(await height()).toBe(before);
}); // prettier-ignore

test('a part that is of all cords or runs together, touched, shows what of it is known', ON_PHONE, async ({ page, office }) => {
  const strip = await atStation(page, office, 'cord');
  await strip.touch(page.getByTestId('part-cord/so'));
  await expect(page.getByTestId('known-siting.firmBase')).toBeVisible();
  await expect(page.getByTestId('known-cord[0].coiled')).toContainText('Cord 1: Coiled while loaded');
  await page.goto(page.url().replace('/cord', '/feeder'));
  await strip.touch(page.getByTestId('part-feeder/so'));
  await expect(page.getByTestId('known-feeder.identified')).toBeVisible();
}); // prettier-ignore
