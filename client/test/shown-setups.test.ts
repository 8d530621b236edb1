import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseSetupText, type SetupAnswer } from '@pine/contract'
import { isReleased } from '@pine/core/facts'
import { showFacts, withFacts } from '../src/data/setup/shown-setups'
import { withWaiting } from '../src/data/setup/one-setup'

const mockMutate = jest.fn()
jest.mock('swr', () => ({
  ...jest.requireActual('swr'),
  mutate: (...asked: unknown[]) => mockMutate(...asked),
}))
jest.mock('@/data/server/api', () => ({ api: {}, ask: jest.fn(), ApiRefusal: Error }))

const parsed = parseSetupText(
  readFileSync(join(__dirname, '../../docs/examples/whole-run.json'), 'utf8'),
)
if (!parsed.ok) throw new Error('the example is broken')
const { file, document } = parsed
const upTo = (length: number): SetupAnswer => ({
  file: { ...file, facts: file.facts.slice(0, length) },
  createdBy: 'Mira Toller',
  createdAt: '2026-03-02T08:00:00Z',
})
const from = (place: number, count = 1) => ({
  from: place,
  facts: file.facts.slice(place, place + count),
})

describe('a fact that was answered', () => {
  test('stands at its place, after what was there', () => {
    expect(withFacts(upTo(4), from(4))).toEqual(upTo(5))
    expect(withFacts(upTo(4), from(2, 4))).toEqual(upTo(6))
  })
  test('that is known already changes nothing, whichever answer comes first', () => {
    const shown = upTo(6)
    expect(withFacts(shown, from(4))).toBe(shown)
    // The last of them, answered to this page and told by the line as well.
    expect(withFacts(shown, from(5))).toBe(shown)
  })
  test('behind a gap is not put in the wrong place: the set-up is fetched anew', () => {
    expect(withFacts(upTo(4), from(6))).toBeUndefined()
    // One fact is a gap like any other.
    expect(withFacts(upTo(4), from(5))).toBeUndefined()
  })
  test('behind a gap has the set-up asked for anew; one that fits has not', async () => {
    mockMutate.mockReset().mockImplementation(async (_key, change) => change?.(upTo(4)))
    await showFacts(file.id, from(5))
    expect(mockMutate.mock.calls.map((call) => call.length)).toEqual([3, 1])
    mockMutate.mockClear()
    await showFacts(file.id, from(4))
    expect(mockMutate).toHaveBeenCalledTimes(1)
  })
})

describe('a set-up that was begun here', () => {
  /** What is shown after an answer, where nothing was shown before; how often something was asked for anew. */
  const after = async (answer: ReturnType<typeof from>) => {
    let shown: unknown
    mockMutate.mockReset().mockImplementation(async (_key, change) => {
      if (typeof change === 'function') shown = change(undefined)
    })
    await showFacts(file.id, answer)
    return { shown, asked: mockMutate.mock.calls.filter((call) => call.length === 1).length }
  }
  test('is shown by the answer to its sheet, and listed', async () => {
    const [first] = file.facts
    expect(await after(from(0))).toEqual({
      shown: {
        file: { ...file, facts: [first] },
        createdBy: first!.by.name,
        createdAt: first!.at,
      },
      asked: 1,
    })
  })
  test('of which a later fact is answered first is asked for as a whole', async () => {
    expect(await after(from(1))).toEqual({ shown: undefined, asked: 1 })
    expect(mockMutate.mock.calls.at(-1)).toEqual([['setup', file.id]])
  })
})

describe('what waits to be sent', () => {
  const waiting = (kind: 'check-off' | 'record', id = '019aaaaa-0000-7000-8000-0000000000f1') => ({
    stream: { kind: 'setup', id: file.id } as const,
    fact: kind === 'record' ? { id, kind, body: {} } : { id, kind, body: { of: 'clean' as const } },
    by: { id: '019aaaaa-0000-7000-8000-00000000bbbb', name: 'Mira Toller' },
    at: '2026-03-02T12:00:00Z',
  })

  test('stands at the end, with who entered it here', () => {
    const entry = waiting('check-off')
    const [added] = withWaiting(document, [entry]).checkOffs.slice(-1)
    expect(added).toMatchObject({ of: 'clean', by: entry.by, via: 'typed', place: document.length })
    // Entries of this device from before there were ids in them.
    const old = withWaiting(document, [{ ...entry, by: 'Mira Toller' }])
    expect(old.checkOffs.at(-1)?.by).toEqual({ name: 'Mira Toller' })
  })
  test('is not there twice while its answer is on its way', () => {
    const known = file.facts.find(({ kind }) => kind === 'check-off')!
    expect(withWaiting(document, [waiting('check-off', known.id)])).toBe(document)
  })
  test('makes no release: that is one when the server has frozen it', () => {
    expect(isReleased(withWaiting(document, [waiting('record')]))).toBe(false)
  })
})
