import { keepPage } from '@/data/server/page-version'

// What the first screen did without is fetched by whoever keeps the page: the worker, or the page itself where there can be none.

const withWorker = (register: (() => Promise<unknown>) | undefined) =>
  Object.defineProperty(navigator, 'serviceWorker', {
    configurable: true,
    value: register && { controller: null, register },
  })

beforeEach(() => {
  jest.useFakeTimers()
  Object.assign(window, { requestIdleCallback: (then: () => void) => setTimeout(then, 5) })
})
afterEach(() => {
  jest.useRealTimers()
  delete (navigator as { serviceWorker?: unknown }).serviceWorker
})

async function fetched(): Promise<number> {
  const fetchRest = jest.fn()
  const kept = keepPage(fetchRest)
  // Not before the first screen has what it needs.
  expect(fetchRest).not.toHaveBeenCalled()
  await jest.advanceTimersByTimeAsync(10)
  await kept
  return fetchRest.mock.calls.length
}

test('a worker that keeps the page fetches it all', async () => {
  const registration = { waiting: null, addEventListener: jest.fn(), update: jest.fn() }
  withWorker(() => Promise.resolve(registration))
  expect(await fetched()).toBe(0)
})

test('an address without TLS has no worker, and one may be forbidden: the page fetches the rest', async () => {
  expect('serviceWorker' in navigator).toBe(false)
  expect(await fetched()).toBe(1)
  withWorker(() => Promise.reject(new Error('forbidden')))
  expect(await fetched()).toBe(1)
})
