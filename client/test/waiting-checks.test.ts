import { withWaitingChecks } from '@/data/shop/gauge-checks'
import type { OutboxEntry } from '@/data/outbox/outbox-entry'

jest.mock('@/data/outbox/outbox-store', () => ({ outboxStore: {}, useOutbox: () => [] }))
jest.mock('@/data/outbox/outbox', () => ({ postAndHear: () => undefined }))

const mm = (text: string) => ({ text, unit: 'mm' as const })
const body = { read: mm('50.001'), against: 'block', master: mm('50') }
const MIRA = { id: '019aaaaa-0000-7000-8000-00000000bbbb', name: 'Mira' }
const entry = (id: string, changes: object = {}): OutboxEntry =>
  ({
    ...{ stream: { kind: 'gauge', id: 'g' }, by: MIRA, at: '2026-03-02T08:00:00Z' },
    fact: { id, kind: 'gauge-check', body },
    ...changes,
  }) as OutboxEntry
const gauge = { id: 'g', gauge: { id: 'g', kind: 'ball', name: 'ball', size: mm('50') } } as const
const known = { id: 'a', ...body, by: 'Jory', at: '2026-03-01T08:00:00Z' }

test('checks that are on their way stand behind those that the server has, each once', () => {
  const fact = { id: 'f', kind: 'check-off', body: { of: 'clean' } }
  const setup = {
    stream: { kind: 'setup', id: 'g' },
    by: MIRA,
    at: '',
    fact,
  } as unknown as OutboxEntry
  const { checks } = withWaitingChecks({ gauge, checks: [known] }, [
    entry('a'),
    entry('b'),
    entry('c', { stream: { kind: 'gauge', id: 'other' } }),
    entry('d', { refused: { message: 'no' } }),
    entry('e', { by: 'Ansel' }),
    setup,
  ])
  expect(checks.map(({ id, by }) => `${id} ${by}`)).toEqual(['a Jory', 'b Mira', 'e Ansel'])
  expect(checks[1]).toEqual({ id: 'b', ...body, by: 'Mira', at: '2026-03-02T08:00:00Z' })
})
