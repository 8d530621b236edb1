import { mutate, SWRConfig, unstable_serialize } from 'swr'
import { renderHook } from '@testing-library/react'
import { ask } from '@/data/server/api'
import { showTold } from '@/data/server/live'
import { flushOutbox } from '@/data/outbox/outbox'
import { setupKey, useShown } from '@/data/setup/shown-setups'

const mockGet = jest.fn((_request: unknown) => 'asked')
jest.mock('@/data/server/api', () => ({
  api: { setups: { ':id': { facts: { $get: (request: unknown) => mockGet(request) } } } },
  ask: jest.fn(() => Promise.reject(new Error('nobody there'))),
}))
jest.mock('@/data/outbox/outbox', () => ({ flushOutbox: jest.fn(() => Promise.resolve()) }))
jest.mock('swr', () => {
  const swr = jest.requireActual<typeof import('swr')>('swr')
  return { ...swr, mutate: jest.fn(() => Promise.resolve()) }
})

const SHOWN = ['shown', 'shown too']
const answer = (facts: number) => ({ file: { facts: Array.from({ length: facts }) } })

/** Every key that was asked for anew. */
const askedAnew = () => jest.mocked(mutate).mock.calls.map(([key]) => key)

beforeEach(() => {
  jest.clearAllMocks()
  const { cache } = SWRConfig.defaultValue
  for (const id of [...SHOWN, 'elsewhere'])
    cache.set(unstable_serialize(setupKey(id)), { data: answer(7) })
  renderHook(() => SHOWN.forEach((id) => useShown(id)))
})

test('after a gap everything that is shown is asked for from where it ends, and what waits is sent', async () => {
  await showTold({ tells: 'gap' })
  expect(flushOutbox).toHaveBeenCalledTimes(1)
  expect(mockGet.mock.calls).toEqual(SHOWN.map((id) => [{ param: { id }, query: { from: '7' } }]))
  expect(askedAnew()).toEqual(expect.arrayContaining(['machines', 'gauges', 'session']))
})

test('a fact of a set-up that is shown is fetched, one that is known already or shown nowhere is not', async () => {
  await showTold({ tells: 'fact', change: { kind: 'setup', id: 'shown', place: 7 } })
  expect(mockGet.mock.calls).toEqual([[{ param: { id: 'shown' }, query: { from: '7' } }]])
  mockGet.mockClear()
  await showTold({ tells: 'fact', change: { kind: 'setup', id: 'shown', place: 6 } })
  await showTold({ tells: 'fact', change: { kind: 'setup', id: 'elsewhere', place: 9 } })
  expect(mockGet).not.toHaveBeenCalled()
  expect(flushOutbox).not.toHaveBeenCalled()
})

test('a machine or a gauge declared anew is asked for, and the lists that it changes', async () => {
  await showTold({ tells: 'fact', change: { kind: 'machine', id: 'm', place: 1 } })
  expect(askedAnew()).toContain('machines')
  expect(askedAnew()).not.toContain('gauges')
  const lists = askedAnew().length - 1
  expect(lists).toBeGreaterThan(0)
  jest.mocked(mutate).mockClear()
  await showTold({ tells: 'fact', change: { kind: 'gauge', id: 'g', place: 1 } })
  expect(askedAnew()).toContain('gauges')
  jest.mocked(mutate).mockClear()
  await showTold({ tells: 'fact', change: { kind: 'person', id: 'p', place: 1 } })
  expect(mutate).not.toHaveBeenCalled()
  expect(ask).not.toHaveBeenCalled()
})
