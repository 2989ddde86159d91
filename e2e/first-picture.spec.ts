import { expect, test } from './office';
import { Walker } from './walk';

test.use({ serviceWorkers: 'block' }); // the worker answers with the page that has no picture

const HOUSE = '/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000002';

test('the sign-in stands there before any script, and keeps what was typed meanwhile', async ({ page, office }) => {
  let release = () => undefined as void;
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.route(/\/_expo\//, async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(`${office.address}/inspection/whatever`, { waitUntil: 'commit' });
  const name = page.getByLabel('Sign-in name');
  await name.fill('ilse');
  await expect(page.locator('#picture')).toBeVisible();
  release();
  await expect(page.locator('#picture')).toHaveCount(0);
  await expect(name).toHaveValue('ilse');
  await expect(name).toBeFocused();
});

test('the path stands there before any script', async ({ page, office }) => {
  await new Walker(page, office).signIn();
  await page.route(/\/(_expo\/|worker\.js|api\/)/, (route) => route.abort());
  await page.goto(`${office.address}${HOUSE}`);
  await expect(page.locator('#picture').getByText('Backfed breaker')).toBeVisible();
});
