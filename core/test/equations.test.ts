import { type Face } from '../src/touch'
import { sensitivity } from '../src/freshness/sensitivity'
import { type Reading, type SetupDocument } from '../src/facts'
import { type EventBody } from '../src/facts/bodies/event'
import { solve } from '../src/solve'
import {
  checkFailed,
  event,
  fact,
  leftTouch,
  mm,
  noseTouch,
  tipTouch,
  workedDocument,
} from './worked-example'

const read = (body: object): Reading =>
  ({ ...Object.assign({ read: mm('1'), with: [] }, body), ...fact() }) as unknown as Reading

// What is read, told by hand (docs/domain.md, “Touches”): nose on plane S; tip on plane S + L; nose on part R; tip on part R + L; a
// counter zeroed on the plane or on `from` shows row − other, zeroed on the row itself the other sign.
const NOSE = { of: 'nose-on-plane' }
const TIP = { of: 'tip-on-plane', tool: 2 }
const NOSE_ON_PART = { of: 'nose-on-part', row: 'G54' }
const TIP_ON_PART = { of: 'tip-on-part', row: 'G54', tool: 2 }
const FACE = { of: 'face', row: 'G54', face: 'left' }
const EDGE = { of: 'edge-point', row: 'G54', face: 'left', point: 1, readY: mm('1') }
const CIRCLE = { of: 'circle-point', row: 'G54', point: 1, readY: mm('1') }
const DIAMETER = { of: 'tool-diameter', tool: 2 }
const carried = (zeroedOn: 'plane' | 'part') => ({
  of: 'carried-difference',
  row: 'G54',
  zeroedOn,
  withOnPlane: [],
})
const fixtures = (zeroedOn: 'row' | 'from') => ({
  of: 'fixture-difference',
  row: 'G54',
  from: 'G55',
  zeroedOn,
})

const sameStop = (faces: readonly Face[], top: boolean): EventBody => ({
  kind: 'part-changed',
  row: 'G54',
  stays: { faces, top },
})

test.each<[string, object, EventBody, number]>([
  ['the plane under the nose', NOSE, { kind: 'plane-moved' }, 1],
  ['the plane under a tip', TIP, { kind: 'plane-moved' }, 1],
  ['the plane where the counter was zeroed', carried('plane'), { kind: 'plane-moved' }, -1],
  ['the plane where the counter was read', carried('part'), { kind: 'plane-moved' }, 1],
  ['the plane under no part', NOSE_ON_PART, { kind: 'plane-moved' }, 0],
  ['the plane between two fixtures', fixtures('from'), { kind: 'plane-moved' }, 0],
  ['a part under the nose', NOSE_ON_PART, { kind: 'part-changed', row: 'G54' }, 1],
  ['another part than that', NOSE_ON_PART, { kind: 'part-changed', row: 'G55' }, 0],
  ['a part under a tip', TIP_ON_PART, { kind: 'part-changed', row: 'G54' }, 1],
  ['a part beside its face', FACE, { kind: 'part-changed', row: 'G54' }, 1],
  ['a part beside its edge', EDGE, { kind: 'part-changed', row: 'G54' }, 1],
  ['a part around its bore', CIRCLE, { kind: 'part-changed', row: 'G54' }, 1],
  ['a part that a counter was read at', carried('plane'), { kind: 'part-changed', row: 'G54' }, 1],
  ['a part that it was zeroed on', carried('part'), { kind: 'part-changed', row: 'G54' }, -1],
  ['the row of two', fixtures('from'), { kind: 'part-changed', row: 'G54' }, 1],
  ['the row of two, zeroed on it', fixtures('row'), { kind: 'part-changed', row: 'G54' }, -1],
  ['the other of two', fixtures('from'), { kind: 'part-changed', row: 'G55' }, -1],
  ['the other of two, read there', fixtures('row'), { kind: 'part-changed', row: 'G55' }, 1],
  ['a face at the same stop', FACE, sameStop(['left'], false), 0],
  ['the face across from the stop', FACE, sameStop(['right'], true), 1],
  ['a part of the same height under a tip', TIP_ON_PART, sameStop([], true), 0],
  ['a part of another height under a tip', TIP_ON_PART, sameStop(['left'], false), 1],
  ['the same height carried by a counter', carried('plane'), sameStop(['left'], true), 0],
  ['a part under no plane', NOSE, { kind: 'part-changed', row: 'G54' }, 0],
  ['the tool on the plane', TIP, { kind: 'tool-changed', tool: 2 }, 1],
  ['another tool than that', TIP, { kind: 'tool-changed', tool: 3 }, 0],
  ['the tool on the part', TIP_ON_PART, { kind: 'tool-changed', tool: 2 }, 1],
  ['the tool that was measured', DIAMETER, { kind: 'tool-changed', tool: 2 }, 1],
  ['a tool under the bare nose', NOSE, { kind: 'tool-changed', tool: 2 }, 0],
  ['home of a touch', TIP, { kind: 'home-lost' }, 1],
  ['home of a face', FACE, { kind: 'home-lost' }, 1],
  ['home of a counter', carried('plane'), { kind: 'home-lost' }, 0],
  ['home of a micrometer', DIAMETER, { kind: 'home-lost' }, 0],
  ['another unit', TIP, { kind: 'unit-changed' }, 0],
  ['another external offset', TIP, { kind: 'external-changed', axis: 'Z', value: mm('1') }, 0],
  ['a re-base', TIP, { kind: 'rebased', tool: 2 }, 0],
])('%s', (_, body, what, coefficient) => {
  expect(sensitivity(read(body), event(what))).toBe(coefficient)
})

describe('a gauge counts where it lay', () => {
  const block = { with: ['block'] }
  const counts = (body: object) => sensitivity(read(body), checkFailed('block'))
  test('once, twice, or not', () => {
    expect(counts({ ...TIP, ...block })).toBe(1)
    expect(counts({ ...TIP, with: ['block', 'block'] })).toBe(2)
    expect(counts({ ...TIP, with: ['setter'] })).toBe(0)
  })
  test('at each end of a difference by its sign, and not where it lay at both', () => {
    expect(counts({ ...carried('plane'), ...block })).toBe(1)
    expect(counts({ ...carried('part'), ...block })).toBe(-1)
    expect(counts({ ...carried('plane'), withOnPlane: ['block'] })).toBe(-1)
    expect(counts({ ...carried('plane'), ...block, withOnPlane: ['block'] })).toBe(0)
    // Between fixtures the same lay at both, where nothing else is said.
    expect(counts({ ...fixtures('from'), ...block })).toBe(0)
    expect(counts({ ...fixtures('from'), ...block, withOnFrom: [] })).toBe(1)
    expect(counts({ ...fixtures('row'), ...block, withOnFrom: [] })).toBe(-1)
  })
  test('after its last good check', () => {
    const [before, last, after] = [
      read({ ...TIP, ...block }),
      read(NOSE),
      read({ ...TIP, ...block }),
    ]
    expect(sensitivity(before, checkFailed('block', last))).toBe(0)
    expect(sensitivity(after, checkFailed('block', last))).toBe(1)
    expect(sensitivity(before, checkFailed('block', before))).toBe(0)
  })
})

describe('a home that was found again', () => {
  const shift = { X: mm('0'), Y: mm('0'), Z: mm('-1') }
  const mark = { dial: mm('0'), coarse: mm('0') }
  const lost = () => event({ kind: 'home-lost' })
  const found = () => event({ kind: 'home-recovered', shift })
  const marks = () => ({ ...fact(), of: 'home' as const, marks: { X: mark, Y: mark, Z: mark } })
  const H1 = (document: SetupDocument) => {
    const register = solve(document).registers.find(({ address }) => address === 'H1')
    return [register?.state, register?.value === undefined ? undefined : register.value / 1e6]
  }

  test('by marks of before two losses: what was read before both is carried, what between them is not', () => {
    const [written, before, first] = [marks(), tipTouch(), lost()]
    const [between, second] = [tipTouch(), lost()]
    const events = [first, second, found()]
    const of = (touch: Reading) => ({
      ...workedDocument({}, [touch]),
      checkOffs: [written],
      events,
    })
    expect(H1(of(before))).toEqual(['read', -271])
    expect(H1(of(between))[0]).toBe('stale')
  })

  test('without marks it is the zero that was lost last', () => {
    const [before, first, between, second] = [tipTouch(), lost(), tipTouch(), lost()]
    const events = [first, second, found()]
    expect(H1({ ...workedDocument({}, [before]), events })[0]).toBe('stale')
    expect(H1({ ...workedDocument({}, [between]), events })).toEqual(['read', -271])
  })

  test('by the marks that were written last before it was lost, and not by those of after', () => {
    const [first, before] = [lost(), tipTouch()]
    const [written, second] = [marks(), lost()]
    const [later, third] = [marks(), found()]
    const document = { ...workedDocument({}, [before]), checkOffs: [written, later] }
    // The first loss is over: home was set afresh, its marks were written, and it is to these that it was found.
    expect(H1({ ...document, events: [first, second, third] })).toEqual(['read', -271])
    const bare = { ...fact(), of: 'home' as const }
    expect(H1({ ...document, checkOffs: [written, bare], events: [first, second, third] })).toEqual(
      ['read', -271],
    )
  })

  test('what was read after it is not shifted; between loss and recovery nothing holds', () => {
    const [first, between, again] = [lost(), tipTouch(), found()]
    const after = tipTouch()
    expect(H1({ ...workedDocument({}, [between]), events: [first, again] })[0]).toBe('stale')
    expect(H1({ ...workedDocument({}, [after]), events: [first, again] })).toEqual(['read', -270])
  })
})

test('a number is as old as its oldest reading, whichever comes first in its sum', () => {
  const { machine, ...sheet } = workedDocument().sheet
  const at = (reading: Reading, day: string): Reading => ({
    ...reading,
    at: `2026-03-${day}T08:00:00Z`,
  })
  const state = (nose: string, tip: string, now: string) =>
    solve(
      workedDocument(
        { ...sheet, machine: { ...machine, policy: { maxAgeDays: 7 } }, school: 'gauge-line' },
        [at(noseTouch(), nose), at(tipTouch(), tip), at(leftTouch(), '09')],
      ),
      { now: `2026-03-${now}T08:00:00Z` },
    ).registers.find(({ address }) => address === 'H1')
  for (const [nose, tip] of [
    ['02', '05'],
    ['05', '02'],
  ] as const) {
    // Seven days to the hour are not more than seven.
    expect(state(nose, tip, '09')?.state).toBe('read')
    expect(state(nose, tip, '10')?.stale).toEqual({
      by: 'age',
      days: 7,
      readAt: '2026-03-02T08:00:00Z',
    })
  }
})
