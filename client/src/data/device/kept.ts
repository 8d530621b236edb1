import { useSyncExternalStore } from 'react'

type Listener = () => void

/** A value that survives a reload of this device, and tells who watches when it changes. */
export interface Kept<T> {
  read(): T
  write(next: T): void
  subscribe(listener: Listener): () => void
}

/**
 * Keeps a JSON value in this browser. Storage that is full or forbidden must not stop the work at
 * the machine: the value then lives as long as the page.
 */
export function kept<T>(name: string, initial: T): Kept<T> {
  const key = `pine.${name}`
  const listeners = new Set<Listener>()
  let text: string | null | undefined
  let value = initial

  const load = (): T => {
    if (text !== undefined) return value
    text = stored(key)
    value = text === null ? initial : parsed(text, initial)
    return value
  }
  const changedElsewhere = (event: StorageEvent) => {
    if (event.key !== key) return
    text = undefined
    for (const listener of listeners) listener()
  }

  return {
    read: load,
    write(next) {
      value = next
      text = JSON.stringify(next)
      try {
        window.localStorage.setItem(key, text)
      } catch {
        // Full or forbidden: see above.
      }
      for (const listener of listeners) listener()
    },
    subscribe(listener) {
      if (listeners.size === 0) window.addEventListener('storage', changedElsewhere)
      listeners.add(listener)
      return () => {
        listeners.delete(listener)
        if (listeners.size === 0) window.removeEventListener('storage', changedElsewhere)
      }
    },
  }
}

export function useKept<T>(store: Kept<T>): T {
  return useSyncExternalStore(store.subscribe, store.read)
}

function stored(key: string): string | null {
  try {
    return window.localStorage.getItem(key)
  } catch {
    return null
  }
}

function parsed<T>(text: string, initial: T): T {
  try {
    return JSON.parse(text) as T
  } catch {
    return initial
  }
}
