import { useEffect, useLayoutEffect, useRef } from 'react'
import { stepBack, storedDoubled, storeDoubled } from './step-back'

/** Where the router's own history stands; another number means that a page was gone to. */
const routersIndex = (): string => String((window.history.state as { idx?: number } | null)?.idx ?? 0)

/** The number of the page that is shown, as the layout notes it. */
const shownIndex = (): string | undefined => document.documentElement.dataset.page

/** What is open over the page, the last on top. */
const open: { close: () => void }[] = []
/** Pages, by their numbers, that have a second entry in the browser's history for what was open over them. */
const doubled = new Set<string>(typeof document === 'undefined' ? [] : storedDoubled())
/** While something is open over the page its address may change; it is noted this often. */
const ADDRESS_MS = 100

/**
 * A step back from a page's second entry to its first. With something open it closes that; with nothing open it goes
 * on to where it was meant to go. The router must not hear of either: it would load the page again.
 */
function steppedBack(event: PopStateEvent): void {
  const index = routersIndex()
  if (index !== shownIndex() || !doubled.delete(index)) return
  event.stopImmediatePropagation()
  storeDoubled(doubled)
  const top = open.pop()
  if (!top) return window.history.back()
  window.history.replaceState(window.history.state, '', stepBack.from)
  top.close()
}

/** After a reload too: nothing is open then, but the second entry is still there. */
export const hearStepBack = (): void => {
  stepBack.heard = steppedBack
}

/**
 * While something is open over the page, a step back closes it and stays on the page, which has a second entry in the
 * browser's history for that. Nothing is taken back when it is closed in another way: a step that is under way would
 * meet the next page halfway.
 */
export function useBackCloses(opened: boolean, onClose: () => void): void {
  const latest = useRef(onClose)
  useEffect(() => {
    latest.current = onClose
  })
  // At once when it is closed: a step back right after that is meant for the page.
  useLayoutEffect(() => {
    if (!opened) return
    hearStepBack()
    const page = routersIndex()
    document.documentElement.dataset.page = page
    if (!doubled.has(page)) window.history.pushState(window.history.state, '')
    doubled.add(page)
    storeDoubled(doubled)
    const me = { close: () => latest.current() }
    open.push(me)
    const note = () => (stepBack.from = window.location.href)
    note()
    const noting = setInterval(note, ADDRESS_MS)
    return () => {
      clearInterval(noting)
      const at = open.indexOf(me)
      if (at >= 0) open.splice(at, 1)
    }
  }, [opened])
}

/** The same for what is not worth fetching before it is opened: rendered while it is open. */
export default function BackCloses({ onClose }: { onClose: () => void }): null {
  useBackCloses(true, onClose)
  return null
}
