import type { Page } from '@playwright/test'
import { expect, letPass, open, setAside, test } from './kitchen'

const measure = (page: Page) => page.getByRole('region', { name: 'Measure' })

/** Saves settings and puts them back when the test is over. */
async function withSettings(
  page: Page,
  change: () => Promise<void>,
  run: () => Promise<void>,
  back: () => Promise<void>,
) {
  const save = async (set: () => Promise<void>) => {
    await open(page, '/settings')
    await set()
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
  }
  await save(change)
  try {
    await run()
  } finally {
    await save(back)
  }
}

test('a kitchen with rice-cooker cups and a twelve-hour clock', async ({ page }) => {
  await withSettings(
    page,
    async () => {
      await page.getByText('cups', { exact: true }).click()
      await page.getByText('7:00 pm', { exact: true }).click()
    },
    async () => {
      await open(page, '/?grain=long-white&for=5&pot=heavy-blue&on=big-gas&at=20:00')
      // Five portions are 325 g, 411 mL: 2¼ rice-cooker cups (405 mL), and nothing is rounded in silence.
      await expect(measure(page)).toContainText('2¼ cups')
      // A kitchen of cups speaks no grams, but where they are asked for.
      await expect(measure(page)).not.toContainText(/\d g\b/)
      await expect(page.getByText(/Serves 5 with/).locator('visible=true')).toContainText(/cups cooked/)
      await expect(page.getByRole('button', { name: /When to serve: at 8:00 pm/ })).toBeVisible()
      await expect(page.getByText(/Start at \d:\d\d pm for 8:00 pm/)).toBeVisible()
    },
    async () => {
      await page.getByText('scale', { exact: true }).click()
      await page.getByText('19:00', { exact: true }).click()
    },
  )
})

test('back and forward go between pots that were opened', async ({ page }) => {
  await open(page, '/?grain=quinoa&grams=220&pot=little-steel&on=small-gas')
  await open(page, '/?grain=wild&grams=160&pot=heavy-blue&on=big-gas')
  await page.goBack()
  await expect(page.getByRole('button', { name: 'Which grain: quinoa' })).toBeVisible()
  await page.goForward()
  await expect(page.getByRole('button', { name: 'Which grain: wild rice' })).toBeVisible()
})

test('two grains in one pot: the conflict is said, and one press resolves it', async ({ page }) => {
  await open(page, '/?grain=basmati&grams=300&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: /^Which grain/ }).click()
  await page.getByRole('button', { name: 'Add another grain' }).click()
  await page.keyboard.press('Escape')
  const cautions = page.getByRole('region', { name: 'Cautions' })
  await expect(cautions).toContainText(/[Ww]ild rice needs about [23]\d min/)
  await cautions.getByRole('button', { name: 'Add the faster grain later' }).click()
  await expect(cautions).toContainText(/The basmati goes in \d+ minutes after the boil/)
  await expect(page).toHaveURL(/blend=wild%3A0.25.*timing=add-later/)
  await expect(
    page.getByRole('group', { name: /From start to serving: .*simmer.*turn.*simmer/ }),
  ).toBeVisible()
})

test('salt by the kitchen’s own salt, and an add-in', async ({ page }) => {
  await open(page, '/?grain=short-white&grams=300&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: 'Salt: seasoned' }).click()
  await expect(page.getByText(/\d\.\d g: .* tsp flaky salt/)).toBeVisible()
  await page.getByRole('button', { name: 'more …' }).click()
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText(/Enter how much and of what/)).toBeVisible()
  const along = page.getByLabel('Cooked along')
  await along.fill('2 cups kelp')
  await along.press('Enter')
  await expect(page.getByText(/Enter its weight/)).toBeVisible()
  for (const text of ['6 g kelp', '2 bay leaves', '1 tbsp butter']) {
    await along.fill(text)
    await along.press('Enter')
    await expect(page.getByRole('button', { name: `Leave out ${text}` })).toBeVisible()
  }
  const kelp = page.getByRole('group').filter({ hasText: 'with the water, stays in' }).first()
  await kelp.locator('summary').click()
  await kelp.getByLabel('Goes in').selectOption('on-top')
  await page.getByLabel('Own salt').fill('1 tsp')
  await page.getByLabel('Own salt').press('Enter')
  await page.keyboard.press('Escape')
  await expect(
    page.getByText(/3\.0 g: 1 tsp flaky salt, 6 g kelp, 2 bay leaves, 1 tbsp butter/),
  ).toBeVisible()
  await expect(page).toHaveURL(/add-in=kelp/)
})

test('the soak is moved along its curve, and the ribbon grows with it', async ({ page }) => {
  await open(page, '/?grain=basmati&grams=300&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: '20 min' }).first().click()
  await expect(page.getByText(/20 min at 20 °C: 24 % of its weight absorbed, right/)).toBeVisible()
  await page.getByRole('slider', { name: 'Minutes of soaking' }).focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByText(/30 min at 20 °C: 27 % of its weight absorbed, right/)).toBeVisible()
  await expect(page.getByRole('group', { name: /soak 30 min/ })).toBeVisible()
})

test('the stove without a mouse: c, l, plus and z, and a key held or pressed twice at once is one press', async ({
  page,
}) => {
  await open(page, '/?grain=long-white&grams=300&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.waitForURL(/stove\/./)
  // The act itself, not the same words under what comes next.
  const act = (title: string) =>
    expect(page.getByRole('region', { name: 'Now', exact: true }).locator('[data-act]')).toHaveText(title)
  await act('Measure the grain')
  for (const next of [
    'Rinse 3 times',
    'Drain well in the sieve',
    'Pour the water',
    'Bring to the boil, lid on',
    'Turn to the lowest heat, leave the lid',
  ]) {
    await letPass(page, 1)
    // Both within one tick: however slow the machine, they are the same press.
    await page.evaluate(() => {
      for (let i = 0; i < 2; i++) window.dispatchEvent(new KeyboardEvent('keydown', { key: 'c' }))
    })
    await act(next)
  }
  await letPass(page, 1)
  await page.keyboard.press('l')
  await expect(page.getByRole('button', { name: /I lifted the lid \(1\)/ })).toBeVisible()
  await letPass(page, 1)
  await page.keyboard.press('+')
  await expect(page.getByRole('button', { name: /Undo “a minute more”/ })).toBeVisible()
  await letPass(page, 0.1)
  await page.keyboard.press('z')
  await expect(page.getByRole('button', { name: /Undo “lid lifted”/ })).toBeVisible()
  await setAside(page)
  await expect(page.getByText('not used for learning')).toBeVisible()
  await page.getByRole('button', { name: 'Undo: not served yet' }).click()
  await act('Turn to the lowest heat, leave the lid')
  await letPass(page, 1)
  await setAside(page)
  await expect(page.getByText('not used for learning')).toBeVisible()
})

test('the night kitchen stays dark after a reload', async ({ page }) => {
  await open(page, '/notebook')
  await page.getByRole('button', { name: 'Dark theme' }).click()
  await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', 'dark')
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', 'dark')
  await page.getByRole('button', { name: 'Daylight' }).click()
})
