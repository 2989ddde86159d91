import { recordedFacts, withFact } from '@careful-latch/core/case';
import type { Locator } from '@playwright/test';
import { ON_PHONE, expect, test } from './office';
import { example } from '../core/test/examples';
import { Walker } from './walk';

/** Two cords after each other, both too thin for what the source gives: one violation each. */
const TWO_THIN = (() => {
  const good = example('case-1-interlock-holds');
  const [cord] = good.cord!;
  const both = Object.entries(cord!).reduce(
    (now, [key, value]) => (key === 'id' ? now : withFact(now, `cord[1].${key}`, value)),
    good,
  );
  return withFact(withFact(both, 'cord[0].sizeAwg', '12'), 'cord[1].sizeAwg', '12');
})();

test(
  'one of two like cords is corrected and the other withdrawn: the owner says so by a link, entry is refused once, the third visit approves',
  ON_PHONE,
  async ({ page, office, browser }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await walker.openNew('9 Two Cords Lane', 'Zoë D’Arbois', 'Interlock on the panel');
    await walker.seed(TWO_THIN, recordedFacts(TWO_THIN));
    const house = page.url().replace(/[^/]+$/, '');
    await walker.sign('Corrections required');
    await walker.savedAtOffice();

    await walker.press('button', 'A link for the owner');
    await walker.press('button', 'Zoë D’Arbois');
    const link = await page.getByTestId('link').getByText(/^http/).innerText();
    const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
    const owner = new Walker(await phone.newPage(), office);
    await owner.page.goto(link);
    await owner.join('Zoë D’Arbois', 'zoe');
    await expect(owner.page.getByTestId(/^row-/)).toHaveCount(1);
    await owner.openFromList('9 Two Cords Lane');
    const claimed = owner.page.getByTestId('violation-1');
    await claimed.getByRole('button', { name: 'It is corrected' }).click();
    await claimed.getByLabel('What was done').fill('The first cord is 10 AWG now.');
    await owner.press('button', 'Say that it is corrected');
    await expect(claimed).toContainText('Said to be corrected');
    await owner.savedAtOffice();
    await phone.close();

    await page.goto(`${house}visit`);
    await walker.press('button', 'Entry refused');
    await walker.press('button', 'Somebody at the door');
    await expect(page.getByText('Somebody at the door')).toBeVisible();
    await walker.begin('The owner');
    const [first, second] = [1, 2].map((n) => page.getByTestId(`violation-${n}`)) as [Locator, Locator];
    await expect(first).toContainText('The first cord is 10 AWG now.');
    await walker.record('cord[0].sizeAwg', '10');
    await walker.seenAgain(first);
    await first.getByRole('button', { name: 'Corrected, seen', exact: true }).click();
    await walker.sign('Corrections required');
    await expect(page.getByTestId('signed').first()).toContainText('Violation 1, corrected, seen');

    await page.goto(`${house}visit`);
    await walker.begin('The owner');
    await expect(first.getByRole('button', { name: 'Corrected, seen', exact: true })).toHaveCount(0);
    await walker.record('cord[1].sizeAwg', '10');
    await second.getByRole('button').first().click();
    await second.getByRole('button', { name: 'Withdraw', exact: true }).click();
    await second.getByLabel('Why it is withdrawn').fill('The jacket was misread: it says 10/4.');
    await walker.press('button', 'Withdraw it');
    await walker.sign('Approved');
    await expect(page.getByTestId('signed').first()).toContainText('Approved');
    await expect(page.getByText('Seal holds')).toHaveCount(3);
  },
);
