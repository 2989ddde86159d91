import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { complaints, tooSmall } from './access';
import { ON_WIDE, expect, test } from './office';
import { Walker } from './walk';

/** A load-side switch with four circuits: 17 Graftwood Lane. */
const HOUSE = '/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000006';

const paste = (page: Page, text: string) =>
  page.evaluate((pasted) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', pasted);
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }),
    );
  }, text);

test(
  'the list sorts by its columns, and shows path and findings of the house that is chosen',
  ON_WIDE,
  async ({ page, office }) => {
    await new Walker(page, office).signIn();
    const table = page.getByRole('table', { name: 'Inspections' });
    const first = table.getByTestId(/^row-/).first();
    await expect(first).toContainText('late');
    const address = table.getByRole('columnheader', { name: 'Address' });
    await address.getByRole('button').click();
    await expect(address).toHaveAttribute('aria-sort', 'ascending');
    await expect(first).toHaveAttribute('data-testid', 'row-1 Bin Yard');
    await address.getByRole('button').click();
    await expect(first).toHaveAttribute('data-testid', 'row-30 Ladder Lane'); // 40 Dry Creek Spur was approved long ago, and rests
    await table.getByTestId('row-30 Ladder Lane').click();
    const beside = page.getByRole('region', { name: '30 Ladder Lane' });
    await expect(beside).toContainText('Do not energize');
    await expect(beside).toContainText('blades at both ends');
    await page.keyboard.press('ArrowDown');
    await expect(beside).toHaveCount(0);
    expect([await complaints(page), await tooSmall(page)]).toEqual([[], []]);
    await page.getByRole('button', { name: 'Open', exact: true }).click();
    await expect(page.getByTestId('part-source')).toBeVisible(); // the whole wall
    expect([await complaints(page), await tooSmall(page)]).toEqual([[], []]);
    await page.getByTestId('part-breaker').click();
    await expect(page.getByRole('heading', { name: 'Backfed breaker', exact: true })).toBeVisible();
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('not seen');
  },
);

test(
  'circuits are changed in their table by keyboard, pasted from a spreadsheet, and go out and in as CSV',
  ON_WIDE,
  async ({ page, office }) => {
    await new Walker(page, office).signIn(undefined, 'drawings');
    await page.goto(`${office.address}${HOUSE}/loads`);
    const cell = (row: number, key: string) => page.getByTestId(`cell-${row}-${key}`);
    await cell(0, 'runningW').click();
    await page.keyboard.type('650');
    await page.keyboard.press('Enter');
    await expect(cell(0, 'runningW')).toHaveText('650');
    await expect(cell(1, 'runningW')).toBeFocused();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Control+A');
    await page.keyboard.type('a few');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('grid').getByRole('alert')).toContainText('a few');
    await page.keyboard.press('Escape');
    await expect(cell(1, 'runningW')).toHaveText('600');
    await page.keyboard.type('9x');
    await cell(0, 'startingW').click(); // left by a touch: said, and nothing of it goes anywhere else
    await expect(page.getByRole('alert')).toContainText('Running watts, “9x”');
    await expect(cell(0, 'startingW')).toHaveText('2000');
    await expect(cell(1, 'runningW')).toHaveText('600');
    await cell(1, 'runningW').click();
    await page.keyboard.press('Delete');
    await expect(cell(1, 'runningW')).toHaveText('·');
    await page.getByTestId('strip').getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(cell(1, 'runningW')).toHaveText('600');
    expect([await complaints(page), await tooSmall(page)]).toEqual([[], []]);

    await cell(4, 'slot').click();
    await paste(page, '14\tSauna\n');
    await expect(page.getByRole('alert')).toContainText('“Sauna” is none of Lights');
    await expect(page.getByRole('alert')).toContainText('Nothing was taken.');
    await cell(4, 'slot').focus();
    await paste(page, '14\tSump pump\n16\tFreezer\n');
    await expect(cell(4, 'use')).toHaveText('Sump pump');
    await expect(cell(5, 'slot')).toHaveText('16');

    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'CSV out' }).click(),
    ]);
    const csv = await readFile(await file.path(), 'utf8');
    expect(csv.split('\r\n')[6]).toContain('16,Freezer');
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'CSV in' }).click();
    const wanted = 'Slot in the panel,"Running watts, W"\n16,300\n';
    await (await chooser).setFiles({ name: 'circuits.csv', mimeType: 'text/csv', buffer: Buffer.from(wanted) });
    await expect(cell(5, 'runningW')).toHaveText('300');
  },
);
