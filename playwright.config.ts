import { defineConfig } from '@playwright/test';
import { WORKERS, portOf } from './e2e/ports';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  forbidOnly: !!process.env.CI,
  workers: WORKERS,
  // A slow machine can make one wait too short; the list names each that passed only the second time.
  retries: 1,
  timeout: 120_000,
  expect: { timeout: 30_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update'],
    },
  },
  webServer: Array.from({ length: WORKERS }, (_, worker) => ({
    command: `npx tsx scripts/ready.ts && node server/main.mjs --port ${portOf(worker)}`,
    url: `http://127.0.0.1:${portOf(worker)}/records`,
    env: {
      DIRIGO_DB: `test-results/e2e-${worker}.db`,
      DIRIGO_OPEN: '1',
      NEXT_TELEMETRY_DISABLED: '1',
    },
    reuseExistingServer: false,
  })),
});
