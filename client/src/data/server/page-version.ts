import { useSyncExternalStore } from 'react'

/** Seconds between looks for a new version: nobody reloads a page that stands at a machine for weeks. */
const LOOK_SECONDS = 15 * 60

const LONGEST_START_MS = 3000

let waiting: ServiceWorker | undefined
const listeners = new Set<() => void>()

function found(worker: ServiceWorker): void {
  waiting = worker
  for (const listener of listeners) listener()
}

/**
 * Lets this page open without a network: a service worker keeps what it is made of. A new version waits until it is taken,
 * so that nobody's page changes in mid-reading. Without a secure address browsers allow none, and the page needs its network.
 *
 * @param fetchRest brings what the first screen did without, where nothing else does: a line that breaks before the first
 *   set-up is opened must not leave a page that cannot open any.
 */
export async function keepPage(fetchRest: () => void): Promise<void> {
  // What is kept is for later: it does not share the line with the first screen.
  await quiet()
  if (!('serviceWorker' in navigator)) return fetchRest()
  try {
    const registration = await navigator.serviceWorker.register('/service-worker.js')
    const isUpdate = () => navigator.serviceWorker.controller !== null
    if (registration.waiting && isUpdate()) found(registration.waiting)
    registration.addEventListener('updatefound', () => {
      const next = registration.installing
      next?.addEventListener('statechange', () => {
        if (next.state === 'installed' && isUpdate()) found(next)
      })
    })
    setInterval(() => void registration.update().catch(() => undefined), LOOK_SECONDS * 1000)
  } catch {
    // A browser that forbids it, or an address that is not secure: see above.
    fetchRest()
  }
}

/** Resolves when the page has nothing to do, or after a while. */
export const quiet = (): Promise<unknown> =>
  new Promise((resolve) =>
    'requestIdleCallback' in window
      ? requestIdleCallback(resolve, { timeout: LONGEST_START_MS })
      : setTimeout(resolve, LONGEST_START_MS),
  )

/** Takes the new version: the page opens anew where it stands, with everything that was half typed. */
export function takeNewVersion(): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload())
  waiting?.postMessage({ type: 'SKIP_WAITING' })
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

export const useNewVersion = (): boolean =>
  useSyncExternalStore(subscribe, () => waiting !== undefined)
