import { type Address } from '../src/address'
import { type SetupDocument } from '../src/facts'
import {
  comparePrograms,
  NEED_JUDGEMENTS,
  PROGRAM_JUDGEMENTS,
  PROGRAM_PROBLEMS,
  readProgram,
  type Extents,
  type ProgramReading,
} from '../src/program'
import { arcAround, arcExtents, arcOfRadius, type PlanePoint } from '../src/program/motion/arc'
import { readBlock, wordText } from '../src/program/text/block'
import { lowestZ } from '../src/running'
import { judgeNeeds } from '../src/running/judge-needs'
import { solve } from '../src/solve'
import { describeJudgement, describeProgramChange, describeProgramProblem } from '../src/words'
import { parseLine } from 'gcode-parser'
import { Chance, trials } from './random'
import {
  difference,
  fact,
  frontTouch,
  leftTouch,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

const program = (...lines: readonly string[]) => readProgram(lines.join('\n'))
const mm = (extents: Extents | undefined) =>
  Object.fromEntries(
    Object.entries(extents ?? {}).map(([axis, [low, high]]) => [axis, [low / 1e6, high / 1e6]]),
  )
const only = (reading: ProgramReading, row = 'G54') =>
  mm(reading.operations.at(-1)?.rows.find((one) => one.row === row)?.extents)
const codes = (reading: ProgramReading) =>
  reading.judgements.map(({ code, line }) => `${line} ${code}`)
const faults = (reading: ProgramReading) =>
  reading.problems.map(({ code, line, column }) => [line, column, code])

describe('a block', () => {
  test.each([
    // NISTIR 6556 §3.3.2: spaces anywhere, either case; the same line twice (from memory).
    ['g0x +0. 12 34y 7', 'G0 X+0.1234 Y7'],
    ['g0 x+0.1234 y7', 'G0 X+0.1234 Y7'],
    ['N10 G1 X-.5 Y.5 (a slot) F200', 'N10 G1 X-.5 Y.5 F200'],
    ['G1X1Y2Z-3;to the end', 'G1 X1 Y2 Z-3'],
    ['%', ''],
  ])('%s', (line, words) => {
    const block = readBlock(line)
    expect(block.words.map((word) => wordText(line, word)).join(' ')).toBe(words)
    expect(block.faults).toEqual([])
  })

  test('a number is the double that its text is, to the last bit', () => {
    for (let seed = 1; seed <= trials(5000); seed += 1) {
      const chance = new Chance(seed)
      const text = `${chance.of(['', '-'])}${chance.whole(0, 10 ** chance.whole(1, 9))}.${'0123456789'.repeat(2).slice(chance.whole(0, 9), chance.whole(10, 16))}`
      expect([text, readBlock(`X${text}`).words[0]?.value]).toEqual([text, Number(text) + 0])
    }
  })

  test('a letter of another alphabet is no word, wherever its code would fall', () => {
    // U+0158: its lower byte is an X.
    const reading = program('G21 G90 G0 X1', '\u01585')
    expect(faults(reading)).toContainEqual([2, 1, 'character-unknown'])
    expect(only(reading)).toEqual({ X: [1, 1] })
  })

  test('comments are kept, a slash is told', () => {
    expect(readBlock('/ M0 (stop) (here) ; and so on')).toMatchObject({
      optional: true,
      comments: ['stop', 'here', 'and so on'],
    })
  })

  test.each([
    ['G1 X#101', 4, 'not-followed'],
    ['#101=[3+4]', 1, 'not-followed'],
    ['IF [#1 GT 3] GOTO 10', 1, 'not-followed'],
    ['G1 X Y2', 4, 'number-missing'],
    ['G1 X2 (open', 7, 'comment-open'],
    ['G1 ? X2', 4, 'character-unknown'],
  ])('%s: what cannot be followed is told at column %i', (line, column, code) => {
    expect(readBlock(line).faults).toMatchObject([{ column, code }])
  })
})

describe('moves', () => {
  test('absolute, incremental and a switch of the unit in the middle', () => {
    const reading = program('G21 G90 G0 X10 Y5 Z3', 'G91 G1 X-4 Z-5 F100', 'G20 G90 X1')
    expect(only(reading)).toEqual({ X: [6, 25.4], Y: [5, 5], Z: [-2, 3] })
    expect(codes(reading)).toContain('3 units-switched')
    expect(reading.unit).toBe('mm')
  })

  test('words stick: a line of coordinates moves as the last one did', () => {
    const reading = program('G21 G90 G1 F200 X0 Y0 Z0', 'X30', 'Y40')
    expect(reading.operations[0]).toMatchObject({ cutMm: 70, cutMinutes: 0.35 })
  })

  test('a shift is worked in, and told when it is left active', () => {
    const reading = program('G21 G90 G0 X0 Y0 Z0', 'G92 X100', 'X90', 'G52 Y5', 'Y1', 'M30')
    expect(only(reading)).toEqual({ X: [-10, 0], Y: [0, 6], Z: [0, 0] })
    expect(codes(reading)).toContain('6 shift-active')
  })

  test('after another row or G28 the place is not known until a move says it', () => {
    const reading = program('G21 G90 G54 G0 X0 Y0', 'G55 X7', 'G28 X10', 'G91 G1 X1', 'G90 X3')
    expect(mm(reading.operations[0]?.rows.find(({ row }) => row === 'G55')?.extents)).toEqual({
      X: [3, 10],
    })
    expect(reading.operations[0]?.uncertain).toBe(true)
  })

  test('G53 is the machine’s frame: it says nothing of the part', () => {
    expect(only(program('G21 G90 G0 Z5', 'G53 Z0', 'G1 Z2 F50'))).toEqual({ Z: [2, 5] })
  })

  test('a work offset that the program writes is pointed out', () => {
    // NISTIR 6556 §3.5.5: G10 L2 P1 X3.5 Y17.2 sets the origin of the first row; it moves nothing.
    const reading = program('G20', 'G10 L2 P1 X 3.5 Y 17.2', 'G0 X1')
    expect(reading.writesOffsets).toEqual([{ line: 2, excerpt: 'G10 L2 P1 X 3.5 Y 17.2' }])
    expect(only(reading)).toEqual({ X: [25.4, 25.4] })
  })
})

describe('canned cycles', () => {
  // NISTIR 6556 §3.5.16.3 (from memory): at (1, 2, 3), G90 G81 G98 X4 Y5 Z1.5 R2.8.
  test('down to Z, back to where it came from with G98, to R with G99', () => {
    const at = 'G21 G90 G0 X1 Y2 Z3'
    const back = program(at, 'G90 G81 G98 X4 Y5 Z1.5 R2.8 F50', 'G80', 'G91 G0 Z1')
    expect(only(back)).toEqual({ X: [1, 4], Y: [2, 5], Z: [1.5, 4] })
    const low = program(at, 'G90 G81 G99 X4 Y5 Z1.5 R2.8 F50', 'G80', 'G91 G0 Z1')
    expect(only(low).Z).toEqual([1.5, 3.8])
  })

  // The same section: at (1, 2, 3), G91 G81 G98 X4 Y5 Z-0.6 R1.8: R is 4.8, the hole ends at 4.2.
  test('incremental R and Z count from where it was and from R', () => {
    expect(only(program('G21 G90 G0 X1 Y2 Z3', 'G91 G81 G98 X4 Y5 Z-0.6 R1.8 F50'))).toEqual({
      X: [1, 5],
      Y: [2, 7],
      Z: [3, 4.8],
    })
  })

  test('a hole without its depth is told, and its operation is not trusted', () => {
    const reading = program('G21 G90 G0 Z5', 'G81 X1 R2')
    expect(faults(reading)).toEqual([[2, 1, 'cycle-incomplete']])
    expect(reading.operations[0]?.uncertain).toBe(true)
  })
})

describe('arcs', () => {
  test('a half circle bulges beyond its ends, by centre and by radius alike', () => {
    for (const arc of ['G2 X20 Y0 I10 J0', 'G2 X20 Y0 R10'])
      expect(only(program('G21 G90 G1 F100 X0 Y0', arc))).toEqual({ X: [0, 20], Y: [0, 10] })
    expect(only(program('G21 G90 G1 F100 X0 Y0', 'G3 X20 R10'))).toEqual({
      X: [0, 20],
      Y: [-10, 0],
    })
  })

  test('a whole circle is given by its centre; its length and climb count', () => {
    const reading = program('G21 G90 G1 F100 X0 Y0 Z0', 'G3 I-5 Z-2')
    expect(only(reading)).toEqual({ X: [-10, 0], Y: [-5, 5], Z: [-2, 0] })
    expect(reading.operations[0]?.cutMm).toBeCloseTo(Math.hypot(10 * Math.PI, 2), 9)
  })

  test('in the other planes', () => {
    expect(only(program('G21 G90 G18 G1 F100 X0 Z0', 'G2 X0 Z-20 K-10'))).toEqual({
      X: [-10, 0],
      Z: [-20, 0],
    })
    expect(only(program('G21 G90 G19 G1 F100 Y0 Z0', 'G2 Y20 Z0 J10'))).toEqual({
      Y: [0, 20],
      Z: [0, 10],
    })
  })

  test.each([
    ['G2 X20 Y0', 'arc-undetermined'],
    ['G2 X20 Y0 R5', 'arc-undetermined'],
    ['G2 X20 Y0 I9 J0', 'arc-radius-differs'],
  ])('%s is told as %s', (line, code) => {
    expect(faults(program('G21 G90 G1 F100 X0 Y0', line))).toEqual([[2, 1, code]])
  })

  test('an arc from an unknown place is told', () => {
    expect(faults(program('G21 G90 G2 X20 Y0 I10'))).toEqual([[1, 9, 'arc-start-unknown']])
  })

  // Against dense sampling: two thousand points on each arc itself.
  test('extents hold every point of 500 random arcs, and none to spare', () => {
    for (let seed = 1; seed <= trials(500); seed += 1) {
      const chance = new Chance(seed)
      const point = (): PlanePoint => ({ a: chance.next() * 100 - 50, b: chance.next() * 100 - 50 })
      const [start, clockwise] = [point(), chance.next() < 0.5]
      const centre = point()
      const radius = Math.hypot(start.a - centre.a, start.b - centre.b)
      const angle = chance.next() * 2 * Math.PI
      const end = {
        a: centre.a + radius * Math.cos(angle),
        b: centre.b + radius * Math.sin(angle),
      }
      const arc = arcAround(start, end, centre, clockwise)
      const sampled = Array.from({ length: 2001 }, (_, step) => {
        const turned = (arc.sweep * step) / 2000
        const at = arc.from + (clockwise ? -turned : turned)
        return { a: centre.a + radius * Math.cos(at), b: centre.b + radius * Math.sin(at) }
      })
      const extents = arcExtents(start, end, arc)
      for (const axis of ['a', 'b'] as const) {
        const values = sampled.map((one) => one[axis])
        // 2,000 chords of an arc miss its bulge by less than r·(step)²/8.
        const miss = radius * (arc.sweep / 2000) ** 2 + 1e-9
        const told = `seed ${seed} ${axis}`
        expect([told, Math.abs(extents[axis][0] - Math.min(...values)) <= miss]).toEqual([
          told,
          true,
        ])
        expect([told, Math.abs(extents[axis][1] - Math.max(...values)) <= miss]).toEqual([
          told,
          true,
        ])
      }
      // By its radius it is the same arc, where it is not half a turn or a whole one.
      const bySign = arc.sweep <= Math.PI ? radius : -radius
      const again = arcOfRadius(start, end, bySign, clockwise)
      if (
        Math.abs(arc.sweep - Math.PI) > 1e-3 &&
        arc.sweep < 2 * Math.PI - 1e-3 &&
        arc.sweep > 1e-3
      ) {
        expect([seed, again?.centre.a]).toEqual([seed, expect.closeTo(centre.a, 4)])
        expect([seed, again?.sweep]).toEqual([seed, expect.closeTo(arc.sweep, 6)])
      }
    }
  })
})

describe('operations and judgements', () => {
  const clean = [
    '(FOCUSER BODY)',
    '(STOCK 120 X 80 X 46)',
    'G21 G90 G17 G40 G49 G80',
    'T1 M6 (face mill)',
    'G54 G0 X0 Y0 S3000 M3',
    'G43 H1 Z25.',
    'G1 Z-0.5 F300',
    'X120',
    'G0 Z25.',
    'G49',
    'T2 M6 (drill)',
    'G55 G0 X10 Y10 S1500',
    'G43 H2 Z25.',
    'G81 Z-12 R2 F100',
    'G80',
    'G49',
    'M30',
  ]

  test('one operation a tool: registers, rows, extents, lowest Z, speeds, feeds', () => {
    const reading = program(...clean)
    expect(reading.judgements).toEqual([])
    expect(reading.header).toEqual(['FOCUSER BODY', 'STOCK 120 X 80 X 46'])
    expect(lowestZ(reading)).toBe(-12_000_000)
    expect(lowestZ(program('G21 G0 X5'))).toBeUndefined()
    expect(
      reading.operations.map((one) => [
        one.tool,
        one.lengths.map(({ register }) => register),
        one.rows.map(({ row }) => row),
        one.lowestZ && [one.lowestZ.z / 1e6, one.lowestZ.at.line],
        one.speeds,
        one.feeds,
      ]),
    ).toEqual([
      [1, [1], ['G54'], [-0.5, 7], [3000], [300]],
      [2, [2], ['G55'], [-12, 14], [1500], [100]],
    ])
  })

  const edited = (from: string, to: string) =>
    program(...clean.map((line) => (line === from ? to : line)))

  test.each([
    ['another H', 'G43 H2 Z25.', 'G43 H1 Z25.', '13 length-differs-from-tool'],
    ['no length at all', 'G43 H1 Z25.', 'Z25.', '6 moves-before-length'],
    ['a length that stays in', 'G49', '', '11 length-not-cancelled'],
    ['a compensation that stays in', 'X120', 'G41 D1 X120', '11 compensation-not-cancelled'],
    ['another D', 'X120', 'G41 D7 X120', '8 diameter-differs-from-tool'],
    ['no safe line', 'G21 G90 G17 G40 G49 G80', 'G21', '17 no-safe-line'],
    ['a shift that stays in', 'X120', 'G92 X0', '17 shift-active'],
    ['a cancel that moves all axes', 'G49', 'G49 X0 Y0 Z50', '10 cancel-moves-all-axes'],
  ])('%s is found at its line', (_, from, to, told) => {
    expect(codes(edited(from, to))).toContain(told)
  })

  test('a tool that is called but never changed in is found when it cuts', () => {
    expect(codes(program('G21 G90 T1', 'G0 Z5', 'G1 Z-1 F50'))).toContain('3 tool-not-changed')
  })

  test('what is not followed is told, and marks its operation only', () => {
    const reading = edited('X120', 'X#101')
    expect(faults(reading)).toEqual([[8, 1, 'not-followed']])
    expect(reading.operations.map(({ uncertain }) => uncertain)).toEqual([true, false])
    expect(faults(program('M98 P1000', 'G123'))).toEqual([
      [1, 1, 'subprogram-not-followed'],
      [2, 1, 'code-unknown'],
    ])
  })
})

test('programs of our own writer: the extents are the ones that were written', () => {
  for (let seed = 1; seed <= trials(1000); seed += 1) {
    const chance = new Chance(seed)
    const range: Record<'X' | 'Y' | 'Z', [number, number]> = {
      X: [Infinity, -Infinity],
      Y: [Infinity, -Infinity],
      Z: [Infinity, -Infinity],
    }
    const at = { X: 0, Y: 0, Z: 50 }
    const lines = ['G21 G90 G40 G49 G80', 'T1 M6', 'G54', 'G43 H1', 'G0 X0 Y0 Z50']
    const see = () => {
      for (const axis of ['X', 'Y', 'Z'] as const)
        range[axis] = [Math.min(range[axis][0], at[axis]), Math.max(range[axis][1], at[axis])]
    }
    see()
    let incremental = false
    for (let line = 0; line < 40; line += 1) {
      if (chance.next() < 0.15) {
        incremental = !incremental
        lines.push(incremental ? 'G91' : 'G90')
      }
      const axes = (['X', 'Y', 'Z'] as const).filter(() => chance.next() < 0.6)
      const words = axes.map((axis) => {
        const to = chance.whole(-100_000, 100_000)
        // Thousandths of a millimetre, so that sums are the same text whichever way they are counted.
        const written = incremental ? to - at[axis] * 1000 : to
        at[axis] = to / 1000
        return `${axis}${(written / 1000).toFixed(3)}`
      })
      if (words.length > 0)
        lines.push(`${chance.next() < 0.5 ? 'G0' : 'G1 F100'} ${words.join(' ')}`)
      see()
    }
    const reading = readProgram(lines.join('\n'))
    expect([seed, only(reading)]).toEqual([seed, range])
    expect([seed, reading.problems]).toEqual([seed, []])
  }
})

// A general tokenising library from the registry as the second opinion; it reads N as the line's number.
test('words of 2,000 random lines are those that a general library reads', () => {
  for (let seed = 1; seed <= trials(2000); seed += 1) {
    const chance = new Chance(seed)
    const words = Array.from({ length: chance.whole(1, 8) }, () => {
      const letter = 'GXYZIJKRMFS'.charAt(chance.whole(0, 10))
      const sign = chance.of(['', '-', '+'])
      const digits = `${chance.whole(0, 999)}${chance.of(['', '.', `.${chance.whole(0, 999)}`])}`
      return `${chance.next() < 0.3 ? letter.toLowerCase() : letter}${sign}${digits}`
    })
    const line = `${words.join(chance.of(['', ' ', '  ']))}${chance.of(['', ' (note)', ' ; note'])}`
    const ours = readBlock(line).words.map(({ letter, value }) => [letter, value + 0])
    const theirs = parseLine(line).words.map(([letter, value]) => [
      letter.toUpperCase(),
      Number(value) + 0,
    ])
    expect([line, ours]).toEqual([line, theirs])
  }
})

test('four thousand mutated programs are read to their end', () => {
  const letters = 'GXYZIJKRMTHDFSPLN#[]()%/;=-+. 0123456789\n?'
  for (let seed = 1; seed <= trials(4000); seed += 1) {
    const chance = new Chance(seed)
    const text = [
      ...'G21 G90 T1 M6\nG43 H1 Z5\nG2 X3 Y4 R9 F100\nG81 X1 Z-3 R2\nG92 X0\nG28 Z0\nM30',
    ]
    for (let times = chance.whole(1, 12); times > 0; times -= 1)
      text.splice(
        chance.whole(0, text.length - 1),
        chance.whole(0, 2),
        letters.charAt(chance.whole(0, letters.length - 1)),
      )
    const reading = readProgram(text.join(''))
    const numbers = reading.operations.flatMap((one) => [
      one.cutMm,
      one.rapidMm,
      one.cutMinutes,
      ...one.rows.flatMap(({ extents }) => Object.values(extents).flat()),
    ])
    expect([seed, numbers.every(Number.isFinite)]).toEqual([seed, true])
  }
})

describe('against a set-up', () => {
  const keyed = (values: readonly (readonly [Address, string])[]) =>
    values.map(([address, text]) => ({
      ...fact(),
      address,
      moment: 'after' as const,
      shown: { text, unit: 'mm' as const },
    }))
  const document = (travel: string, readBacks = keyed([['H1', '-270.000']])): SetupDocument => {
    const sheet = workedSheet()
    const Z = {
      min: { text: travel, unit: 'mm' as const },
      max: { text: '0', unit: 'mm' as const },
    }
    return {
      ...workedDocument({ machine: { ...sheet.machine, travels: { Z } } }, [
        tipTouch(),
        leftTouch(),
        frontTouch(),
        difference(),
      ]),
      readBacks,
    }
  }
  const needs = (setup: SetupDocument, ...lines: readonly string[]) =>
    judgeNeeds(program(...lines), setup, solve(setup)).map(({ code, line, amount }) =>
      amount === undefined ? `${line} ${code}` : `${line} ${code} ${amount / 1e6}`,
    )
  const lines = ['G21 G90 T1 M6', 'G54 G0 X0 Y0', 'G43 H1 Z25', 'G1 Z-12 F100']

  test('registers that are missing or not proven are told where they are called for', () => {
    expect(needs(document('-400'), ...lines)).toEqual(['3 length-unproven', '2 offset-not-set'])
    expect(needs(document('-400', []), ...lines)).toContain('3 length-not-set')
  })

  test('a depth beyond the travel is told with how far: −30 − 270 − 12 against −300', () => {
    expect(needs(document('-300'), ...lines)).toContain('4 beyond-travel 12')
    expect(needs(document('-312'), ...lines).join()).not.toContain('beyond-travel')
  })

  test('another unit, another tool, another row; a row that nobody uses', () => {
    expect(needs(document('-400'), 'G20 G90 T5 M6', 'G57 G0 X0')).toEqual([
      '1 unit-differs',
      '1 tool-not-on-sheet',
      '2 offset-not-on-sheet',
      '1 offset-not-used',
    ])
  })

  test('every judgement and problem has words that say what, why and what to do', () => {
    for (const code of [...PROGRAM_JUDGEMENTS, ...NEED_JUDGEMENTS]) {
      const words = describeJudgement(
        { code, severity: 'look', line: 1, excerpt: '', tool: 1, register: 2, row: 'G54' },
        (nm) => `${nm}`,
      )
      for (const text of Object.values(words)) expect(text).toMatch(/^[A-Z][^]{8,}$/)
    }
    for (const code of PROGRAM_PROBLEMS)
      expect(describeProgramProblem({ code })).toMatch(/^[^]{12,}$/)
  })
})

describe('subprograms of the same file', () => {
  const drilled = [
    'G21 G90 G17 G40 G49 G80',
    'T1 M6',
    'G54 G0 X0 Y0',
    'G43 H1 Z5.',
    'M98 P1000 L3',
    'G49',
    'M30',
    'O1000 (a step to the right, a hole)',
    'G91 G0 X10.',
    'G90 G1 Z-4. F100',
    'G0 Z5.',
    'M99',
  ]
  test('a body behind the end is run as often as it is repeated: three steps of 10, three holes of 9', () => {
    const reading = program(...drilled)
    expect(reading.problems).toEqual([])
    expect(only(reading)).toEqual({ X: [0, 30], Y: [0, 0], Z: [-4, 5] })
    expect(reading.operations[0]?.cutMm).toBeCloseTo(27, 9)
    expect(reading.operations[0]?.lowestZ?.at.line).toBe(10)
  })
  test('what it leaves set stays set', () => {
    const reading = program('G21 G90 G0 X0', 'M98 P7', 'X1', 'M30', 'O7', 'G91 X5', 'M99')
    expect(only(reading)).toEqual({ X: [0, 6] })
  })
  test('one calls another; another file’s is told, and so is one that calls itself', () => {
    const nested = program(
      'G21 G90 G0 X0',
      'M98 P7',
      'M30',
      'O7',
      'M98 P8 L2',
      'M99',
      'O8',
      'G91 X5',
      'M99',
    )
    expect(only(nested)).toEqual({ X: [0, 10] })
    expect(faults(program('G21', 'M98 P9', 'M30', 'O7', 'M99'))).toEqual([
      [2, 1, 'subprogram-not-followed'],
    ])
    const endless = program('G21 G90 G0 X0', 'M98 P7', 'M30', 'O7', 'X1', 'M98 P7', 'M99')
    expect(faults(endless)).toContainEqual([6, 1, 'subprogram-not-followed'])
    expect(endless.operations[0]?.uncertain).toBe(true)
  })
  test('more calls than anyone would wait for are cut short, and told', () => {
    const reading = program('G21 G91 G0 X0', 'M98 P7 L9999999', 'M30', 'O7', 'X1', 'X-1', 'M99')
    expect(faults(reading)).toEqual([[2, 1, 'subprogram-too-long']])
    // Nothing, more often than anyone would wait for.
    const empty = program('G21', 'M98 P7 L1999999999', 'M30', 'O7', 'O8', 'M99')
    expect(faults(empty)).toEqual([[2, 1, 'subprogram-too-long']])
  })
  test('lines behind the end that nobody calls are not run', () => {
    expect(only(program('G21 G90 G0 X0', 'M30', 'O7', 'X500', 'M99'))).toEqual({ X: [0, 0] })
  })
})

describe('what a person would look at twice', () => {
  const start = ['G21 G90 G17 G40 G49 G80', 'T1 M6', 'G54 G0 X0 Y0', 'G43 H1 Z5.']
  test('sideways at rapid below zero: not at zero, not straight down, not at feed', () => {
    const told = (...lines: readonly string[]) =>
      codes(program(...start, ...lines)).filter((one) => one.includes('rapid'))
    expect(told('G1 Z-2 F100', 'G0 X5')).toEqual(['6 rapid-below-zero'])
    expect(told('G0 Z0', 'X5')).toEqual([])
    expect(told('G0 Z-2', 'Z5', 'X5')).toEqual([])
    expect(told('G1 Z-2 F100', 'X5', 'G0 Z5')).toEqual([])
    expect(told('G0 X5 Z-1')).toEqual(['5 rapid-below-zero'])
  })
  test('a speed that only a comment speaks of', () => {
    const told = (...lines: readonly string[]) =>
      codes(program(...start, ...lines)).filter((one) => one.includes('speed'))
    expect(told('(S8000)', 'G1 Z-1 F100')).toEqual(['5 speed-only-in-comment'])
    expect(told('(turn it to 8000 RPM)', 'G1 Z-1 F100')).toEqual(['5 speed-only-in-comment'])
    expect(told('(S8000)', 'G1 Z-1 F100 S8000')).toEqual([])
    expect(told('(stock 80 x 60)', 'G1 Z-1 F100')).toEqual([])
  })
  test('feeds for half the override', () => {
    expect(codes(program('(FEEDS ARE DOUBLED, RUN AT 50%)'))).toEqual([
      '1 feeds-for-another-override',
    ])
    expect(codes(program('(override half)'))).toEqual(['1 feeds-for-another-override'])
    expect(codes(program('(50 mm feeder)', '(half round)'))).toEqual([])
  })
  test('a file of nonsense is told of in bounded length', () => {
    const reading = program(...Array.from({ length: 5000 }, () => '?'))
    expect(reading.problems).toHaveLength(500)
    expect(reading.leftOut).toBe(4500)
  })
})

describe('two revisions by what they mean', () => {
  const first = [
    'G21 G90 G17 G40 G49 G80',
    'T1 M6 (face mill)',
    'G54 G0 X0 Y0 S3000',
    'G43 H1 Z5.',
    'G1 Z-1. F300',
    'X50.',
    'G0 Z5.',
    'G49',
    'T2 M6 (drill)',
    'G54 G0 X10. Y10. S1500',
    'G43 H2 Z5.',
    'G81 Z-12. R2. F100',
    'G80',
    'G49',
    'M30',
  ]
  const told = (edit: (line: string) => readonly string[]) =>
    comparePrograms(program(...first), program(...first.flatMap(edit))).map((change) =>
      describeProgramChange(change, (nm) => `${nm / 1e6} mm`),
    )
  const exchanged = (from: string, to: string) => told((line) => [line === from ? to : line])
  test('line numbers, comments and layout are no change', () => {
    expect(told((line) => ['(another comment)', `N10 ${line.toLowerCase()}`, ''])).toEqual([])
  })
  test.each([
    ['G81 Z-12. R2. F100', 'G81 Z-13.5 R2. F100', ['T2 goes 1.5 mm deeper: down to -13.5 mm.']],
    ['G81 Z-12. R2. F100', 'G81 Z-11. R2. F100', ['T2 goes 1 mm less deep: down to -11 mm.']],
    ['G43 H2 Z5.', 'G43 H12 Z5.', ['T2 used H2, now H12.']],
    ['G1 Z-1. F300', 'G1 Z-1. F250', ['T1 fed at 300, now at 250 mm a minute.']],
    ['G54 G0 X0 Y0 S3000', 'G54 G0 X0 Y0 S2000', ['T1 turned at 3000, now at 2000 a minute.']],
    ['G54 G0 X10. Y10. S1500', 'G55 G0 X10. Y10. S1500', ['T2 worked in G54, now in G55.']],
    ['X50.', 'X60.', ['T1, G54 X: went from 0 mm to 50 mm, now from 0 mm to 60 mm.']],
    [
      'T2 M6 (drill)',
      'T3 M6 (drill)',
      ['T2 is not used any more.', 'T3 is new (drill): measure it.'],
    ],
  ])('%s to %s', (from, to, words) => expect(exchanged(from, to)).toEqual(words))
})
