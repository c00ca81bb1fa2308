import { alive, expect, open, test } from './kitchen'

const PLAN = '/?grain=long-white&for=4&pot=heavy-blue&on=big-gas'

test('a step back closes what is open and stays, with what was changed; the next one leaves', async ({
  page,
  isMobile,
}) => {
  await open(page, '/grains')
  await open(page, PLAN)
  const requests: string[] = []
  const portions = page.getByRole('textbox', { name: 'Portions', exact: true })
  const openAmount = async () => {
    if (isMobile) {
      await page.getByRole('button', { name: 'Change the plan' }).click()
      await page.getByText('How much', { exact: true }).click()
    } else await page.getByRole('button', { name: /^How much/ }).click()
    await expect(portions).toBeVisible()
  }
  await openAmount()
  page.on('request', (request) => request.url().endsWith('.data') && requests.push(request.url()))
  const routersKey = () => page.evaluate(() => (history.state as { key: string }).key)
  const key = await routersKey()
  await portions.fill('14')
  await expect(page).toHaveURL(/servings=14/)
  // The router has followed too, as it has for a person's hand; stepped back at once is tried below.
  await expect.poll(routersKey).not.toBe(key)
  await page.goBack()
  await expect(portions).toBeHidden()
  await expect(page).toHaveURL(/servings=14/)
  await expect(page.getByRole('region', { name: 'Measure' })).toContainText('910 g')
  await openAmount()
  await portions.fill('12')
  await expect(page).toHaveURL(/servings=12/)
  await page.goBack()
  await expect(portions).toBeHidden()
  await expect(page).toHaveURL(/servings=12/)
  await expect(page.getByRole('region', { name: 'Measure' })).toContainText('780 g')
  // Closed in another way it leaves no entry behind.
  await openAmount()
  await page.keyboard.press('Escape')
  await expect(portions).toBeHidden()
  if (!isMobile)
    await expect(page.getByRole('button', { name: /^How much/ })).toHaveAttribute('aria-expanded', 'false')
  expect(requests).toEqual([])
  await page.goBack()
  await expect(page.getByRole('heading', { name: 'Grains', level: 1 })).toBeVisible()
})

test('after a reload on the second entry one step back leaves', async ({ page, isMobile }) => {
  await open(page, '/grains')
  await open(page, PLAN)
  await page.getByRole('button', { name: isMobile ? 'Change the plan' : /^How much/ }).click()
  await expect(
    page
      .getByRole('dialog')
      .or(page.getByRole('textbox', { name: 'Portions', exact: true }))
      .first(),
  ).toBeVisible()
  await page.reload()
  await alive(page)
  await page.goBack()
  await expect(page.getByRole('heading', { name: 'Grains', level: 1 })).toBeVisible()
})

test('a step back closes the search and the shortcuts; a result that is followed is not taken back', async ({
  page,
}) => {
  await open(page, '/grains')
  const search = page.getByRole('dialog').getByRole('textbox', { name: 'Find' })
  await page.getByRole('button', { name: 'Find' }).click()
  await expect(search).toBeVisible()
  await page.goBack()
  await expect(search).toBeHidden()
  await expect(page).toHaveURL(/\/grains$/)
  await page.getByRole('button', { name: 'Find' }).click()
  await search.fill('pots')
  await page.getByRole('dialog').getByText('Pots and burners', { exact: true }).click()
  await expect(page).toHaveURL(/\/pots/)
  await expect(page.getByRole('heading', { name: 'Pots', level: 1 })).toBeVisible()
  await page.goBack()
  await expect(page).toHaveURL(/\/grains$/)
})
