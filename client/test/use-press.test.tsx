/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { Unreachable } from '@/data/server/api'
import { showLostFailures, useLostFailure } from '@/data/device/lost-failure'
import { usePress } from '@/kit/entry/use-press'

/** Work that ends when the test says so. */
function held() {
  const calls: { resolve: () => void; reject: (cause: unknown) => void }[] = []
  const work = () => new Promise<void>((resolve, reject) => calls.push({ resolve, reject }))
  return { calls, work }
}

test('a second press while the first is at work does nothing more; afterwards one does', async () => {
  const { calls, work } = held()
  const { result } = renderHook(() => usePress(work))
  act(() => result.current.press())
  expect(result.current.isBusy).toBe(true)
  act(() => result.current.press())
  expect(calls).toHaveLength(1)
  await act(async () => calls[0]?.resolve())
  expect(result.current.isBusy).toBe(false)
  act(() => result.current.press())
  expect(calls).toHaveLength(2)
})

test('what fails is told in words, and gone with the next press', async () => {
  const { calls, work } = held()
  const { result } = renderHook(() => usePress(work))
  act(() => result.current.press())
  await act(async () => calls[0]?.reject(new Unreachable('The server does not answer.')))
  expect(result.current).toMatchObject({
    isBusy: false,
    failure: 'The server does not answer. What you typed is kept here.',
  })
  act(() => result.current.press())
  expect(result.current.failure).toBeUndefined()
})

test('a failure that nobody waits for is shown until it was seen, and not after the page let go', () => {
  const stop = showLostFailures(window)
  const { result } = renderHook(() => useLostFailure())
  const lose = (reason: unknown) =>
    act(() => void window.dispatchEvent(Object.assign(new Event('unhandledrejection'), { reason })))
  lose(new Unreachable('The server does not answer.'))
  expect(result.current.failure).toBe('The server does not answer. What you typed is kept here.')
  act(() => result.current.seen())
  expect(result.current.failure).toBeUndefined()
  stop()
  lose(new Error('later'))
  expect(result.current.failure).toBeUndefined()
})
