import { expect, letPass, open, serious, setAside, test } from './kitchen'

test('the ribbon is drawn along and the pot shows that minute, by mouse, by key and on a phone by a slider', async ({
  page,
  isMobile,
}) => {
  await open(page, '/?grain=brown-short&grams=300&pot=heavy-blue&on=big-gas')
  const pot = page.getByRole('region', { name: 'The pot' })
  const centres = async () =>
    Number(/centres (\d+) %/.exec((await pot.getByRole('status').textContent()) ?? '')?.[1] ?? -1)
  if (isMobile) {
    await page.getByRole('button', { name: 'Heat', exact: true }).click()
    const slider = page.getByRole('slider', { name: 'See the pot at minute' })
    await slider.focus()
    for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight')
    await expect(pot.getByRole('status')).toContainText('°C')
    await pot.getByRole('button', { name: 'show the water' }).click()
    await expect(pot.getByRole('slider', { name: 'Water in the pot' })).toBeVisible()
    return
  }
  const slider = page.getByRole('slider', { name: 'See the pot at minute' })
  await slider.focus()
  await page.keyboard.press('PageUp')
  await page.keyboard.press('PageUp')
  await expect(pot.getByRole('status')).toContainText(/96 °C, \d+ g water left/)
  const early = await centres()
  await page.keyboard.press('End')
  expect(await centres()).toBeGreaterThan(early)
  await page.keyboard.press('Escape')
  await expect(pot.getByRole('slider', { name: 'Water in the pot' })).toBeVisible()
  // Drawn along with the mouse: earlier is rawer.
  const ribbon = (await page.getByRole('region', { name: 'Heat from now to serving' }).boundingBox())!
  const y = ribbon.y + ribbon.height * 0.55
  await page.mouse.move(ribbon.x + ribbon.width * 0.8, y)
  await page.mouse.down()
  await expect(pot.getByRole('status')).toContainText('centres')
  const late = await centres()
  await page.mouse.move(ribbon.x + ribbon.width * 0.3, y, { steps: 8 })
  await expect.poll(centres).toBeLessThan(late)
  await page.mouse.up()
  expect(await serious(page)).toEqual([])
  await pot.getByRole('button', { name: 'show the water' }).click()
  await expect(pot.getByRole('slider', { name: 'Water in the pot' })).toBeVisible()
})

test('a caution stands where it happens, and the sign itself mends it, by mouse or key', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'the same drawing')
  for (const way of ['press', 'key'] as const) {
    await open(page, '/?grain=black&for=14&pot=little-steel&on=big-gas')
    const sign = page.getByRole('region', { name: 'The pot' }).locator('[data-caution="swells-too-high"]')
    await expect(sign).toHaveAttribute('data-severity', 'stop')
    // It is at the rim: in the upper half of the drawing.
    const [drawing, at] = [
      (await page.getByRole('region', { name: 'The pot' }).locator('svg').first().boundingBox())!,
      (await sign.boundingBox())!,
    ]
    expect(at.y + at.height / 2).toBeLessThan(drawing.y + drawing.height * 0.55)
    if (way === 'press') await sign.click()
    else {
      await sign.focus()
      await page.keyboard.press('Enter')
    }
    await expect(page).toHaveURL(/pot=(?!little-steel)/)
    await expect(sign).toHaveCount(0)
  }
})

test('more eaters: kernels fall in, and the water before stays in sight as a line', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'the sentence is a sheet on a phone')
  await open(page, '/?grain=short-white&grams=300&pot=heavy-blue&on=big-gas')
  const pot = page.getByRole('region', { name: 'The pot' })
  await expect(pot.locator('[data-falling]')).toHaveCount(0)
  await page.getByRole('button', { name: /300 g dry/ }).click()
  await page.getByRole('textbox', { name: 'Dry grain' }).fill('420')
  await expect(pot.locator('[data-falling]')).toHaveCount(1)
  await expect(pot.locator('path[class*=ghost]')).toHaveCount(1)
  await expect(page.getByRole('region', { name: 'Measure' })).toContainText(/was \d+ g/)
  // After some seconds the old value is gone.
  await expect(pot.locator('path[class*=ghost]')).toHaveCount(0, { timeout: 20_000 })
})

test('every large figure says why, with the surer terms under the firmer line', async ({
  page,
  isMobile,
}) => {
  await open(page, '/?grain=short-white&for=5&pot=heavy-blue&on=big-gas')
  if (isMobile) await page.getByRole('button', { name: /^Water/ }).click()
  const why = page.getByRole('region', { name: 'Measure' }).getByRole('button', { name: 'Why 325 g?' })
  await why.click()
  await expect(page.locator('tbody')).toContainText('5 portions as a side, 65 g each')
  await expect(page.locator('tfoot')).toContainText('325 g')
  await why.click()
  await expect(page.locator('tbody')).toHaveCount(0)
  if (isMobile) return
  const cooked = page.getByRole('button', { name: /^Why \d+ g cooked\?$/ })
  await cooked.click()
  await expect(page.locator('tbody')).toContainText('water absorbed')
  await cooked.click()
  await expect(page.locator('tbody')).toHaveCount(0)
  await page.getByRole('button', { name: 'finger', exact: true }).click()
  await page.getByRole('button', { name: /^Why \d+ mm\?$/ }).click()
  await expect(page.locator('tbody')).toContainText('runs in between the kernels')
  const lines = await page
    .locator('tbody td:first-child')
    .evaluateAll((cells) => cells.map((cell) => parseFloat(getComputedStyle(cell).borderLeftWidth)))
  // Your own pour is known better than what fills the gaps.
  expect(Math.max(...lines)).toBe(lines[0])
  expect(Math.min(...lines)).toBeLessThan(lines[0]!)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'scale', exact: true }).click()
})

test('keys: all listed, changed, refused when taken, and turned off', async ({ page, isMobile }) => {
  test.skip(isMobile, 'a phone has no keys')
  await open(page, '/notebook')
  await page.keyboard.press('?')
  const all = page.getByRole('dialog', { name: 'Keyboard shortcuts' })
  await expect(all).toContainText('finish this step')
  await page.keyboard.press('Escape')
  await expect(all).toBeHidden()
  await page.keyboard.press('n')
  await expect(page.getByRole('button', { name: 'Start now' })).toBeVisible()
  // A change on the plan page is undone by its key.
  await page
    .getByRole('radio', { name: 'firm' })
    .or(page.getByRole('button', { name: 'firm', exact: true }))
    .first()
    .click()
  await expect(page).toHaveURL(/texture=/)
  await page.evaluate(() => document.activeElement instanceof HTMLElement && document.activeElement.blur())
  await page.keyboard.press('z')
  await expect(page).not.toHaveURL(/texture=/)

  await open(page, '/settings/keys')
  const keys = page.getByRole('region', { name: 'Keyboard shortcuts' })
  await keys.getByRole('textbox', { name: 'finish this step' }).fill('l')
  await expect(keys).toContainText('“l” is already used for “lid lifted”.')
  await keys.getByRole('textbox', { name: 'finish this step' }).fill('j')
  await expect(keys).not.toContainText('already')
  await open(page, '/?grain=short-white&grams=300&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.waitForURL(/\/stove\//)
  const actions = page.getByRole('region', { name: 'Actions' })
  await expect(actions.getByRole('button', { name: /^Measured/ })).toContainText('j')
  await page.keyboard.press('c')
  await expect(actions.getByRole('button', { name: /^Measured/ })).toBeVisible()
  await page.keyboard.press('j')
  await expect(actions.getByRole('button', { name: /^Clear enough/ })).toBeVisible()

  await open(page, '/settings/keys')
  await keys.getByRole('switch', { name: 'Use shortcuts' }).click()
  await expect(keys.getByRole('switch', { name: 'Use shortcuts' })).not.toBeChecked()
  await page.goBack()
  await expect(actions.getByRole('button', { name: /^Clear enough/ })).not.toContainText('j')
  await page.keyboard.press('j')
  await letPass(page, 0.1)
  await expect(actions.getByRole('button', { name: /^Clear enough/ })).toBeVisible()
  await setAside(page)
})
