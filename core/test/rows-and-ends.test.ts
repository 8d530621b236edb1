import type { Reading } from '../src/facts'
import type { SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { keptWarnings, type KeptCheck } from '../src/solve/warnings/kept-checks'
import { fact, mm, readingOf, setupOf, workedSheet } from './worked-example'

// Later rows of the schools that touch the part, worked by hand; travels to their very ends; what several checks say together.

const [plain] = workedSheet().offsets
if (plain === undefined) throw new Error('the worked sheet has a row')

const nose = (row: 'G54' | 'G55', read: string) =>
  readingOf<'nose-on-part'>({ of: 'nose-on-part', row, read: mm(read), with: [] })
const tip = (read: string) =>
  readingOf<'tip-on-part'>({ of: 'tip-on-part', row: 'G54', tool: 1, read: mm(read), with: [] })

const valuesOf = (sheet: SetupSheet, readings: readonly Reading[]) =>
  Object.fromEntries(
    solve(setupOf(sheet, readings)).registers.flatMap(({ address, value }) =>
      value === undefined ? [] : [[address, value / 1e6]],
    ),
  )

describe('a later row that the bare nose finds', () => {
  const rows = (school: SetupSheet['school'], changes: Partial<SetupSheet> = {}) =>
    workedSheet({
      school,
      offsets: [
        { ...plain, Z: { by: 'part-top', facing: mm('0.5') } },
        { ...plain, row: 'G55', Z: { by: 'nose-on-part', facing: mm('0.5') } },
      ],
      ...changes,
    })
  // The nose meets the tops at −380 and −390; T1, 80 long, the first at −300; zero lies 0.5 below each.
  const touches = () => [nose('G54', '-380.000'), tip('-300.000'), nose('G55', '-390.000')]

  test('counts from the first top where the tools were touched on it', () => {
    expect(valuesOf(rows('part-top'), touches())).toMatchObject({
      H1: -300,
      'G54.Z': -0.5,
      'G55.Z': -10.5,
    })
  })

  test('is where the nose was where lengths are real ones', () => {
    expect(valuesOf(rows('gauge-line'), touches())).toMatchObject({
      H1: 80,
      'G54.Z': -380.5,
      'G55.Z': -390.5,
    })
  })

  test('takes the constant of a control that keeps H = L − K', () => {
    const sheet = rows('gauge-line', { reference: { constant: mm('100') } })
    expect(valuesOf(sheet, touches())).toMatchObject({
      H1: -20,
      'G54.Z': -280.5,
      'G55.Z': -290.5,
    })
  })

  test('and alone, before anything else of the first part is known, only where lengths are real ones', () => {
    expect(valuesOf(rows('gauge-line'), [nose('G55', '-390.000')])['G55.Z']).toBe(-390.5)
    expect(valuesOf(rows('part-top'), [nose('G55', '-390.000')])).not.toHaveProperty('G55.Z')
  })
})

describe('a reading at the end of its travel', () => {
  const { machine } = workedSheet()
  const travels = {
    X: { min: mm('-700'), max: mm('0') },
    Y: { min: mm('-450'), max: mm('0') },
    Z: { min: mm('-500'), max: mm('0') },
  }
  const sheet = workedSheet({ machine: { ...machine, travels } })
  const beyond = (reading: Reading, of: SetupSheet = sheet) =>
    solve(setupOf(of, [reading]))
      .warnings.filter(({ code }) => code === 'outside-travel')
      .map(({ axis, amount = NaN }) => `${axis} ${amount / 1e6}`)
  const plane = (read: string) =>
    readingOf<'nose-on-plane'>({ of: 'nose-on-plane', read: mm(read), with: ['setter'] })

  test.each([
    ['0.000', []],
    ['0.001', ['Z 0.001']],
    ['-500.000', []],
    ['-500.001', ['Z -0.001']],
    ['-250.000', []],
    ['no number', []],
  ])('%s: beyond by %j', (read, wanted) => expect(beyond(plane(read))).toEqual(wanted))

  test('each number of a place on two axes is held against its own axis', () => {
    const point = (x: string, y: string) =>
      readingOf<'circle-point'>({
        ...{ of: 'circle-point', row: 'G54', point: 1, read: mm(x), readY: mm(y) },
        with: ['finder'],
      })
    expect(beyond(point('-600.000', '-100.000'))).toEqual([])
    expect(beyond(point('-600.000', '-460.000'))).toEqual(['Y -10'])
    expect(beyond(point('-710.000', '-100.000'))).toEqual(['X -10'])
  })

  test('an axis without travels has no end', () => {
    const { Z: _, ...others } = travels
    const open = workedSheet({ machine: { ...machine, travels: others } })
    expect(beyond(plane('90.000'), open)).toEqual([])
  })
})

describe('what several checks of lengths that were taken over say together', () => {
  const check = (tool: number, off: number): KeptCheck => ({
    tool,
    reading: fact().id,
    off: (off * 1e6) as KeptCheck['off'],
    limit: 25_000 as KeptCheck['limit'],
    agrees: Math.abs(off) <= 0.025,
  })
  const codes = (...offs: readonly number[]) =>
    keptWarnings(offs.map((off, index) => check(index + 1, off))).map(({ code }) => code)

  test.each([
    [[0.01, -0.02], []],
    [[0.3], ['kept-differs']],
    [[0.3, 0.01], ['kept-differs']],
    [
      [0.3, -0.3],
      ['kept-differs', 'kept-differs'],
    ],
    [
      [0.3, 0.31],
      ['kept-moved', 'kept-moved'],
    ],
    [
      [0.3, 0.325],
      ['kept-moved', 'kept-moved'],
    ],
    [
      [0.3, 0.326],
      ['kept-differs', 'kept-differs'],
    ],
    // The middle one lies near both, and they do not near each other.
    [
      [0.3, 0.32, 0.34],
      ['kept-differs', 'kept-differs', 'kept-differs'],
    ],
    [
      [0.3, 0.31, 0.01],
      ['kept-differs', 'kept-differs'],
    ],
    [
      [0.3, 0.31, 0.4],
      ['kept-differs', 'kept-differs', 'kept-differs'],
    ],
  ])('off by %j mm: %j', (offs, wanted) => expect(codes(...offs)).toEqual(wanted))
})
