import { defineConfig } from '@playwright/test';
import { CHROMIUM_FLAGS, chromiumPath } from './src/server/browser/chromium';

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'test-results/browser',
  fullyParallel: false,
  // On two cores one, two and three took 565, 504 and 573 s: what is gained where tests wait is lost where none does.
  workers: 2,
  timeout: 180_000,
  expect: { timeout: 30_000 },
  // A busy machine can be slower than any patience. What passes only the second time is told at the end of the run.
  retries: 1,
  reporter: [['list'], ['json']],
  use: {
    baseURL: process.env.MILLPOND_URL,
    viewport: { width: 1280, height: 800 },
    // Measuring takes a core; the tests that are about findings ask for it.
    storageState: {
      cookies: [],
      origins: [{ origin: process.env.MILLPOND_URL ?? '', localStorage: [{ name: 'mill-pond-measuring', value: 'asked' }] }],
    },
    screenshot: 'only-on-failure',
    launchOptions: { executablePath: chromiumPath(), args: [...CHROMIUM_FLAGS], chromiumSandbox: false },
  },
});
