import { STATIONS } from '@careful-latch/core/case';
import { complaints, tooSmall } from './access';
import { ON_PHONE, ON_WIDE, expect, test } from './office';
import { Walker } from './walk';

const HOUSE = '/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000002';

/** Colors are the same on any size, and sizes in any theme: the phone is tried by day, the wide screen by night. */
const THEMES = [
  ['light', ON_PHONE],
  ['dark', ON_WIDE],
] as const;

/** Laid out anew on a wide screen. */
const OF_WIDE = ['/morning', '/calendar', '/month', `${HOUSE}/findings`, `${HOUSE}/loads`];

for (const [scheme, where] of THEMES)
  test(
    `every screen can be read and used by everybody, and touched by a thumb (${scheme})`,
    where,
    async ({ page, office }) => {
      const walker = new Walker(page, office);
      await page.emulateMedia({ colorScheme: scheme });
      await page.goto(`${office.address}/sign-in`);
      await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
      expect(await complaints(page)).toEqual([]);
      await walker.signIn();
      expect(await complaints(page)).toEqual([]);
      for (const screen of [
        '/new',
        HOUSE,
        ...(['cord', 'breaker', 'neutral', 'loads'] as const).map((one) => `${HOUSE}/${one}`), // all sheets are made of the same
        `${HOUSE}/findings`,
        `${HOUSE}/decide`,
        `${HOUSE}/record`,
        `${HOUSE}/visit`,
        `${HOUSE}/history`,
        `${HOUSE}/paper?name=report`,
        '/morning',
        '/calendar',
        '/month',
        '/storm',
        '/keeping',
        '/people',
        '/all',
        '/rules',
        '/account',
      ]) {
        await page.goto(`${office.address}${screen}`);
        await expect(page.getByRole('heading').first()).toBeVisible();
        await page.waitForLoadState('networkidle'); // what it asks the office for is shown too
        expect([screen, await complaints(page, { colors: walker.wide && !OF_WIDE.includes(screen) })]).toEqual([
          screen,
          [],
        ]);
        if (!walker.wide) expect([screen, await tooSmall(page)]).toEqual([screen, []]);
      }
    },
  );

for (const [scheme, where] of THEMES)
  test(`every drawing can be read and used by everybody (${scheme})`, where, async ({ page, office }) => {
    const walker = new Walker(page, office);
    await page.emulateMedia({ colorScheme: scheme });
    await walker.signIn(undefined, 'drawings');
    for (const station of STATIONS) {
      await page.goto(`${office.address}${HOUSE}/${station}`);
      await page.getByTestId('strip').waitFor();
      expect([station, await complaints(page, { colors: scheme === 'dark' })]).toEqual([station, []]);
      expect([station, await tooSmall(page)]).toEqual([station, []]);
    }
  });

test('with text at 200 % a drawing keeps its letters, and is moved sideways by itself to the part in hand', ON_PHONE, async ({ page, office }) => {
  const walker = new Walker(page, office);
  await walker.signIn(undefined, 'drawings');
  await page.setViewportSize({ width: 195, height: 422 }); // as the browser tells it to the page
  for (const part of ['breaker/face', 'breaker/fastener']) {
    await page.goto(`${office.address}${HOUSE}/breaker?part=${encodeURIComponent(part)}`);
    const place = page.getByTestId(`part-${part}`);
    await expect(place).toHaveAttribute('aria-pressed', 'true');
    await expect(place).toBeInViewport({ ratio: 0.5 });
  }
  const letters = page.getByTestId('sideways').locator('svg text').first();
  expect((await letters.boundingBox())!.height).toBeGreaterThan(13);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(195);
}); // prettier-ignore

test('on a wide screen the keyboard walks, answers and takes back', ON_WIDE, async ({ page, office }) => {
  const walker = new Walker(page, office);
  await walker.signIn();
  await page.goto(`${office.address}${HOUSE}/breaker`);
  const plate = (name: string) => walker.fact('breaker.ratingA').getByRole('radio', { name, exact: true });
  await expect(plate('50')).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.press('1');
  await expect(plate('30')).toHaveAttribute('aria-checked', 'true');
  await walker.verdict('Nothing stands against approval');
  await page.keyboard.press('0');
  await expect(plate('Not seen')).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.press('u');
  await expect(plate('30')).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.press('[');
  await expect(page.getByRole('heading', { name: 'Feeder', exact: true })).toBeVisible();
  await page.keyboard.press(']');
  await expect(page.getByRole('heading', { name: 'Backfed breaker', exact: true })).toBeVisible();
});

test('on every screen ? shows the keys and / finds; a number that is asked is typed', ON_WIDE, async ({ page, office }) => {
  const walker = new Walker(page, office);
  await walker.signIn(undefined, 'drawings');
  await page.getByText('30 Ladder Lane').first().waitFor(); // the list itself, not its picture
  await page.keyboard.press('/');
  await expect(page.getByPlaceholder(/^Search address/)).toBeFocused();
  await page.goto(`${office.address}/morning`);
  await page.getByRole('heading', { name: /^Morning of/ }).waitFor();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto(`${office.address}${HOUSE}/feeder?fact=${encodeURIComponent('feeder.stretches[0].lengthFt')}`);
  const typed = page.getByTestId('plates').getByLabel('Length, typed');
  await typed.waitFor();
  await page.getByTestId('question').click();
  await page.keyboard.press('6');
  await page.keyboard.press('3');
  await expect(typed).toHaveValue('63');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('known-feeder.stretches[0].lengthFt')).toContainText('63 ft');
}); // prettier-ignore
