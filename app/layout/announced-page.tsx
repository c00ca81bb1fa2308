import { useEffect, useRef, useState } from 'react'
import { useLocation } from 'react-router'
import classes from './layout.module.css'

/** The browser has set the new page's title after this, ms. */
const TITLE_SET_MS = 100

/**
 * Where a page's content begins: the focus goes there when another page is opened, as it does when a browser loads
 * one, and the page's title is heard.
 */
export function AnnouncedPage() {
  const { pathname } = useLocation()
  const shown = useRef(pathname)
  const start = useRef<HTMLSpanElement>(null)
  const [title, setTitle] = useState('')
  // Its number in the router's history, for what is open over it (app/ui/overlay/back-closes.ts).
  useEffect(() => {
    document.documentElement.dataset.page = String((history.state as { idx?: number } | null)?.idx ?? 0)
  })
  useEffect(() => {
    if (shown.current === pathname) return
    shown.current = pathname
    // Who is typing, as in Find, keeps the focus.
    if (!document.activeElement?.matches('input, textarea, select, [role=dialog] *'))
      start.current?.focus({ preventScroll: true })
    const timer = setTimeout(() => setTitle(document.title), TITLE_SET_MS)
    return () => clearTimeout(timer)
  }, [pathname])
  return (
    <span id="content" ref={start} tabIndex={-1} aria-live="polite" className={classes.announced}>
      {title}
    </span>
  )
}
