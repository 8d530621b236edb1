import type { NewFact } from '@pine/contract'

const mockPost = jest.fn()
jest.mock('@/data/api', () => {
  class ApiRefusal extends Error {
    status = 0
    problem: object = {}
  }
  return {
    ApiRefusal,
    api: { setups: { ':id': { facts: { $post: (request: unknown) => request } } } },
    ask: (request: unknown) => mockPost(request),
  }
})

const fact = (id: string): NewFact => ({ id, kind: 'record', body: {} })
const entry = (id: string) => ({
  setupId: 's',
  fact: fact(id),
  by: 'Mira',
  at: '2026-03-02T08:00:00Z',
})

function load() {
  jest.resetModules()
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- a fresh module is a reloaded page
  return require('@/data/outbox') as typeof import('@/data/outbox')
}
const stored = () =>
  JSON.parse(window.localStorage.getItem('pine.outbox') ?? '[]') as {
    fact: { id: string }
    refused?: unknown
  }[]

beforeEach(() => {
  window.localStorage.clear()
  mockPost.mockReset()
  jest.useFakeTimers()
})
afterEach(() => jest.useRealTimers())

test('a fact is on this device before it is sent, and leaves when the server has it', async () => {
  const seen: number[] = []
  mockPost.mockImplementation(async () => {
    seen.push(stored().length)
    return {}
  })
  await load().post(entry('a'))
  expect(seen).toEqual([1])
  expect(stored()).toEqual([])
})

test('without the server it waits, survives a reload, and goes out in order', async () => {
  mockPost.mockRejectedValue(new Error('no network'))
  const first = load()
  await first.post(entry('a'))
  await first.post(entry('b'))
  expect(stored().map((one) => one.fact.id)).toEqual(['a', 'b'])
  const sent: string[] = []
  mockPost.mockReset().mockImplementation(async (request: { json: { id: string } }) => {
    sent.push(request.json.id)
    return {}
  })
  await load().flushOutbox()
  expect(sent).toEqual(['a', 'b'])
  expect(stored()).toEqual([])
})

test('a refused fact stays with its reason and does not hold up the next', async () => {
  const outbox = load()
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- the class of the same fresh module
  const { ApiRefusal } = require('@/data/api')
  mockPost
    .mockRejectedValueOnce(
      Object.assign(new ApiRefusal(), { status: 422, problem: { message: 'two decimal points' } }),
    )
    .mockResolvedValue({})
  await outbox.post(entry('a'))
  await outbox.post(entry('b'))
  expect(stored()).toMatchObject([
    { fact: { id: 'a' }, refused: { message: 'two decimal points' } },
  ])
  outbox.dismiss('a')
  expect(stored()).toEqual([])
})

test('signed out, it waits: the fact is not refused', async () => {
  const outbox = load()
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- the class of the same fresh module
  const { ApiRefusal } = require('@/data/api')
  mockPost.mockRejectedValueOnce(
    Object.assign(new ApiRefusal(), { status: 401, problem: { message: 'nobody is signed in' } }),
  )
  await outbox.post(entry('a'))
  expect(stored()).toMatchObject([{ fact: { id: 'a' } }])
  expect(stored()[0]?.refused).toBeUndefined()
})
