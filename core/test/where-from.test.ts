import type { Reading } from '../src/facts'
import type { Gauge, SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { SourceReader } from '../src/sources/sources'
import { fact, leftTouch, mm, readingOf, setupOf, tipTouch, workedSheet } from './worked-example'

// What a number is made of: who read it, how surely, with which screw, and where one stands that cannot be read.

const sheetWith = (machine: object, changes: Partial<SetupSheet> = {}) => {
  const sheet = workedSheet(changes)
  return { ...sheet, machine: { ...sheet.machine, ...machine } }
}

const sourcesOf = (readings: readonly Reading[], sheet = workedSheet()) =>
  new SourceReader(setupOf(sheet, readings))

const swept = (dial: Record<'left' | 'right' | 'front' | 'back', string>, changes: object = {}) =>
  ({
    ...{ of: 'sweep', row: 'G54', read: mm('-120'), readY: mm('-60'), with: [] },
    dial: {
      left: mm(dial.left),
      right: mm(dial.right),
      front: mm(dial.front),
      back: mm(dial.back),
    },
    ...changes,
    ...fact(),
  }) as Extract<Reading, { of: 'sweep' }>

const STEPS = { left: '0.1', right: '0.125', front: '0', back: '0.05' }

describe('a dial that was swept', () => {
  const leftMm = (reading: Extract<Reading, { of: 'sweep' }>, sheet = workedSheet()) =>
    sourcesOf([reading], sheet).dial(reading)?.left.terms[0]?.source.uncertainty?.mm

  test('is as sure as its kind, read to the finest step that was read off it', () => {
    // The finest is 0.125: steps of 0.001 mm, also where “0.1” was said.
    expect(leftMm(swept(STEPS))).toBeCloseTo(Math.hypot(0.003, 0.001 / Math.sqrt(12)), 9)
    const coarse = { left: '0.1', right: '0.2', front: '0', back: '0.1' }
    expect(leftMm(swept(coarse))).toBeCloseTo(Math.hypot(0.003, 0.1 / Math.sqrt(12)), 9)
  })

  test('or as the one that is named', () => {
    const indicator: Gauge = {
      ...{ id: 'dial', kind: 'dial-indicator', name: 'old indicator' },
      ...{ size: mm('0.8'), repeatability: mm('0.01') },
    }
    const gauges = [...workedSheet().gauges, indicator]
    const own = leftMm(swept(STEPS, { with: ['dial'] }), workedSheet({ gauges }))
    expect(own).toBeCloseTo(Math.hypot(0.01, 0.001 / Math.sqrt(12)), 9)
  })

  test('names the number that cannot be read, by its place', () => {
    const reading = swept({ ...STEPS, front: '0..2' })
    const sources = sourcesOf([reading])
    expect(sources.dial(reading)).toBeUndefined()
    expect(sources.problems.map(({ place }) => place)).toEqual([
      `facts.${reading.place}.body.dial.front`,
    ])
  })
})

describe('a number that cannot be read', () => {
  test('is told by its place: of Y, of an external offset', () => {
    const reading = swept(STEPS, { readY: mm('-6o') })
    const sources = sourcesOf([reading])
    expect(sources.readingY(reading)).toBeUndefined()
    expect(sources.problems.map(({ place }) => place)).toEqual([
      `facts.${reading.place}.body.readY`,
    ])
    const offset = sourcesOf([], sheetWith({ externalOffset: { Z: mm('1,5,0') } }))
    expect(offset.externalOffset('Z')).toBeUndefined()
    expect(offset.problems.map(({ place }) => place)).toEqual(['sheet.machine.externalOffset.Z'])
  })
})

describe('who read it', () => {
  const by = (reading: Reading) => {
    const { registers } = solve(setupOf(workedSheet(), [reading]))
    return registers
      .find(({ address }) => address === 'H1')
      ?.chain?.terms.map(({ source }) => source.by)
      .filter((name) => name !== undefined)
  }

  test('is who touched it, also where somebody else took it over', () => {
    const touched = tipTouch()
    expect(by(touched)).toEqual(['Mira Toller'])
    const at = '2026-03-01T08:00:00.000Z'
    const kept = { setup: 's', reading: 'r', name: 'Ring', by: 'Jory Fenn', at }
    expect(by({ ...touched, kept })).toEqual(['Jory Fenn'])
  })
})

describe('backlash', () => {
  const contributions = (machine: object, approach?: '+' | '-') => {
    const sheet = sheetWith(machine)
    const reading = { ...tipTouch(), ...(approach && { approach }) }
    const chain = solve(setupOf(sheet, [reading])).registers.find(
      ({ address }) => address === 'H1',
    )?.chain
    return chain?.terms
      .filter(({ role }) => role === 'lost-motion')
      .map(({ source }) => [source.length.nm / 1e6, source.uncertainty?.mm])
  }

  test('counts where the screw came from the other side, and not where it did not', () => {
    const declared = { lostMotion: { Z: mm('0.03') } }
    expect(contributions(declared)).toEqual([])
    expect(contributions(declared, '-')).toEqual([])
    expect(contributions(declared, '+')).toEqual([[0.03, undefined]])
  })

  test('that nobody declared counts as nothing, unsure by 0.02/√3', () => {
    expect(contributions({ lostMotion: undefined }, '+')).toEqual([[0, 0.02 / Math.sqrt(3)]])
    expect(contributions({ lostMotion: undefined })).toEqual([])
  })

  test('of a way that nobody knows is unsure by as much as is declared, and by nothing where there is none', () => {
    const sweepOf = (X: string) => {
      const reading = swept(STEPS)
      const sources = sourcesOf([reading], sheetWith({ lostMotion: { X: mm(X), Y: mm('0') } }))
      return sources
        .reading(reading)
        ?.terms.filter(({ role }) => role === 'lost-motion')
        .map(({ source }) => [source.length.nm, source.uncertainty?.mm])
    }
    expect(sweepOf('0')).toEqual([])
    // Somewhere from nothing to all of it, counted as nothing: the root mean square of that, 0.03/√3.
    expect(sweepOf('0.03')?.[0]?.[0]).toBe(0)
    expect(sweepOf('0.03')?.[0]?.[1]).toBeCloseTo(0.03 / Math.sqrt(3), 9)
  })
})

describe('a gauge', () => {
  test('that is not measured along an axis is told to be the wrong one: a plate without its wall', () => {
    const plate = { id: 'plate', kind: 'plate', name: 'plate', size: mm('12.7') } as const
    const gauges = [...workedSheet().gauges, plate]
    const touch = { ...leftTouch(), with: ['plate'] }
    const { problems } = solve(setupOf(workedSheet({ gauges }), [touch]))
    expect(problems).toMatchObject([
      { code: 'gauge-wrong-axis', place: 'face:G54:left', received: 'plate', limit: 'X' },
    ])
    const withWall = [...workedSheet().gauges, { ...plate, wall: mm('5') }]
    expect(solve(setupOf(workedSheet({ gauges: withWall }), [touch])).problems).toEqual([])
  })

  test('that is not on the sheet is told by its name', () => {
    const touch = readingOf<'tip-on-plane'>({
      ...{ of: 'tip-on-plane', tool: 1, read: mm('-220'), with: ['gone'] },
    })
    expect(solve(setupOf(workedSheet(), [touch])).problems).toMatchObject([
      { code: 'reference-unknown', place: 'tip-on-plane:T1', received: 'gone' },
    ])
  })
})
