import { firstWaiting, outboxView } from '@/areas/outbox/outbox-view'
import type { OutboxEntry, SetupEntry } from '@/data/outbox/outbox-entry'

jest.mock('@/data/outbox/outbox-store', () => ({ outboxStore: {} }))

const MIRA = { id: '019aaaaa-0000-7000-8000-00000000bbbb', name: 'Mira Toller' }
const JORY = { id: '019aaaaa-0000-7000-8000-00000000cccc', name: 'Jory Fenn' }
const entry = (
  id: string,
  by: SetupEntry['by'] = MIRA,
  refused?: SetupEntry['refused'],
): OutboxEntry => ({
  stream: { kind: 'setup', id: 's' },
  fact: { id, kind: 'check-off', body: { of: 'clean' } },
  by,
  at: '2026-03-02T08:00:00Z',
  ...(refused && { refused }),
})

test('nothing waits: nothing is said', () => {
  expect(outboxView([], MIRA, false)).toEqual({ lines: [], refused: [] })
})

test('own entries are on the way, another’s wait for that person', () => {
  const { lines } = outboxView([entry('a'), entry('b', JORY), entry('c', JORY)], MIRA, false)
  expect(lines).toEqual([
    '1 entry is kept on this device and on the way to the server.',
    '2 entries are kept here until Jory Fenn signs in.',
  ])
})

test('what is on its way for a moment only is not told, unless the server or the browser fails it', () => {
  const lines = (keepsNothing: boolean, reached: boolean) =>
    outboxView([entry('a')], MIRA, keepsNothing, reached, false).lines
  expect(lines(false, true)).toEqual([])
  expect(lines(false, false)).toEqual([
    'No connection. 1 entry is kept on this device and sent later.',
  ])
  expect(lines(true, true)).toHaveLength(1)
  // While it is the same entry it has not arrived; those of others and refused ones are not waited for.
  const refused = { code: 'x', place: '', message: '', expected: '', received: '', remedy: '' }
  const waiting = [entry('r', MIRA, refused), entry('j', JORY), entry('a'), entry('b')]
  expect(firstWaiting(waiting, MIRA)).toBe('a')
  expect(firstWaiting(waiting, null)).toBe('j')
  expect(firstWaiting([entry('j', JORY)], MIRA)).toBeUndefined()
})

test('without a connection it is said, once, with what waits', () => {
  expect(outboxView([], MIRA, false, false).lines).toEqual([
    'No connection: shown as seen here last. Work on.',
  ])
  expect(outboxView([entry('a'), entry('b')], MIRA, false, false).lines).toEqual([
    'No connection. 2 entries are kept on this device and sent later.',
  ])
})

test('a browser that keeps nothing is told before anything is entered, and while it waits', () => {
  expect(outboxView([], MIRA, true).lines).toEqual([
    'This browser keeps nothing of what you enter until it is with the server.',
  ])
  expect(outboxView([entry('a'), entry('b')], MIRA, true).lines).toEqual([
    '2 entries are not kept on this device: stay on this page until it is with the server.',
  ])
})

test('a refused one tells why, and can be saved as it is before it is taken out', () => {
  const problem = {
    code: 'x',
    place: '',
    message: 'T9 is not in this set-up.',
    expected: 'T1',
    received: 'T9',
    remedy: 'Add it.',
  }
  const { lines, refused } = outboxView([entry('a', MIRA, problem)], MIRA, false)
  expect(lines).toEqual([])
  expect(refused[0]?.words).toContain('was not accepted: T9 is not in this set-up. Add it.')
  expect(JSON.parse(refused[0]?.file ?? '')).toMatchObject({
    stream: { kind: 'setup', id: 's' },
    by: MIRA,
    fact: { id: 'a', kind: 'check-off' },
    refused: { remedy: 'Add it.' },
  })
})

test('a check of a gauge that was refused is told by what it was', () => {
  const mm = (text: string) => ({ text, unit: 'mm' as const })
  const body = { read: mm('50'), against: 'the 50 mm block', master: mm('50') }
  const refused = { message: 'Nobody watches it.', remedy: 'Set its tolerance.' } as never
  const { refused: told } = outboxView(
    [
      {
        stream: { kind: 'gauge', id: 'g' },
        fact: { id: 'c', kind: 'gauge-check', body },
        ...{ by: MIRA, at: '', refused },
      },
    ],
    MIRA,
    false,
  )
  expect(told[0]?.words).toBe(
    'The check against the 50 mm block was not accepted: Nobody watches it. Set its tolerance.',
  )
})
