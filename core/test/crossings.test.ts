import {
  appendFact,
  crossingsOf,
  foldSetup,
  type SetupDocument,
  type SetupFact,
} from '../src/facts'
import { solve } from '../src/solve'
import { describeWarning } from '../src/words'
import { planeReadings, mm, workedDocument } from './worked-example'

// H1 is −270 by the worked example. Mira and Jory each have a device, and lose each other.

const MIRA = { id: 'a', name: 'Mira Toller' }
const JORY = { id: 'b', name: 'Jory Fenn' }

let made = 0
const keyed = (by: typeof MIRA, shown: string, seen?: number, address = 'H1'): SetupFact =>
  ({
    id: `keyed-${(made += 1)}`,
    kind: 'read-back',
    by,
    at: '2026-03-02T08:00:00Z',
    via: 'typed',
    ...(seen !== undefined && { seen }),
    body: { address, moment: 'after', shown: mm(shown) },
  }) as SetupFact

/** The worked example with what was keyed after its readings; the first of that has place 5. */
const after = (...facts: readonly SetupFact[]): SetupDocument =>
  facts.reduce(appendFact, { ...workedDocument({}, planeReadings()), length: 5 })

const stateOf = (document: SetupDocument) =>
  solve(document).registers.find(({ address }) => address === 'H1')?.state
const crossed = (document: SetupDocument) => [...crossingsOf(document).keys()]

test('two who keyed one register without knowing of each other: it counts as not keyed, and both are told', () => {
  const document = after(keyed(MIRA, '-271.000', 5), keyed(JORY, '-270.000', 5))
  expect(crossed(document)).toEqual(['H1'])
  // The last number is the right one, and nobody can say that the control holds it.
  expect(stateOf(document)).toBe('read')
  const warning = solve(document).warnings.find(({ code }) => code === 'keyed-by-two')
  expect(describeWarning(warning!, String)).toBe(
    'H1: Mira Toller keyed it and saw −271.000 mm, Jory Fenn keyed it and saw −270.000 mm; neither knew of the other. Look what the control shows now, and key it in once more.',
  )
})

test('who saw what the other had keyed is in the right to key it anew', () => {
  const document = after(keyed(MIRA, '-271.000', 5), keyed(JORY, '-270.000', 6))
  expect(crossed(document)).toEqual([])
  expect(stateOf(document)).toBe('keyed')
})

test('a fact that does not tell what its device had seen was entered beside the stream', () => {
  expect(crossed(after(keyed(MIRA, '-271.000'), keyed(JORY, '-270.000')))).toEqual([])
})

test('one person who keys twice while away crosses nobody', () => {
  const document = after(keyed(MIRA, '-271.000', 5), keyed(MIRA, '-270.000', 5))
  expect(crossed(document)).toEqual([])
  expect(stateOf(document)).toBe('keyed')
})

test('both having seen the same number, or keyed other registers, there is none', () => {
  expect(crossed(after(keyed(MIRA, '-270.000', 5), keyed(JORY, '-270', 5)))).toEqual([])
  const others = after(keyed(MIRA, '-271.000', 5), keyed(JORY, '-270.000', 5, 'G54.Z'))
  expect(crossed(others)).toEqual([])
})

test('it ends when somebody who knows of both looks again, and not before', () => {
  const both = [keyed(MIRA, '-271.000', 5), keyed(JORY, '-270.000', 5)]
  // Jory keys once more, still away: he knows nothing of Mira's.
  expect(crossed(after(...both, keyed(JORY, '-270.000', 5)))).toEqual(['H1'])
  // Mira has seen the first of them only.
  expect(crossed(after(...both, keyed(MIRA, '-271.000', 6)))).toEqual(['H1'])
  // Vera knows of Mira's and not of Jory's, and sees what he saw: that tells nothing of which came last.
  const VERA = { id: 'c', name: 'Vera Viewer' }
  expect(crossed(after(...both, keyed(VERA, '-270.000', 6)))).toEqual(['H1'])
  const looked = after(...both, keyed(MIRA, '-270.000', 7))
  expect(crossed(looked)).toEqual([])
  expect(stateOf(looked)).toBe('keyed')
})

test('what a device had seen stays with its fact', () => {
  const { id, sheet } = workedDocument()
  const first = { ...keyed(MIRA, '0'), kind: 'sheet', body: sheet } as SetupFact
  const { readBacks } = foldSetup({ id, facts: [first, keyed(MIRA, '-1', 1), keyed(MIRA, '-2')] })
  expect(readBacks.map(({ seen }) => seen)).toEqual([1, undefined])
})

test('what stood there before it was keyed crosses nothing', () => {
  const before = keyed(MIRA, '-271.000', 5)
  const looked = { ...before, body: { ...before.body, moment: 'before' } } as SetupFact
  expect(crossed(after(looked, keyed(JORY, '-270.000', 5)))).toEqual([])
})
