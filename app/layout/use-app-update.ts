import { useEffect, useState } from 'react'

/**
 * Registers the worker that keeps the stove loadable, and tells when a newer program waits.
 * @returns takes the newer one over; undefined when there is none
 */
export function useAppUpdate(): (() => void) | undefined {
  const [waiting, setWaiting] = useState<ServiceWorker>()
  useEffect(() => {
    // Workers of this kind need a secure address (https, or this very machine), and a build.
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator) || !window.isSecureContext)
      return
    let gone = false
    const watch = (registration: ServiceWorkerRegistration | undefined) => {
      // A browser without service workers may return nothing.
      if (!registration) return
      if (registration.waiting && navigator.serviceWorker.controller) setWaiting(registration.waiting)
      registration.addEventListener('updatefound', () => {
        const next = registration.installing
        next?.addEventListener('statechange', () => {
          if (!gone && next.state === 'installed' && navigator.serviceWorker.controller) setWaiting(next)
        })
      })
    }
    // A page works without it: what cannot be registered is no fault of the page.
    navigator.serviceWorker.register('/sw.js').then(watch, () => undefined)
    return () => {
      gone = true
    }
  }, [])
  return (
    waiting &&
    (() => {
      navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
      waiting.postMessage('take-over')
    })
  )
}
