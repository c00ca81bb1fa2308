import { defineConfig, devices } from '@playwright/test'

export default defineConfig({
  testDir: 'tests/e2e',
  // Each worker has a household of its own; a busy machine's tests are not wrong for taking longer.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  fullyParallel: false,
  workers: 2,
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list']],
  use: {
    // Only the test of the worker itself lets one in between.
    serviceWorkers: 'block',
    locale: 'en-GB',
    // Drawn by the processor, motion is a tenth of the work.
    contextOptions: { reducedMotion: 'reduce' },
    timezoneId: 'Europe/Berlin',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--no-first-run',
        '--host-resolver-rules=MAP kitchen.test 127.0.0.1',
      ],
    },
  },
  projects: [
    { name: 'laptop', use: { viewport: { width: 1280, height: 800 } } },
    {
      name: 'phone',
      testMatch:
        /(plan|whole-batch|pages|methods|plan-details|practice|search|welcome|presses|back|opened)\.spec\.ts/,
      use: { ...devices['Pixel 7'], viewport: { width: 390, height: 844 }, defaultBrowserType: 'chromium' },
    },
  ],
})
