import { TRANSFER_KINDS, type Station } from '@careful-latch/core/case';
import { VERDICT_WORDS, evaluate } from '@careful-latch/core/verdict';
import { ON_PHONE, expect, test } from './office';
import { StripWalker, openByDrawing, usualAt } from './strip';
import { Walker, example } from './walk';

/** Houses of most connections; `npm run taps` walks those of all seven, and counts. */
const HOUSES = [
  'walk-interlock-four-circuits',
  'ok-load-side-switch',
  'ok-whole-house-manual',
  'ok-single-circuit-switch',
  'ok-cords-only',
];

/** These are walked on the smallest phone. */
const SMALL = ['ok-single-circuit-switch', 'ok-cords-only'];

for (const name of HOUSES)
  test(
    `${name}: a whole house by drawing and strip; on a wide screen by keyboard alone`,
    name === HOUSES[0] ? {} : ON_PHONE,
    async ({ page, office }) => {
      const walker = new Walker(page, office);
      if (SMALL.includes(name)) await page.setViewportSize({ width: 360, height: 640 });
      const truth = example(name);
      const strip = new StripWalker(page, { keyboard: walker.wide });
      await strip.hurry();
      await walker.signIn(undefined, 'drawings');
      const usual = await usualAt(page, office.address);
      await openByDrawing(page, strip, TRANSFER_KINDS[truth.transfer!.kind as keyof typeof TRANSFER_KINDS]);
      const reloaded = new Set<Station>();
      await strip.walk(truth, usual, async ({ station }) => {
        // A reload at every third station: what was recorded is there, and the same part is in hand.
        if (reloaded.has(station) || !['cord', 'breaker', 'grounding', 'function'].includes(station)) return;
        reloaded.add(station);
        await page.reload();
        await page.getByTestId('strip').waitFor();
      });
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
  },
);

test('a violation stops the walk, is read, and gone on from; what was touched by hand is changed alone', async ({
  page,
  office,
}) => {
  const walker = new Walker(page, office);
  await walker.signIn(undefined, 'drawings');
  await page.goto(`${office.address}/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000001/breaker`);
  const strip = new StripWalker(page);
  await strip.touch(page.getByTestId('part-breaker/face'));
  await strip.touch(page.getByTestId('known-breaker.ratingA'));
  await strip.touch(
    page.getByTestId('strip').locator('[aria-busy="false"]').getByRole('radio', { name: '50', exact: true }),
  );
  await expect(page.getByTestId('strip')).toContainText('30 A allowed by the source outlet, 50 A found.');
  await expect(page.getByTestId('part-breaker/face')).toHaveAttribute('aria-label', /violated/);
  await strip.touch(page.getByTestId('strip').getByRole('button', { name: 'Undo', exact: true }));
  await expect(page.getByTestId('part-breaker/face')).toHaveAttribute('aria-label', /30 A.*known/);
});

test('a meter that goes silent says so; the value is typed instead', ON_PHONE, async ({ page, office }) => {
  const walker = new Walker(page, office);
  await walker.signIn(undefined, 'drawings');
  await page.routeWebSocket(/\/api\/meter/, () => undefined); // it is connected, and says nothing
  await page.goto(
    `${office.address}/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000001/grounding?fact=grounding.frameToPanelOhm`,
  );
  const strip = new StripWalker(page);
  await strip.touch(page.getByTestId('strip').getByRole('button', { name: 'Take the reading', exact: true }));
  await expect(page.getByTestId('meter')).toContainText('Simulated meter');
  await expect(page.getByTestId('meter')).toContainText('The meter says nothing.');
  await strip.touch(page.getByRole('button', { name: 'Type it instead', exact: true }));
  await page.getByTestId('strip').getByLabel('Frame of the source to panel ground, typed').fill('0.4');
  await page.getByTestId('strip').getByLabel('Frame of the source to panel ground, typed').press('Enter');
  await expect(page.getByTestId('strip')).toContainText('0.4 Ω from frame to panel.');
});
