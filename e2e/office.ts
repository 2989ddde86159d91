import { test as base, expect } from '@playwright/test';
import { modelOffice } from './model';
import { Office } from './server';

/** Each test has the office as the demo leaves it, with a server that one worker's tests share; `empty` has no demo, and a server of its own. */
export const test = base.extend<{ office: Office; empty: Office }, { shared: { office: Office; used: boolean } }>({
  // A first visit brings a worker with all of the application for the next, in vain for most tests: each begins in a browser that knows nothing.
  serviceWorkers: async ({}, use, { tags }) => use(tags.includes(WITHOUT_OFFICE.tag[1]!) ? 'allow' : 'block'),
  shared: [
    async ({}, use) => {
      const office = await Office.open(true, modelOffice());
      await office.keep();
      await use({ office, used: false });
      await office.close();
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  office: async ({ shared }, use) => {
    // Restored by who comes next: the pages of the one before are closed by then.
    if (shared.used) await shared.office.restore();
    shared.used = true;
    await use(shared.office);
  },
  empty: async ({}, use) => {
    const office = await Office.open(false);
    await use(office);
    await office.close();
  },
});

/** What is the same on any size is walked on the phone alone; what only a wide screen has, there. A test that is skipped would still have its office opened. */
export const ON_PHONE = { tag: '@phone' };
export const ON_WIDE = { tag: '@wide' };
/** On the phone, and loads a page while the office is away, as the service worker lets it. */
export const WITHOUT_OFFICE = { tag: ['@phone', '@without-office'] };

export { expect };
