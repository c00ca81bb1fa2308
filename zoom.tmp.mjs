import { chromium } from '@playwright/test'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
const pages = ['/', '/?grain=black&for=20&pot=little-steel&soak=600-5-drain', '/stove', '/notebook', '/settings', '/shelf', '/pots', '/kept', '/kept/put-away', '/supper', '/notebook/learned', '/trials', '/dipstick', '/elsewhere', '/practice', '/practice/first-bubbles', '/carry', '/devices', '/dry-run', '/compare', '/by', '/model', '/card', '/notebook/copy', '/find?q=rice', '/kept/labels', '/supper/split', '/nothing-here']
for (const [w, h] of [[640, 400], [320, 640]]) {
  const c = await b.newContext({ viewport: { width: w, height: h }, deviceScaleFactor: 1, serviceWorkers: 'block' })
  const p = await c.newPage()
  for (const path of pages) {
    await p.goto('http://127.0.0.1:4871' + path)
    await p.waitForFunction(() => document.documentElement.dataset.alive === 'yes', undefined, { timeout: 8000 }).catch(() => console.log('not alive', path))
    const r = await p.evaluate(() => { const W = innerWidth; const sw = document.documentElement.scrollWidth; const out = []; if (sw > W) for (const e of document.querySelectorAll('body *')) { const q = e.getBoundingClientRect(); if (q.right > W + 1 && q.width > 0 && out.length < 4) out.push(`${e.tagName}.${String(e.className?.baseVal ?? e.className).slice(0, 40)} ${Math.round(q.right)} "${(e.textContent ?? '').slice(0, 30)}"`) } return { sw, W, out } })
    if (r.sw > r.W) console.log(w, path, r.sw, r.out)
  }
}
await b.close()
