import { defineConfig } from '@playwright/test';
import { launchOptions } from './scripts/browser.mjs';

const port = Number(process.env.E2E_PORT ?? 3217);

export default defineConfig({
  testDir: './e2e',
  testMatch: '**/*.spec.ts',
  outputDir: './test-results',
  timeout: 120_000,
  // A busy machine may take seconds to design the whole demo; what fails twice is broken.
  expect: { timeout: 45_000 },
  retries: process.env.CI ? 1 : 0,
  workers: 1,
  reporter: [['list'], ['json', { outputFile: '.reports/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // Kept pages are what the tests of working offline look at; all others ask the server.
    serviceWorkers: 'block',
    trace: 'retain-on-failure',
    launchOptions,
  },
  webServer: {
    command: `npx next start -H 127.0.0.1 -p ${port}`,
    url: `http://127.0.0.1:${port}`,
    timeout: 120_000,
    reuseExistingServer: false,
    env: { NEXT_TELEMETRY_DISABLED: '1' },
  },
});
