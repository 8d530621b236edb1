import type { OutboxEntry } from '@/data/outbox/outbox-entry'
import { postAndHear } from '@/data/outbox/outbox'
import { enterOutside, withWaiting } from '@/data/shop/enter-outside'

jest.mock('@/data/outbox/outbox', () => ({ postAndHear: jest.fn(async () => true) }))

const MIRA = { id: '019aaaaa-0000-7000-8000-00000000bbbb', name: 'Mira', role: 'lead' }

test('what is entered is a fact of its stream, of who is signed in, from now', async () => {
  const before = Date.now()
  await enterOutside(
    { kind: 'tool', id: 't' },
    { kind: 'tool-event', body: { what: 'broken', note: 'in the rack' } },
    MIRA,
  )
  const [entry] = jest.mocked(postAndHear).mock.calls[0]!
  expect(entry).toEqual({
    stream: { kind: 'tool', id: 't' },
    fact: {
      id: expect.stringMatching(/^[0-9a-f-]{36}$/),
      kind: 'tool-event',
      body: { what: 'broken', note: 'in the rack' },
    },
    by: { id: MIRA.id, name: 'Mira' },
    at: expect.any(String),
  })
  expect(Date.parse(entry.at)).toBeGreaterThanOrEqual(before)
})

describe('a list with what waits here', () => {
  const entry = (kind: string, id: string, fact: object, changes: object = {}) =>
    ({ stream: { kind, id }, fact, by: MIRA, at: '', ...changes }) as unknown as OutboxEntry
  const named = (name: string) => ({ kind: 'tool', body: { name } })
  const nameOf = (id: string, { name }: { readonly name: string }) => ({ id, name })
  const known = [
    { id: 'a', name: 'Drill' },
    { id: 'b', name: 'Tap' },
  ]

  test.each([
    ['nothing waits', [], known],
    [
      'one that is there is declared anew, at its place; the last word counts',
      [entry('tool', 'a', named('Reamer')), entry('tool', 'a', named('Countersink'))],
      [{ id: 'a', name: 'Countersink' }, known[1]],
    ],
    [
      'a new one stands last',
      [entry('tool', 'c', named('Mill'))],
      [...known, { id: 'c', name: 'Mill' }],
    ],
    ['one that was refused is none', [entry('tool', 'c', named('Mill'), { refused: {} })], known],
    [
      'what happened to one, and what is of another kind, changes no list',
      [entry('tool', 'a', { kind: 'tool-event', body: {} }), entry('gauge', 'a', named('Ball'))],
      known,
    ],
  ])('%s', (_, outbox, expected) => {
    expect(withWaiting(known, outbox, 'tool', nameOf)).toEqual(expected)
  })

  test('a list that is not known yet stays unknown', () => {
    expect(
      withWaiting(undefined, [entry('tool', 'c', named('Mill'))], 'tool', nameOf),
    ).toBeUndefined()
  })
})
