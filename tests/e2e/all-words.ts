import type { Page } from '@playwright/test'
import { act, letPass } from './kitchen'

/** Everything a page says: its text, its labels, what its fields hold and propose. */
export const words = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const said = [document.body.innerText]
    // A choice is read by its label, not by what it stands for in the form.
    const isTyped = (element: Element) =>
      element instanceof HTMLInputElement && !['hidden', 'radio', 'checkbox', 'range'].includes(element.type)
    for (const element of document.querySelectorAll('body *')) {
      for (const name of ['aria-label', 'aria-valuetext', 'placeholder', 'title', 'value'])
        if (element.hasAttribute(name) && (name !== 'value' || isTyped(element)))
          said.push(element.getAttribute(name)!)
      if (element.tagName === 'title' || element.tagName === 'text') said.push(element.textContent ?? '')
    }
    return said.flatMap((text) => text.split('\n')).map((line) => line.trim())
  })

/** The main views, as the demo household fills them. */
export const PAGES = [
  '/?grain=short-white&for=4&pot=clay&on=big-gas',
  '/?grain=barley-hulled&grams=900&pot=little-steel&purpose=batch',
  '/?grain=short-white&purpose=dressed&for=6&pot=heavy-blue&salt=0.8',
  '/stove',
  '/notebook',
  '/notebook/learned',
  '/settings',
  '/settings/people',
  '/settings/keeping',
  '/settings/alerts',
  '/settings/keys',
  '/settings/about',
  '/grains',
  '/grains/basmati',
  '/pots',
  '/leftovers',
  '/leftovers/put-away',
  '/leftovers/labels',
  '/meal',
  '/taste-tests',
  '/convert?grain=basmati&for=4',
  '/practice',
  '/practice/first-bubbles',
  '/simulation',
  '/compare',
  '/ready-by',
  '/recipe-card',
]

/** Presses through the first stages of a batch, six minutes each, as far as the pot needs a hand. */
export async function atEachStage(page: Page, see: (stage: string) => Promise<void>): Promise<void> {
  const key = page.getByRole('region', { name: 'Actions' }).getByRole('button').first()
  for (let stage = 0; stage < 7; stage++) {
    await see(await act(page).innerText())
    if (/^(Served|Next step)/.test(await key.innerText())) return
    await letPass(page, 6)
    await key.click()
    await page.waitForTimeout(700)
  }
}
