import { ON_PHONE, expect, test } from './office';
import { Walker } from './walk';

/** Invites somebody on the screen of the people, as what is chosen there; resolves with the link. */
async function invite(walker: Walker, name: string): Promise<string> {
  await walker.page.getByLabel('Whom').fill(name);
  await walker.press('button', 'Make the link');
  return /https?:\S+\/join#\S+/.exec(await walker.page.getByTestId('link').innerText())![0];
}

test(
  'from the invitation to the first signed inspection; switched off in the middle of a walk, what was entered is kept, said, and taken in by the lead',
  ON_PHONE,
  async ({ page, office, browser }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await page.getByTestId('menu').click();
    await walker.press('button', 'People');
    const link = await invite(walker, "Odo D'Ambrose");

    const other = await browser.newContext({ viewport: page.viewportSize() });
    const his = await other.newPage();
    const odo = new Walker(his, office);
    await odo.bySheets();
    await his.goto(link);
    await odo.press('button', 'Come in');
    await expect(his.getByText('Give your name.')).toBeVisible();
    await odo.join("Odo D'Ambrose", 'odo');
    await expect(his.getByRole('button', { name: 'New inspection' })).toBeVisible();
    await odo.openNew('5 Cellar Row', 'Una O’Quill', 'Interlock on the panel');
    await odo.goTo('breaker');
    await odo.record('breaker.ratingA', 50);
    await odo.sign('Corrections required');
    await expect(his.getByTestId('signed')).toContainText("Odo D'Ambrose");
    await expect(his.getByText('Seal holds')).toBeVisible();

    await page.reload();
    const person = page.getByTestId('person-odo');
    await expect(person).toContainText('Inspector');
    await person.getByRole('button', { name: 'Change' }).click();
    await person.getByRole('button', { name: 'Switch off' }).click();
    await expect(person).toContainText('switched off');

    await odo.goTo('inlet');
    await odo.record('inlet.ratingA', 30);
    await expect(his.getByTestId('save-line').getByText('Your account was switched off')).toBeVisible();
    await expect(his.getByRole('alert').getByText('It is kept for the lead of the office')).toBeVisible();
    await his.reload();
    await expect(odo.fact('inlet.ratingA').getByRole('radio', { name: '30', exact: true })).toHaveAttribute(
      'aria-checked',
      'true',
    );
    await other.close();

    await page.goto(`${office.address}/morning`);
    const late = page.getByTestId('late');
    await expect(late).toContainText("Odo D'Ambrose entered something");
    await late.getByRole('button', { name: 'Take it in as theirs' }).click();
    await expect(late.getByRole('status')).toHaveText('5 Cellar Row: 1 taken in.');
    await page.goto(`${office.address}/`);
    await walker.openFromList('5 Cellar Row');
    await walker.goTo('inlet');
    await expect(walker.fact('inlet.ratingA').getByRole('radio', { name: '30', exact: true })).toHaveAttribute('aria-checked', 'true'); // prettier-ignore
  },
);

test('another password ends the session elsewhere', ON_PHONE, async ({ page, empty, browser }) => {
  const walker = new Walker(page, empty);
  await page.goto(`${empty.address}/`);
  await page.getByLabel('Office', { exact: true }).fill('Scion Hollow Office');
  await walker.press('radio', '2017');
  await page.getByLabel('Your name').fill('Una O’Trill');
  await page.getByLabel('Sign-in name').fill('una');
  await page.getByLabel('Password').fill('a long password');
  await walker.press('button', 'Make the account');
  await expect(page.getByRole('button', { name: 'New inspection' })).toBeVisible();
  const other = await browser.newContext({ viewport: page.viewportSize() });
  const lost = await other.newPage();
  await lost.goto(`${empty.address}/`);
  await lost.getByLabel('Sign-in name').fill('una');
  await lost.getByLabel('Password').fill('a long password');
  await lost.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(lost.getByRole('button', { name: 'New inspection' })).toBeVisible();

  await page.getByTestId('menu').click();
  await walker.press('button', 'Password, sessions');
  await expect(page.getByText(/^Since .*here$/)).toBeVisible();
  await page.getByLabel('Your present password').fill('not it at all');
  await page.getByLabel(/^The new one/).fill('quite another password');
  await walker.press('button', 'Change it');
  await expect(page.getByRole('alert')).toContainText('This is not your present password');
  await page.getByLabel('Your present password').fill('a long password');
  await walker.press('button', 'Change it');
  await expect(page.getByRole('status')).toContainText('every other session has ended');
  expect((await lost.request.get(`${empty.address}/api/inspections`)).status()).toBe(401);
  expect((await page.request.get(`${empty.address}/api/inspections`)).status()).toBe(200);
  await other.close();
});

test(
  'a house that was finished long ago is let go of by the phone, and found at the office',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    const row = page.getByTestId('row-5 Blossom Turn');
    await expect(row).toBeVisible();
    await office.stop();
    await office.sql("update inspections set rests_on = '2026-01-01' where address = '5 Blossom Turn'");
    await office.start();
    await page.reload();
    await expect(page.getByTestId('row-8 Pippin Row')).toBeVisible();
    await expect(row).toBeHidden();

    await page.getByLabel('Search', { exact: true }).fill('bloss');
    await walker.press('button', 'Look in all of the office');
    const found = page.getByTestId('office-row-5 Blossom Turn');
    await expect(found).toContainText('Corrections required');
    await expect(page.getByTestId(/^office-row/)).toHaveCount(1);
    await office.stop();
    await page.getByLabel('Search the office').fill('blossom turn');
    await expect(page.getByRole('alert')).toContainText('What this device holds is in the list');
    await office.start();
    await page.getByLabel('Search the office').fill('5 blossom');
    await expect(page.getByRole('alert')).toBeHidden();
    await found.click();
    await expect(page.getByText('5 Blossom Turn').first()).toBeVisible();
    await page.goto(`${office.address}/`);
    await expect(row).toBeVisible(); // it is at hand again
  },
);

test(
  'what the lead adopts says first what it would change, is asked on the walk, and stands in what is signed',
  ON_PHONE,
  async ({ page, office, browser }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await page.getByTestId('menu').click();
    await walker.press('button', 'Rules of the office');
    await page.getByLabel('Find a rule').fill('lockable');
    await page.getByRole('button', { name: /The lid of the inlet can be locked/ }).click();
    const amended = page.getByTestId('amended-inlet/lockable');
    await amended.getByRole('radio', { name: 'Not asked here' }).click();
    await expect(page.getByRole('alert')).toContainText('say why the office changes it');
    await amended.getByLabel('Why the office changes it').fill('The lids here are screwed shut.');
    await walker.press('button', 'Another item');
    await page.getByLabel('What is asked').fill('Is the permit posted?');
    await page.getByLabel('Ordinance or section').fill('Township Ordinance 7-1');
    const change = page.getByTestId('would-change');
    await expect(change).toContainText('not asked → unproven: is the permit posted');
    await expect(change).toContainText('not-applicable: The lid of the inlet can be locked.');
    await page.getByLabel('Why these rules are adopted').fill('So decided by the township board.');
    await walker.press('radio', 'For open ones too');
    await walker.press('button', 'Adopt as version 1');
    await expect(page.getByRole('status')).toContainText('Version 1 is adopted');

    const other = await browser.newContext({ viewport: page.viewportSize(), hasTouch: true });
    const his = await other.newPage();
    const joss = new Walker(his, office);
    await joss.signIn('Joss Linnaker');
    await joss.openNew('6 Rule Row', 'Una O’Quill', 'Interlock on the panel');
    await joss.goTo('panel');
    const own = his.getByRole('group', { name: 'The office’s own items' });
    await joss.choose(own.getByRole('radio', { name: 'No', exact: true }));
    await joss.sign('Corrections required');
    await expect(his.getByText('Seal holds')).toBeVisible();
    await expect(his.getByText('No: Is the permit posted?').first()).toBeVisible();
    await other.close();
  },
);

test(
  'two phones apart record a fact differently: after a restart of the office both stand, until one chooses',
  ON_PHONE,
  async ({ page, office, browser }) => {
    const ilse = new Walker(page, office);
    const other = await browser.newContext({ viewport: page.viewportSize(), hasTouch: true });
    const his = await other.newPage();
    const joss = new Walker(his, office);
    for (const [one, name] of [[ilse, 'Ilse O’Harrow'], [joss, 'Joss Linnaker']] as const) {
    await one.signIn(name);
    await one.openFromList('17 Graftwood Lane');
    await one.goTo('inlet');
    await one.savedAtOffice();
  } // prettier-ignore
    await other.setOffline(true);
    await joss.record('inlet.ratingA', 50);
    await joss.record('inlet.enclosure', '3');
    await ilse.record('inlet.ratingA', 20);
    await ilse.savedAtOffice();
    await office.stop();
    await other.setOffline(false);
    await expect(his.getByTestId('save-line').filter({ visible: true }).first()).toContainText('2 entries to send');
    await office.start();
    await joss.savedAtOffice();

    const differs = his.getByTestId('differing').filter({ visible: true });
    await expect(differs).toContainText('20 A: Ilse O’Harrow');
    await expect(differs).toContainText('50 A: Joss Linnaker');
    await page.reload();
    await expect(page.getByTestId('differing').filter({ visible: true })).toContainText('50 A: Joss Linnaker');
    await ilse.press('button', /^50 A: Joss Linnaker/);
    await expect(page.getByTestId('differing')).toBeHidden();
    await ilse.savedAtOffice();
    await his.reload();
    await expect(his.getByTestId('fact-inlet.ratingA').getByRole('radio', { name: '50', exact: true })).toHaveAttribute('aria-checked', 'true'); // prettier-ignore
    await expect(his.getByTestId('differing')).toBeHidden();
    await other.close();
  },
);

test(
  'from a firm’s self-check to a request: its people share it, the office finds for itself, and claimed stands beside found',
  ON_PHONE,
  async ({ page, office, browser }) => {
    const maro = new Walker(page, office);
    await maro.signIn('Maro Tillane');
    await maro.openNew('12 Self-check Row', 'Una O’Quill', 'Interlock on the panel');
    await maro.goTo('breaker');
    await maro.record('breaker.ratingA', 30);
    await maro.goTo('breaker'); // by the path
    await maro.savedAtOffice();
    const house = page.url().replace('/breaker', '');

    await page.goto(`${office.address}/people`);
    await expect(page.getByText('People of Tillane Electric')).toBeVisible();
    const link = await invite(maro, 'Tove Marsh');
    const third = await browser.newContext({ viewport: page.viewportSize(), hasTouch: true });
    const hers = await third.newPage();
    const tove = new Walker(hers, office);
    await tove.bySheets();
    await hers.goto(link);
    await tove.join('Tove Marsh', 'tove');
    await expect(hers.getByTestId('row-7 Sapling Close')).toBeVisible();
    await tove.openFromList('12 Self-check Row');
    await tove.goTo('inlet');
    await tove.record('inlet.ratingA', 30);
    await tove.savedAtOffice();
    await third.close();
    await page.goto(house);
    await maro.press('button', 'Ask the office for an inspection');
    await maro.press('button', 'Hand it over');
    await expect(page.getByText('You asked the office for an inspection')).toBeVisible();
    await maro.savedAtOffice();

    const other = await browser.newContext({ viewport: page.viewportSize(), hasTouch: true });
    const his = await other.newPage();
    const joss = new Walker(his, office);
    await joss.signIn('Joss Linnaker');
    await expect(his.getByTestId('row-8 Pippin Row')).toBeVisible();
    await expect(his.getByTestId('row-7 Sapling Close')).toBeHidden(); // the firm’s own
    await his.goto(`${office.address}/morning`);
    await his.getByTestId('concern-requests').getByText('12 Self-check Row').click();
    await expect(his.getByText('Inspection requested')).toBeVisible();
    await joss.goTo('transfer');
    await joss.record('transfer.kind', 'retrofit-interlock');
    await joss.goTo('breaker');
    await joss.record('breaker.ratingA', 50);
    await expect(his.getByTestId('claimed').filter({ visible: true })).toContainText('30 A');
    await joss.sign('Corrections required');
    await expect(his.getByText('Seal holds')).toBeVisible();

    await page.reload();
    await expect(page.getByText('Corrections required').first()).toBeVisible();
    await page.goto(`${page.url()}/findings`);
    await expect(page.getByTestId('claimed')).toContainText(/Breaker rating\s*30\sA\s*50\sA/);
    await other.close();
  },
);
