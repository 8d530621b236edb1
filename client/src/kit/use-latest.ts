import { useCallback, useInsertionEffect, useRef } from 'react'

/**
 * A callback that stays the same between draws and does what the last of them would do: what it is given to need not be drawn anew.
 * To be called by what a person does, never while something is drawn.
 */
export function useLatest<Args extends readonly unknown[]>(
  callback: (...args: Args) => void,
): (...args: Args) => void {
  const latest = useRef(callback)
  useInsertionEffect(() => {
    latest.current = callback
  })
  return useCallback((...args: Args) => latest.current(...args), [])
}
