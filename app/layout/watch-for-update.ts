/**
 * Registers the worker that keeps the stove loadable, and tells when a newer program waits.
 * @param onWaiting gets what takes the newer one over
 */
export function watchForUpdate(onWaiting: (takeOver: () => void) => void): void {
  // Workers of this kind need a secure address (https, or this very machine), and a build.
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator) || !window.isSecureContext)
    return
  const waits = (worker: ServiceWorker) =>
    onWaiting(() => {
      navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
      worker.postMessage('take-over')
    })
  const watch = (registration: ServiceWorkerRegistration | undefined) => {
    // A browser without service workers may return nothing.
    if (!registration) return
    if (registration.waiting && navigator.serviceWorker.controller) waits(registration.waiting)
    registration.addEventListener('updatefound', () => {
      const next = registration.installing
      next?.addEventListener('statechange', () => {
        if (next.state === 'installed' && navigator.serviceWorker.controller) waits(next)
      })
    })
  }
  // A page works without it: what cannot be registered is no fault of the page.
  navigator.serviceWorker.register('/sw.js').then(watch, () => undefined)
}
