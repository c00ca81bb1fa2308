import { expect, open, serious, test } from './kitchen'

test('the choir: fourteen, two cooks, everything ready at seven; a step more, and what cannot be is said', async ({
  page,
  request,
}) => {
  await open(page, '/meal')
  await page.getByRole('link', { name: 'the lake choir' }).click()
  await expect(page).toHaveURL(/\/meal\/[\w-]{36}$/)
  const board = page.getByRole('region', { name: 'Timetable' })
  await expect(
    board.getByRole('group', {
      name: /A short-grain white, ready .*; B long-grain white, ready .*; C hulled barley, ready .*; D roast roots, ready .*; E nettle soup, ready .*; F poached trout, ready/,
    }),
  ).toBeVisible()
  await expect(page.getByRole('alert')).toHaveCount(0)
  expect(await serious(page)).toEqual([])
  const steps = page.getByRole('region', { name: 'The evening' }).getByRole('listitem')
  const before = await steps.count()

  // A companion with a line nobody can read: said beside the field, and what was typed stays.
  const dishes = page.getByRole('region', { name: 'Dishes' })
  await dishes.getByLabel('Other dish').fill('green sauce')
  await dishes.getByLabel('Steps, one per line').fill('Chop herbs; soon; hands')
  await dishes.getByRole('button', { name: 'Add dish' }).click()
  await expect(
    dishes.getByText(/[Ll]ine 1: add minutes|line 1 must have minutes from 1 to 1440/),
  ).toBeVisible()
  await expect(dishes.getByLabel('Steps, one per line')).toHaveValue('Chop herbs; soon; hands')
  await dishes.getByLabel('Steps, one per line').fill('Chop herbs; 12; hands')
  await dishes.getByRole('button', { name: 'Add dish' }).click()
  await expect(steps).toHaveCount(before + 1)
  await dishes.getByRole('button', { name: 'Remove green sauce' }).click()
  await expect(steps).toHaveCount(before)

  // A ribbon is moved: to another burner, and earlier; fixed, it stays; let go, it lies where it lay.
  await dishes
    .getByRole('combobox', { name: 'Burner for poached trout' })
    .selectOption({ label: 'small gas' })
  await expect(page.getByRole('listitem').filter({ hasText: /Poach the trout/ })).toContainText('small gas')
  const rice = dishes.getByRole('listitem').filter({ hasText: 'short-grain white' })
  const heldNow = async () => Number((/ready (\d+) min before/.exec(await rice.innerText()) ?? ['', '0'])[1])
  const lay = await heldNow()
  await dishes.getByRole('button', { name: 'short-grain white five minutes earlier' }).press('Enter')
  await expect.poll(heldNow).toBe(lay + 5)
  await dishes.getByRole('button', { name: 'Release short-grain white' }).click()
  await expect(dishes.getByRole('button', { name: 'Release short-grain white' })).toHaveCount(0)
  await dishes.getByRole('button', { name: 'Release poached trout' }).click()
  await expect(dishes.getByRole('button', { name: 'Release poached trout' })).toHaveCount(0)

  // One pair of hands alone: said in words, with the nearest that can be done.
  await page.getByRole('textbox', { name: 'People cooking', exact: true }).fill('1')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(/hands 1/)).toHaveCount(0)
  const alert = page.getByRole('alert')
  if ((await alert.count()) > 0) await expect(alert).toContainText(/With|Without/)
  await page.getByRole('textbox', { name: 'People cooking', exact: true }).fill('2')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)

  const calendar = await request.get(`${page.url()}/calendar.ics`)
  expect(calendar.headers()['content-type']).toContain('text/calendar')
  expect(await calendar.text()).toContain('SUMMARY:the lake choir: serve')
})

test('a pot goes from the plan page onto a meal of its own', async ({ page }) => {
  await open(page, '/meal')
  await page.getByLabel('What it is').fill('a birthday')
  await page.getByLabel('Day').fill('2027-01-09')
  await page.getByLabel('Serve at').fill('18:30')
  await page.getByRole('button', { name: 'Create meal' }).click()
  await expect(page.getByRole('heading', { name: 'a birthday' })).toBeVisible()
  await expect(page.getByText('No dishes yet.')).toBeVisible()
  await open(page, '/?grain=quinoa&for=4&pot=clay&on=small-gas')
  // There is the choir's as well: which one is asked.
  await page.getByRole('button', { name: 'add to meal …' }).click()
  await page.getByRole('button', { name: 'Add to the meal: a birthday' }).click()
  await expect(page.getByRole('heading', { name: 'a birthday' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Dishes' })).toContainText('quinoa')
  await expect(page.getByText(/serving at 18:30.*first task/)).toBeVisible()
  // Asked first: a no keeps it.
  page.once('dialog', (dialog) => void dialog.dismiss())
  await page.getByRole('button', { name: 'Delete this meal' }).click()
  await expect(page).toHaveURL(/\/meal\/[\w-]+/)
  page.once('dialog', (dialog) => void dialog.accept())
  await page.getByRole('button', { name: 'Delete this meal' }).click()
  await expect(page).toHaveURL(/\/meal$/)
  await expect(page.getByText('a birthday')).toHaveCount(0)
})

test('a batch for fourteen is shared out over the pots there are', async ({ page }) => {
  await open(page, '/?grain=short-white&for=14&as=main&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: 'More with this plan' }).click()
  await page.getByRole('link', { name: 'split between pots' }).click()
  const options = page.getByRole('main').getByRole('listitem')
  await expect(
    options.filter({ hasText: /\d+ g in the .*, \d+ g water and \d+ g in the .*, \d+ g water/ }).first(),
  ).toBeVisible()
  const minutes = await options.locator('b').allInnerTexts()
  expect(minutes.length).toBeGreaterThan(1)
  expect(await serious(page)).toEqual([])
  await options.first().getByRole('link').first().click()
  await expect(page).toHaveURL(/grams=\d+/)
})

test('a meal under way: ribbons moved by mouse and key, cooks swapped, guests late, all undone', async ({
  page,
  browser,
}) => {
  await open(page, '/meal')
  await page.getByLabel('What it is').fill('Pim’s evening')
  await page.getByLabel('Day').fill('2026-03-08')
  await page.getByLabel('Serve at').fill('18:00')
  await page.getByRole('textbox', { name: 'People cooking', exact: true }).fill('2')
  await page.getByRole('button', { name: 'Create meal' }).click()
  await expect(page.getByRole('heading', { name: 'Pim’s evening' })).toBeVisible()
  const dishes = page.getByRole('region', { name: 'Dishes' })
  for (const [title, tasks] of [
    ['roots', 'Cut the roots; 10; hands\nRoast the roots; 40; oven'],
    ['soup', 'Chop the herbs; 6; hands\nSimmer the soup; 30; burner'],
  ] as const) {
    await dishes.getByLabel('Other dish').fill(title)
    await dishes.getByLabel('Steps, one per line').fill(tasks)
    await dishes.getByRole('button', { name: 'Add dish' }).click()
    await expect(dishes.getByRole('button', { name: `Remove ${title}` })).toBeVisible()
  }
  await page.getByLabel('Who does it').fill('Maren, Teo')
  await page.getByRole('button', { name: 'Save' }).click()
  const board = page.getByRole('region', { name: 'Timetable' })
  await expect(board.getByText('Teo', { exact: true })).toBeVisible()
  expect(await serious(page)).toEqual([])

  // By hand: the soup's ribbon is drawn to the left, and is ready earlier.
  const soup = () => board.getByRole('button', { name: /^soup: Simmer the soup/ })
  const readyBefore = async () =>
    Number(
      (/ready (\d+) min before/.exec(
        await dishes.getByRole('listitem').filter({ hasText: 'soup' }).innerText(),
      ) ?? ['', '0'])[1],
    )
  await expect(soup()).toBeVisible()
  await soup().scrollIntoViewIfNeeded()
  const box = (await soup().boundingBox())!
  await page.mouse.move(box.x + 40, box.y + 15)
  await page.mouse.down()
  await page.mouse.move(box.x - 40, box.y + 15, { steps: 6 })
  await page.mouse.move(box.x - 110, box.y + 15, { steps: 6 })
  await page.mouse.up()
  await expect.poll(readyBefore).toBeGreaterThanOrEqual(5)
  const drawn = await readyBefore()
  expect(drawn % 5).toBe(0)
  // By key: five minutes more to the left, and down to the next burner.
  await soup().focus()
  await page.keyboard.press('Space')
  await expect(soup()).toHaveAttribute('data-dragging', 'true')
  // Nobody's next key comes in the same moment.
  await page.waitForTimeout(200)
  await page.keyboard.press('ArrowLeft')
  // What is moved, and how far, is heard.
  const heard = page.locator('[id^="DndLiveRegion"]')
  await expect(heard).toContainText('5 minutes earlier')
  await page.keyboard.press('Space')
  await expect(heard).toContainText(/Dropped soup, .*, 5 minutes earlier/)
  await expect.poll(readyBefore).toBe(drawn + 5)
  const where = dishes.getByRole('combobox', { name: 'Burner for soup' })
  await soup().focus()
  const y = (await soup().boundingBox())!.y
  await page.keyboard.press('Space')
  await expect(soup()).toHaveAttribute('data-dragging', 'true')
  // Nobody's next key comes in the same moment.
  await page.waitForTimeout(200)
  await page.keyboard.press(
    y < (await board.getByText('plug-in plate').boundingBox())!.y - 20 ? 'ArrowDown' : 'ArrowUp',
  )
  await page.keyboard.press('Space')
  await expect(where).not.toHaveValue('')
  // By tap: it is let go again.
  await dishes.getByRole('button', { name: 'Release soup' }).click()
  await expect.poll(readyBefore).toBe(0)

  // By finger, on a phone: the same ribbon drawn, and a key tapped.
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  })
  const phone = await context.newPage()
  await open(phone, page.url())
  const ribbon = phone
    .getByRole('region', { name: 'Timetable' })
    .getByRole('button', { name: /^soup: Simmer the soup/ })
  await ribbon.scrollIntoViewIfNeeded()
  const there = (await ribbon.boundingBox())!
  const finger = await context.newCDPSession(phone)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', dx: number) =>
    finger.send('Input.dispatchTouchEvent', {
      type,
      touchPoints:
        type === 'touchEnd' ? [] : [{ x: Math.min(370, there.x + there.width / 2) + dx, y: there.y + 15 }],
    })
  await touch('touchStart', 0)
  await expect(ribbon).toHaveAttribute('data-dragging', 'true')
  for (let dx = -8; dx >= -72; dx -= 8) {
    await touch('touchMove', dx)
    await phone.waitForTimeout(30)
  }
  await touch('touchEnd', -72)
  const row = phone.getByRole('region', { name: 'Dishes' }).getByRole('listitem').filter({ hasText: 'soup' })
  await expect(row).toContainText(/ready \d+ min before/)
  const byFinger = Number(/ready (\d+) min before/.exec(await row.innerText())![1])
  await phone.getByRole('button', { name: 'soup five minutes earlier' }).tap()
  await expect(row).toContainText(`ready ${byFinger + 5} min before`)
  await phone.getByRole('button', { name: 'Release soup' }).tap()
  await expect(row).toContainText('ready on time')
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  expect(await serious(phone)).toEqual([])
  await context.close()
  await open(page, page.url())

  // Given from one pair of hands to the other.
  const who = dishes.getByRole('combobox', { name: 'Who does the roots' })
  const before = await who.inputValue()
  await who.selectOption(before === '0' ? '1' : '0')
  await expect(
    page
      .getByRole('region', { name: 'The evening' })
      .getByRole('listitem')
      .filter({ hasText: 'Cut the roots' }),
  ).toContainText(before === '0' ? 'Teo' : 'Maren')

  // Begun: what is on now, and guests who are late; both can be taken back.
  const now = page.getByRole('region', { name: 'Now', exact: true })
  await now.getByRole('button', { name: /^Start: Cut the roots/ }).click()
  await expect(now.getByRole('button', { name: /^Done: Cut the roots/ })).toBeVisible()
  await now.getByRole('button', { name: 'Guests 15 minutes late' }).click()
  await expect(page.getByText(/serving at 18:15 \(asked for at 18:00\)/)).toBeVisible()
  await now.getByRole('button', { name: 'Undo “guests late”' }).click()
  await expect(page.getByText(/serving at 18:00$/)).toBeVisible()
  await now.getByRole('button', { name: 'Undo “roots started”' }).click()
  await expect(now.getByRole('button', { name: /^Start: Cut the roots/ })).toBeVisible()
  page.once('dialog', (dialog) => void dialog.accept())
  await page.getByRole('button', { name: 'Delete this meal' }).click()
  await expect(page).toHaveURL(/\/meal$/)
})
