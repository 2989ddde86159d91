import { test as base, expect } from '@playwright/test';
import { Office } from './server';

/** Each test has an office of its own, with the demo loaded; `empty` has none. */
export const test = base.extend<{ office: Office; empty: Office }>({
  office: async ({}, use) => {
    const office = await Office.open(true);
    await use(office);
    await office.close();
  },
  empty: async ({}, use) => {
    const office = await Office.open(false);
    await use(office);
    await office.close();
  },
});
export { expect };
