// Lets the plan, and a stove that was open, be loaded again while the server is away; other pages say what is missing.
const VERSION = '__VERSION__' // written in by the server, as are the names of the program's files
const ASSETS = JSON.parse('__ASSETS__')
const SHELL = `omsel-shell-${VERSION}`
const PAGES = `omsel-pages-${VERSION}`
const MOST_PAGES = 12
const PATIENCE_MS = 4000
const NO_CONNECTION = '/no-connection.html'

self.addEventListener('activate', (event) => {
  const old = async () => {
    for (const name of await caches.keys())
      if (name.startsWith('omsel-') && name !== SHELL && name !== PAGES) await caches.delete(name)
    await self.clients.claim()
    // Not waited for: pages may ask meanwhile.
    void fillShell()
  }
  event.waitUntil(old())
})

// A new version waits until somebody says so: no page is changed in the middle of a cook.
self.addEventListener('message', (event) => {
  if (event.data === 'take-over') void self.skipWaiting()
})

// The button of a notification presses the main key of the stove that showed it; else the stove is opened.
self.addEventListener('notificationclick', (event) => {
  event.notification.close()
  const path = event.notification.data?.path ?? '/stove'
  const answer = async () => {
    const pages = await self.clients.matchAll({ type: 'window', includeUncontrolled: true })
    const page = pages.find((one) => new URL(one.url).pathname === path)
    if (!page) return self.clients.openWindow(path)
    if (event.action === 'press') return page.postMessage({ omsel: 'notification-pressed' })
    return page.focus()
  }
  event.waitUntil(answer())
})

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin) return
  // What bears its content's hash in its name never changes.
  if (url.pathname.startsWith('/assets/')) event.respondWith(fromShell(request))
  else if (request.mode === 'navigate' && /^\/stove(\/|$)/.test(url.pathname))
    event.respondWith(withCopy(request, request))
  // The plan is computed on the device: one copy of its page opens any plan.
  else if (request.mode === 'navigate' && url.pathname === '/')
    event.respondWith(withCopy(request, new Request('/')))
  else if (request.mode === 'navigate') event.respondWith(page(request))
})

/** Every file of the program, one after the other: a place gone to without a line can then say so in its frame. */
async function fillShell() {
  const cache = await caches.open(SHELL)
  for (const path of [NO_CONNECTION, ...ASSETS])
    if (!(await cache.match(path))) await cache.add(path).catch(() => undefined)
}

async function page(request) {
  try {
    return await fetch(request)
  } catch (error) {
    return noConnection(error)
  }
}

async function noConnection(error) {
  const said = await caches.match(NO_CONNECTION)
  if (said) return said
  throw error
}

async function fromShell(request) {
  const cache = await caches.open(SHELL)
  const known = await cache.match(request)
  if (known) return known
  const answer = await fetch(request)
  if (answer.ok) await cache.put(request, answer.clone())
  return answer
}

/** From the server, or the copy that is on the device.  @param copy what it is stored as */
async function withCopy(request, copy) {
  const cache = await caches.open(PAGES)
  const late = AbortSignal.timeout(PATIENCE_MS)
  try {
    const answer = await fetch(request, { signal: late })
    if (answer.ok && !answer.redirected) await keep(cache, copy, answer.clone())
    return answer
  } catch (error) {
    const known = await cache.match(copy)
    if (known) return asKept(known)
    // Without a page of it there is nothing to show; a slow server may yet answer.
    if (late.aborted) return fetch(request)
    // A batch that was started on this device has no page of its own: the plan's leads there (app/offline).
    const { pathname } = new URL(request.url)
    if (/^\/stove\/[\w-]{36}$/.test(pathname) && (await cache.match(new Request('/'))))
      return Response.redirect(`/#${pathname}`)
    return noConnection(error)
  }
}

async function keep(cache, request, answer) {
  await cache.put(request, answer)
  const keys = await cache.keys()
  for (const key of keys.slice(0, Math.max(0, keys.length - MOST_PAGES))) await cache.delete(key)
}

/** The page says of itself that it was kept, so that it does not take its old hour for the hour, and of which plan. */
async function asKept(answer) {
  const text = await answer.text()
  const of = new URL(answer.url).search.replaceAll('&', '&amp;')
  return new Response(
    text.replace('<html', () => `<html data-kept="yes" data-kept-of="${of}"`),
    {
      status: 200,
      headers: answer.headers,
    },
  )
}
