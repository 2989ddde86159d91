import { test as base, expect } from '@playwright/test';
import { Office } from './server';

/** Each test has an office of its own, with the demo loaded; `empty` has none. The demo is loaded once a worker (`model`), then copied. */
export const test = base.extend<{ office: Office; empty: Office }, { model: Office }>({
  model: [
    async ({}, use) => {
      const model = await Office.open(true);
      await model.stop();
      await use(model);
      await model.close();
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  office: async ({ model }, use) => {
    const office = await Office.open(true, model);
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
