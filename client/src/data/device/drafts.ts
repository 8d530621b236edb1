import { useCallback } from 'react'
import { kept, useKept } from './kept'

const drafts = kept<Readonly<Record<string, unknown>>>('drafts', {})

/**
 * Something half typed: it survives a reload, a locked phone and leaving the page, until it is
 * cleared because it has become a fact.
 */
export function useDraft<T>(key: string, initial: T) {
  const all = useKept(drafts)
  const value = (key in all ? all[key] : initial) as T
  const set = useCallback((next: T) => drafts.write({ ...drafts.read(), [key]: next }), [key])
  const clear = useCallback(() => {
    const { [key]: _gone, ...rest } = drafts.read()
    drafts.write(rest)
  }, [key])
  return { value, set, clear, started: key in all }
}
