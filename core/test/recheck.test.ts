import type { SetupEvent } from '../src/facts'
import { isRechecked, recheckOf } from '../src/running'
import { solve } from '../src/solve'
import { describeRecheck, rechecksNote } from '../src/words'
import { event, mm, noseTouch, tipTouch, workedDocument, workedSheet } from './worked-example'

// The nose at −300 and T1 at −220 on the 50 mm setter: T1 is 80 mm long, and H1 should hold that.

const tools = [1, 2].map((number) => ({ number, name: `tool ${number}`, lengthRegister: number }))
const touched = [noseTouch(), tipTouch(), { ...tipTouch(), tool: 2, read: mm('-180.000') }]
const readings = touched.map((reading, place) => ({
  ...reading,
  place: place + 1,
  id: `r${place}`,
}))
const rechecked = (tool: number, holds: string, found: string, place = 10): SetupEvent => ({
  ...event({ kind: 'tool-rechecked', tool, holds: mm(holds), found: mm(found), kept: false }),
  place,
})

function recheck(holds: number, events: readonly SetupEvent[] = [], subtracts = false) {
  const { machine } = workedSheet()
  const control = { ...machine.control, ...(subtracts && { lengthSign: 'subtracted' as const }) }
  const sheet = { school: 'gauge-line', tools, machine: { ...machine, control } } as const
  const document = { ...workedDocument(sheet, readings as never), events }
  return recheckOf(document, solve(document), 1, Math.round(holds * 1e6) as never)
}

test('a row within what such a tool repeats holds; further off it is the tool', () => {
  expect(recheck(80.004)).toMatchObject({
    address: 'H1',
    verdict: 'holds',
    longer: -4000,
    like: [],
  })
  expect(recheck(79.88)).toMatchObject({ verdict: 'differs', longer: 120_000, found: 80_000_000 })
  // The hand repeats within 0.025 mm, or as surely as it was touched (common practice, no source).
  const { limit } = recheck(80)!
  expect(limit).toBeGreaterThanOrEqual(25_000)
  const within = limit / 1e6
  expect(recheck(80 - within + 1e-6)!.verdict).toBe('holds')
  expect(recheck(80 - within - 1e-6)!.verdict).toBe('differs')
  expect(recheck(80 + within + 1e-6)!.verdict).toBe('differs')
})

test('a control that takes lengths off holds a longer tool as a smaller number', () => {
  expect(recheck(-79.88, [], true)).toMatchObject({ longer: 120_000, verdict: 'differs' })
  expect(recheck(-80.12, [], true)).toMatchObject({ longer: -120_000, verdict: 'differs' })
})

test('off by as much as the tool before it, it is not the tool that moved', () => {
  const both = recheck(79.88, [rechecked(2, '119.885', '120.000')])!
  expect(both).toMatchObject({ verdict: 'all-moved', like: [2] })
  expect(recheck(79.88, [rechecked(2, '120.115', '120.000')])!.verdict).toBe('differs')
  expect(recheck(79.88, [rechecked(2, '120.000', '120.000')])!.verdict).toBe('differs')
  const write = (nm: number) => `${(nm / 1e6).toFixed(3)} mm`
  expect(describeRecheck(both, write).look).toContain('So is T2: the plane')
  expect(describeRecheck(recheck(80.12)!, write).text).toBe('T1 is 0.120 mm shorter than H1 says.')
  expect(describeRecheck(recheck(80)!, write).text).toBe('T1 is exactly as H1 says.')
})

test('without its touches it says nothing', () => {
  const document = workedDocument({ school: 'gauge-line', tools }, [])
  expect(recheckOf(document, solve(document), 1, 80e6 as never)).toBeUndefined()
})

test('it is done once said after its last touch', () => {
  const document = workedDocument({ tools }, readings as never)
  const done = (place: number) =>
    isRechecked({ ...document, events: [rechecked(1, '80', '80', place)] }, 1)
  expect([done(10), done(1)]).toEqual([true, false])
  expect(isRechecked({ ...document, events: [rechecked(2, '80', '80')] }, 1)).toBe(false)
})

test('the note to others says what to do', () => {
  const { holds, found } = rechecked(1, '79.880', '80.000') as never
  expect(rechecksNote({ holds, found, kept: false }, 3)).toContain('Touch it again here')
  expect(rechecksNote({ holds, found, kept: true }, 3)).toMatch(/^T3 .* It holds\.$/)
})
