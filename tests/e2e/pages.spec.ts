import { act, expect, open, serious, setAside, test } from './kitchen'

const PAGES = [
  '/',
  '/?grain=black&for=20&pot=little-steel',
  '/stove',
  '/notebook',
  '/settings',
  '/settings/people',
  '/settings/keeping',
  '/settings/alerts',
  '/settings/keys',
  '/settings/about',
  '/grains',
  '/grains/wild',
  '/pots',
  '/leftovers',
  '/leftovers/put-away',
  '/meal',
  '/notebook/learned',
  '/taste-tests',
  '/ruler',
  '/convert',
  '/practice',
  '/practice/first-bubbles',
  '/transfer',
  '/devices',
  '/simulation',
  '/compare',
  '/ready-by',
  '/model',
  '/my-way',
  '/leftovers/week?w=long-white:2:1,3',
  '/recipe-card',
  '/notebook/copy',
]

for (const address of PAGES)
  test(`${address} by day and by night has nothing serious for an accessibility checker and fits its width`, async ({
    page,
  }) => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    await open(page, address)
    for (const scheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' })
      await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', scheme)
      expect([scheme, ...(await serious(page))]).toEqual([scheme])
      // A phone's own width: the page may not make its window wider either.
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
        page.viewportSize()!.width,
      )
    }
  })

test('what can be typed or ticked has an edge of 3 to 1, and an empty field’s example is readable', async ({
  page,
}) => {
  for (const address of ['/settings/keeping', '/settings/alerts', '/leftovers/put-away', '/my-way']) {
    await open(page, address)
    for (const scheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' })
      await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', scheme)
      const faint = await page.evaluate(() => {
        const parts = (colour: string) => colour.match(/[\d.]+/g)!.map(Number)
        const seen = ([, , , alpha = 1]: number[]) => alpha > 0.5
        const luminance = (rgb: number[]) => {
          const [r, g, b] = rgb.slice(0, 3).map((v) => {
            const c = v / 255
            return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
          })
          return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
        }
        const contrast = (a: number[], b: number[]) => {
          const [dark, light] = [luminance(a), luminance(b)].sort((x, y) => x - y)
          return (light! + 0.05) / (dark! + 0.05)
        }
        const groundOf = (element: Element | null): number[] => {
          for (let at = element; at; at = at.parentElement) {
            const colour = parts(getComputedStyle(at).backgroundColor)
            if (seen(colour)) return colour
          }
          return [255, 255, 255]
        }
        const fields =
          '.mantine-Input-input, .mantine-Checkbox-input:not(:checked), .mantine-Radio-radio:not(:checked), input:not(:checked) + .mantine-Switch-track'
        return [...document.querySelectorAll(fields)]
          .filter(
            (field) => !field.matches(':disabled, [data-disabled]') && field.getClientRects().length > 0,
          )
          .flatMap((field) => {
            const style = getComputedStyle(field)
            const name = `${field.className.split(' ')[0]} ${field.getAttribute('name') ?? ''}`
            const edge = field.matches('.mantine-Switch-track')
              ? parts(style.boxShadow)
              : parts(style.borderTopColor)
            const example = parts(getComputedStyle(field, '::placeholder').color)
            return [
              ...(contrast(edge, groundOf(field.parentElement)) < 3 ? [`${name}: edge`] : []),
              ...(field.hasAttribute('placeholder') && contrast(example, groundOf(field)) < 4.5
                ? [`${name}: example`]
                : []),
            ]
          })
      })
      expect([address, scheme, ...faint]).toEqual([address, scheme])
    }
  }
})

test('enlarged to twice and to four times, every page keeps its width', async ({ page, isMobile }) => {
  test.skip(isMobile)
  for (const address of PAGES) {
    await page.setViewportSize({ width: 640, height: 400 })
    await open(page, address)
    for (const width of [640, 320]) {
      await page.setViewportSize({ width, height: 400 })
      // Charts are drawn again for another width a moment after it.
      await expect
        .poll(() => page.evaluate(() => document.documentElement.scrollWidth), `${address} at ${width}`)
        .toBeLessThanOrEqual(width)
    }
  }
})

test('with letters of twice the size every page keeps its width', async ({ page }) => {
  await page.addInitScript(() =>
    document.addEventListener('DOMContentLoaded', () => {
      document.documentElement.style.fontSize = '200%'
    }),
  )
  await open(page, '/notebook')
  const entry = await page
    .getByRole('main')
    .locator('a[href^="/notebook/"]')
    .evaluateAll((links) =>
      links.map((link) => link.getAttribute('href')!).find((href) => /^\/notebook\/[\w-]{36}$/.test(href)),
    )
  for (const address of [...PAGES, entry!]) {
    await open(page, address)
    const over = () =>
      page.evaluate((has) => {
        const is = document.documentElement.scrollWidth
        const outside = [...document.querySelectorAll('main *, header *, nav a, nav button')].filter(
          (element) => element.getBoundingClientRect().right > has + 1,
        )
        return is > has || outside.some((element) => element.closest('nav'))
          ? `${is - has} ${outside
              .slice(0, 3)
              .map((e) => e.outerHTML.slice(0, 90))
              .join(' | ')}`
          : ''
      }, page.viewportSize()!.width)
    // Charts are drawn for the width they have a moment after the page.
    await expect.poll(over, address).toBe('')
  }
})

test('with a pot on, the bar still fits its width, and the stove its keys', async ({ page }) => {
  await open(page, '/?grain=short-white&for=5&pot=clay&on=big-gas')
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.waitForURL(/stove\/./)
  await page.getByRole('button', { name: /^Measured/ }).click()
  await expect(act(page)).toHaveText('Rinse 4 times')
  await expect(page.getByRole('button', { name: /^Clear enough/ })).toBeInViewport()
  const stove = page.url()
  await open(page, '/')
  // A phone's own width: the page may not make its window wider either.
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
    page.viewportSize()!.width,
  )
  await open(page, stove)
  await setAside(page)
  await expect(page.getByText('not used for learning')).toBeVisible()
})

test('the plan page needs no scrolling on a laptop', async ({ page, isMobile }) => {
  test.skip(isMobile)
  for (const height of [800, 670]) {
    await page.setViewportSize({ width: 1280, height })
    await open(page, '/?grain=brown-short&for=14&pot=heavy-blue&on=big-gas&soak=600-5-drain&at=19:00')
    expect(
      await page.evaluate(() => document.documentElement.scrollHeight - innerHeight),
    ).toBeLessThanOrEqual(0)
  }
})

test('nothing of the plan page is cut off, with what was learned and the slack of the water said', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile)
  for (const height of [800, 670]) {
    await page.setViewportSize({ width: 1280, height })
    await open(page, '/?grain=short-white&for=5&pot=clay&on=big-gas')
    const measure = page.getByRole('region', { name: 'Measure' })
    await expect(measure).toContainText('estimated')
    await expect(measure).toContainText(/room for error: \d+ g less, \d+ g more, in \d+ of 100 kitchens/, {
      timeout: 20_000,
    })
    for (const name of ['Measure', 'Before the heat'])
      expect(
        await page.getByRole('region', { name }).evaluate((part) => part.scrollHeight - part.clientHeight),
      ).toBeLessThanOrEqual(0)
  }
})

test('settings refuse invalid values at the field, and lose nothing typed', async ({ page }) => {
  await open(page, '/settings')
  await page.getByLabel('Altitude, m').fill('1,1,2')
  await page.getByLabel('Room temperature, °C').fill('300')
  await page.getByLabel('Fingertip to first joint').fill('')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('must be a number, got "1,1,2"')).toBeVisible()
  await expect(page.getByText('must be a number from 5 to 45 °C, got 300')).toBeVisible()
  await expect(page.getByText('is empty; give a number')).toBeVisible()
  await expect(page.getByLabel('Altitude, m')).toHaveValue('1,1,2')
  await page.getByLabel('Altitude, m').fill('1120,5')
  await page.getByLabel('Room temperature, °C').fill('19')
  await page.getByLabel('Fingertip to first joint').fill('24')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Altitude, m')).toHaveValue('1120.5')
  await page.getByLabel('Altitude, m').fill('1120')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
})

test('pages that are not there say so, and what is sent in a wrong way is refused in words', async ({
  page,
  request,
  baseURL,
}) => {
  for (const address of ['/stove/nobody', '/notebook/nobody', '/nowhere']) {
    const response = await page.goto(address)
    expect(response!.status()).toBe(404)
    await expect(page.getByRole('heading')).toHaveText('Page not found')
    await expect(page.locator('main')).not.toContainText(/route|URL|Error/)
    // In the frame: the way on is where it always is.
    await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible()
  }
  const send = (path: string, data: string | Buffer, headers: Record<string, string> = {}) =>
    request.post(path, {
      data,
      headers: { 'Content-Type': 'application/x-www-form-urlencoded', Origin: baseURL!, ...headers },
    })
  const refused = await send('/model', 'intent=save')
  expect(refused.status()).toBe(405)
  expect(await refused.text()).toContain('Nothing can be sent to this page')
  expect(await refused.text()).not.toMatch(/<p>[^<]*(route|action|Error)/)
  expect((await send('/?index', 'intent=toString')).status()).toBe(400)
  expect((await send('/?index', 'intent=start&cook=%7B')).status()).toBe(400)
  expect((await send('/?index', 'intent=start&cook=%7B%22request%22%3A%7B%7D%7D')).status()).toBe(422)
  expect((await send('/settings', 'intent=save&elevation_m=NaN')).status()).toBe(422)
  expect((await send('/cooks/nobody/events', '[1]', { 'Content-Type': 'application/json' })).status()).toBe(
    422,
  )
  expect(
    (await send('/cooks/nobody/events', Buffer.from('{'), { 'Content-Type': 'application/json' })).status(),
  ).toBe(400)
  expect((await send('/settings', 'x'.repeat(1_000_001))).status()).toBe(413)
  expect((await send('/settings', 'intent=save', { Origin: 'https://elsewhere.example' })).status()).toBe(403)
})

test('the stove and the plan page share a household, and the season strip leads to its cooks', async ({
  page,
}) => {
  await open(page, '/notebook')
  await expect(page.getByRole('row')).not.toHaveCount(0)
  expect(await page.getByRole('row').count()).toBeGreaterThan(12)
  await page.getByRole('link', { name: /^Long-grain white, .*scorched/ }).click()
  await expect(page.getByText('Thin pot, walked away.')).toBeVisible()
})

test('a panel taller than the window scrolls to its last field', async ({ page, isMobile }) => {
  test.skip(isMobile)
  await page.setViewportSize({ width: 1280, height: 640 })
  // A lid that does not seal has one choice more.
  await open(page, '/?grain=basmati&for=4&pot=little-steel')
  await page.getByRole('button', { name: /^How it is heated/ }).click()
  const panel = page.locator('[popover]:popover-open')
  const last = panel.locator('input').last()
  await expect(last).toBeAttached()
  const box = (await panel.boundingBox())!
  expect(box.y).toBeGreaterThanOrEqual(0)
  expect(box.y + box.height).toBeLessThanOrEqual(640)
  await last.scrollIntoViewIfNeeded()
  await expect(last).toBeInViewport()
  await last.click()
  // A choice made far down leaves it where it is.
  const before = await panel.evaluate((e) => e.scrollTop)
  expect(before).toBeGreaterThan(0)
  await panel.getByRole('checkbox', { name: 'loosen halfway through the rest' }).click()
  await expect(panel.getByRole('checkbox', { name: 'loosen halfway through the rest' })).toBeChecked()
  expect(await panel.evaluate((e) => e.scrollTop)).toBeGreaterThan(0)
})
