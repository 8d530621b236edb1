import {
  expectReading,
  isHalfTyped,
  surpriseAt,
  surpriseOf,
  type ExpectedTouch,
} from '../src/expect'
import type { SetupDocument } from '../src/facts'
import { formatLength, readLength, type WrittenLength } from '../src/length'
import type { Tool } from '../src/sheet'
import { describeExpected, describeSurprise, isVague } from '../src/words'
import {
  event,
  leftTouch,
  mm,
  noseTouch,
  readingOf,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

// The nose stands at −300 on the 50 mm setter: the plane lies at −350. A tool of 130 mm touches the setter at −170.

const tool = (changes: Partial<Tool> = {}, number = 1): Tool => ({
  number,
  name: '10 mm drill',
  lengthRegister: number,
  ...changes,
})
const tip = (number = 1, between: readonly string[] = ['setter']): ExpectedTouch => ({
  of: 'tip-on-plane',
  tool: number,
  with: between,
})
const at = (tools: readonly Tool[], readings = [noseTouch()]): SetupDocument =>
  workedDocument({ tools }, readings)

const typed = (text: string): Parameters<typeof surpriseAt>[1] => {
  const read = readLength(mm(text) satisfies WrittenLength)
  if (!read.ok) throw new Error(text)
  return read.value
}
const SETTER = { name: '50 mm setter', nm: 50e6 as never }
const surprise = (document: SetupDocument, text: string, toBe = tip()) =>
  surpriseAt(expectReading(document, toBe)!, typed(text), {
    unit: 'mm',
    decimals: 3,
    declared: toBe.with.length > 0 ? [SETTER] : [],
    others: toBe.with.length > 0 ? [] : [SETTER],
  })
const named = (document: SetupDocument, text: string, toBe = tip()) => {
  const found = surprise(document, text, toBe)
  return found && [found.slip?.code, found.slip && found.slip.meant / 1e6]
}

describe('what should be read', () => {
  test('the plane and a rule held to the tool, with what lies between', () => {
    const ruled = at([tool({ rough: mm('130') })])
    expect(expectReading(ruled, tip())!.mm).toBeCloseTo(-170, 6)
    expect(expectReading(ruled, tip(1, []))!.mm).toBeCloseTo(-220, 6)
    expect(expectReading(ruled, tip())!.standardMm).toBeCloseTo(1, 2)
    expect(expectReading(ruled, tip())!.because).toEqual([
      { of: 'reading', quantity: 'nose-on-plane' },
      { of: 'rule', tool: 1 },
    ])
  })

  test('of several ways to know a length the surest is taken', () => {
    const because = (changes: Partial<Tool>) =>
      expectReading(at([tool(changes)]), tip())!.because.at(-1)
    expect(because({})).toEqual({ of: 'usual-length', tool: 1 })
    expect(because({ rough: mm('130') })).toEqual({ of: 'rule', tool: 1 })
    expect(because({ rough: mm('130'), lastLength: mm('131') })).toEqual({
      of: 'last-length',
      tool: 1,
    })
    expect(because({ rough: mm('130'), lastLength: mm('131'), length: mm('130.5') })).toEqual({
      of: 'known-length',
      tool: 1,
    })
  })

  test('the plane is known by a tool of a known length as well; by nothing, nothing is expected', () => {
    const [known, other] = [tool({ length: mm('80') }), tool({ rough: mm('130') }, 2)]
    // T1 of 80 mm on the setter at −220: the plane lies at −350.
    const document = at([known, other], [tipTouch()])
    expect(expectReading(document, tip(2))!.mm).toBeCloseTo(-170, 6)
    expect(expectReading(at([tool({ rough: mm('130') })], []), tip())).toBeUndefined()
  })

  test('what rests on one and the same thing twice is as unsure as it once, or not at all', () => {
    // The tool alone touched the plane, which is the jaws: how long it is says where they are, and where it touches above them, twice over.
    const holding = { jaw: mm('50'), parallels: mm('30'), plane: 'jaws' } as const
    const document = workedDocument({ tools: [tool()], holding }, [tipTouch()])
    const { mm: at, standardMm } = expectReading(document, {
      of: 'tip-on-part',
      row: 'G54',
      tool: 1,
      with: [],
    })!
    // −220 on the setter of 50 mm: −270 on the jaws, and parallels and stock stand out of them.
    const stock = Number(document.sheet.stock?.Z?.text)
    expect(at).toBeCloseTo(-270 + 30 + stock - 50, 6)
    expect(standardMm).toBeCloseTo(0.5, 1)
  })

  test('a stock top that the nose told is where a tool will touch', () => {
    const nose = readingOf<'nose-on-part'>({
      of: 'nose-on-part',
      row: 'G54',
      read: mm('-320.000'),
      with: [],
    })
    const document = at([tool({ rough: mm('130') })], [noseTouch(), nose])
    expect(
      expectReading(document, { of: 'tip-on-part', row: 'G54', tool: 1, with: [] })!.mm,
    ).toBeCloseTo(-190, 6)
    // The same heights tell the counter, whichever end it is zeroed at.
    const counter = (zeroedOn: 'plane' | 'part') =>
      expectReading(document, {
        of: 'carried-difference',
        row: 'G54',
        zeroedOn,
        withOnPlane: [],
        with: [],
      })!.mm
    expect([counter('plane'), counter('part')]).toEqual([
      expect.closeTo(30, 6),
      expect.closeTo(-30, 6),
    ])
  })

  test('the other face by the drawing’s size, each met from its side', () => {
    const sheet = workedSheet()
    const [offset] = sheet.offsets
    const X = {
      by: 'two-faces',
      side: 'outside',
      size: mm('120'),
      tolerance: mm('0.1'),
      drawing: mm('0'),
    } as const
    const document = workedDocument({ offsets: [{ ...offset!, X }] }, [leftTouch()])
    const right: ExpectedTouch = { of: 'face', row: 'G54', face: 'right', with: ['finder'] }
    // Left contact −412.3, finder of 10: the face at −407.3, the right one at −287.3, its contact at −282.3.
    expect(expectReading(document, right)).toMatchObject({
      mm: expect.closeTo(-282.3, 6),
      because: [
        { of: 'drawing-size', row: 'G54', axis: 'X' },
        { of: 'reading', quantity: 'face:G54:left' },
      ],
    })
    expect(
      expectReading(workedDocument({ offsets: [{ ...offset!, X }] }, []), right),
    ).toBeUndefined()
  })

  test('a counter that was zeroed at the part tells its top as well, the other way round', () => {
    const counter = readingOf<'carried-difference'>({
      of: 'carried-difference',
      row: 'G54',
      zeroedOn: 'part',
      withOnPlane: [],
      read: mm('-30.000'),
      with: [],
    })
    const document = at([tool({ rough: mm('130') })], [noseTouch(), counter])
    const onPart: ExpectedTouch = { of: 'tip-on-part', row: 'G54', tool: 1, with: [] }
    expect(expectReading(document, onPart)!.mm).toBeCloseTo(-190, 6)
  })

  test('it is held against what was known otherwise, not against its own earlier reading', () => {
    const misread = at([tool({ rough: mm('130') })], [noseTouch(), tipTouch()])
    expect(expectReading(misread, tip())!).toMatchObject({
      mm: expect.closeTo(-170, 6),
      because: [
        { of: 'reading', quantity: 'nose-on-plane' },
        { of: 'rule', tool: 1 },
      ],
    })
  })

  test('what is said to be unsure is', () => {
    const sure = (changes: Partial<Tool>) => expectReading(at([tool(changes)]), tip())!.standardMm
    expect(sure({ length: mm('130'), lengthUncertainty: mm('0.3') })).toBeCloseTo(0.3, 1)
    expect(sure({ length: mm('130') })).toBeLessThan(0.05)
    const [offset] = workedSheet().offsets
    const right: ExpectedTouch = { of: 'face', row: 'G54', face: 'right', with: ['finder'] }
    const across = (tolerance?: string) => {
      const size = { size: mm('120'), ...(tolerance && { tolerance: mm(tolerance) }) }
      const X = { by: 'two-faces', side: 'outside', ...size, drawing: mm('0') } as const
      const document = workedDocument({ offsets: [{ ...offset!, X }] } as never, [leftTouch()])
      return expectReading(document, right)!.standardMm
    }
    // Limits are twice what is usual; stock of which nothing is said was sawn, and no face is machined to nothing.
    expect(across('2')).toBeCloseTo(1, 1)
    expect(across('0.02')).toBeCloseTo(0.1, 1)
    expect(across()).toBeCloseTo(0.5, 1)
  })

  test('what moved since tells nothing any more', () => {
    const ruled = at([tool({ rough: mm('130') })])
    expect(
      expectReading({ ...ruled, events: [event({ kind: 'plane-moved' })] }, tip()),
    ).toBeUndefined()
    expect(
      expectReading({ ...ruled, events: [event({ kind: 'home-lost' })] }, tip()),
    ).toBeUndefined()
    const moved = event({ kind: 'plane-moved' })
    const again = at([tool({ rough: mm('130') })], [noseTouch()])
    expect(expectReading({ ...again, events: [moved] }, tip())!.mm).toBeCloseTo(-170, 6)
    const changed = { ...ruled, events: [event({ kind: 'tool-changed', tool: 2 })] }
    expect(expectReading(changed, tip())).toBeDefined()
  })

  test('touches around a circle tell their middle together: none of them is expected alone', () => {
    const point = { of: 'circle-point', row: 'G54', index: 1, with: ['finder'] } as never
    expect(expectReading(at([tool()]), point)).toBeUndefined()
  })
})

describe('what is a surprise', () => {
  const ruled = at([tool({ rough: mm('130') })])

  test.each([
    ['170.000', 'reading-sign-lost', -170],
    ['-17.000', 'decimal-shifted', -170],
    ['-710.000', 'digits-swapped', -170],
    ['-270.000', 'digit-wrong', -170],
    ['-1170.000', 'digit-doubled', -170],
    ['-6.693', 'unit-mm-for-inch', undefined],
  ] as const)('%s', (text, code, meant) => {
    const found = named(ruled, text)
    if (meant === undefined) return expect(found?.[0]).toBe('unit-inch-for-mm')
    return expect(found).toEqual([code, meant])
  })

  test.each(['-170.000', '-169.1', '-171.8', '-173'])('%s is none', (text) =>
    expect(surprise(ruled, text)).toBeUndefined(),
  )

  test('far off with no slip that fits: another look is asked for, and none is named', () =>
    expect(named(ruled, '-183.456')).toEqual([undefined, undefined]))

  test('four times as far off as a rule is sure of and a little more is far; a little less is none', () => {
    // The budget of the touch makes a millimetre of the rule a hair more.
    expect(named(ruled, '-174.123')).toEqual([undefined, undefined])
    expect(named(ruled, '-165.877')).toEqual([undefined, undefined])
    expect(surprise(ruled, '-173.987')).toBeUndefined()
    expect(surprise(ruled, '-166.013')).toBeUndefined()
  })

  test('a setter that lay there unsaid, and one that was taken off by hand as well', () => {
    expect(named(ruled, '-170.000', tip(1, []))).toEqual(['gauge-forgotten', -220])
    expect(named(ruled, '-220.000')).toEqual(['gauge-doubled', -170])
  })

  test('without a rule, a drill of half a metre for want of a minus; a long tool is none', () => {
    const bare = at([tool()])
    // −168.2 on the setter is a drill of 131.8 mm; without its minus one of 468.2 mm.
    expect(named(bare, '168.200')).toEqual(['reading-sign-lost', -168.2])
    expect(surprise(bare, '-168.200')).toBeUndefined()
    expect(surprise(bare, '-40.000')).toBeUndefined()
    expect(surprise(bare, '-265.000')).toBeUndefined()
  })
})

test('among a thousand touched tools the one of a known length tells the plane', () => {
  const tools = Array.from({ length: 1000 }, (_, index) =>
    tool(index === 699 ? { length: mm('130') } : {}, index + 1),
  )
  const touches = tools.slice(1).map(({ number }) =>
    readingOf<'tip-on-plane'>({
      of: 'tip-on-plane',
      tool: number,
      read: mm('-170'),
      with: ['setter'],
    }),
  )
  const document = at([tool({ rough: mm('80') }), ...tools.slice(1)], touches)
  const expected = expectReading(document, tip())!
  expect(expected.mm).toBeCloseTo(-220, 6)
  expect(expected.standardMm).toBeCloseTo(1, 2)
  expect(expected.because.map(({ of }) => of)).toEqual(['reading', 'known-length', 'rule'])
})

test('in Z gauges may have been forgotten or taken off twice; a radius goes one way or the other, and is not guessed at', () => {
  const ruled = at([tool({ rough: mm('130') })])
  const slip = (document: SetupDocument, toBe: ExpectedTouch, text: string) =>
    surpriseOf(document, toBe, expectReading(document, toBe)!, mm(text))?.slip
  expect(slip(ruled, tip(1, []), '-170.000')).toMatchObject({ code: 'gauge-forgotten' })
  expect(slip(ruled, tip(), '-220.000')).toMatchObject({ code: 'gauge-doubled' })
  expect(slip(ruled, tip(), 'nothing')).toBeUndefined()
  const [offset] = workedSheet().offsets
  const size = { size: mm('120'), tolerance: mm('0.1'), drawing: mm('0') }
  const X = { by: 'two-faces', side: 'outside', ...size } as const
  const document = workedDocument({ offsets: [{ ...offset!, X }] }, [leftTouch()])
  const right: ExpectedTouch = { of: 'face', row: 'G54', face: 'right', with: ['finder'] }
  const belief = expectReading(document, right)!
  expect(surpriseOf(document, right, belief, mm('-277.300'))).toEqual({ expected: belief })
  // Off by the setter's height: nothing of Z lies at a face.
  expect(slip(document, right, '-232.300')).toMatchObject({ code: 'digit-wrong' })
})

test.each([
  ['-1', 'mm', -168, true],
  ['16', 'mm', -168, true],
  ['-168', 'mm', -168, false],
  ['-1.', 'mm', -168, false],
  ['-16.8', 'mm', -168, false],
  ['-', 'mm', -168, false],
  ['9', 'mm', 9.98, false],
  ['6', 'in', -168, false],
  ['1', 'in', -304.8, true],
] as const)('%s %s where %d mm is expected: more is to come: %s', (text, unit, mm, more) =>
  expect(isHalfTyped({ text, unit }, { mm, standardMm: 1, because: [] })).toBe(more),
)

describe('in words', () => {
  const ruled = at([tool({ rough: mm('130') })])
  const told = (document: SetupDocument, text: string) =>
    describeSurprise(surprise(document, text)!, 'mm', (nm) => formatLength(nm as never, 'mm', 3))

  test('what is expected has as many digits as mean something, and says why', () => {
    const said = (changes: Partial<Tool>) =>
      describeExpected(expectReading(at([tool(changes)]), tip())!, 'mm')
    expect(said({})).toBe('−180.0 ± 160.0 mm (typical tool length)')
    expect(said({ rough: mm('130') })).toBe('−170.0 ± 2.0 mm (rule held to T1)')
    expect(said({ lastLength: mm('130') })).toBe('−170.0 ± 0.2 mm (T1 as measured last time)')
    expect(said({ length: mm('130') })).toMatch(/^−170\.00 ± 0\.0\d mm \(known length of T1\)$/)
    expect(isVague(expectReading(at([tool()]), tip())!)).toBe(true)
    expect(isVague(expectReading(ruled, tip())!)).toBe(false)
    const inches = describeExpected({ mm: 25.4, standardMm: 12.7, because: [] }, 'in')
    expect(inches).toBe('1.0 ± 1.0 in (earlier readings)')
  })

  test('a lost sign, a sign too many, another slip, none', () => {
    expect(told(ruled, '170.000')).toMatchObject({
      expected: 'Expected −170.0 ± 2.0 mm (rule held to T1)',
      slip: 'The sign of a reading was lost? With a minus it is -170.000.',
    })
    expect(told(ruled, '-17.000').slip).toContain('With the point moved it is -170.000.')
    expect(told(ruled, '-710.000').slip).toContain('The other way round it is -170.000.')
    expect(told(ruled, '-220.000').slip).toContain('Then it is -170.000.')
    expect(told(ruled, '-195.123')).toMatchObject({
      slip: undefined,
      look: 'Read it once more.',
    })
    // A plane high above the machine's zero: the reading has no minus, and one was typed.
    const high = at(
      [tool({ rough: mm('130') })],
      [{ ...noseTouch(), read: mm('300') } as ReturnType<typeof noseTouch>],
    )
    expect(told(high, '-430.000').slip).toContain('Without the minus it is 430.000.')
  })
})

test('a surprise of a row that is captured leads back to the row, and to no position', () => {
  const expected = { mm: 80, standardMm: 1, because: [] }
  const slip = { code: 'reading-sign-lost', meant: 80e6 } as never
  const told = (row?: string) =>
    describeSurprise({ expected, slip }, 'mm', (nm) => `${nm / 1e6} mm`, row).look
  expect(told('H1')).toBe('Look at H1 on the control again.')
  expect(told()).toContain('machine position')
})

describe('before anything is read', () => {
  const stood = {
    plane: mm('-350.000'),
    faces: [{ row: 'G54', face: 'left', at: mm('-407.300') }],
  } as const
  const nose: ExpectedTouch = { of: 'nose-on-plane', with: ['setter'] }
  const left: ExpectedTouch = { of: 'face', row: 'G54', face: 'left', with: ['finder'] }
  const blank = workedDocument({ stood }, [])

  test('the plane and a face stand where they stood in the last set-up', () => {
    const expected = expectReading(blank, nose)
    expect(expected?.mm).toBeCloseTo(-300, 9)
    expect(expected?.because).toEqual([{ of: 'stood-before' }])
    // The left face at −407.3, met by a finder of 10 from the left.
    expect(expectReading(blank, left)?.mm).toBeCloseTo(-412.3, 9)
    expect(describeExpected(expected!, 'mm')).toBe(
      '−300.0 ± 0.1 mm (where it stood in the last set-up)',
    )
    const lost = surpriseOf(blank, nose, expected!, mm('300.000'))
    expect(lost?.slip).toMatchObject({ code: 'reading-sign-lost', meant: -300e6 })
  })

  test('not after it was moved, not after home was lost, not on a machine that is homed by marks', () => {
    const after = (body: Parameters<typeof event>[0], toBe: ExpectedTouch) =>
      expectReading({ ...blank, events: [event(body)] }, toBe)
    expect(after({ kind: 'plane-moved' }, nose)).toBeUndefined()
    expect(after({ kind: 'plane-moved' }, left)).toBeDefined()
    expect(after({ kind: 'part-changed', row: 'G54' }, left)).toBeUndefined()
    expect(after({ kind: 'home-lost' }, left)).toBeUndefined()
    const { machine } = blank.sheet
    const byMarks = workedDocument({ stood, machine: { ...machine, homing: 'marks' } }, [])
    expect(expectReading(byMarks, nose)).toBeUndefined()
  })

  test('jaws, parallels and stock tell the stock top above a plane that is the jaws', () => {
    // Parallels of 25 in jaws of 50 and a stock of 40: 15 above the jaws.
    const holding = { jaw: mm('50'), parallels: mm('25'), plane: 'jaws' } as const
    const carried: ExpectedTouch = {
      of: 'carried-difference',
      row: 'G54',
      zeroedOn: 'plane',
      withOnPlane: [],
      with: [],
    }
    // Neither the plane nor the top is known: how far they lie apart is.
    const expected = (zeroedOn: 'plane' | 'part', readings: SetupDocument['readings'] = []) =>
      expectReading(workedDocument({ holding }, readings), { ...carried, zeroedOn })
    expect(expected('plane')?.standardMm).toBeCloseTo(0.5, 2)
    expect(expected('plane', [noseTouch()])?.mm).toBeCloseTo(15, 9)
    expect(expected('plane')?.mm).toBeCloseTo(15, 9)
    expect(expected('part')?.mm).toBeCloseTo(-15, 9)
    expect(expected('plane')?.because.at(0)).toEqual({ of: 'holding' })
    const { plane: _, ...anywhere } = holding
    expect(
      expectReading(workedDocument({ holding: anywhere }, [noseTouch()]), carried),
    ).toBeUndefined()
  })
})
