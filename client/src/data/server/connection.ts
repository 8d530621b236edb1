import { useSyncExternalStore } from 'react'

let reached = true
const listeners = new Set<() => void>()

/** Notes whether the server answered the last time that it was asked anything. */
export function noteReached(answered: boolean): void {
  if (answered === reached) return
  reached = answered
  for (const listener of listeners) listener()
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Whether the server answers, as far as is known. */
export const useReached = (): boolean => useSyncExternalStore(subscribe, () => reached)
