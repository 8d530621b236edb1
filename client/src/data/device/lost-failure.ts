import { useSyncExternalStore } from 'react'
import { failureWords } from '../server/api'

/** The words of a failure that nobody waited for; undefined once they were seen. */
let words: string | undefined
const listeners = new Set<() => void>()

function show(next: string | undefined): void {
  words = next
  for (const listener of listeners) listener()
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/**
 * Shows what fails and is caught by nobody: a press that seems to do nothing is the worst answer at a machine.
 *
 * @returns stops it.
 */
export function showLostFailures(page: Pick<Window, 'addEventListener' | 'removeEventListener'>) {
  const onFailure = (event: Event) => show(failureWords((event as PromiseRejectionEvent).reason))
  page.addEventListener('unhandledrejection', onFailure)
  return () => page.removeEventListener('unhandledrejection', onFailure)
}

/** A failure that nothing else tells, until it was seen. */
export const useLostFailure = () => ({
  failure: useSyncExternalStore(subscribe, () => words),
  seen: () => show(undefined),
})
