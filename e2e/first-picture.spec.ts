import type { Page } from '@playwright/test';
import { DEMO_PASSWORD } from '../server/demo/password';
import { ON_PHONE, expect, test } from './office';
import { Walker } from './walk';

const HOUSE = '/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000002';

/** Keeps the scripts back until the function it gives is called. */
async function scriptsHeld(page: Page): Promise<() => void> {
  let release = () => undefined as void;
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.route(/\/_expo\//, async (route) => {
    await held;
    await route.continue();
  });
  return release;
}

const AWAY = /\/(_expo\/|worker\.js|api\/)/;

/** Of all scripts that the first screen waits for, as they are sent. */
const MOST_BYTES = 350 * 1024;

test('the scripts of the first screen are few', ON_PHONE, async ({ page, office }) => {
  await new Walker(page, office).signIn();
  const sent: Promise<number>[] = [];
  page.on('requestfinished', (request) => {
    if (request.resourceType() === 'script') sent.push(request.sizes().then((one) => one.responseBodySize));
  });
  await page.goto(`${office.address}/`);
  await expect(page.getByRole('button', { name: 'New inspection' })).toBeVisible();
  const early = await page.locator('script[src]').evaluateAll((all) => all.length);
  await expect.poll(() => sent.length).toBeGreaterThanOrEqual(early);
  expect((await Promise.all(sent)).reduce((sum, one) => sum + one, 0)).toBeLessThanOrEqual(MOST_BYTES);
});

test('the sign-in is typed into before the application begins, and keeps what was typed', async ({ page, office }) => {
  await page.goto(`${office.address}/inspection/whatever`);
  const name = page.getByLabel('Sign-in name');
  await name.fill('ilse');
  await expect(page.locator('script[src]')).toHaveCount(0);
  await name.press('Enter');
  await expect(page.getByText('Give your password.')).toBeVisible();
  await expect(page.locator('#picture')).toHaveCount(0);
  await expect(name).toHaveValue('ilse');
  await expect(name).toBeFocused();
});

test('who signs in by the keys before any script is signed in, and the form forgets the password', async ({ page, office }) => {
  const release = await scriptsHeld(page);
  await page.goto(`${office.address}/`, { waitUntil: 'commit' });
  await page.getByLabel('Sign-in name').fill('ilse');
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByLabel('Password').press('Enter');
  await expect(page.locator('#picture')).toBeVisible();
  release();
  await expect(page.getByRole('button', { name: 'New inspection' })).toBeVisible();
  await page.getByTestId('menu').click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByLabel('Password')).toHaveValue('');
}); // prettier-ignore

test('who presses the button before any script is signed in', async ({ page, office }) => {
  const release = await scriptsHeld(page);
  await page.goto(`${office.address}/`, { waitUntil: 'commit' });
  await page.getByLabel('Sign-in name').fill('ilse');
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  release();
  await expect(page.getByRole('button', { name: 'New inspection' })).toBeVisible();
});

test('a device that was here before begins at once', async ({ page, office, context }) => {
  await new Walker(page, office).signIn();
  await context.clearCookies();
  await page.goto(`${office.address}/`);
  await expect(page.getByRole('button', { name: 'New inspection' })).toBeVisible();
});

test('where the application does not come through it says so, and the next press brings it', async ({ page, office }) => {
  await page.route(/\/_expo\//, (route) => route.abort());
  await page.goto(`${office.address}/`);
  const demo = page.getByRole('button', { name: 'Joss Linnaker, inspector' });
  await demo.click();
  await expect(page.getByRole('alert')).toContainText('Press again');
  await page.unroute(/\/_expo\//);
  await demo.click();
  await expect(page.getByRole('button', { name: 'New inspection' })).toBeVisible();
}); // prettier-ignore

test('the menu opens that was pressed before any script, though it says somebody’s initials by then', ON_PHONE, async ({ page, office }) => {
  await new Walker(page, office).signIn();
  const release = await scriptsHeld(page);
  await page.goto(`${office.address}/`, { waitUntil: 'commit' });
  await page.locator('#picture').getByTestId('menu').filter({ visible: true }).click();
  release();
  await expect(page.getByRole('button', { name: 'Sign out' })).toBeVisible();
}); // prettier-ignore

test('the styles of a picture are for it alone', ON_PHONE, async ({ page, office }) => {
  await new Walker(page, office).signIn();
  await page.reload();
  const chosen = page.getByRole('radio', { name: 'What is due' });
  await expect(chosen).toBeVisible();
  await expect(page.locator('#picture')).toHaveCount(0);
  await expect(chosen).toHaveCSS('background-color', 'rgb(23, 36, 43)');
});

test('the path stands there before any script, where it will be', async ({ page, office }) => {
  await new Walker(page, office).signIn();
  await page.route(AWAY, (route) => route.abort());
  await page.goto(`${office.address}${HOUSE}`);
  const pictured = page.locator('#picture').getByText('Backfed breaker').filter({ visible: true });
  await expect(pictured).toHaveCount(1);
  const { x } = (await pictured.boundingBox())!;
  await page.unroute(AWAY);
  await page.reload();
  await expect(page.locator('#picture')).toHaveCount(0);
  const real = page.getByText('Backfed breaker').first();
  await expect.poll(async () => Math.abs(((await real.boundingBox())?.x ?? Infinity) - x)).toBeLessThan(4);
});
