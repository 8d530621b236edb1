import {
  appendFact,
  factIds,
  foldSetup,
  isReleased,
  putAway,
  type SetupBodies,
  type SetupFact,
} from '../src/facts'
import { isSamePerson } from '../src/journal'
import { fact, leftTouch, mm, tipTouch, workedSheet } from './worked-example'

/** A fact as it is written: its place is where it stands. */
function written<Kind extends keyof SetupBodies>(kind: Kind, body: SetupBodies[Kind]): SetupFact {
  const { place: _place, ...stamp } = fact()
  return { ...stamp, kind, body } as SetupFact
}

const bodyOf = ({ id, by, at, via, place, ...body }: ReturnType<typeof tipTouch>) => body
const sheet = written('sheet', workedSheet())
const tip = written('reading', bodyOf(tipTouch()))
const left = written('reading', bodyOf(leftTouch()))
const record = written('record', { hash: 'a'.repeat(64) })
const fold = (...facts: SetupFact[]) => foldSetup({ id: 'a', facts })

test('each fact stands in the list of its kind, with its place, who, when and how', () => {
  const home = written('check-off', { of: 'home' })
  const lift = written('lift', { moves: 'in', where: 'lengths', amount: mm('30') })
  const document = fold(sheet, tip, home, left, lift)
  expect(document.readings.map(({ place, of }) => [place, of])).toEqual([
    [1, 'tip-on-plane'],
    [3, 'face'],
  ])
  expect(document.readings[0]).toMatchObject({ id: tip.id, by: tip.by, at: tip.at, via: 'typed' })
  expect(document.checkOffs.map(({ place }) => place)).toEqual([2])
  expect(document.lifts).toMatchObject([{ place: 4, where: 'lengths' }])
  const { keyIns, readBacks, events, acceptances, proofs, programs, programChecks } = document
  for (const list of [keyIns, readBacks, events, acceptances, proofs, programs, programChecks])
    expect(list).toEqual([])
  expect([document.id, document.length]).toEqual(['a', 5])
  expect([...factIds(document)]).toEqual([tip.id, left.id, lift.id, home.id])
})

test('a later sheet takes the place of the one before, and nothing else', () => {
  const other = written('sheet', workedSheet({ name: 'another' }))
  const document = fold(sheet, tip, other, left)
  expect(document.sheet.name).toBe('another')
  expect(document.readings.map(({ place }) => place)).toEqual([1, 3])
})

test('one fact more at the end is the fold of one fact more', () => {
  expect(appendFact(fold(sheet, tip), left)).toEqual(fold(sheet, tip, left))
})

test.each([[[]], [[tip]], [[tip, sheet]]])(
  'a stream that begins with no sheet is none',
  (facts) => {
    expect(() => fold(...facts)).toThrow(/set-up a begins with (nothing|reading), not with a sheet/)
  },
)

test('a release stands until something changes; a look at the file changes nothing', () => {
  const look = written('program-check', { sha256: 'b'.repeat(64) })
  expect(isReleased(fold(sheet, tip))).toBe(false)
  expect(isReleased(fold(sheet, tip, record))).toBe(true)
  expect(isReleased(fold(sheet, tip, record, look))).toBe(true)
  expect(isReleased(fold(sheet, tip, record, look, left))).toBe(false)
  expect(isReleased(fold(sheet, tip, record, sheet))).toBe(false)
  expect(isReleased(fold(sheet, record))).toBe(true)
  expect(isReleased(fold(sheet, tip, record, left, written('record', { hash: 'c' })))).toBe(true)
})

test('a gauge that failed vouches for what was read up to the reading that it names', () => {
  const failed = (lastGood?: string) =>
    written('event', { kind: 'check-failed', gauge: 'setter', ...(lastGood && { lastGood }) })
  const through = (event: SetupFact) => fold(sheet, tip, left, event).events
  expect(through(failed(left.id))).toMatchObject([{ goodThrough: 2, place: 3 }])
  expect(through(failed())).toMatchObject([{ goodThrough: -1 }])
  expect(through(failed('nothing'))).toMatchObject([{ goodThrough: -1 }])
  expect(through(written('event', { kind: 'home-lost' }))[0]).not.toHaveProperty('goodThrough')
})

test('a person is known by the id; by the name only where a file tells no more', () => {
  const [mira, twin] = [
    { id: 'a', name: 'Mira' },
    { id: 'b', name: 'Mira' },
  ]
  expect(isSamePerson(mira, { ...mira, name: 'Mira Toller' })).toBe(true)
  expect(isSamePerson(mira, twin)).toBe(false)
  expect(isSamePerson(mira, { name: 'Mira' })).toBe(true)
  expect(isSamePerson({ name: 'Mira' }, { name: 'Jory' })).toBe(false)
})

test('put away until it is taken out, or until anything is entered that changes it', () => {
  const away = written('put-away', { moves: 'away' })
  const back = written('put-away', { moves: 'back' })
  const look = written('program-check', { sha256: 'b'.repeat(64) })
  expect(putAway(fold(sheet, tip))).toBeUndefined()
  expect(putAway(fold(sheet, tip, away))).toMatchObject({ id: away.id, by: away.by, place: 2 })
  expect(putAway(fold(sheet, tip, away, look))).toMatchObject({ place: 2 })
  expect(putAway(fold(sheet, tip, away, back))).toBeUndefined()
  expect(putAway(fold(sheet, tip, away, left))).toBeUndefined()
  expect(putAway(fold(sheet, tip, away, left, away))).toMatchObject({ place: 4 })
  // It is no change of what was released.
  expect(isReleased(fold(sheet, tip, record, away))).toBe(true)
})
