import { checkDocument, type Reading } from '../src/facts'
import { toNanometres } from '../src/length'
import { proofMove } from '../src/proof'
import { outOfReach } from '../src/proof/reach'
import { isRemark, type Warning } from '../src/registers'
import { type KeyMode, type SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { cameOut, wearChange } from '../src/wear'
import { calibrationCut } from '../src/wear/wear'
import { describeWarning } from '../src/words'
import {
  frontTouch,
  leftTouch,
  mm,
  noseTouch,
  planeReadings,
  readingOf,
  shown,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

// What is pointed out, and what is not: the readings, the holding, the proof, and small differences that matter.

const { machine } = workedSheet()
const travelling: SetupSheet['machine'] = {
  ...machine,
  travels: {
    X: { min: mm('-600'), max: mm('0') },
    Y: { min: mm('-400'), max: mm('0') },
    Z: { min: mm('-450'), max: mm('0') },
  },
}
const warnings = (changes: Partial<SetupSheet>, readings: readonly Reading[]) =>
  solve(workedDocument(changes, readings)).warnings
const codes = (found: readonly Warning[]) => found.map(({ code }) => code)
const tip = (read: string, tool = 1) =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool, read: mm(read), with: ['setter'] })

describe('a place where the machine does not go', () => {
  test('a lost minus: a 10 mm drill of 518 mm is told at its reading, with the sign', () => {
    const found = warnings({ machine: travelling, school: 'gauge-line' }, [
      noseTouch(),
      tip('218.000'),
    ])
    expect(found).toMatchObject([
      {
        code: 'outside-travel',
        place: 'tip-on-plane:T1',
        axis: 'Z',
        amount: 218_000_000,
        causes: [{ code: 'sign-turned' }],
      },
    ])
    expect(describeWarning(found[0]!, (nm) => `${nm / 1e6} mm`)).toMatch(
      /the machine does not go there.*218 mm beyond/,
    )
  })
  test.each([
    ['the point slipped', '-2200.00', -1_750_000_000, 'decimal-shifted'],
    ['inches for millimetres', '-8000.000', -7_550_000_000, 'unit-mm-for-inch'],
  ])('%s', (_, read, amount, code) => {
    expect(warnings({ machine: travelling }, [tip(read)])).toMatchObject([
      { code: 'outside-travel', amount, causes: [{ code }] },
    ])
  })
  test('both axes of a place that is read on both, each by its own travel', () => {
    const point = readingOf<'circle-point'>({
      of: 'circle-point',
      row: 'G54',
      point: 1,
      read: mm('-300.000'),
      readY: mm('-500.000'),
      with: ['finder'],
    })
    expect(warnings({ machine: travelling }, [point])).toMatchObject([
      { code: 'outside-travel', axis: 'Y', amount: -100_000_000 },
    ])
  })
  test('the very ends belong to it; a counter knows no travel, and an undeclared one tells nothing', () => {
    expect(warnings({ machine: travelling }, [tip('-450.000')])).toEqual([])
    expect(codes(warnings({ machine: travelling }, [tip('-450.001')]))).toEqual(['outside-travel'])
    const up = readingOf<'carried-difference'>({
      of: 'carried-difference',
      row: 'G54',
      zeroedOn: 'plane',
      withOnPlane: [],
      read: mm('30.000'),
      with: [],
    })
    expect(warnings({ machine: travelling }, [up])).toEqual([])
    expect(warnings({}, [tip('218.000')])).toEqual([])
  })
})

describe('digits that may be missing', () => {
  const four = (last: string) => [tip('-220.014'), leftTouch(), frontTouch(), tip(last, 1)]
  test('one reading lacks two digits that the others have', () => {
    expect(codes(warnings({}, four('-220')))).toEqual(['digits-missing'])
    expect(codes(warnings({}, four('-220.0')))).toEqual(['digits-missing'])
  })
  test('it is a remark: it asks for nothing to be done again', () => {
    const [remark] = warnings({}, four('-220'))
    expect(isRemark(remark!)).toBe(true)
    expect(isRemark({ code: 'outside-travel', place: '' })).toBe(false)
  })
  test('one digit less, or all of them so: they are taken as they are meant', () => {
    expect(codes(warnings({}, four('-220.01')))).toEqual([])
    expect(codes(warnings({}, [tip('-220'), tip('-220.0')]))).toEqual([])
  })
  test('what was read on another display is not held against this one', () => {
    const inInches = {
      ...tip('-220'),
      read: { text: '-8.7in', unit: 'mm' as const },
    }
    expect(codes(warnings({}, [tip('-220.980'), leftTouch(), frontTouch(), inInches]))).toEqual([])
  })
})

describe('a length below zero', () => {
  test('is no fault by a constant, nor on a control that subtracts', () => {
    const subtracts = {
      ...machine,
      control: { ...machine.control, lengthSign: 'subtracted' as const },
    }
    for (const changes of [
      { reference: { constant: mm('152.4') } },
      { machine: subtracts },
    ] satisfies Partial<SetupSheet>[])
      expect(warnings({ school: 'gauge-line', ...changes }, [noseTouch(), tipTouch()])).toEqual([])
  })
  test('the tool itself cannot end above the nose, in any school that touched both', () => {
    expect(codes(warnings({ school: 'gauge-line' }, [noseTouch(), tip('-320.000')]))).toEqual([
      'length-not-positive',
    ])
    expect(codes(warnings({}, [noseTouch(), tip('-300.000')]))).toEqual(['length-not-positive'])
  })
})

describe('repeats', () => {
  const repeats = (...reads: readonly string[]) =>
    codes(
      warnings(
        {},
        reads.map((read) => tip(read)),
      ),
    )
  // A setter repeats to 0.003: five lie within 5.5 times that, two within 4.7 (rangeLimit).
  test('five may lie further apart than two', () => {
    expect(repeats('-220.000', '-220.015')).toEqual(['repeats-spread'])
    expect(repeats('-220.000', '-220.015', '-220.007', '-220.004', '-220.010')).toEqual([])
  })
  test('a difference has two contacts: its repeats spread by both', () => {
    const carried = (read: string) =>
      readingOf<'carried-difference'>({
        of: 'carried-difference',
        row: 'G54',
        zeroedOn: 'plane',
        withOnPlane: ['setter'],
        read: mm(read),
        with: ['setter'],
      })
    expect(codes(warnings({}, [carried('-30.000'), carried('-30.018')]))).toEqual([])
    expect(codes(warnings({}, [carried('-30.000'), carried('-30.021')]))).toEqual([
      'repeats-spread',
    ])
  })
})

test.each([
  ['50', '49.9', ['little-grip']],
  ['50', '48.1', ['little-grip']],
  ['50', '48', []],
  ['50', '50', ['no-grip']],
])('jaws of %s on parallels of %s: %j', (jaw, parallels, expected) => {
  const found = warnings({ holding: { jaw: mm(jaw), parallels: mm(parallels) } }, planeReadings())
  expect(codes(found)).toEqual(expected)
})

describe('a proof', () => {
  const request = { row: 'G54', tool: 1, clearance: toNanometres(25e6) } as const
  test('lifts Z clear before X and Y, in the words of the machine', () => {
    const document = workedDocument({ machine: { ...machine, retract: 'G53 G0 Z0' } })
    expect(proofMove(document, solve(document), request)).toMatchObject({
      retract: 'G53 G0 Z0',
      blocks: ['G90 G54 G0 X0 Y0', 'G43 H1 Z25.'],
    })
  })
  test('has no words of its own for it where the machine declares none: its zero may be anywhere', () => {
    const document = workedDocument()
    expect(proofMove(document, solve(document), request)).not.toHaveProperty('retract')
  })
})

describe('small differences that matter', () => {
  test('one step of the display is not equal', () => {
    const document = workedDocument()
    const state = (text: string) =>
      solve({ ...document, readBacks: [shown('H1', text)] }).registers.find(
        ({ address }) => address === 'H1',
      )?.readBack?.equal
    expect([state('-270.000'), state('-270.001'), state('-269.999')]).toEqual([true, false, false])
  })
  test('a micrometre beyond the travel is beyond it, and its very end is not', () => {
    const document = workedDocument({ machine: travelling })
    // G54 Z −30 and H1 −270: work −150 is machine −450, the lower end.
    const at = (Z: number) => ({ row: 'G54', tool: 1, Z: toNanometres(Z * 1e6) }) as const
    const found = outOfReach(document, solve(document), [
      at(-150),
      at(-150.001),
      at(300),
      at(300.001),
    ])
    expect(found.map(({ end, beyond }) => [end, beyond])).toEqual([
      ['min', 1000],
      ['max', 1000],
    ])
  })
  test('two tools cannot have one D', () => {
    const tools = [1, 2].map((number) => ({
      number,
      name: 'mill',
      lengthRegister: number,
      diameterRegister: 5,
    }))
    expect(checkDocument(workedDocument({ tools }, []))).toMatchObject([
      { code: 'reference-duplicate', place: 'sheet.tools.1.diameterRegister', received: 'D5' },
    ])
  })
  test.each<[Extract<KeyMode, 'set' | 'add' | 'copy'>, string]>([
    ['set', 'set'],
    ['add', 'add'],
    ['copy', 'set'],
  ])('on a control whose lengths are keyed by %s, a D is keyed by %s', (lengthKey, mode) => {
    const tools = [{ number: 1, name: 'mill', lengthRegister: 1, diameterRegister: 1 }]
    const control = { ...machine.control, lengthKey }
    const document = workedDocument({ tools, machine: { ...machine, control } }, [
      readingOf<'tool-diameter'>({ of: 'tool-diameter', tool: 1, read: mm('9.98'), with: [] }),
    ])
    const before = { ...shown('D1', '10.000'), moment: 'before' as const }
    const line = solve({ ...document, readBacks: [before] }).registers.find(
      ({ address }) => address === 'D1',
    )?.keyIn
    expect(line).toMatchObject({ mode, type: mode === 'add' ? '-0.020' : '9.980' })
  })
  test('a floor too deep asks a control that subtracts for less, one that adds for more', () => {
    const floor = {
      feature: 'floor-depth',
      tool: 1,
      nominal: mm('20'),
      measured: mm('20.02'),
    } as const
    const sheet = workedSheet()
    const subtracts = {
      ...sheet,
      machine: { ...machine, control: { ...machine.control, lengthSign: 'subtracted' as const } },
    }
    expect([wearChange(floor, sheet)?.change, wearChange(floor, subtracts)?.change]).toEqual([
      20_000, -20_000,
    ])
  })
})

describe('a way of Z that the school does not have', () => {
  const byTop = (school: SetupSheet['school'], second = false) =>
    workedDocument(
      {
        school,
        offsets: [
          { ...workedSheet().offsets[0]!, Z: { by: 'part-top', facing: mm('0') } },
          ...(second
            ? [
                {
                  ...workedSheet().offsets[0]!,
                  row: 'G55' as const,
                  Z: { by: 'part-top' as const, facing: mm('0') },
                },
              ]
            : []),
        ],
      },
      [tipTouch()],
    )
  test('counted from a plane, touching the tools on the part is refused, with what to do instead', () => {
    const document = byTop('setting-plane')
    expect(checkDocument(document)).toMatchObject([
      {
        code: 'z-way-not-of-school',
        place: 'sheet.offsets.0.Z.by',
        received: 'part-top',
        limit: 'carried-difference, nose-on-part, tool-on-part',
      },
    ])
    // And it leaves no number behind that somebody could key in.
    const register = solve(document).registers.find(({ address }) => address === 'G54.Z')
    expect(register?.value).toBeUndefined()
  })
  test.each(['gauge-line', 'master-tool'] as const)(
    '%s: a tool that touched a plane alone tells nothing of a top where all are to be touched',
    (school) => {
      const register = solve(byTop(school)).registers.find(({ address }) => address === 'G54.Z')
      expect(register?.value).toBeUndefined()
    },
  )
  test('lengths are counted from one top: a second part needs a touch or a difference of its own', () => {
    expect(checkDocument(byTop('part-top'))).toEqual([])
    expect(checkDocument(byTop('part-top', true))).toMatchObject([
      { code: 'z-way-not-of-school', place: 'sheet.offsets.1.Z.by' },
    ])
  })
})

describe('how the part is held', () => {
  const held = (jaw: string, parallels: string, sideCut?: string, Z = '40') =>
    solve(
      workedDocument(
        {
          stock: { X: mm('120'), Y: mm('80'), Z: mm(Z) },
          holding: {
            jaw: mm(jaw),
            parallels: mm(parallels),
            ...(sideCut !== undefined && { sideCut: mm(sideCut) }),
          },
        },
        planeReadings(),
      ),
    )
  test.each([
    ['x', '40', '40'],
    ['50', 'x', '40'],
    ['50', '40', 'x'],
  ])(
    'jaws %s, parallels %s, stock %s: a number that cannot be read leaves no verdict',
    (jaw, parallels, Z) => {
      expect(held(jaw, parallels, '5', Z).holding).toBeUndefined()
    },
  )
  test('without a side cut nothing is said of the jaws', () => {
    expect(held('50', '40').holding).toEqual({
      leastGrip: 2_000_000,
      grip: 10_000_000,
      protrusion: 30_000_000,
      holds: true,
    })
    expect(held('50', '40').warnings).toEqual([])
  })
  test.each([
    ['29.5', []],
    ['29.500001', ['side-cut-meets-jaws']],
  ])(
    'a side cut of %s above jaws that leave 30, with half a millimetre kept: %j',
    (cut, expected) => {
      expect(codes(held('50', '40', cut).warnings)).toEqual(expected)
    },
  )
  test('a grip of the whole part holds, one deeper than the part is an error of the sheet', () => {
    expect(held('50', '10').holding).toMatchObject({ holds: true, protrusion: 0 })
    expect(codes(held('50', '9').warnings)).toEqual(['no-grip'])
  })
})

describe('wear of the tool that cut it', () => {
  const sheet = workedSheet({
    tools: [
      { number: 1, name: 'drill', lengthRegister: 1 },
      { number: 7, name: 'end mill', lengthRegister: 17, diameterRegister: 27 },
    ],
  })
  const floor = { feature: 'floor-depth', nominal: mm('20'), measured: mm('20.02') } as const
  const width = { ...floor, feature: 'outside-width' } as const
  test('goes to that tool’s own registers', () => {
    expect(wearChange({ ...floor, tool: 7 }, sheet)?.address).toBe('H17')
    expect(wearChange({ ...width, tool: 7 }, sheet)?.address).toBe('D27')
    expect(wearChange({ ...floor, tool: 1 }, sheet)?.address).toBe('H1')
  })
  test('is none for a tool without a D, an unknown tool, or a number that cannot be read', () => {
    expect(wearChange({ ...width, tool: 1 }, sheet)).toBeUndefined()
    expect(wearChange({ ...floor, tool: 9 }, sheet)).toBeUndefined()
    expect(wearChange({ ...floor, tool: 7, nominal: mm('x') }, sheet)).toBeUndefined()
    expect(wearChange({ ...floor, tool: 7, measured: mm('') }, sheet)).toBeUndefined()
  })
  test('a calibration cut measured once has no spread, twice it has one', () => {
    const cut = (...measured: readonly number[]) =>
      calibrationCut({
        target: toNanometres(20e6),
        measured: measured.map((value) => toNanometres(value * 1e6)),
        sides: 1,
      })
    expect(cut(20.02).spread).toBe(0)
    // Sample standard deviation of two values: their difference over the root of two.
    expect(cut(20.01, 20.03).spread).toBeCloseTo(20_000 / Math.SQRT2, 3)
  })
})

describe('a calibration cut', () => {
  // A block that was to be 20 came out 20.04 on two sides: the tool is 0.02 shorter than assumed.
  const sheet = workedSheet()
  const cut = (measured: string, more: readonly string[] = [], sides: 1 | 2 = 2) =>
    ({
      feature: 'thickness',
      tool: 1,
      nominal: mm('20.000'),
      measured: mm(measured),
      sides,
      ...(more.length > 0 && { more: more.map(mm) }),
    }) as const

  test('halves once: never, and not twice', () => {
    const change = (...of: Parameters<typeof cut>) => wearChange(cut(...of), sheet)
    expect(change('20.040')).toEqual({ address: 'H1', change: -20_000, share: 1 / 2 })
    expect(change('20.040', [], 1)).toEqual({ address: 'H1', change: -40_000, share: 1 })
    // The mean of three readings: 20.040.
    expect(change('20.038', ['20.040', '20.042'])?.change).toBe(-20_000)
    expect(change('20.040', ['x'])).toBeUndefined()
    const { machine } = sheet
    const control = { ...machine.control, lengthSign: 'subtracted' } as const
    expect(wearChange(cut('20.040'), { ...sheet, machine: { ...machine, control } })?.change).toBe(
      20_000,
    )
  })

  test('says how much of the last correction came out', () => {
    const first = cut('20.040')
    expect(cameOut(cut('20.000'), [first])).toEqual({
      share: 1,
      isLittle: false,
      predicted: 20_000_000,
      reached: 20_000_000,
    })
    expect(cameOut(cut('20.030'), [first])).toEqual({
      share: 0.25,
      isLittle: true,
      predicted: 20_000_000,
      reached: 20_030_000,
    })
    expect(cameOut(first, [])).toBeUndefined()
    expect(cameOut(cut('20.000', [], 1), [first])).toBeUndefined()
    expect(cameOut({ ...cut('20.000'), tool: 2 }, [first])).toBeUndefined()
    // Nothing was asked: nothing can have come out.
    expect(cameOut(cut('20.010'), [cut('20.000')])).toBeUndefined()
  })
})
