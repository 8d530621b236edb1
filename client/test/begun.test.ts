import { renderHook } from '@testing-library/react'
import { useBegun } from '@/data/setup/begun'
import { begunDocument, factOfEntry, withWaiting } from '@/data/setup/one-setup'
import type { OutboxEntry, SetupEntry } from '@/data/outbox/outbox-entry'
import { example } from './run/set-ups'

jest.mock('@/data/outbox/outbox', () => ({ post: jest.fn() }))
const mockWaiting: OutboxEntry[] = []
jest.mock('@/data/outbox/outbox-store', () => ({ useOutbox: () => mockWaiting }))
jest.mock('@/data/server/session', () => ({ useSession: () => ({}) }))

const MIRA = { id: '019aaaaa-0000-7000-8000-00000000bbbb', name: 'Mira Toller' }
const AT = '2026-03-02T08:00:00Z'
const { sheet } = example('gauge-line').document
const begins = {
  stream: { kind: 'setup', id: 's' },
  begins: true,
  fact: { id: 'first', kind: 'sheet', body: sheet },
  by: MIRA,
  at: AT,
} as unknown as SetupEntry
const home: SetupEntry = {
  stream: { kind: 'setup', id: 's' },
  fact: { id: 'second', kind: 'check-off', body: { of: 'home' } },
  by: 'Mira Toller',
  at: AT,
}

test('a set-up that waits on this device stands as the server will tell it', () => {
  const document = begunDocument('s', [begins, home])
  expect(document).toMatchObject({ id: 's', length: 1, sheet: { name: sheet.name } })
  const whole = withWaiting(document!, [begins, home])
  expect(whole.length).toBe(2)
  expect(whole.checkOffs).toMatchObject([{ of: 'home', by: { name: 'Mira Toller' }, at: AT }])
})

test('without its sheet there is none', () => {
  expect(begunDocument('s', [home])).toBeUndefined()
})

test('an entry is a typed fact of whoever entered it, unless it says how it came', () => {
  expect(factOfEntry(begins)).toMatchObject({ id: 'first', via: 'typed', by: MIRA, at: AT })
  const captured = { ...home, fact: { ...home.fact, via: 'captured' as const } }
  expect(factOfEntry(captured).via).toBe('captured')
})

test('the list shows what was begun here and was not refused, and no other entry', () => {
  const refused = {
    ...begins,
    stream: { kind: 'setup', id: 'refused' },
    refused: { message: 'no' },
  } as OutboxEntry
  mockWaiting.push(begins, home, refused)
  const { result } = renderHook(() => useBegun())
  expect(result.current).toEqual([{ id: 's', sheet }])
})
