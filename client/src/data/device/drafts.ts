import { useCallback, useSyncExternalStore } from 'react'
import { draftStore } from './draft-store'

/** Whether what was half typed before is at hand: before that no field is drawn. */
export const useDraftsLoaded = (): boolean =>
  useSyncExternalStore(draftStore.subscribe, draftStore.loaded)

/**
 * Something half typed: it survives a reload, a locked phone and leaving the page, until it is cleared because it has
 * become a fact.
 */
export function useDraft<T>(key: string, initial: T) {
  const started = useSyncExternalStore(
    draftStore.subscribe,
    useCallback(() => draftStore.has(key), [key]),
  )
  const kept = useSyncExternalStore(
    draftStore.subscribe,
    useCallback(() => draftStore.read(key), [key]),
  )
  const value = (started ? kept : initial) as T
  const set = useCallback((next: T) => draftStore.write(key, next), [key])
  const clear = useCallback(() => draftStore.clear(key), [key])
  return { value, set, clear, started }
}
