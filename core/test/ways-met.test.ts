import type { Reading } from '../src/facts'
import { impliedBy } from '../src/plan'
import { wayInPlane } from '../src/quantities/contact-ends'
import { quantityKey, type QuantityName } from '../src/quantities'
import { quantityOfKey } from '../src/quantities/quantities'
import { repeatSpread } from '../src/sources'
import type { OffsetPlan, SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { describeStep } from '../src/words'
import {
  difference,
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

// The way each axis was met, what a touch tells, and what makes two touches one: by hand, one thing different at a time.

const [G54] = workedSheet().offsets as [OffsetPlan]

const slot = (axis: 'X' | 'Y'): SetupSheet =>
  workedSheet({
    offsets: [
      {
        ...G54,
        [axis]: {
          ...{ by: 'two-faces', side: 'inside', size: mm('20'), tolerance: mm('0.1') },
          drawing: mm('0'),
        },
      },
    ],
  })

const face = (changes: object = {}) =>
  ({
    of: 'face',
    row: 'G54',
    face: 'left',
    read: mm('-1'),
    with: ['finder'],
    ...changes,
    ...fact(),
  }) as Reading
const edge = (changes: object = {}) =>
  ({
    ...{ of: 'edge-point', row: 'G54', face: 'front', point: 1 },
    ...{ read: mm('-1'), readY: mm('-2'), with: ['finder'], ...changes, ...fact() },
  }) as Reading
const circle = (changes: object = {}) =>
  ({
    ...{ of: 'circle-point', row: 'G54', point: 1 },
    ...{ read: mm('-1'), readY: mm('-2'), with: ['finder'], ...changes, ...fact() },
  }) as Reading
const sweep = {
  of: 'sweep',
  row: 'G54',
  read: mm('-1'),
  readY: mm('-2'),
  with: [],
} as unknown as Reading

describe('the way an axis came', () => {
  const met = (
    reading: Reading,
    axis: 'X' | 'Y',
    sheet: SetupSheet = workedSheet(),
    radial?: '+' | '-',
  ) => wayInPlane(reading, axis, { sheet }, radial)

  test.each<[string, () => ReturnType<typeof met>, '+' | '-' | undefined]>([
    ['an outside left face is met going to plus', () => met(face(), 'X'), '+'],
    ['an outside right face to minus', () => met(face({ face: 'right' }), 'X'), '-'],
    ['an inside left face to minus', () => met(face(), 'X', slot('X')), '-'],
    ['an inside right face to plus', () => met(face({ face: 'right' }), 'X', slot('X')), '+'],
    [
      'of a row that the sheet has not, as an outside one',
      () => met(face({ row: 'G58' }), 'X'),
      '+',
    ],
    ['as it was said', () => met(face({ approach: '-' }), 'X'), '-'],
    ['along a face it was only moved', () => met(face({ approach: '+' }), 'Y'), '-'],
    ['an edge is an outside one', () => met(edge(), 'Y'), '+'],
    ['also where Y is found in a slot', () => met(edge(), 'Y', slot('Y')), '+'],
    ['along an edge it was only moved', () => met(edge(), 'X'), '-'],
    ['along an edge as both were said', () => met(edge({ approaches: { X: '+' } }), 'X'), '+'],
    ['around a circle as the touch points', () => met(circle(), 'Y', workedSheet(), '+'), '+'],
    ['around a circle, nothing said, to minus', () => met(circle(), 'X'), '-'],
    ['around a circle X as it was said', () => met(circle({ approach: '+' }), 'X'), '+'],
    ['and Y of it not', () => met(circle({ approach: '+' }), 'Y'), '-'],
    ['a dial is swept at a place reached from anywhere', () => met(sweep, 'X'), undefined],
  ])('%s', (_, told, wanted) => expect(told()).toBe(wanted))
})

describe('what one touch tells', () => {
  const tells = (quantity: QuantityName, readings: readonly Reading[], changes: object = {}) => {
    const document = setupOf(workedSheet(changes), readings)
    const told = impliedBy(document, solve(document), quantity)
    return told && [told.kind, told.address, told.value / 1e6]
  }
  const tip = (): Reading =>
    readingOf<'tip-on-part'>({
      ...{ of: 'tip-on-part', tool: 1, row: 'G54' },
      ...{ read: mm('-300'), with: ['paper'] },
      spindle: { holds: 1, controlSays: null },
    })
  const TIP = { of: 'tip-on-part', tool: 1, row: 'G54' } as const

  test('a tip on the plane: its register, and by the gauge line the length itself', () => {
    const plane = { of: 'tip-on-plane', tool: 1 } as const
    expect(tells(plane, [tipTouch()])).toEqual(['register', 'H1', -270])
    const both = [noseTouch(), tipTouch()]
    expect(tells(plane, both, { school: 'gauge-line' })).toEqual(['tool-length', 'H1', 80])
  })

  test('a tip on the part: its length where lengths are touched there, else Z of the row', () => {
    const onPart = {
      school: 'part-top',
      offsets: [{ ...G54, Z: { by: 'part-top', facing: mm('0') } }],
    }
    expect(tells(TIP, [tip()], onPart)).toEqual(['register', 'H1', -300.09])
    const byTool = {
      offsets: [{ ...G54, Z: { by: 'tool-on-part', tool: 1, facing: mm('0') } }],
    }
    // Length −270, top met at −300.09: Z −30.09.
    expect(tells(TIP, [tipTouch(), tip()], byTool)).toEqual(['register', 'G54.Z', -30.09])
  })

  test('a face: X of its row, and before that is known where the face is', () => {
    const left = { of: 'face', row: 'G54', face: 'left' } as const
    expect(tells(left, [leftTouch()])).toEqual(['register', 'G54.X', -347.3])
    const front = { of: 'face', row: 'G54', face: 'front' } as const
    expect(tells(front, [frontTouch()])).toEqual(['register', 'G54.Y', -210])
    expect(tells(left, [leftTouch()], { offsets: slot('X').offsets })?.[0]).toBe('face')
  })

  test('a difference: Z of its row', () => {
    expect(tells({ of: 'carried-difference', row: 'G54' }, [difference()])).toEqual([
      'register',
      'G54.Z',
      -30,
    ])
  })
})

describe('a fixture that is counted from another', () => {
  test('is asked for by the names of both', () => {
    const document = setupOf(workedSheet(), [])
    const words = describeStep(document, { of: 'fixture-difference', row: 'G55', from: 'G54' }, [])
    expect(words).toMatchObject({
      title: 'G55 Z · from G54',
      sentence: 'Zero the relative counter on one stock top, read it at the other.',
      field: 'Relative Z counter',
    })
    expect(words.caution).not.toBe('')
  })
})

describe('how far repeats lie apart', () => {
  const tip = (read: string, changes: object = {}) =>
    readingOf<'tip-on-plane'>({
      ...{ of: 'tip-on-plane', tool: 1, read: mm(read), with: ['setter'], ...changes },
    })
  const spread = (...readings: readonly Reading[]) =>
    repeatSpread(setupOf(workedSheet(), readings), readings.at(-1)!)

  test('is that of touches with the same gauge, met the same way', () => {
    expect(spread(tip('-220'), tip('-220.012'), tip('-220.004'))).toBe(12_000)
    expect(spread(tip('-220'), tip('-269.9', { with: ['paper'] }))).toBeUndefined()
    expect(spread(tip('-220'), tip('-220.02', { approach: '+' }))).toBeUndefined()
    expect(spread(tip('-269.9', { with: ['paper'] }), tip('-220'), tip('-220.001'))).toBe(1000)
  })

  test('is that of differences whose counter was zeroed at the same end', () => {
    const from = (zeroedOn: 'plane' | 'part', read: string) =>
      readingOf<'carried-difference'>({
        ...{ of: 'carried-difference', row: 'G54', zeroedOn, withOnPlane: [] },
        ...{ read: mm(read), with: [] },
      })
    expect(spread(from('plane', '-30'), from('part', '30.001'))).toBeUndefined()
    expect(spread(from('plane', '-30'), from('plane', '-30.003'))).toBe(3000)
  })
})

describe('the key of a quantity', () => {
  test('is read back as it was written, and nothing else is', () => {
    const tip = { of: 'tip-on-plane', tool: 12 } as const
    expect(quantityKey(tip)).toBe('tip-on-plane:T12')
    expect(quantityOfKey('tip-on-plane:T12')).toEqual(tip)
    expect(quantityOfKey('circle-point:G54:3')).toEqual({
      of: 'circle-point',
      row: 'G54',
      point: 3,
    })
    for (const none of ['tip-on-plane:1T2', 'tip-on-plane', 'tip-on-plane:T1:2', 'tip:T1', ''])
      expect(quantityOfKey(none)).toBeUndefined()
  })
})
