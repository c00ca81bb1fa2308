import { chromium } from '@playwright/test'
import { initialScripts } from './initial-js'
import { say } from './say'
import { served } from './served'

/** The plan on a slow phone: processor four times slower, a line of 1.6 Mbit/s with 150 ms. Needs a build. */
const SLOWER = 4
const LINE = {
  offline: false,
  latency: 150,
  downloadThroughput: (1.6 * 1024 * 1024) / 8,
  uploadThroughput: (0.75 * 1024 * 1024) / 8,
}

await served(4887, async ({ address }) => {
  const html = await fetch(`${address}/?grain=short-white&for=5`).then((r) => r.text())
  const scripts = initialScripts(html)
  say(
    'first script of the plan page, gzip',
    `${Math.round(scripts.reduce((sum, s) => sum + s.gzip, 0) / 1000)} kB in ${scripts.length} files`,
    'limit 180 kB',
  )
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  })
  const seen: { lcp: number; tbt: number }[] = []
  for (let n = 0; n < 3; n++) {
    const context = await browser.newContext({
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'block',
    })
    const page = await context.newPage()
    const devtools = await context.newCDPSession(page)
    await devtools.send('Network.enable')
    await devtools.send('Network.emulateNetworkConditions', LINE)
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
    await page.addInitScript(() => {
      const timings = { lcp: 0, tbt: 0 }
      Object.assign(window, { timings })
      new PerformanceObserver((list) =>
        list.getEntries().forEach((entry) => (timings.lcp = entry.startTime)),
      ).observe({ type: 'largest-contentful-paint', buffered: true })
      new PerformanceObserver((list) =>
        list.getEntries().forEach((entry) => (timings.tbt += Math.max(0, entry.duration - 50))),
      ).observe({ type: 'longtask', buffered: true })
    })
    await page.goto(`${address}/?grain=short-white&for=5`)
    await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
    await page.waitForTimeout(5000)
    seen.push(
      await page.evaluate(() => (window as unknown as { timings: { lcp: number; tbt: number } }).timings),
    )
    await context.close()
  }
  await browser.close()
  const middle = (key: 'lcp' | 'tbt') => [...seen].sort((a, b) => a[key] - b[key])[1]![key]
  say(
    'largest contentful paint of the plan page',
    `${(middle('lcp') / 1000).toFixed(1)} s`,
    'a phone 4 times slower, 1.6 Mbit/s, 150 ms; median of three',
  )
  say('total blocking time of the plan page', `${Math.round(middle('tbt'))} ms`, 'the same')
})
