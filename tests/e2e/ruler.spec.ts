import { expect, open, serious, test } from './kitchen'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

test('on the screen: calibrated once with a card, its millimetres are true to one percent', async ({
  page,
}) => {
  await open(page, '/ruler?water=28')
  const slider = page.getByRole('slider', { name: 'As wide as the card' })
  await expect(slider).toBeVisible()
  expect(await serious(page)).toEqual([])
  // By key, by tap: the outline becomes 300 pixels wide, whatever it was.
  await slider.focus()
  await page.keyboard.press('Home')
  const width = () =>
    page
      .locator('[class*=card]')
      .last()
      .evaluate((el) => el.getBoundingClientRect().width)
  const narrow = await width()
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight')
  await expect.poll(async () => (await width()) - narrow).toBeCloseTo(2.5, 1)
  await page.getByRole('button', { name: 'A hair wider' }).tap()
  await expect.poll(async () => (await width()) - narrow).toBeCloseTo(3, 1)
  await slider.focus()
  // By finger: as wide as a card is on a phone.
  const track = (await page.locator('.mantine-Slider-track').boundingBox())!
  await page.touchscreen.tap(track.x + track.width * 0.34, track.y + track.height / 2)
  await expect.poll(width).toBeGreaterThan(200)
  const card = await width()
  await page.getByRole('button', { name: 'Matches the card' }).tap()
  const stick = page.getByRole('img', { name: /water to here at 28 mm/ })
  await expect(stick).toBeVisible()
  // What is on the glass: the foot and the water line, by the pixels a card of 53.98 mm took.
  const [foot, water] = await stick.evaluate((svg) =>
    ['[data-foot]', '[data-level=water]']
      .map((s) => svg.querySelector(s)!.getBoundingClientRect())
      .map((r) => r.y + r.height / 2),
  )
  const mm = (foot! - water!) / (card / 53.98)
  expect(Math.abs(mm - 28) / 28).toBeLessThan(0.01)
  const ticks = await stick.evaluate((svg) =>
    [10, 20].map((at) => svg.querySelector(`[data-mm="${at}"]`)!.getBoundingClientRect().y),
  )
  expect(Math.abs((ticks[0]! - ticks[1]!) / (card / 53.98) - 10) / 10).toBeLessThan(0.01)
  await expect(stick).toHaveAccessibleName(/your finger joint at 24 mm/)
  expect(await serious(page)).toEqual([])
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  // Kept on this device; an address that makes no sense shows a usual depth.
  await open(page, '/ruler?water=lots')
  await expect(page.getByRole('img', { name: /water to here at 25 mm/ })).toBeVisible()
})

test('a paper ruler of a pot prints in true size, with lines where so much water comes to', async ({
  page,
}) => {
  await open(page, '/pots')
  await page.getByRole('link', { name: 'Paper ruler for clay' }).click()
  const strip = page.getByRole('img', { name: /^Strip for clay: / })
  await expect(strip).toContainText('500 mL')
  // A pot of 160 mm at the base and 185 at the rim, 77 high: 500 mL come to 23.7 mm, 1 L to 45.4.
  // All at once: the page may still move while its letters load.
  const [at500 = 0, at1000 = 0] = await strip.evaluate((svg) => {
    const of = (selector: string) => svg.querySelector(selector)!.getBoundingClientRect()
    return [500, 1000].map((ml) => ((of('path').bottom - of(`[data-ml="${ml}"]`).top) / 96) * 25.4)
  })
  expect(Math.abs(at500 - 23.7)).toBeLessThan(0.1)
  expect(Math.abs(at1000 - 45.4)).toBeLessThan(0.1)
  expect(await serious(page)).toEqual([])
  await page.goto('/pots/none/ruler')
  await expect(page.getByText('There is no such pot in this kitchen.')).toBeVisible()
})
