import { defineConfig } from '@playwright/test';
import { ON_PHONE, ON_WIDE } from './office';

const launchOptions = {
  executablePath: process.env.CHROMIUM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export default defineConfig({
  testDir: '.',
  globalSetup: './model.ts',
  outputDir: '../.data/e2e',
  timeout: 180_000,
  expect: { timeout: 20_000 },
  workers: 3, // of two cores each is idle a third of the time
  fullyParallel: true,
  reporter: process.env.E2E_REPORT ? [['list'], ['json', { outputFile: process.env.E2E_REPORT }]] : 'list',
  projects: [
    // First, for its few journeys are long: the short ones of the phone fill up what is left at the end.
    {
      name: 'wide',
      use: { viewport: { width: 1280, height: 800 }, launchOptions },
      grepInvert: new RegExp(ON_PHONE.tag),
    },
    {
      name: 'phone',
      use: { viewport: { width: 390, height: 844 }, hasTouch: true, launchOptions },
      grepInvert: new RegExp(ON_WIDE.tag),
    },
  ],
});
