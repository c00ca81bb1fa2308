import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { defineConfig, devices } from '@playwright/test'

// The configuration is read again by every worker; all of them share one folder.
const folder = (process.env.E2E_FOLDER ??= mkdtempSync(join(tmpdir(), 'omsel-e2e-')))
const clockFile = (process.env.E2E_CLOCK ??= join(folder, 'clock'))
const port = Number((process.env.E2E_PORT ??= '4873'))
// A Thursday in March, twenty to six in the evening, at Tarn Head.
if (process.env.E2E_STARTED === undefined) {
  process.env.E2E_STARTED = String(Date.UTC(2026, 2, 5, 16, 40) - Date.now())
  writeFileSync(clockFile, process.env.E2E_STARTED)
}

export default defineConfig({
  testDir: 'e2e',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  fullyParallel: false,
  workers: 1,
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list']],
  use: {
    // Only the test of the worker itself lets one in between.
    serviceWorkers: 'block',
    baseURL: `http://127.0.0.1:${port}`,
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--no-first-run', '--host-resolver-rules=MAP kitchen.test 127.0.0.1'],
    },
  },
  projects: [
    { name: 'laptop', use: { viewport: { width: 1280, height: 800 } } },
    {
      name: 'phone',
      testMatch: /(bench|whole-way|pages|schools|details|practice|find|welcome)\.spec\.ts/,
      use: { ...devices['Pixel 7'], viewport: { width: 390, height: 844 }, defaultBrowserType: 'chromium' },
    },
  ],
  webServer: {
    command: 'node --import tsx demo/main.ts && exec node server.js',
    url: `http://127.0.0.1:${port}/healthz`,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
    env: {
      NODE_ENV: 'production', PORT: String(port), HOST: '127.0.0.1', TZ: 'Europe/Berlin', OMSEL_NAMES: 'kitchen.test',
      OMSEL_DATABASE: join(folder, 'omsel.sqlite'), OMSEL_CLOCK_FILE: clockFile,
    },
  },
})
