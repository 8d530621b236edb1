import { compareHome, inForceAtLoss, knownPlaces } from '../src/plan'
import type { SetupDocument } from '../src/facts'
import { solve } from '../src/solve'
import { describeCompared } from '../src/words'
import { event, fact, frontTouch, leftTouch, mm, tipTouch, workedDocument } from './worked-example'

// After a power cut on a machine with switches: one known place for each axis relates the new zero to the lost one.

const touches = [leftTouch(), frontTouch(), tipTouch()]
const home = () => ({ ...fact(), of: 'home' }) as SetupDocument['checkOffs'][number]
const before = { ...workedDocument({}, touches), checkOffs: [home()] }
const lost = (...more: SetupDocument['events']): SetupDocument => ({
  ...before,
  events: [event({ kind: 'home-lost' }), ...more],
})
const placesOf = (document: SetupDocument) =>
  knownPlaces(document).map(
    ({ axis, reading, was }) => `${axis} ${reading.of} ${(was / 1e6).toFixed(3)}`,
  )

test('each axis has the place that was touched there last; without a loss, or once home again, there is none', () => {
  expect(placesOf(lost())).toEqual([
    'X face -412.300',
    `Y face ${frontTouch().read.text}`,
    `Z tip-on-plane ${tipTouch().read.text}`,
  ])
  expect(placesOf(before)).toEqual([])
  expect(placesOf({ ...lost(), checkOffs: [home(), home()] })).toEqual([])
})

test('what moved besides is no place to compare: a tool that was changed, another part', () => {
  expect(placesOf(lost(event({ kind: 'tool-changed', tool: 1 })))).toEqual([
    expect.stringMatching(/^X face/),
    expect.stringMatching(/^Y face/),
  ])
  expect(placesOf(lost(event({ kind: 'part-changed', row: 'G54' })))).toEqual([
    expect.stringMatching(/^Z tip-on-plane/),
  ])
})

test('what was read off the work position or a counter is no place to compare with a machine position', () => {
  const [left, ...others] = touches
  const work = { of: 'work', row: 'G54', holds: { X: mm('-300') } } as const
  const counter = { of: 'counter' } as const
  const read = (position: typeof work | typeof counter) =>
    placesOf({ ...lost(), readings: [{ ...left!, position } as never, ...others] })
  expect(read(work)).toEqual([expect.stringMatching(/^Y/), expect.stringMatching(/^Z/)])
  expect(read(counter)).toEqual(read(work))
})

test('every number follows by what a place is off, as surely as two touches; an axis that is not compared is read again', () => {
  const document = lost()
  const places = knownPlaces(document)
  const { places: compared, recovered } = compareHome(document, places, {
    X: mm('-412.288'),
    Z: mm('-220.000'),
    Y: mm('half'),
  })
  expect(compared).toEqual([
    { axis: 'X', shift: 12_000, besides: 12_000, off: 'near' },
    { axis: 'Z', shift: 0, besides: 0, off: 'near' },
  ])
  // Two touches with the edge finder (0.005 mm) and with the setter (0.003 mm): √2 of each.
  expect(recovered).toEqual({
    shift: { X: mm('0.012000'), Z: mm('0.000000') },
    uncertainty: { X: mm('0.007071'), Z: mm('0.004243') },
  })
  const found = {
    ...document,
    events: [...document.events, event({ kind: 'home-recovered', ...recovered })],
  }
  const at = (one: SetupDocument, address: string) =>
    solve(one).registers.find((register) => register.address === address)!
  expect(at(found, 'G54.X').value).toBe(at(before, 'G54.X').value! + 12_000)
  expect(at(found, 'G54.X').state).toBe('read')
  expect(at(found, 'G54.Y').state).toBe('stale')
  expect(at(found, 'H1').value).toBe(at(before, 'H1').value)
  const expanded = (one: SetupDocument) => at(one, 'G54.X').budget!.expandedMm
  expect(expanded(found)).toBeGreaterThan(expanded(before))
})

test('a place that is far off is told, and what was in force before the loss is shown', () => {
  const { places } = compareHome(before, knownPlaces(lost()), { X: mm('-412.240') })
  expect(places).toMatchObject([{ axis: 'X', shift: 60_000, off: 'far' }])
  const write = (nm: number) => `${nm / 1e6} mm`
  expect(describeCompared(places[0]!, false, write)).toContain('Another place, another tool')
  // A lost sign, or a wrong digit: nothing is carried over by it.
  for (const typed of ['412.300', '-402.300', '-414.301']) {
    const wrong = compareHome(before, knownPlaces(lost()), { X: mm(typed), Z: mm('-220') })
    expect(wrong.places[0]?.off).toBe('beyond')
    expect(Object.keys(wrong.recovered.shift)).toEqual(['Z'])
    expect(describeCompared(wrong.places[0]!, false, write)).toContain('carries nothing over')
  }
  expect(inForceAtLoss(lost())?.registers.map(({ state }) => state)).toEqual(
    solve(before).registers.map(({ state }) => state),
  )
  expect(inForceAtLoss(before)).toBeUndefined()
})

describe('on a machine without switches', () => {
  const marks = { X: { dial: mm('1.20') }, Y: { dial: mm('0.40') }, Z: { dial: mm('0.30') } }
  const homeBy = (written: typeof marks) => ({ ...home(), marks: written })
  const { machine } = before.sheet
  const dialTurn = { X: mm('5'), Y: mm('5'), Z: mm('5') }
  const byMarks = (): SetupDocument => ({
    ...before,
    sheet: { ...before.sheet, machine: { ...machine, homing: 'marks', dialTurn } },
    checkOffs: [homeBy(marks)],
    readings: [leftTouch(), frontTouch(), tipTouch()],
    events: [event({ kind: 'home-lost' })],
  })
  const at = (one: SetupDocument, address: string) =>
    solve(one).registers.find((register) => register.address === address)!

  test('a place that is touched is held against its dial, and goes before it; an untouched axis goes by its dial', () => {
    const document = byMarks()
    const byDials = { X: mm('0.200'), Y: mm('-0.100'), Z: mm('0.000') }
    const { places, recovered } = compareHome(
      document,
      knownPlaces(document),
      { X: mm('-412.130'), Z: mm('-219.850') },
      byDials,
    )
    // Along X the touch shows 0.170 more, the dial 0.200; along Z 0.150 more, the dial nothing: more than marks are found within.
    expect(places).toEqual([
      { axis: 'X', shift: 170_000, besides: -30_000, off: 'near' },
      { axis: 'Z', shift: 150_000, besides: 150_000, off: 'far' },
    ])
    expect(recovered.shift).toEqual({ X: mm('0.170000'), Y: mm('-0.100'), Z: mm('0.150000') })
    expect(Object.keys(recovered.uncertainty)).toEqual(['X', 'Z'])
    const write = (nm: number) => `${nm / 1e6} mm`
    expect(places.map((one) => describeCompared(one, true, write))).toEqual([
      'X: shows 0.03 mm less than the dial says; every number along it goes by the touch.',
      expect.stringContaining('Another turn of the dial'),
    ])
  })

  test('a dial in the wrong turn is found out by the place, and carries nothing over', () => {
    const document = byMarks()
    const turned = compareHome(
      document,
      knownPlaces(document),
      { X: mm('-412.300') },
      {
        X: mm('5.000'),
        Y: mm('0.000'),
      },
    )
    expect(turned.places).toMatchObject([{ axis: 'X', off: 'beyond' }])
    expect(Object.keys(turned.recovered.shift)).toEqual(['Y'])
  })

  test('after a second loss the place is where the first recovery carried it to', () => {
    const first = byMarks()
    const recovered = {
      ...first,
      events: [
        ...first.events,
        event({ kind: 'home-recovered', shift: { X: mm('0.170'), Z: mm('0') } }),
      ],
    }
    const again = { ...recovered, checkOffs: [...first.checkOffs, homeBy(marks)] }
    const lostAgain = { ...again, events: [...again.events, event({ kind: 'home-lost' })] }
    // Y was not found the first time: what was read along it before relates to nothing.
    expect(placesOf(lostAgain)).toEqual(['X face -412.130', 'Z tip-on-plane -220.000'])
    const { recovered: second } = compareHome(lostAgain, knownPlaces(lostAgain), {
      X: mm('-412.120'),
    })
    const found = {
      ...lostAgain,
      events: [...lostAgain.events, event({ kind: 'home-recovered', ...second })],
    }
    expect(at(found, 'G54.X').value).toBe(at(before, 'G54.X').value! + 180_000)
    expect(at(found, 'G54.Y').state).toBe('stale')
  })
})
