import { useEffect, useRef, useSyncExternalStore } from 'react'
import { bindingsIn, FIRST_BINDINGS, KEY_ACT_IDS, type Bindings, type KeyAct } from './bindings'

const KEY = 'omsel.keys'
const CHANGED = 'omsel-keys'

const read = (): string | null => {
  try {
    return localStorage.getItem(KEY)
  } catch {
    return null
  }
}
/** The last text read and what it says, so that the same text is the same object. */
let last: { text: string | null; bindings: Bindings } = { text: null, bindings: FIRST_BINDINGS }
function now(): Bindings {
  const text = read()
  if (text !== last.text) last = { text, bindings: bindingsIn(text) }
  return last.bindings
}

export function saveBindings(bindings: Bindings): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(bindings))
  } catch {
    // A device without storage has the defaults next time.
  }
  window.dispatchEvent(new Event(CHANGED))
}

function subscribe(onChange: () => void): () => void {
  for (const event of [CHANGED, 'storage']) window.addEventListener(event, onChange)
  return () => {
    for (const event of [CHANGED, 'storage']) window.removeEventListener(event, onChange)
  }
}

/** The keys of this device. */
export const useBindings = (): Bindings => useSyncExternalStore(subscribe, now, () => FIRST_BINDINGS)

/**
 * Runs actions by key: once a press, not while held, and never while typing. Keys without an action are left
 * to others.
 */
export function useKeys(acts: Partial<Record<KeyAct, (() => void) | undefined>>): void {
  const bindings = useBindings()
  const latest = useRef({ acts, bindings })
  useEffect(() => {
    latest.current = { acts, bindings }
  })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { acts: can, bindings: by } = latest.current
      if (!by.on || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return
      if (
        event.target instanceof HTMLElement &&
        event.target.closest(
          'input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]',
        )
      )
        return
      const id = KEY_ACT_IDS.find((act) => by.keys[act] === event.key)
      const act = id && can[id]
      if (!act) return
      event.preventDefault()
      act()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}
