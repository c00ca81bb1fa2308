import { expect, open, test } from './kitchen'

const meals = (html: string) => html.match(/>Twice at noon</g)?.length ?? 0

test('a form of a page without scripts, sent again and again at once, makes one meal', async ({ page }) => {
  const sheet = await (await page.request.get('/meal')).text()
  const form_id = /name="form_id" value="([\w.-]{8,})"/.exec(sheet)?.[1]
  expect(form_id).toBeDefined()
  const form = {
    intent: 'begin',
    title: 'Twice at noon',
    day: '2026-03-07',
    hour: '12:00',
    cooks: '1',
    form_id: form_id!,
  }
  const send = () => page.request.post('/meal', { form, maxRedirects: 0 })
  const answers = [...(await Promise.all([send(), send(), send()])), await send()]
  const places = answers.map((answer) => [answer.status(), answer.headers().location])
  expect(new Set(places.map(String)).size).toBe(1)
  expect(places[0]![1]).toMatch(/^\/meal\/./)
  expect(meals(await (await page.request.get('/meal')).text())).toBe(1)
  // What was refused may be corrected and sent under its number.
  const again = { ...form, title: '', form_id: form_id!.replace(/.$/, (end) => (end === '0' ? '1' : '0')) }
  expect((await page.request.post('/meal', { form: again, maxRedirects: 0 })).status()).toBe(422)
  const corrected = await page.request.post('/meal', {
    form: { ...again, title: 'Once at one' },
    maxRedirects: 0,
  })
  expect(corrected.headers().location).toMatch(/^\/meal\/./)
})

test('forms that stay on their page, filled in again, make another thing', async ({ page }) => {
  await open(page, '/leftovers')
  for (const name of ['first of two', 'second of two']) {
    const bottle = page.locator('form').filter({ has: page.locator('button[value=make-bottle]') })
    await bottle.getByLabel('Amount made').fill('300')
    await bottle.getByLabel('Name').fill(name)
    await bottle.locator('button[value=make-bottle]').click()
    await expect(page.getByText(name).first()).toBeVisible()
  }
})
