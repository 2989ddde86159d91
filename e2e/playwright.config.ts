import { defineConfig } from '@playwright/test';

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
  outputDir: '../.data/e2e',
  timeout: 120_000,
  expect: { timeout: 20_000 },
  workers: 2,
  fullyParallel: true,
  reporter: process.env.E2E_REPORT ? [['list'], ['json', { outputFile: process.env.E2E_REPORT }]] : 'list',
  projects: [
    { name: 'phone', use: { viewport: { width: 390, height: 844 }, hasTouch: true, launchOptions } },
    { name: 'wide', use: { viewport: { width: 1280, height: 800 }, launchOptions }, testIgnore: /worked-cases/ },
  ],
});
