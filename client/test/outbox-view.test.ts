import { outboxView } from '@/areas/outbox/outbox-view'
import type { OutboxEntry } from '@/data/outbox-store'

jest.mock('@/data/outbox-store', () => ({ outboxStore: {} }))

const MIRA = { id: '019aaaaa-0000-7000-8000-00000000bbbb', name: 'Mira Toller' }
const JORY = { id: '019aaaaa-0000-7000-8000-00000000cccc', name: 'Jory Fenn' }
const entry = (
  id: string,
  by: OutboxEntry['by'] = MIRA,
  refused?: OutboxEntry['refused'],
): OutboxEntry => ({
  setupId: 's',
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
    setupId: 's',
    by: MIRA,
    fact: { id: 'a', kind: 'check-off' },
    refused: { remedy: 'Add it.' },
  })
})
