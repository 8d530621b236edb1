import type { Reading, SetupDocument, SetupEvent } from '../src/facts'
import type { CheckOff } from '../src/facts/bodies/check-off'
import { standingReadings } from '../src/freshness'
import { homeBefore, homeFramesOf } from '../src/freshness/home-frames'
import { isBehind, staleBy } from '../src/freshness/stale'
import { solve } from '../src/solve'
import {
  checkFailed,
  event,
  fact,
  frontTouch,
  leftTouch,
  mm,
  noseTouch,
  readingOf,
  setupOf,
  tipTouch,
  workedSheet,
} from './worked-example'

// Which readings stand, and which are behind an event: one thing different at a time. What is made first was entered first.

const tip = (read: string, tool = 1) =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool, read: mm(read), with: ['setter'] })

const TIP = { of: 'tip-on-plane', tool: 1 } as const

const documentOf = (
  readings: readonly Reading[],
  events: readonly SetupEvent[],
  checkOffs: readonly CheckOff[] = [],
): SetupDocument => ({
  ...setupOf(
    workedSheet({
      tools: [
        { number: 1, name: 'mill', lengthRegister: 1 },
        { number: 2, name: 'drill', lengthRegister: 2, length: mm('80') },
      ],
    }),
    readings,
  ),
  events,
  checkOffs,
})

/** What stands of the touches of T1, as they were read. */
const stands = (readings: readonly Reading[], events: readonly SetupEvent[]) =>
  standingReadings(documentOf(readings, events), TIP).map(({ read }) => read.text)

describe('what was read twice', () => {
  test('stands twice while nothing that it speaks of changed in between', () => {
    const before = tip('-220')
    const other = event({ kind: 'tool-changed', tool: 2 })
    const after = tip('-220.004')
    expect(stands([before, after], [other])).toEqual(['-220', '-220.004'])
  })

  test('stands once where its tool was changed in between, and twice where that was before or after both', () => {
    const early = event({ kind: 'tool-changed', tool: 1 })
    const before = tip('-220')
    const between = event({ kind: 'tool-changed', tool: 1 })
    const after = tip('-231')
    const late = event({ kind: 'tool-changed', tool: 1 })
    expect(stands([before, after], [between])).toEqual(['-231'])
    expect(stands([before, after], [early])).toEqual(['-220', '-231'])
    expect(stands([before, after], [late])).toEqual(['-220', '-231'])
    expect(stands([before], [between])).toEqual(['-220'])
  })

  test('after two changes only what came after the last one that was followed by a reading', () => {
    const first = tip('-220')
    const one = event({ kind: 'plane-moved' })
    const second = tip('-221')
    const two = event({ kind: 'tool-changed', tool: 1 })
    const third = tip('-222')
    const three = event({ kind: 'plane-moved' })
    expect(stands([first, second, third], [one, two, three])).toEqual(['-222'])
    expect(stands([first, second, third], [one])).toEqual(['-221', '-222'])
  })
})

describe('what is to be made again', () => {
  const behind = (reading: Reading, happened: SetupEvent, ...more: readonly SetupEvent[]) =>
    isBehind(happened, reading, documentOf([reading], [happened, ...more]))

  test('is what was read before, of what the event moved', () => {
    const before = tip('-220')
    const other = tip('-210', 2)
    const face = leftTouch()
    const changed = event({ kind: 'tool-changed', tool: 1 })
    const moved = event({ kind: 'plane-moved' })
    const after = tip('-231')
    expect([behind(before, changed), behind(other, changed), behind(after, changed)]).toEqual([
      true,
      false,
      false,
    ])
    expect([behind(before, moved), behind(face, moved), behind(after, moved)]).toEqual([
      true,
      false,
      false,
    ])
  })

  test('is no counter where home was lost, and nothing that the new zero was read with', () => {
    const before = tip('-220')
    const counter = readingOf<'carried-difference'>({
      ...{ of: 'carried-difference', row: 'G54', zeroedOn: 'plane' },
      ...{ withOnPlane: [], read: mm('-30'), with: [] },
    })
    const lost = event({ kind: 'home-lost' })
    const after = tip('-231')
    expect([behind(before, lost), behind(counter, lost), behind(after, lost)]).toEqual([
      true,
      false,
      false,
    ])
    // Found again by its marks, what was read before is carried over.
    const shift = { X: mm('0'), Y: mm('0'), Z: mm('0.1') }
    expect(behind(before, lost, event({ kind: 'home-recovered', shift }))).toBe(false)
  })

  test('is what lay on a gauge that failed, since it was last good, unless it was measured since', () => {
    const good = tip('-220')
    const doubtful = tip('-221')
    const bare = frontTouch()
    const failed = checkFailed('setter', good)
    expect([behind(good, failed), behind(doubtful, failed), behind(bare, failed)]).toEqual([
      false,
      true,
      false,
    ])
    const measured = (gauge: string) =>
      event({ kind: 'gauge-measured', gauge, size: mm('50.012'), since: 'last-good' })
    expect(behind(doubtful, failed, measured('setter'))).toBe(false)
    expect(behind(doubtful, failed, measured('finder'))).toBe(true)
    // Another kind of event asks nothing of how the gauge was measured.
    const moved = event({ kind: 'plane-moved' })
    expect(behind(doubtful, moved, failed, measured('setter'))).toBe(true)
  })
})

describe('a number', () => {
  const staleAfter = (readings: readonly Reading[], events: readonly SetupEvent[], of = 'H1') => {
    const document = documentOf(readings, events)
    const chain = solve(document).registers.find(({ address }) => address === of)?.chain
    return chain && staleBy(chain, document)?.event.kind
  }

  test('of a tool whose length the sheet knows falls when that tool is changed, and with no other', () => {
    const known = tip('-220', 2)
    const one = event({ kind: 'tool-changed', tool: 1 })
    const two = event({ kind: 'tool-changed', tool: 2 })
    expect(staleAfter([known], [one], 'H2')).toBeUndefined()
    expect(staleAfter([known], [two], 'H2')).toBe('tool-changed')
    // The plane that it found leans on it as well: T1 against it.
    const touched = tip('-231')
    expect(staleAfter([known, touched], [], 'H1')).toBeUndefined()
  })

  test('of another tool stays when the one that found the plane is changed after both were touched', () => {
    // T2 is as long as it is known to be: plane = its touch less its length, and both of them change alike.
    const readings = [tip('-220', 2), tip('-231')]
    const later = event({ kind: 'tool-changed', tool: 2 })
    const gauged = { ...documentOf(readings, [later]).sheet, school: 'gauge-line' as const }
    const document = { ...documentOf(readings, [later]), sheet: gauged }
    const fallenBy = (address: string) => {
      const chain = solve(document).registers.find((one) => one.address === address)?.chain
      return chain && (staleBy(chain, document)?.event.kind ?? 'nothing')
    }
    expect([fallenBy('H1'), fallenBy('H2')]).toEqual(['nothing', 'tool-changed'])
  })

  test('from nose and tip met from two sides outlives its plane all the same: backlash is the screw’s', () => {
    const sheet = workedSheet({ school: 'gauge-line' })
    const lostMotion = { X: mm('0'), Y: mm('0'), Z: mm('0.02') }
    const screwed = { ...sheet, machine: { ...sheet.machine, lostMotion } }
    const rising = { ...noseTouch(), approach: '+' } as Reading
    const document = {
      ...setupOf(screwed, [rising, tipTouch()]),
      events: [event({ kind: 'plane-moved' })],
    }
    const H1 = solve(document).registers.find(({ address }) => address === 'H1')
    expect(H1?.chain?.terms.some(({ role }) => role === 'lost-motion')).toBe(true)
    expect(H1?.chain && staleBy(H1.chain, document)).toBeUndefined()
  })

  test('is told the last of the events that it falls by', () => {
    const read = tipTouch()
    const first = event({ kind: 'plane-moved' })
    const second = event({ kind: 'tool-changed', tool: 1 })
    expect(staleAfter([read], [first])).toBe('plane-moved')
    expect(staleAfter([read], [first, second])).toBe('tool-changed')
    expect(staleAfter([read], [])).toBeUndefined()
  })

  test('from nose and tip outlives the plane they were touched on together, and not a change between them', () => {
    const sheet = workedSheet({ school: 'gauge-line' })
    const told = (readings: readonly Reading[], events: readonly SetupEvent[]) => {
      const document = { ...setupOf(sheet, readings), events }
      const chain = solve(document).registers.find(({ address }) => address === 'H1')?.chain
      return chain && staleBy(chain, document)?.event.kind
    }
    const nose = noseTouch()
    const moved = event({ kind: 'plane-moved' })
    const later = tipTouch()
    const again = event({ kind: 'plane-moved' })
    expect(told([nose, later], [again])).toBeUndefined()
    expect(told([nose, later], [moved])).toBe('plane-moved')
  })
})

describe('homes', () => {
  const home = (dial: string): CheckOff => {
    const mark = { dial: mm(dial), coarse: mm('0') }
    return { ...fact(), of: 'home', marks: { X: mark, Y: mark, Z: mark } }
  }
  const shift = { X: mm('0'), Y: mm('0'), Z: mm('0.1') }
  const recovered = () => event({ kind: 'home-recovered', shift })
  const lost = () => event({ kind: 'home-lost' })
  const framesOf = (events: readonly SetupEvent[], checkOffs: readonly CheckOff[]) =>
    homeFramesOf({ events, checkOffs }, 'Z')

  test('is related to the home whose marks were written down before it was lost, whatever happened in between', () => {
    const marks = home('0.1')
    const read = fact().place
    const gone = lost()
    const astray = fact().place
    const other = event({ kind: 'plane-moved' })
    const found = recovered()
    const after = fact().place
    const frames = framesOf([gone, other, found], [marks])
    const familyAt = (place: number) => frames.familyOf(frames.frameAt(place))
    expect(familyAt(read)).toBe(familyAt(after))
    expect(familyAt(astray)).not.toBe(familyAt(after))
    expect(familyAt(after)).toBe(frames.familyOf(frames.current))
    expect([...frames.shiftFrom(frames.frameAt(read)).values()]).toEqual([1])
  })

  test('of marks that were written after the loss tells nothing of what was before', () => {
    const read = fact().place
    const gone = lost()
    const marks = home('0.2')
    const between = fact().place
    const found = recovered()
    const after = fact().place
    const frames = framesOf([gone, found], [marks])
    const familyAt = (place: number) => frames.familyOf(frames.frameAt(place))
    // Nobody wrote the first marks down: then it is the frame that was lost.
    expect(familyAt(after)).toBe(familyAt(read))
    expect(familyAt(between)).not.toBe(familyAt(after))
  })

  test('its marks are the last that were written down before a place, whatever else was seen to', () => {
    const [early, later] = [home('0.1'), home('0.2')]
    const bare: CheckOff = { ...fact(), of: 'home' }
    const clean: CheckOff = { ...fact(), of: 'clean' }
    const place = fact().place
    const after = home('0.3')
    const all = [early, later, bare, clean, after]
    expect(homeBefore(all, place)).toBe(later)
    expect(homeBefore(all, later.place)).toBe(early)
    expect(homeBefore([bare, clean, after], place)).toBeUndefined()
    expect(homeBefore(all, after.place + 1)).toBe(after)
  })

  test('is related by its own marks, and not by those of a later home', () => {
    const marks = home('0.1')
    const read = fact().place
    const gone = lost()
    const found = recovered()
    // Later it is homed again, its new marks are written down, and something else happens, or it is lost once more.
    const later = home('0.3')
    for (const end of [event({ kind: 'plane-moved' }), lost()]) {
      const frames = framesOf([gone, found, end], [marks, later])
      const foundFrame = frames.frameAt(found.place + 1)
      expect(frames.familyOf(frames.frameAt(read))).toBe(frames.familyOf(foundFrame))
      expect(frames.familyOf(foundFrame)).toBe(0)
    }
  })

  test('is found again axis by axis: what was read along another is read again', () => {
    const marks = home('0.1')
    const read = fact().place
    const gone = lost()
    const found = event({ kind: 'home-recovered', shift: { X: mm('0.2'), Y: mm('0') } })
    const facts = { events: [gone, found], checkOffs: [marks] }
    const isCarried = (axis: 'X' | 'Z') => {
      const frames = homeFramesOf(facts, axis)
      return frames.familyOf(frames.frameAt(read)) === frames.familyOf(frames.current)
    }
    expect([isCarried('X'), isCarried('Z')]).toEqual([true, false])
    // Z goes on in the frame that the loss began: what is read on the way is not thrown away by finding X.
    const between = homeFramesOf(facts, 'Z')
    expect(between.frameAt(gone.place + 0.5)).toBe(between.current)
  })

  test('that nobody lost is found where it is', () => {
    const read = fact().place
    const found = recovered()
    const after = fact().place
    const frames = framesOf([found], [])
    expect(frames.familyOf(frames.frameAt(read))).toBe(frames.familyOf(frames.frameAt(after)))
  })
})
