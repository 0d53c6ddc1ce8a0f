import { defineConfig } from '@playwright/test';

const PORT = 3417;

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  forbidOnly: !!process.env.CI,
  workers: 1,
  retries: 0,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update'],
    },
  },
  webServer: {
    command: `npx tsx scripts/ready.ts && node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${PORT}`,
    url: `http://127.0.0.1:${PORT}/records`,
    env: { DIRIGO_DB: 'test-results/e2e.db', NEXT_TELEMETRY_DISABLED: '1' },
    reuseExistingServer: false,
  },
});
