import { useEffect, useRef } from 'react'
import { createPath, useLocation } from 'react-router'

/** Said after a step back was taken for a close: the address is the one of before it was opened, and wants writing. */
export const ADDRESS_CAME_BACK = 'omsel:address-came-back'

/** Where the router's own history stands; another number means that a page was gone to. */
const routersIndex = (): number => (window.history.state as { idx?: number } | null)?.idx ?? 0

/** What is open over the page, the last on top. */
const open: { close: () => void }[] = []
/** Pages, by the router's index, that have a second entry in the browser's history for what was open over them. */
const doubled = new Set<number>()
/** The page that is shown, and its address. */
const shown = { index: 0, address: '' }
let listening = false

/**
 * A step back from a page's second entry to its first. With something open it closes that; with nothing open it goes
 * on to where it was meant to go. The router must not hear of either: it would load the page again.
 */
function steppedBack(event: PopStateEvent): void {
  const index = routersIndex()
  if (index !== shown.index || !doubled.delete(index)) return
  event.stopImmediatePropagation()
  // What was changed meanwhile is in the address of the second entry.
  window.history.replaceState(window.history.state, '', shown.address)
  const top = open.pop()
  if (!top) return window.history.back()
  window.dispatchEvent(new Event(ADDRESS_CAME_BACK))
  top.close()
}

/**
 * While something is open over the page, a step back closes it and stays on the page. The page has a second entry in
 * the browser's history for that. Nothing is taken back when it is closed in another way: a step that is under way
 * would meet the next page halfway.
 */
export function useBackCloses(opened: boolean, onClose: () => void): void {
  const address = createPath(useLocation())
  const latest = useRef(onClose)
  useEffect(() => {
    latest.current = onClose
  })
  useEffect(() => {
    Object.assign(shown, { index: routersIndex(), address })
  }, [address])
  useEffect(() => {
    if (!opened) return
    if (!listening) window.addEventListener('popstate', steppedBack, { capture: true })
    listening = true
    shown.index = routersIndex()
    if (!doubled.has(shown.index)) window.history.pushState(window.history.state, '')
    doubled.add(shown.index)
    const me = { close: () => latest.current() }
    open.push(me)
    return () => {
      const at = open.indexOf(me)
      if (at >= 0) open.splice(at, 1)
    }
  }, [opened])
}
