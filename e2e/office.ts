import { test as base, expect } from '@playwright/test';
import { Office } from './server';

/** Offices like a model, one of them always opened ahead: a test does not wait for its server to start, nor for that of another to end. */
class Offices {
  private ahead: Promise<Office> | undefined;
  private readonly closing: Promise<void>[] = [];
  constructor(private readonly model: Office) {}

  take(): Promise<Office> {
    const one = this.ahead ?? Office.open(true, this.model);
    this.ahead = Office.open(true, this.model);
    return one;
  }

  close(office: Office): void {
    this.closing.push(office.close());
  }

  async end(): Promise<void> {
    if (this.ahead) this.close(await this.ahead);
    await Promise.all(this.closing);
    await this.model.close();
  }
}

/** Each test has an office of its own, with the demo loaded; `empty` has none. The demo is loaded once a worker, then copied. */
export const test = base.extend<{ office: Office; empty: Office }, { offices: Offices }>({
  // A first visit brings a worker with all of the application for the next, in vain for most tests: each begins in a browser that knows nothing.
  serviceWorkers: async ({}, use, { tags }) => use(tags.includes(WITHOUT_OFFICE.tag[1]!) ? 'allow' : 'block'),
  offices: [
    async ({}, use) => {
      const model = await Office.open(true);
      await model.stop();
      const offices = new Offices(model);
      await use(offices);
      await offices.end();
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  office: async ({ offices }, use) => {
    const office = await offices.take();
    await use(office);
    offices.close(office);
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
