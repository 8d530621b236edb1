import { readProgram } from '../src/program'
import { machineExtents } from '../src/running'
import { solve } from '../src/solve'
import { forSeeds } from './model/case'
import { interpret } from './model/plain-interpreter'
import { writeProgram } from './model/program-writer'
import { Chance } from './random'
import { tipTouch, planeReadings, workedDocument } from './worked-example'

const only = (...lines: readonly string[]) => readProgram(lines.join('\n')).operations.at(-1)
const extents = (...lines: readonly string[]) =>
  Object.fromEntries(
    Object.entries(only(...lines)?.rows.at(-1)?.extents ?? {}).map(([axis, [low, high]]) => [
      axis,
      [low / 1e6, high / 1e6],
    ]),
  )
const told = (...lines: readonly string[]) =>
  readProgram(lines.join('\n')).judgements.map(({ code, line }) => `${line} ${code}`)
const faults = (...lines: readonly string[]) =>
  readProgram(lines.join('\n')).problems.map(({ code, line }) => `${line} ${code}`)

test('2,000 random programs: every tool reaches in every row what a plain interpreter says', () => {
  forSeeds(
    2000,
    (chance) => {
      const text = writeProgram(chance)
      // Before any tool, what moves nothing is no operation to the plain one.
      const read = readProgram(text).operations.filter(
        ({ tool, rows }) => tool !== undefined || rows.length > 0,
      )
      const plain = interpret(text)
      const seen = read.map(({ tool, rows, diameters }) => ({
        tool,
        diameters: diameters.map(({ register }) => register),
        rows: Object.fromEntries(
          rows.map(({ row, extents: reached }) => [
            row,
            Object.fromEntries(
              Object.entries(reached).map(([axis, range]) => [
                axis,
                range.map((nm) => Math.round(nm / 100) / 1e4),
              ]),
            ),
          ]),
        ),
      }))
      const expected = plain.map(({ tool, rows, diameters }) => ({
        tool,
        diameters: [...diameters],
        rows: Object.fromEntries(
          [...rows].map(([row, reached]) => [
            row,
            Object.fromEntries(
              Object.entries(reached).map(([axis, range]) => [
                axis,
                range.map((mm) => Math.round(mm * 1e4) / 1e4 + 0),
              ]),
            ),
          ]),
        ),
      }))
      const wrong = [...expected.keys()].find((index) => !nearly(seen[index], expected[index]))
      if (wrong !== undefined || seen.length !== expected.length)
        throw new Error(
          `operation ${wrong}: ${JSON.stringify(seen[wrong ?? 0])} is ${JSON.stringify(expected[wrong ?? 0])}\n${text}`,
        )
    },
    (seed) => new Chance(seed),
  )
})

/** The same but for a step of 0.0001 mm, where the two round differently. */
function nearly(a: unknown, b: unknown): boolean {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= 0.00021
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>]
  const keys = new Set([...Object.keys(left), ...Object.keys(right)])
  return [...keys].every((key) => nearly(left[key], right[key]))
}

describe('canned cycles', () => {
  // NISTIR 6556 §3.5.16.1 (from memory): at (1, 2, 3), G91 G81 G98 X4 Y5 Z-0.6 R1.8 L3 drills at (5, 7), (9, 12), (13, 17),
  // from 4.8 down to 4.2.
  test('L repeats a hole, each as far from the last: the published example ends at X13', () => {
    expect(extents('G21 G90 G0 X1 Y2 Z3', 'G91 G81 G98 X4 Y5 Z-0.6 R1.8 L3')).toEqual({
      X: [1, 13],
      Y: [2, 17],
      Z: [3, 4.8],
    })
  })
  test('L0 drills nothing; ten thousand are followed and more are told', () => {
    expect(extents('G21 G90 G0 X1 Z3', 'G81 X9 Z-1 R1 L0')).toEqual({ X: [1, 1], Z: [3, 3] })
    expect(faults('G21 G90 G0 X1 Y1 Z3', 'G91 G81 X0.001 Z-1 R-1 L20000')).toEqual([
      '2 repeats-too-many',
    ])
  })
  test('in ZX a hole goes along Y, in YZ along X', () => {
    const at = 'G21 G90 G0 X1 Y2 Z3'
    expect(extents(at, 'G18 G81 G99 X4 Z5 Y-7 R1')).toEqual({ X: [1, 4], Y: [-7, 2], Z: [3, 5] })
    expect(extents(at, 'G19 G81 G99 Y4 Z5 X-7 R0')).toEqual({ X: [-7, 1], Y: [2, 4], Z: [3, 5] })
  })
})

describe('where the tool is', () => {
  test('bare G28 takes every axis home', () => {
    expect(extents('G21 G90 G0 X50 Y50 Z5', 'G28', 'G0 X1', 'Y1', 'Z1')).toEqual({
      X: [1, 50],
      Y: [1, 50],
      Z: [1, 5],
    })
    expect(only('G21 G90 G0 X50 Y50', 'G28', 'G91 G1 X1 F9')?.uncertain).toBe(true)
  })
  test('a place from before a tool change is none after it', () => {
    const drilled = [
      'G21 G90 T1 M6',
      'G43 H1 G0 X66 Y0 Z5',
      'T2 M6',
      'G0 X40 Y10',
      'G43 H2 Z5',
      'G1 Z-3 F100',
    ]
    expect(extents(...drilled)).toEqual({ X: [40, 40], Y: [10, 10], Z: [-3, 5] })
    // Cut without a place: nothing says where, and that is told.
    expect(only('G21 G90 T1 M6', 'G0 X66 Y0', 'T2 M6', 'G43 H2 Z5', 'G1 Z-3 F9')?.uncertain).toBe(
      true,
    )
  })
  test.each(['G65 P9010 X99', 'G68 X99 Y99 R45', 'G51 X99 P2', 'G187 X99', 'G16 X99'])(
    '%s is no move',
    (line) => {
      expect(extents('G21 G90 G0 X1 Y1 Z1', line, 'X5')).toEqual({
        X: [1, 5],
        Y: [1, 1],
        Z: [1, 1],
      })
      expect(faults('G21 G90 G0 X1', line)).toEqual(['2 code-unknown'])
    },
  )
  test('under a rotation nobody knows where it goes, for every tool until it ends', () => {
    const turned = [
      'G21 G90 T1 M6',
      'G0 X1 Y1',
      'G68 X0 Y0 R30',
      'X2',
      'T2 M6',
      'X3 Y3',
      'G69',
      'T3 M6',
      'X4 Y4',
    ]
    expect(readProgram(turned.join('\n')).operations.map(({ uncertain }) => uncertain)).toEqual([
      true,
      true,
      false,
    ])
  })
  test('G28 with G90 goes through its Z on the part first: down is told as down', () => {
    expect(told('G21 G40 G49 G80 G90 G0 Z50', 'G28 Z0')).toEqual(['2 home-goes-down'])
    expect(told('G21 G40 G49 G80 G90', 'G28 X0 Y0 Z0')).toEqual(['2 home-goes-down'])
    expect(told('G21 G40 G49 G80 G90 G0 Z50', 'G91 G28 Z0')).toEqual([])
    expect(told('G21 G40 G49 G80 G90 G0 Z50', 'G28 Z100')).toEqual([])
  })
})

describe('registers, names, feeds', () => {
  test('D may stand before the compensation that uses it', () => {
    expect(only('G21 T3 M6', 'D2', 'G0 X1 Y1', 'G41 X5')?.diameters).toMatchObject([
      { register: 2 },
    ])
  })
  test.each([
    [['(BRACKET)', 'G21', 'T1 M6', 'G0 X1'], undefined],
    [['O1000 (BRACKET)', 'T1 M6', 'G0 X1'], undefined],
    [['(BRACKET)', '(10 MM MILL)', 'T1 M6', 'G0 X1'], '10 MM MILL'],
    [['(BRACKET)', 'T1 M6 (10 MM MILL)', 'G0 X1'], '10 MM MILL'],
    [['(BRACKET)', 'T1 M6', 'N2 (10 MM MILL)', 'G0 X1'], '10 MM MILL'],
    [['T1 M6 (mill)', 'G0 X1', 'T2 M6', 'G0 X2'], undefined],
    [['T1 M6 (mill)', '(finish)', 'G0 X1', 'T2 M6', 'G0 X2'], undefined],
    [['T1 M6 (mill)', 'G0 X1', '(drill)', 'G91 G28 Z0', 'T2 M6', 'G0 X2'], 'drill'],
  ])('%j: its last tool is called %j', (lines, name) => {
    expect(only(...lines)?.name).toBe(name)
  })
  test('an inch program’s feeds are told in inches; the time is right', () => {
    const inches = only('G20 G90 T1 M6', 'G0 X0 Y0 Z0', 'G1 X10 F10.')
    expect(inches).toMatchObject({ feeds: [10], cutMm: 254, cutMinutes: 1 })
  })
  test('G93 is a share of the block’s time, G95 a distance a turn: neither is a feed a minute', () => {
    expect(only('G21 G90 T1 M6', 'G0 X0 Y0 Z0', 'G93 G1 X10 F4.')).toMatchObject({
      feeds: [],
      cutMinutes: 0.25,
    })
    expect(only('G21 G90 T1 M6', 'S1000 G0 X0 Y0 Z0', 'G95 G1 X10 F0.1')).toMatchObject({
      feeds: [],
      cutMinutes: 0.1,
    })
    expect(only('G21 G90 T1 M6', 'G0 X0 Y0 Z0', 'G93 G1 X10 F4.', 'G94 X20 F100')).toMatchObject({
      feeds: [100],
    })
  })
  test('a dialect without G49 between tools is told of once', () => {
    const tools = Array.from({ length: 12 }, (_, index) => [
      `T${index + 1} M6`,
      `G43 H${index + 1} G0 X1 Y1 Z5`,
    ]).flat()
    expect(told('G21 G40 G49 G80', ...tools, 'G49')).toEqual(['4 length-not-cancelled'])
  })
})

describe('a file of nonsense', () => {
  test('a number of a hundred digits is none, and is told', () => {
    const long = '9'.repeat(120)
    expect(faults(`G21 G0 X${long}`, `G43 H${long} Z1`)).toEqual([
      '1 number-too-long',
      '2 number-too-long',
    ])
    expect(only('G21 T1 M6', `G43 H${long} Z1`)?.lengths).toEqual([])
  })
  test('a line of a megabyte is left out whole', () => {
    const reading = readProgram(`G21 G90 G0 X1 Y1\nX${'7'.repeat(1_000_000)}\nX2 Y2`)
    expect(reading.problems).toMatchObject([{ code: 'line-too-long', line: 2 }])
    expect(reading.lines).toBe(3)
    expect(reading.operations[0]?.rows[0]?.extents.X).toEqual([1_000_000, 2_000_000])
  })
  test('a million tool changes are counted, not kept', () => {
    const lines = Array.from({ length: 30_000 }, (_, index) => `T${index % 9} M6\nG0 X1`)
    const reading = readProgram(`G21\n${lines.join('\n')}`)
    expect(reading.operations).toHaveLength(2000)
    expect(reading.problems).toMatchObject([{ code: 'operations-too-many' }])
    expect(reading.leftOut).toBeGreaterThan(27_000)
  })
})

test('Z without a length is placed in the machine without it', () => {
  const document = workedDocument({}, [tipTouch(), ...planeReadings()])
  const solution = solve(document)
  // H1 is −270 and G54 Z −30: with the length Z5 is at −295, without it Z20 is at −10.
  const reading = readProgram('G21 G90 T1 M6\nG0 X0 Y0\nG43 H1 Z5\nG1 Z-12 F9\nG0 Z5\nG49\nZ20')
  const [operation] = reading.operations
  expect(operation?.rows[0]).toMatchObject({
    extents: { Z: [-12_000_000, 20_000_000] },
    heldZ: [-12_000_000, 5_000_000],
    bareZ: [20_000_000, 20_000_000],
  })
  expect(machineExtents(operation!, document, solution)[0]?.extents.Z).toEqual([
    -312_000_000, -10_000_000,
  ])
})
