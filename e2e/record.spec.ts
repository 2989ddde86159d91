import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { strFromU8, unzipSync } from 'fflate';
import { verified } from './verified';
import { ON_PHONE, expect, test } from './office';
import { Walker, choosePhoto } from './walk';

const HOUSE = (n: number) => `0dd0a7c4-1f5e-4b7a-9c00-${String(n).padStart(12, '0')}`;

test('a reinspection by another inspector asks for what is open alone; one is corrected, one is not, and the third visit approves with a condition', async ({
  page,
  office,
}, info) => {
  const walker = new Walker(page, office);
  await walker.signIn('Joss Linnaker');
  const before = walker.taps;
  await walker.openFromList('12 Orchard Loop');
  await expect(page.getByText('Before the visit')).toBeVisible();
  await walker.begin();
  const violation = (text: string) => page.getByTestId(/^violation-/).filter({ hasText: text });
  const [openings, directory] = [violation('An opening lets'), violation('The directory is wrong')];
  await expect(page.getByTestId(/^violation-/)).toHaveCount(2);
  await expect(page.getByTestId(/^fact-/)).toHaveCount(2); // nothing else is asked
  await expect(directory).toContainText('cannot be called corrected: it is still found');
  await walker.record('panel.directoryTrue', 'yes');
  await directory.getByRole('button', { name: 'Corrected, seen' }).click();
  walker.taps++;
  await expect(openings.getByRole('button', { name: 'Corrected, seen' })).toHaveCount(0);
  await walker.sign('Corrections required');
  const taps = walker.taps - before + (walker.wide ? 2 : 1); // the row, and on a wide screen its opening
  info.annotations.push({ type: 'taps', description: `${taps} from the list to the signature` });
  expect(taps).toBeLessThanOrEqual(20);
  await expect(page.getByTestId('signed').first()).toContainText('Violation 2, corrected, seen');
  await expect(page.getByTestId('signed').first()).toContainText('Violation 1, open');

  await page.goto(`${office.address}/inspection/${HOUSE(14)}/visit`);
  await walker.begin('The contractor');
  await page.goto(`${office.address}/inspection/${HOUSE(14)}/decide`);
  await walker.press('radio', 'Approved');
  await walker.press('button', 'Sign: approved');
  await expect(page.getByRole('alert').first()).toContainText('1 violation is open: 1.');
  await walker.press('radio', 'Approved with conditions');
  await page.getByRole('button', { name: /^By then: / }).click();
  await walker.press('button', 'Sign: approved with conditions');
  await expect(page.getByTestId('signed')).toHaveCount(3);
  await expect(page.getByTestId('signed').first()).toContainText('Condition:');
  await page.goto(`${office.address}/`);
  await expect(page.getByTestId('row-12 Orchard Loop')).toContainText(walker.wide ? 'Approved with conditions' : 'condition due'); // prettier-ignore
});

test(
  'an order stays in force, on the list and at the house, whatever is recorded; the lead lifts it once its violations are settled',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    const row = page.getByTestId('row-30 Ladder Lane');
    await expect(row).toContainText('Do not use: order in force');
    const headers = await walker.inItsName();
    const changes = Array.from({ length: 30 }, (_, i) => ({
      id: randomUUID(),
      inspection: HOUSE(12),
      at: new Date().toISOString(),
      type: 'facts',
      facts: [{ path: 'source.runningW', value: 5000 + i, how: 'touched' }],
    }));
    expect((await page.request.post(`${office.address}/api/changes`, { data: { changes }, headers })).ok()).toBe(true);
    await page.reload();
    await expect(row).toContainText('Do not use: order in force');
    await row.click();
    await expect(page.getByTestId('order-in-force')).toContainText('DO NOT USE');
    const house = page.url();
    await walker.press('button', 'Record');
    await walker.press('button', 'Order');
    await expect(page.getByTestId('paper')).toContainText('DO NOT REMOVE');
    await expect(page.getByTestId('paper')).not.toContainText('Owner');
    const saved = page.waitForEvent('download');
    await walker.press('button', 'Save as PDF');
    const pdf = await readFile(await (await saved).path());
    expect([pdf.subarray(0, 5).toString(), pdf.length > 10_000]).toEqual(['%PDF-', true]);
    await page.goto(house);
    const posting = page.getByTestId('posting');
    await expect(posting).toContainText('No photo shows yet that it hangs there');
    await walker.press('button', 'Photo of the posting');
    await choosePhoto(page, 'door.jpg', await page.screenshot({ type: 'jpeg' }));
    await expect(posting).not.toContainText('No photo shows yet');
    await walker.savedAtOffice();
    await page.reload();
    await expect(page.getByTestId('order-in-force')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Photo: The order, as it was posted' })).toBeVisible();
    await expect(posting).toHaveCount(0);
    await expect(page.getByText('The order rests on violation 1, 2, 3, 4')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Lift the order' })).toHaveCount(0);
    const waiting = page.getByTestId(/^violation-/).filter({ hasText: /^\d+\s+Open/ });
    for (let left = await waiting.count(); left > 0; left--) {
      const one = waiting.first();
      await one.getByRole('button').first().click();
      await expect(one.getByRole('button', { name: 'Take a photo' })).toBeVisible(); // what is unfolded is all there
      await one.getByRole('button', { name: 'Taken away' }).click();
      await one.getByLabel(/^What is gone/).fill('Outlet, cord and breaker are gone; seen disconnected.');
      await one.getByRole('button', { name: 'It is taken away' }).click();
      await expect(waiting).toHaveCount(left - 1);
    }
    await walker.press('button', 'Lift the order');
    await page.getByLabel('Why the order is lifted').fill('Nothing is left that could feed the house.');
    await page.getByRole('button', { name: 'Lift the order' }).click();
    await expect(page.getByTestId('order-in-force')).toHaveCount(0);
    await walker.savedAtOffice();
    await page.goto(`${office.address}/`);
    await expect(row).not.toContainText('order in force');
  },
);

test(
  'a house that was asked for is assigned with day and inspector, reassigned while he is ill, and both are told at the house; who only reads signs nothing',
  ON_PHONE,
  async ({ page, office }) => {
    const maro = new Walker(page, office);
    await maro.signIn('Maro Tillane');
    await maro.openNew('6 Request Row', 'Una O’Quill', 'Interlock on the panel');
    const house = page.url().replace(/[^/]+$/, '');
    await page.goto(house);
    await maro.press('button', 'Ask the office for an inspection');
    await maro.press('button', 'Hand it over');
    await maro.savedAtOffice();
    await expect(page.getByRole('button', { name: 'Decide and sign' })).toHaveCount(0);
    await page.goto(`${office.address}/`);
    await page.getByTestId('menu').click();
    await maro.press('button', 'Sign out');

    const lead = new Walker(page, office);
    await lead.press('button', /Ilse O’Harrow/);
    await lead.openFromList('6 Request Row');
    await lead.press('button', 'Visit');
    await lead.press('button', 'Schedule a visit');
    await expect(page.getByRole('radio', { name: 'Ilse O’Harrow' })).toHaveAttribute('aria-checked', 'true');
    await lead.press('radio', /^in 1 day/);
    await lead.press('radio', 'Joss Linnaker');
    await lead.press('button', 'Schedule it');
    const next = page.getByText(/, Joss Linnaker$/);
    await expect(next).toBeVisible();
    await lead.press('button', 'Another day or inspector');
    await expect(page.getByRole('radio', { name: 'Joss Linnaker' })).toHaveAttribute('aria-checked', 'true');
    await lead.press('radio', /^in 2 days/);
    await lead.press('radio', 'Ilse O’Harrow');
    await page.getByLabel('Why anew').fill('He is ill until Friday.');
    await lead.press('button', 'Schedule it');
    await expect(page.getByText(/, Ilse O’Harrow$/)).toBeVisible();
    await expect(next).toHaveCount(0);
    await page.goto(`${house}record`);
    await expect(page.getByText('Nothing is signed yet.')).toBeVisible();
    await expect(page.getByText('For those who inspect')).toBeVisible();
  },
);

test(
  'nobody there is written down in two touches; the contractor says what he has corrected, the inspector that it is not',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn('Joss Linnaker');
    await walker.openFromList('8 Pippin Row');
    await walker.press('button', 'Nobody there');
    await walker.press('button', 'Rang and knocked');
    await expect(page.getByText('Rang and knocked')).toBeVisible();
    await walker.begin('The contractor');
    await walker.press('button', 'Not corrected');
    await walker.press('button', 'Nothing was done');
    await expect(page.getByTestId('violation-1')).toContainText('Looked at in vain once so far.');
    await walker.sign('Corrections required');
    await expect(page.getByText('Seal holds')).toHaveCount(2);
    await page.goto(`${office.address}/`);
    await page.getByTestId('menu').click();
    await walker.press('button', 'Sign out');

    await walker.press('button', /Maro Tillane/);
    await walker.openFromList('8 Pippin Row');
    await expect(page.getByRole('button', { name: 'Begin the visit' })).toHaveCount(0);
    await walker.press('button', 'It is corrected');
    await page.getByLabel('What was done').fill('30 A now; the wrong one was left in the other panel.');
    await walker.press('button', 'Say that it is corrected');
    await expect(page.getByTestId('violation-1')).toContainText('Said to be corrected');
    await walker.savedAtOffice();
    await page.goto(`${office.address}/`);
    await expect(page.getByTestId('row-8 Pippin Row')).toContainText('1 said to be corrected');
  },
);

test(
  'a rough-in passes for its stations without ninety reasons, and approves nothing',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await walker.openNew('7 Cellar Row', 'Odo O’Quill', 'None: extension cords only');
    await page.goto(page.url().replace(/[^/]+$/, 'decide'));
    await walker.press('radio', 'Passed for these stations');
    for (const one of await page.getByRole('group', { name: 'Stations' }).getByRole('radio').all())
      if ((await one.getAttribute('aria-label')) !== 'Inlet') await one.click();
    await walker.press('button', 'Sign: passed for these stations');
    await expect(page.getByRole('alert').first()).toContainText('why the other stations were not looked at');
    await walker.press('radio', 'Rough-in; the rest is not built yet.');
    await walker.press('button', 'Sign: passed for these stations');
    await expect(page.getByTestId('signed')).toContainText('For Inlet.');
    await expect(page.getByText('Seal holds')).toBeVisible();
  },
);

test(
  'the morning leads to what waits; a record that was saved whole is verified by hand, and one changed word is named',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await page.getByTestId('menu').click();
    await walker.press('button', 'Morning');
    await expect(page.getByTestId('concern-orders')).toContainText('30 Ladder Lane');
    const csv = page.waitForEvent('download');
    await walker.press('button', 'Violations, as CSV');
    expect(await readFile(await (await csv).path(), 'utf8')).toContain('12 Orchard Loop');
    const days = page.waitForEvent('download');
    await walker.press('button', 'Due days, for a calendar');
    expect(await readFile(await (await days).path(), 'utf8')).toMatch(/BEGIN:VEVENT[^]*SUMMARY:Visit: 8 Pippin Row/);
    await page.getByTestId('concern-late').getByRole('link').first().click();
    await expect(page.getByText('Before the visit')).toBeVisible();

    await walker.press('button', 'Record');
    await expect(page.getByText('Seal holds')).toBeVisible();
    const whole = page.waitForEvent('download');
    await walker.press('button', 'Save everything');
    const files = unzipSync(await readFile(await (await whole).path()));
    expect(Object.keys(files)).toEqual(
      expect.arrayContaining([
        'README.txt',
        'case.json',
        'docket.json',
        'record.json',
        'summary.txt',
        'papers/1-notice.pdf',
      ]),
    );
    const record = strFromU8(files['record.json']!);
    const check = (text: string) => verified(files['verify.mjs']!, text);
    expect(check(record)).toMatchObject({ status: 0, stdout: expect.stringContaining('1 record holds.') as unknown });
    const edited = check(record.replace('An opening lets', 'No opening lets'));
    expect(edited).toMatchObject({ status: 1, stdout: expect.stringContaining('its record was edited') as unknown });
  },
);

test(
  'signed without signal on what has changed since: kept for the lead, said to both, and sealed by the lead alone',
  ON_PHONE,
  async ({ page, office, browser }) => {
    const joss = new Walker(page, office);
    await page.clock.setSystemTime(new Date(Date.now() - 3 * 3600_000)); // it arrives three hours after it was signed
    await joss.signIn('Joss Linnaker');
    await joss.openFromList('17 Graftwood Lane');
    const house = page.url();
    await page.getByRole('button', { name: 'Decide and sign' }).first().click(); // what deciding needs is on the phone from then on
    await expect(page.getByRole('heading', { name: 'Decide and sign' })).toBeVisible();
    await page.context().setOffline(true);
    await joss.sign('Corrections required');

    const other = await browser.newContext({ viewport: page.viewportSize(), hasTouch: true });
    const hers = await other.newPage();
    const ilse = new Walker(hers, office);
    await ilse.signIn();
    await hers.goto(`${house}/inlet`);
    await ilse.record('inlet.ratingA', 50);
    await ilse.savedAtOffice();

    await page.clock.setSystemTime(new Date()); // three hours have gone by
    await page.context().setOffline(false);
    await expect(page.getByText(/kept for the lead of the office, and not sealed/)).toBeVisible();
    await hers.goto(`${office.address}/morning`);
    const held = hers.getByTestId('held');
    await expect(held).toContainText('17 Graftwood Lane');
    await expect(held).toContainText('50 A (Ilse O’Harrow)');
    await ilse.press('button', 'Look, and decide');
    await ilse.sign('Corrections required');
    await expect(hers.getByText('Seal holds')).toBeVisible();
    await hers.goto(`${office.address}/morning`);
    await expect(hers.getByRole('heading', { name: /^Morning of/ })).toBeVisible();
    await expect(held).toBeHidden();
    await other.close();
  },
);

test(
  'an older backup comes back under a phone that was told “saved”: it gives the office all of it again, and the lead what was signed',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn('Joss Linnaker');
    await walker.openNew('2 Backup Row', 'Una O’Quill', 'Interlock on the panel');
    await walker.goTo('inlet');
    await walker.record('inlet.ratingA', '30');
    const house = page.url().replace(/\/inlet.*/, '');
    await walker.sign('Corrections required');
    await expect(page.getByText('Seal holds')).toBeVisible();
    await office.comeBack();
    await page.reload();
    await walker.press('button', /Sign in again to send and fetch/); // sessions are as old as the backup
    await walker.press('button', /Joss Linnaker/);
    await expect(page.getByRole('alert')).toContainText('brought back from a backup');
    await walker.savedAtOffice();
    const id = house.split('/').at(-1)!;
    const kept = await (await page.request.get(`${office.address}/api/inspections/${id}`)).json();
    expect(kept).toMatchObject({ case: { inlet: { ratingA: 30 } }, decisions: [] });
    await page.goto(`${house}/inlet`);
    await expect(walker.fact('inlet.ratingA').getByRole('radio', { name: '30', exact: true })).toHaveAttribute('aria-checked', 'true'); // prettier-ignore
    const { held } = (await (await page.request.get(`${office.address}/api/held`)).json()) as { held: { address: string; why: string }[] }; // prettier-ignore
    expect(held).toMatchObject([{ address: '2 Backup Row', why: expect.stringContaining('brought back') as unknown }]);
  },
);
