/**
 * Written into the head of each page and run there as it stands: a press on a key before the page answers is held
 * here, and done once it does. Links, fields and forms do by themselves what they do.
 */
export function holdEarlyPresses(): void {
  const { dataset } = document.documentElement
  window.addEventListener(
    'click',
    (event) => {
      if (dataset.alive === 'yes') return
      const key = event.target instanceof Element && event.target.closest<HTMLElement>('button[type=button]')
      if (!key) return
      // The frame answers before the page does.
      if (dataset.alive === 'soon' && !key.closest('main')) return
      event.preventDefault()
      event.stopImmediatePropagation()
      // The one copy of the plan's page shows another plan than the address asks for: that one was not meant.
      if (dataset.keptOf === undefined || dataset.keptOf === window.location.search) window.earlyPress = key
    },
    true,
  )
}

declare global {
  interface Window {
    /** The key that was pressed before it could answer. */
    earlyPress?: HTMLElement | undefined
  }
}

const nameOf = (key: HTMLElement): string | null => key.getAttribute('aria-label') ?? key.textContent

/** The key itself, or the one of its name where the page was drawn again after the press. */
const asDrawnNow = (key: HTMLElement): HTMLElement | undefined =>
  key.isConnected
    ? key
    : [...document.querySelectorAll<HTMLElement>('button')].find((one) => nameOf(one) === nameOf(key))

/** Does the press that is held, once.  @param where what answers by now: the frame alone, or all of the page */
export function pressEarly(where: 'frame' | 'page'): void {
  const key = window.earlyPress
  if (!key || (where === 'frame' && key.closest('main'))) return
  dropEarly()
  asDrawnNow(key)?.click()
}

export function dropEarly(): void {
  window.earlyPress = undefined
}
