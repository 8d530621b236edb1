import { mutate, SWRConfig, unstable_serialize } from 'swr'
import { renderHook } from '@testing-library/react'
import { ask } from '@/data/server/api'
import { applyLiveMessage } from '@/data/server/live'
import { flushOutbox } from '@/data/outbox/outbox'
import { setupKey, useShown } from '@/data/setup/shown-setups'

const mockGet = jest.fn((_request: unknown) => 'asked')
jest.mock('@/data/server/api', () => ({
  api: {
    streams: { ':kind': { ':id': { facts: { $get: (request: unknown) => mockGet(request) } } } },
  },
  ask: jest.fn(() => Promise.reject(new Error('nobody there'))),
}))
jest.mock('@/data/outbox/outbox', () => ({ flushOutbox: jest.fn(() => Promise.resolve()) }))
jest.mock('swr', () => {
  const swr = jest.requireActual<typeof import('swr')>('swr')
  return { ...swr, mutate: jest.fn(() => Promise.resolve()) }
})

const SHOWN = ['shown', 'shown too']
const answer = (facts: number) => ({ file: { facts: Array.from({ length: facts }) } })

/** Whether what is kept under a key was asked for anew. */
const isAskedAnew = (key: unknown) =>
  jest
    .mocked(mutate)
    .mock.calls.some(([asked]) =>
      typeof asked === 'function' ? asked(key as never) : asked === key,
    )
const KEYS = [
  'machines',
  'gauges',
  'gauge-standings',
  'gauge-checks:g',
  'gauge-checks:g:suspect',
  'gauge-checks:other',
  ['machine-history', 'm'],
  ['machine-history', 'other'],
  ['tool', 't'],
  ['tool', 'other'],
  ['tools', '', false, 0],
  ['pockets', 'm'],
  '$inf$@"tools",',
  ['setups', {}],
  ['setup', 'shown'],
  'session',
]
const askedAnew = () => KEYS.filter(isAskedAnew)

beforeEach(() => {
  jest.clearAllMocks()
  const { cache } = SWRConfig.defaultValue
  for (const id of [...SHOWN, 'elsewhere'])
    cache.set(unstable_serialize(setupKey(id)), { data: answer(7) })
  renderHook(() => SHOWN.forEach((id) => useShown(id)))
})

test('after a gap everything that is shown is asked for from where it ends, and what waits is sent', async () => {
  await applyLiveMessage({ tells: 'gap' })
  expect(flushOutbox).toHaveBeenCalledTimes(1)
  expect(mockGet.mock.calls).toEqual(
    SHOWN.map((id) => [{ param: { kind: 'setup', id }, query: { from: '7' } }]),
  )
  expect(askedAnew()).toEqual(expect.arrayContaining(['machines', 'gauges', 'session']))
})

test('a fact of a set-up that is shown is fetched, one that is known already or shown nowhere is not', async () => {
  await applyLiveMessage({ tells: 'fact', change: { kind: 'setup', id: 'shown', place: 7 } })
  expect(mockGet.mock.calls).toEqual([
    [{ param: { kind: 'setup', id: 'shown' }, query: { from: '7' } }],
  ])
  mockGet.mockClear()
  await applyLiveMessage({ tells: 'fact', change: { kind: 'setup', id: 'shown', place: 6 } })
  await applyLiveMessage({ tells: 'fact', change: { kind: 'setup', id: 'elsewhere', place: 9 } })
  expect(mockGet).not.toHaveBeenCalled()
  expect(flushOutbox).not.toHaveBeenCalled()
})

test.each([
  [
    'machine',
    'm',
    [
      'machines',
      ['machine-history', 'm'],
      ['tool', 't'],
      ['tool', 'other'],
      ['tools', '', false, 0],
      ['pockets', 'm'],
      '$inf$@"tools",',
      ['setups', {}],
    ],
  ],
  [
    'gauge',
    'g',
    ['gauges', 'gauge-standings', 'gauge-checks:g', 'gauge-checks:g:suspect', ['setups', {}]],
  ],
  [
    'tool',
    't',
    [['tool', 't'], ['tools', '', false, 0], ['pockets', 'm'], '$inf$@"tools",', ['setups', {}]],
  ],
  ['person', 'p', []],
])(
  'a fact of a %s has what follows from it asked for, and nothing else',
  async (kind, id, keys) => {
    await applyLiveMessage({ tells: 'fact', change: { kind, id, place: 1 } })
    expect(askedAnew()).toEqual(keys)
    expect(ask).not.toHaveBeenCalled()
  },
)

test('a set-up that was left is told for a moment more, in which its next page comes, and no longer', async () => {
  jest.useFakeTimers()
  const screen = renderHook(() => useShown('elsewhere'))
  const change = { kind: 'setup', id: 'elsewhere', place: 7 }
  screen.unmount()
  await applyLiveMessage({ tells: 'fact', change })
  expect(mockGet).toHaveBeenCalledTimes(1)
  jest.advanceTimersByTime(10_000)
  await applyLiveMessage({ tells: 'fact', change })
  expect(mockGet).toHaveBeenCalledTimes(1)
  jest.useRealTimers()
})
