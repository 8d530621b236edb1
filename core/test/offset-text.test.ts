import type { SetupDocument } from '../src/facts'
import type { Address } from '../src/address'
import {
  offsetProgram,
  readOffsetColumns,
  readOffsetText,
  type OffsetProgramRequest,
} from '../src/offset-text'
import type { SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { nanometresOf } from '../src/length'
import { forSeeds, modelCase } from './model/case'
import { Chance } from './random'
import {
  event,
  fact,
  frontTouch,
  leftTouch,
  mm,
  noseTouch,
  setupOf,
  tipTouch,
  workedSheet,
} from './worked-example'

const ASKED: OffsetProgramRequest = {
  unproven: 'marked',
  by: 'Mira Toller',
  at: '2026-11-30 14:05',
  hash: '0123456789abcdef'.repeat(4),
}

type Forms = NonNullable<SetupSheet['machine']['control']['offsetProgram']>

const taking = (sheet: SetupSheet, forms: Forms): SetupSheet => ({
  ...sheet,
  machine: {
    ...sheet.machine,
    control: { ...sheet.machine.control, offsetProgram: forms },
  },
})

const worked = (forms: Forms = { offsets: 'L2', tools: 'L10' }): SetupDocument =>
  setupOf(taking(workedSheet({ reference: {} }), forms), [
    noseTouch(),
    tipTouch(),
    leftTouch(),
    frontTouch(),
  ])

const written = (document: SetupDocument, asked = ASKED) =>
  offsetProgram(document, solve(document), asked)

const blocksOf = (text: string) => text.split('\n').filter((line) => line.startsWith('G10'))

/**
 * What a control holds after such a program, by the published rules and by nobody's code but this: G10 L2 P1 is G54
 * (NISTIR 6556, 3.5.8, from memory); L20, L1, L10 and L12 as commonly practised, no source.
 */
function controlAfter(
  text: string,
  { externalOffset, control }: SetupSheet['machine'],
): ReadonlyMap<string, number> {
  const holds = new Map<string, number>()
  const perUnit = text.includes('G20') ? 25_400_000 : 1_000_000
  const nm = (digits: string) => Math.round(Number(digits) * perUnit)
  for (const line of blocksOf(text)) {
    const word = (letter: string) => new RegExp(`${letter}(-?[\\d.]+)`).exec(line)?.[1]
    const [L, P] = [word('L'), Number(word('P'))]
    for (const axis of ['X', 'Y', 'Z'] as const) {
      const digits = word(axis)
      if (digits === undefined || L === '1') continue
      const external = nanometresOf(externalOffset?.[axis]) ?? 0
      const row = P <= 6 ? `G${53 + P}` : `G59.${P - 6}`
      // Where the machine stands at zero, the position is what is left of zero less every shift.
      holds.set(`${row}.${axis}`, L === '2' ? nm(digits) : -external - nm(digits))
    }
    const [R, Z] = [word('R'), word('Z')]
    if (L === '10') holds.set(`H${P}`, nm(R!))
    if (L === '12') holds.set(`D${P}`, nm(R!))
    if (L === '1' && Z !== undefined) holds.set(`H${P}`, nm(Z))
    if (L === '1' && R !== undefined)
      holds.set(`D${P}`, control.diameterRegister === 'radius' ? nm(R) : 2 * nm(R))
  }
  return holds
}

test('random set-ups: a control, and our own reading of the text, hold what is to be keyed', () => {
  let count = 0
  forSeeds(
    500,
    (chance) => {
      const drawn = modelCase(chance)
      const forms = {
        offsets: chance.of(['L2', 'L20'] as const),
        tools: chance.of(['L1', 'L10'] as const),
      }
      const document = { ...drawn.document, sheet: taking(drawn.document.sheet, forms) }
      const solution = solve(document)
      const { text, written: addresses, leftOut } = offsetProgram(document, solution, ASKED)
      const { machine } = document.sheet
      const holds = controlAfter(text, machine)
      const read = readOffsetText(text, solution.unit === 'mm' ? 'in' : 'mm', machine)
      if (read.problems.length > 0) throw new Error(JSON.stringify(read.problems[0]))
      const back = new Map(read.rows.map(({ address, shown }) => [address, nanometresOf(shown)]))
      for (const { address, keyIn } of solution.registers) {
        if (!addresses.includes(address)) {
          if (!leftOut.some((one) => one.address === address)) throw new Error(`${address} is lost`)
          if (back.has(address)) throw new Error(`${address} is written all the same`)
          continue
        }
        count += 1
        if (holds.get(address) !== keyIn?.expected)
          throw new Error(`${address} is ${holds.get(address)}`)
        if (back.get(address) !== keyIn?.expected)
          throw new Error(`${address} reads ${back.get(address)}`)
      }
    },
    (seed) => new Chance(seed),
  )
  expect(count).toBeGreaterThan(0)
})

describe('the program', () => {
  test('stops first, says what it is for, and writes the numbers of the key-in sheet', () => {
    const { text, leftOut } = written(worked())
    expect(text.split('\n')).toEqual([
      'M0 (STOP. THIS WRITES OFFSETS: IS IT THE RIGHT FILE)',
      '(MACHINE: MILL 2)',
      '(SET-UP: WORKED EXAMPLE)',
      '(WRITTEN FOR MIRA TOLLER, 2026-11-30 14:05)',
      '(NOT RELEASED)',
      '(SHA-256 0123456789ABCDEF0123456789ABCDEF)',
      '(SHA-256 0123456789ABCDEF0123456789ABCDEF)',
      '(G54.Z LEFT OUT: NOT MEASURED)',
      'G21 G90 G40 G49 G80',
      '(G54.X NOT KEYED, NOT PROVEN)',
      '(G54.Y NOT KEYED, NOT PROVEN)',
      'G10 L2 P1 X-347.300 Y-210.000',
      '(H1 NOT KEYED, NOT PROVEN)',
      'G10 L10 P1 R-270.000',
      '(READ EVERY ROW BACK AND PROVE IT BEFORE YOU CUT)',
      'M30',
      '',
    ])
    expect(leftOut).toEqual([{ address: 'G54.Z', because: 'not-measured' }])
  })

  test('leaves out what nobody has proven, where that is asked', () => {
    const { written: rows, leftOut } = written(worked(), { ...ASKED, unproven: 'left-out' })
    expect(rows).toEqual([])
    expect(leftOut.map(({ address, because }) => `${address} ${because}`)).toEqual([
      'H1 not-proven',
      'G54.X not-proven',
      'G54.Y not-proven',
      'G54.Z not-measured',
    ])
  })

  test('never writes a number that no longer holds, whatever is asked', () => {
    const read = worked()
    const moved = event({ kind: 'part-changed', row: 'G54' })
    const { written: rows, leftOut } = written({ ...read, events: [moved] })
    expect(rows).toEqual(['H1'])
    expect(leftOut).toContainEqual({ address: 'G54.X', because: 'stale' })
  })

  test('writes nothing while a lift is in: half of the rows would be let down', () => {
    const lift = { ...fact(), where: 'work-offsets', amount: mm('30'), moves: 'in' } as const
    const { text, leftOut } = written({ ...worked(), lifts: [lift] })
    expect(blocksOf(text)).toEqual([])
    expect(new Set(leftOut.map(({ because }) => because))).toEqual(new Set(['lift-in']))
    expect(text).toContain('(H1 LEFT OUT: A LIFT IS IN, TAKE IT OUT FIRST)')
    const out = { ...fact(), ...lift, moves: 'out' } as const
    expect(blocksOf(written({ ...worked(), lifts: [lift, out] }).text)).toHaveLength(2)
  })

  test('tells a position only at machine zero, and not where an axis cannot stand there', () => {
    const document = worked({ offsets: 'L20' })
    const { text, leftOut } = written({
      ...document,
      sheet: {
        ...document.sheet,
        machine: {
          ...document.sheet.machine,
          externalOffset: { X: mm('1.5') },
          travels: { Y: { min: mm('-400'), max: mm('-10') } },
        },
      },
    })
    // The control adds 1.5 by itself, so the row is −348.8, and at machine zero the part is 347.3 away.
    expect(blocksOf(text)).toEqual(['G10 L20 P1 X347.300'])
    expect(text).toContain(
      'HOMED? THE AXES GO TO MACHINE ZERO NEXT, Z FIRST)\nG53 G0 Z0\nG53 G0 X0 Y0\n',
    )
    expect(leftOut).toContainEqual({ address: 'G54.Y', because: 'machine-zero-outside' })
    expect(leftOut).toContainEqual({ address: 'H1', because: 'no-form' })
  })

  test('writes for a control that takes no G10 nothing but why', () => {
    expect(blocksOf(written(worked({})).text)).toEqual([])
  })

  test('puts names into capitals of ASCII without a bracket, cut where a control would cut', () => {
    const document = worked()
    const name = 'Größe (2) – Ø 8 {x} ' + 'long '.repeat(20)
    const { text } = written({ ...document, sheet: { ...document.sheet, name } })
    const line = text.split('\n').find((one) => one.startsWith('(SET-UP'))!
    expect(line).toMatch(/^\(SET-UP: GROSSE 2 \? \? 8 X LONG /)
    expect(line.length).toBe(62)
    // Every line is ASCII, and brackets come in pairs.
    expect(text).toMatch(/^[\n\x20-\x7e]*$/)
    expect(text.match(/\(/g)!.length).toBe(text.match(/\)/g)!.length)
  })
})

describe('a table as text', () => {
  const { machine } = worked().sheet
  const found = (text: string, unit: 'mm' | 'in' = 'mm', of = machine) => {
    const { rows, problems } = readOffsetText(text, unit, of)
    return [
      ...rows.map(({ address, shown }) => `${address} ${shown.text} ${shown.unit}`),
      ...problems.map(({ fault, line, text: what }) => `${line} ${fault}: ${what}`),
    ]
  }

  test.each<[string, string, readonly string[]]>([
    [
      'rows by name',
      'G54 X-352.300 Y-255.000 Z-220.000',
      ['G54.X -352.300 mm', 'G54.Y -255.000 mm', 'G54.Z -220.000 mm'],
    ],
    ['a row of the long list', 'g54.1 p12 x = 1.5', ['G54.1 P12.X 1.5 mm']],
    ['lengths and diameters', 'H01 80.000\nD3: 10.02\n\n%', ['H1 80.000 mm', 'D3 10.02 mm']],
    ['the published example', 'G10 L2 P1 X3.5 Y17.2', ['G54.X 3.5 mm', 'G54.Y 17.2 mm']],
    ['inches by the text', 'G20\nG10 L2 P9 Z-4.1250', ['G59.3.Z -4.1250 in']],
    ['a table of tools', 'G10 L1 P3 Z80.000 R4.000', ['H3 80.000 mm', 'D3 8.000 mm']],
    ['comments and spaces', 'g10l10p7 r 80.5 (T7) ; end', ['H7 80.5 mm']],
    ['another minus', 'H1 \u221280.000', ['H1 \u221280.000 mm']],
    ['wear', 'G10 L11 P1 R0.020', ['1 wear: G10 L11 P1 R0.020']],
    ['what adds', 'G91\nG10 L2 P1 X1.0', ['2 adds: G10 L2 P1 X1.0']],
    ['a place that nobody knows', 'G53 G0 Y0\nG10 L20 P1 X1.0', ['2 position-unknown: 1.0']],
    ['a place that was left', 'G53 G0 X0\nG0 X5.\nG10 L20 P1 X1.0', ['3 position-unknown: 1.0']],
    [
      'a row among blocks, which a control would take for a move',
      'G10 L10 P1 R80.0\nG54 X1.0\nH2 90.0\nG54',
      ['H1 80.0 mm', '2 beside-g10: G54 X1.0', '3 beside-g10: H2 90.0'],
    ],
    ['no point', 'H1 80', ['1 no-point: 80']],
    ['a comma', 'H1 80,5', ['1 not-a-number: 80,5']],
    [
      'a row that is none',
      'G10 L2 P0 X1.0\nG10 L2 P10 X1.0',
      ['1 row-unknown: G10 L2 P0 X1.0', '2 row-unknown: G10 L2 P10 X1.0'],
    ],
    ['something else', 'hello\nG54', ['1 line-unknown: hello', '2 line-unknown: G54']],
    [
      'two things of one row',
      'H1 80.000\nH1 80.000\nH1 81.000',
      ['H1 80.000 mm', '3 stated-twice: H1 81.000'],
    ],
  ])('%s', (_, text, expected) => {
    expect(found(text)).toEqual(expected)
  })

  test('a position at machine zero counts the external offset, a radius the way the control keeps D', () => {
    const of = { ...machine, externalOffset: { X: mm('1.5') } }
    expect(found('G53 G0 X0\nG10 L20 P1 X347.300', 'mm', of)).toEqual(['G54.X -348.800 mm'])
    const radius = {
      ...machine,
      control: { ...machine.control, diameterRegister: 'radius' as const },
    }
    expect(found('G10 L1 P3 R4.000', 'mm', radius)).toEqual(['D3 4.000 mm'])
  })

  test('columns that somebody named, in whatever parts them', () => {
    const tools = readOffsetColumns(
      'No. length radius\n 1   80.000  4.000\n02 | 81.5 |\n--- ----\nx 5.5',
      'mm',
      { of: 'tools', register: 0, length: 1, diameter: 2 },
    )
    expect(tools.rows.map(({ address, shown }) => [address, shown.text])).toEqual([
      ['H1', '80.000'],
      ['D1', '4.000'],
      ['H2', '81.5'],
    ])
    expect(tools.problems.map(({ line, fault }) => [line, fault])).toEqual([[5, 'row-unknown']])
    const rows = readOffsetColumns('G54;-352.300;;-220.000\n2;1.0;2.0;3,0', 'mm', {
      ...{ of: 'offsets', row: 0 },
      ...{ X: 1, Y: 2, Z: 3 },
    })
    expect(rows.rows.map(({ address, shown }) => `${address} ${shown.text}`)).toEqual([
      'G54.X -352.300',
      'G54.Z -220.000',
      'G55.X 1.0',
      'G55.Y 2.0',
    ] satisfies `${Address} ${string}`[])
    expect(rows.problems.map(({ line, fault }) => [line, fault])).toEqual([[2, 'not-a-number']])
  })

  test('a table as a spreadsheet saved it: commas between, or decimal commas where no number has a point', () => {
    const columns = { of: 'offsets', row: 0, X: 1, Y: 2, Z: 3 } as const
    const shown = (text: string) =>
      readOffsetColumns(text, 'mm', columns).rows.map(
        ({ address, shown }) => `${address} ${shown.text}`,
      )
    expect(shown('row,X,Y,Z\r\n"G54",-352.300,,-220.000\r\n')).toEqual([
      'G54.X -352.300',
      'G54.Z -220.000',
    ])
    expect(shown('row;X;Y;Z\nG54;-352,300;;-220,000')).toEqual(['G54.X -352.300', 'G54.Z -220.000'])
    const unknown = readOffsetColumns('G77;1,5', 'mm', columns)
    expect(unknown.problems.map(({ fault }) => fault)).toEqual(['row-unknown'])
  })
})
