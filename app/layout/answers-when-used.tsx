import { useMounted } from '@mantine/hooks'
import { lazy, Suspense, useEffect, useState, type ComponentType, type ReactNode } from 'react'
import { dropEarly, pressEarly } from './early-press'

/** What a hand, a key or a screen reader does first on a page. */
const SIGNS = [
  'pointermove',
  'pointerdown',
  'touchstart',
  'wheel',
  'keydown',
  'focusin',
  'click',
  'early-press',
] as const
/** Unused for so long after it has loaded, a page is made to answer anyway: its clock goes on. */
const UNUSED_MS = 2500

const ON_SERVER = typeof document === 'undefined'

const root = (): DOMStringMap => document.documentElement.dataset

/** Resolves when the page is first used, or has been there for a while; at once for a copy, which shows old hours. */
const firstUsed = (): Promise<void> =>
  new Promise((resolve) => {
    if (root().kept || window.earlyPress) return resolve()
    const used = () => {
      SIGNS.forEach((sign) => window.removeEventListener(sign, used, true))
      resolve()
    }
    SIGNS.forEach((sign) => window.addEventListener(sign, used, { capture: true, passive: true }))
    const wait = () => setTimeout(used, UNUSED_MS)
    if (document.readyState === 'complete') wait()
    else window.addEventListener('load', wait)
  })

const RETRY_MS = 3000

/** Over a lost connection the page can still be read; it answers once there is one. */
async function untilFetched<T>(fetchPage: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await fetchPage()
    } catch {
      await new Promise((resolve) => setTimeout(resolve, RETRY_MS))
    }
  }
}

interface Deferred<Props extends object> {
  /** The page, as its route shows it. */
  Page: ComponentType<Props>
  /** Fetches it, for a page that is gone to. */
  load: () => Promise<unknown>
}

/**
 * A page that is read as the server wrote it, and answers when it is used: what computes it is fetched with the first
 * sign of a hand. A press that comes before that is held, and done then.
 * @param meanwhile shown where the server has written nothing
 */
export function answersWhenUsed<Props extends object>(
  fetchPage: () => Promise<{ default: ComponentType<Props> }>,
  meanwhile: ReactNode,
): Deferred<Props> {
  let loaded: ComponentType<Props> | undefined
  const load = async () => {
    const page = await fetchPage()
    loaded = page.default
    return page
  }
  if (ON_SERVER) void load()
  const Later = lazy(async () => {
    if (!ON_SERVER && root().alive !== 'yes') {
      await firstUsed()
      return untilFetched(load)
    }
    return load()
  })
  function Page(props: Props) {
    const [Shown] = useState(() => loaded ?? Later)
    useEffect(() => {
      root().alive ??= 'soon'
      // Another page may be gone to before this one answers.
      return () => {
        root().alive = 'yes'
        dropEarly()
      }
    }, [])
    return (
      <Suspense fallback={meanwhile}>
        <Shown {...props} />
        <Answers />
      </Suspense>
    )
  }
  return { Page, load }
}

function Answers() {
  // What opens at a press is put in its place once everything is mounted.
  const mounted = useMounted()
  useEffect(() => {
    if (!mounted) return
    root().alive = 'yes'
    pressEarly('page')
  }, [mounted])
  return null
}
