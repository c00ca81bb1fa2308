import { UnstyledButton } from '@mantine/core'
import { useMounted } from '@mantine/hooks'
import { Suspense, useEffect, useId, useRef, useState, type ReactNode } from 'react'
import { createPortal } from 'react-dom'
import { lazyPart } from './lazy-part'
import classes from './aside.module.css'

const BackCloses = lazyPart(() => import('../ui/overlay/back-closes'))

interface AsideProps {
  /** The key's text. */
  word: ReactNode
  /** What the key is called, where its word is not enough. */
  label?: string
  className: string
  pressed?: boolean
  /** px */
  width: number
  /** The content is a separate chunk: fetched when the pointer comes near; then the focus moves in. */
  piece?: () => Promise<unknown>
  children: () => ReactNode
}

/**
 * A popover next to the key that opens it. It is the browser's own: it closes at Esc or a press elsewhere,
 * and gives the focus back.
 */
export function Aside({ word, label, className, pressed, width, piece, children }: AsideProps) {
  const id = useId()
  const key = useRef<HTMLButtonElement>(null)
  const box = useRef<HTMLDivElement>(null)
  const [open, setOpen] = useState(false)
  const mounted = useMounted()
  const near = piece && (() => void piece())
  useEffect(() => {
    if (!open) return
    const put = () => place(key.current, box.current)
    put()
    const grown = new ResizeObserver(put)
    grown.observe(box.current!)
    window.addEventListener('resize', put)
    window.addEventListener('scroll', put, { capture: true, passive: true })
    return () => {
      grown.disconnect()
      window.removeEventListener('resize', put)
      window.removeEventListener('scroll', put, { capture: true })
    }
  }, [open])
  return (
    <>
      <UnstyledButton
        ref={key}
        className={className}
        popoverTarget={id}
        aria-label={label}
        aria-pressed={pressed}
        aria-expanded={open}
        onPointerEnter={near}
        onFocus={near}
      >
        {word}
      </UnstyledButton>
      {/* Beside the page's own text, where it may hold whatever it likes. */}
      {mounted &&
        createPortal(
          <div
            ref={box}
            id={id}
            popover="auto"
            className={classes.aside}
            style={{ width }}
            {...(piece
              ? { role: 'dialog', 'aria-label': label ?? (typeof word === 'string' ? word : undefined) }
              : {})}
            // After it is shown, so that what is in it can take the focus; until it is shut, so that the browser
            // can give the focus back.
            onToggle={(event) => setOpen(event.newState === 'open')}
          >
            {open && (
              <Suspense>
                <BackCloses onClose={() => box.current?.hidePopover()} />
              </Suspense>
            )}
            {open &&
              (piece ? (
                <Suspense fallback="…">
                  <FocusIn>{children()}</FocusIn>
                </Suspense>
              ) : (
                children()
              ))}
          </div>,
          document.body,
        )}
    </>
  )
}

const GAP = 6
const EDGE = 8

/** Under its key, or over it where there is more room; never out of the window: what is taller scrolls. */
function place(key: HTMLElement | null, box: HTMLElement | null): void {
  if (!key || !box) return
  const at = key.getBoundingClientRect()
  const most = window.innerHeight - 2 * EDGE
  const isTall = Math.max(box.offsetHeight, box.scrollHeight) > most
  // Lists that open in a lower one may stand out of it.
  box.style.overflowY = isTall ? 'auto' : ''
  box.style.maxHeight = isTall ? `${most}px` : ''
  const { offsetWidth: wide, offsetHeight: high } = box
  const under = at.bottom + GAP + high + EDGE <= window.innerHeight || at.top < window.innerHeight - at.bottom
  box.style.left = `${Math.max(EDGE, Math.min(at.left, window.innerWidth - wide - EDGE))}px`
  box.style.top = `${Math.max(EDGE, Math.min(under ? at.bottom + GAP : at.top - GAP - high, window.innerHeight - high - EDGE))}px`
}

/** Takes the focus when it appears, which may be some time after the key was pressed. */
function FocusIn({ children }: { children: ReactNode }) {
  const here = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const to =
      here.current?.querySelector<HTMLElement>('[data-autofocus]') ??
      here.current?.querySelector<HTMLElement>('input:not([type=hidden]), button, select, textarea, a[href]')
    to?.focus()
  }, [])
  return <div ref={here}>{children}</div>
}
