import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import type { NewFact } from '@pine/contract'

const mockPost = jest.fn()
const mockStream = (kind: string) => ({
  ':id': { facts: { $post: (request: object) => ({ kind, ...request }) } },
})
jest.mock('@/data/server/api', () => {
  class ApiRefusal extends Error {
    status: number
    problem: object
    constructor(status = 0, problem: { message?: string } = {}) {
      super(problem.message)
      this.status = status
      this.problem = problem
    }
  }
  return {
    ApiRefusal,
    api: { streams: { setup: mockStream('setup'), gauge: mockStream('gauge') } },
    ask: (request: unknown) => mockPost(request),
    sendable: (body: object) => body,
  }
})
jest.mock('@/data/shop/shown-outside', () => ({ showOutside: async () => undefined }))
jest.mock('@/data/setup/shown-setups', () => ({ showFacts: async () => undefined }))

interface Sent {
  readonly json: { readonly id: string }
  readonly query: { readonly by?: string; readonly at: string }
}

const MIRA = { id: '019aaaaa-0000-7000-8000-00000000bbbb', name: 'Mira' }
const JORY = { id: '019aaaaa-0000-7000-8000-00000000cccc', name: 'Jory' }
const AT = '2026-03-02T08:00:00Z'
const SENT = expect.stringMatching(/^20\d\d-.*Z$/)
const fact = (id: string): NewFact => ({ id, kind: 'record', body: {} })
const entry = (id: string, by: { id?: string; name: string } | string = MIRA, setup = 's') => ({
  stream: { kind: 'setup' as const, id: setup },
  fact: fact(id),
  by,
  at: AT,
})

/** A page of this device: its modules are its own, its IndexedDB is shared with every other page. */
function page(person: typeof MIRA | null = MIRA) {
  jest.resetModules()
  /* eslint-disable @typescript-eslint/no-require-imports -- fresh modules are a page that was just opened */
  const outbox = require('@/data/outbox/outbox') as typeof import('@/data/outbox/outbox')
  const { outboxStore } =
    require('@/data/outbox/outbox-store') as typeof import('@/data/outbox/outbox-store')
  const { ApiRefusal } = require('@/data/server/api')
  /* eslint-enable */
  outbox.sendAs(person ?? undefined)
  opened.push(outbox)
  return {
    ...outbox,
    /** Entered, and whatever can be sent is. */
    post: async (one: Parameters<typeof outbox.post>[0]) => {
      await outbox.post(one)
      await outbox.flushOutbox()
    },
    keep: outbox.post,
    outboxStore,
    waiting: () => outboxStore.entries().map((one) => one.fact.id),
    refusal: (status: number, message = 'no') =>
      Object.assign(new ApiRefusal(), { status, problem: { message } }),
  }
}

/** What the device keeps, asked by a page that is opened for it alone. */
async function kept() {
  const other = page(null)
  await other.outboxStore.ready
  return other.outboxStore.entries()
}
const keptIds = async () => (await kept()).map((one) => one.fact.id)

/** The server takes everything; tells what came, in order. */
function takesAll(): string[] {
  const sent: string[] = []
  mockPost.mockReset().mockImplementation(async ({ json }: Sent) => void sent.push(json.id))
  return sent
}

const offline = () => mockPost.mockReset().mockRejectedValue(new Error('no network'))

const opened: { sendAs(person: undefined): void }[] = []

beforeEach(() => {
  // Dexie is one for all that is loaded, and keeps the IndexedDB that it found.
  Reflect.deleteProperty(globalThis, Symbol.for('Dexie'))
  globalThis.indexedDB = new IDBFactory()
  window.localStorage.clear()
  mockPost.mockReset()
})

// Pages of a test that try again later say nothing in the next one.
afterEach(() => opened.splice(0).forEach((one) => one.sendAs(undefined)))

test('an entry is taken in once it is kept: nobody waits for a server that is slow', async () => {
  const here = page()
  mockPost.mockReturnValue(new Promise(() => undefined))
  await here.keep(entry('a'))
  expect(here.waiting()).toEqual(['a'])
})

test('a fact is on this device before it is sent, and leaves when the server has it', async () => {
  const seen: number[] = []
  const here = page()
  mockPost.mockImplementation(async () => void seen.push((await kept()).length))
  await here.post(entry('a'))
  expect(seen).toEqual([1])
  expect(await keptIds()).toEqual([])
  expect(here.waiting()).toEqual([])
})

test('what the database repeats of it is no change: whoever shows a set-up works it out once', async () => {
  offline()
  const here = page()
  await here.outboxStore.ready
  const lists = new Set([here.outboxStore.entries()])
  here.outboxStore.subscribe(() => lists.add(here.outboxStore.entries()))
  await here.post(entry('a'))
  await new Promise((told) => setTimeout(told, 100))
  expect([...lists].map((one) => one.length)).toEqual([0, 1])
})

test('it is seen at once, before it is kept', () => {
  offline()
  const here = page()
  void here.post(entry('a'))
  expect(here.waiting()).toEqual(['a'])
})

test('without the server it waits, survives a reload, and goes out in order, as who and when it was entered', async () => {
  offline()
  const first = page()
  await first.post(entry('a'))
  await first.post(entry('b'))
  expect(await keptIds()).toEqual(['a', 'b'])
  const sent = takesAll()
  const again = page()
  await again.flushOutbox()
  expect(sent).toEqual(['a', 'b'])
  expect(mockPost.mock.calls[0]?.[0].query).toEqual({ by: MIRA.id, at: AT, sent: SENT })
  expect(await keptIds()).toEqual([])
})

test('a fact goes out with its device and with how many facts that had seen; a check with when it was made', async () => {
  mockPost.mockResolvedValue({})
  const here = page()
  const device = '019aaaaa-0000-7000-8000-00000000dddd'
  await here.post({ ...entry('a'), seen: 0, device })
  await here.post({
    stream: { kind: 'gauge', id: 'setter' },
    fact: {
      ...{ id: 'b', kind: 'gauge-check' },
      body: {
        read: { text: '50', unit: 'mm' },
        against: 'block',
        master: { text: '50', unit: 'mm' },
      },
    },
    ...{ by: MIRA, at: AT },
  } as Parameters<typeof here.post>[0])
  const beside = { by: MIRA.id, at: AT, sent: SENT }
  expect(mockPost.mock.calls.map(([request]) => request.query)).toEqual([
    { ...beside, seen: '0', device },
    beside,
  ])
})

test('a store that tells late takes nothing away of what was entered here, nor turns its order', async () => {
  offline()
  const here = page()
  await here.post(entry('a'))
  await here.post(entry('b'))
  const store = here.outboxStore as unknown as { show(rows: readonly object[]): void }
  store.show([])
  expect(here.waiting()).toEqual(['a', 'b'])
  store.show([entry('b')])
  expect(here.waiting()).toEqual(['a', 'b'])
  store.show([entry('before'), entry('b')])
  expect(here.waiting()).toEqual(['before', 'a', 'b'])
})

test('a set-up that is begun here goes out first, by its sheet, and what was entered in it after that', async () => {
  offline()
  const here = page()
  const sheet = { id: 'sheet', kind: 'sheet', body: { name: 'Begun' } } as unknown as NewFact
  await here.post({ ...entry('sheet'), fact: sheet, begins: true })
  await here.post(entry('reading'))
  expect((await kept()).map((one) => 'begins' in one && one.begins)).toEqual([true, false])
  mockPost.mockReset().mockResolvedValue({})
  const again = page()
  await again.flushOutbox()
  expect(mockPost.mock.calls.map(([request]) => request)).toEqual([
    { kind: 'setup', param: { id: 's' }, query: { by: MIRA.id, at: AT, sent: SENT }, json: sheet },
    {
      kind: 'setup',
      param: { id: 's' },
      query: { by: MIRA.id, at: AT, sent: SENT },
      json: fact('reading'),
    },
  ])
})

test('two pages that enter at once lose nothing of each other', async () => {
  offline()
  const [left, right] = [page(), page()]
  await Promise.all(
    Array.from({ length: 16 }, (_, index) =>
      (index % 2 === 0 ? left : right).post(entry(`${index}`)),
    ),
  )
  expect((await keptIds()).map(Number).sort((a, b) => a - b)).toEqual(
    Array.from({ length: 16 }, (_, index) => index),
  )
})

test('what one person entered is never sent as another: it waits until they sign in', async () => {
  offline()
  const here = page(MIRA)
  await here.post(entry('hers'))
  const sent = takesAll()
  here.sendAs(JORY)
  await here.post(entry('his', JORY))
  expect(sent).toEqual(['his'])
  here.sendAs(undefined)
  await here.flushOutbox()
  expect(sent).toEqual(['his'])
  here.sendAs(MIRA)
  await here.flushOutbox()
  expect(sent).toEqual(['his', 'hers'])
})

test('a name alone is of whoever is called so; nobody’s is of whoever signs in next', () => {
  const { isOf } = page()
  expect(isOf(entry('a', 'Mira'), MIRA)).toBe(true)
  expect(isOf(entry('a', 'Mira'), JORY)).toBe(false)
  expect(isOf(entry('a', { name: '' }), JORY)).toBe(true)
  expect(isOf(entry('a', { ...JORY, name: 'Mira' }), MIRA)).toBe(false)
})

test('a refused fact stays with its reason and does not hold up the next', async () => {
  const here = page()
  mockPost.mockRejectedValueOnce(here.refusal(422, 'two decimal points')).mockResolvedValue({})
  await here.post(entry('a'))
  await here.post(entry('b'))
  expect(await kept()).toMatchObject([
    { fact: { id: 'a' }, refused: { message: 'two decimal points' } },
  ])
  await here.dismiss('a')
  expect(await keptIds()).toEqual([])
})

test.each([401, 429, 503])(
  '%i passes: the fact waits, and nothing is tried behind it',
  async (status) => {
    const here = page()
    mockPost.mockRejectedValue(here.refusal(status))
    await here.post(entry('a'))
    await here.post(entry('b', MIRA, 'other'))
    expect(mockPost.mock.calls.map(([{ json }]: [Sent]) => json.id)).toEqual(['a', 'a'])
    expect((await kept()).map(({ refused }) => refused)).toEqual([undefined, undefined])
  },
)

test('a fact that the server fails at holds up its own set-up alone, and steps aside in the end', async () => {
  const here = page()
  const sent: string[] = []
  mockPost.mockImplementation(async ({ json }: Sent) => {
    if (json.id === 'poison') throw here.refusal(500, 'noted as 7')
    sent.push(json.id)
  })
  await here.post(entry('poison'))
  await here.post(entry('behind'))
  await here.post(entry('elsewhere', MIRA, 'other'))
  expect(sent).toEqual(['elsewhere'])
  await here.flushOutbox()
  expect(sent).toEqual(['elsewhere'])
  await here.flushOutbox()
  expect(sent).toEqual(['elsewhere', 'behind'])
  expect(await kept()).toMatchObject([
    { fact: { id: 'poison' }, refused: { message: 'noted as 7' } },
  ])
})

test('where the browser keeps nothing, it is said, and the fact is sent all the same', async () => {
  globalThis.indexedDB = {
    open: () => {
      throw new Error('forbidden')
    },
  } as unknown as IDBFactory
  offline()
  const here = page()
  await here.post(entry('a'))
  expect(here.outboxStore.keepsNothing()).toBe(true)
  expect(here.waiting()).toEqual(['a'])
  const sent = takesAll()
  await here.flushOutbox()
  expect(sent).toEqual(['a'])
  expect(here.waiting()).toEqual([])
})

test('what a version before kept in the small store is taken over once', async () => {
  window.localStorage.setItem(
    'pine.outbox',
    JSON.stringify([entry('old', 'Mira'), entry('older', 'Mira')]),
  )
  expect(await keptIds()).toEqual(['old', 'older'])
  expect(window.localStorage.getItem('pine.outbox')).toBeNull()
  expect(await keptIds()).toEqual(['old', 'older'])
})

test('what versions before kept of a set-up and of a gauge goes out where it belongs', async () => {
  offline()
  const before = page(null)
  await before.outboxStore.ready
  const { database } = before.outboxStore as unknown as {
    readonly database: { readonly outbox: { add(row: object): Promise<unknown> } }
  }
  const reading = { setupId: 's', fact: fact('reading'), by: MIRA, at: AT }
  const check = {
    gaugeId: 'g',
    fact: { id: 'check', kind: 'gauge-check', body: {} },
    by: MIRA,
    at: AT,
  }
  for (const row of [reading, check]) await database.outbox.add({ ...row, id: row.fact.id })
  mockPost.mockReset().mockResolvedValue({})
  await page().flushOutbox()
  expect(mockPost.mock.calls.map(([{ kind, param, json }]) => [kind, param.id, json.id])).toEqual([
    ['setup', 's', 'reading'],
    ['gauge', 'g', 'check'],
  ])
})

describe('a form that hears what became of its fact', () => {
  test('is told why it was refused, and nothing of it is kept', async () => {
    const here = page()
    mockPost.mockReset().mockRejectedValue(here.refusal(422, 'No such machine.'))
    await expect(here.postAndHear(entry('a'))).rejects.toThrow('No such machine.')
    expect(here.waiting()).toEqual([])
    expect(await keptIds()).toEqual([])
  })
  test('is done where nobody answers: it waits like any other', async () => {
    offline()
    const here = page()
    expect(await here.postAndHear(entry('a'))).toBe(false)
    expect(here.waiting()).toEqual(['a'])
    takesAll()
    expect(await here.postAndHear(entry('b'))).toBe(true)
  })
})

describe('a check of a gauge', () => {
  const mm = (text: string) => ({ text, unit: 'mm' as const })
  const body = { read: mm('50.001'), against: 'block', master: mm('50') }
  const check = (id: string, gauge = 'g') => ({
    ...{ stream: { kind: 'gauge' as const, id: gauge }, by: MIRA, at: AT },
    fact: { id, kind: 'gauge-check' as const, body },
  })

  test('waits without a network, and is sent to its gauge with who and when', async () => {
    offline()
    const here = page()
    await here.post(check('a'))
    expect(await keptIds()).toContain('a')
    const sent: unknown[] = []
    mockPost.mockReset().mockImplementation(async (request: unknown) => void sent.push(request))
    await here.flushOutbox()
    expect(sent).toEqual([
      {
        ...{ kind: 'gauge', param: { id: 'g' }, query: { at: AT, by: MIRA.id, sent: SENT } },
        json: { id: 'a', kind: 'gauge-check', body },
      },
    ])
    expect(here.waiting()).toEqual([])
  })

  test('that the server fails at holds up no set-up and no other gauge', async () => {
    const here = page()
    const failing = ['a']
    const done: string[] = []
    mockPost.mockReset().mockImplementation(async ({ json }: Sent) => {
      if (failing.includes(json.id)) throw here.refusal(500)
      done.push(json.id)
    })
    await here.post(check('a'))
    await here.post(entry('f'))
    await here.post(check('b', 'other'))
    await here.post(check('c'))
    expect(done).toEqual(['f', 'b'])
    failing.pop()
    await here.flushOutbox()
    expect(done).toEqual(['f', 'b', 'a', 'c'])
  })
})
