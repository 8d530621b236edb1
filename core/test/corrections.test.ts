import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import {
  correctionsFor,
  farMeasured,
  judgeFeature,
  measuresParts,
  measuringGauge,
} from '../src/wear'
import { solve } from '../src/solve'
import { type Address } from '../src/address'
import { type Measured, type SetupDocument } from '../src/facts'
import { type Tool } from '../src/sheet'
import { event, mm, readingOf, tipTouch, workedDocument, workedSheet } from './worked-example'

const floor = (measured: string, tool = 1): Measured => ({
  feature: 'floor-depth',
  tool,
  nominal: mm('5'),
  measured: mm(measured),
})
const corrected = (address: Address, amount: string, because = floor('5.02')) =>
  event({ kind: 'corrected', address, amount: mm(amount), because })
const valueOf = (document: SetupDocument, address: Address) =>
  solve(document).registers.find((one) => one.address === address)?.value

const D: Tool = { number: 1, name: 'mill', lengthRegister: 1, diameterRegister: 1 }
const diameter = (text: string) =>
  readingOf<'tool-diameter'>({ of: 'tool-diameter', tool: 1, read: mm(text), with: [] })

test('a profile and a floor correct their own registers; together where one is measured twice', () => {
  // An outside width 0.04 too large: 0.04 less of D. Floors 0.02, 0.004 and 0 too deep: H grows by their mean, 0.008, and not by their sum.
  const document = workedDocument({ tools: [D] }, [tipTouch(), diameter('10')])
  const width: Measured = { ...floor('50.04'), feature: 'outside-width', nominal: mm('50') }
  const { registers } = solve(document)
  const { made, rows, leftOver } = correctionsFor(
    [width, floor('5.02'), floor('5.004'), floor('5')],
    document.sheet,
    registers,
  )
  expect(made.map(({ address, amount }) => [address, amount.text])).toEqual([
    ['D1', '-0.040000'],
    ['H1', '0.008000'],
  ])
  expect(rows).toEqual([
    { address: 'D1', before: 10_000_000, after: 9_960_000 },
    { address: 'H1', before: -270_000_000, after: -269_992_000 },
  ])
  expect(made[1]).toMatchObject({ because: floor('5.02'), also: [floor('5.004'), floor('5')] })
  expect(leftOver.map(({ left, isMuch }) => [left, isMuch])).toEqual([
    [12_000, false],
    [-4000, false],
    [-8000, false],
  ])
})

const micrometer = { name: 'micrometer', repeatability: mm('0.003'), uncertainty: mm('0.002') }
const caliper = { name: 'caliper', repeatability: mm('0.020'), uncertainty: mm('0.010') }

test('features that share a register are fitted by least squares, each by how surely it was measured', () => {
  const radius = { ...workedSheet().machine.control, diameterRegister: 'radius' as const }
  const { machine } = workedSheet()
  const document = workedDocument({ tools: [D], machine: { ...machine, control: radius } }, [
    tipTouch(),
    diameter('10'),
  ])
  const widths: readonly Measured[] = [
    { ...floor('50.040'), feature: 'outside-width', nominal: mm('50'), instrument: micrometer },
    { ...floor('11.98'), feature: 'inside-width', nominal: mm('12'), instrument: caliper },
    {
      ...{
        ...floor('30.030'),
        feature: 'outside-width',
        nominal: mm('30'),
        instrument: micrometer,
      },
      more: [mm('30.034'), mm('30.032')],
    },
  ]
  const { made, leftOver } = correctionsFor(widths, document.sheet, solve(document).registers)
  // The outside check: the same fit by ml-levenberg-marquardt, one parameter, in micrometres, weighted by the standard deviation of each.
  const changes = [-20, -10, -16]
  const sigmas = widths.map((one) => judgeFeature(one)!.expandedMm! * 250)
  // Each equation is divided by its own standard deviation, for the library's own weights do not converge.
  const fit = levenbergMarquardt(
    { x: sigmas.map((sigma) => 1 / sigma), y: changes.map((one, at) => one / sigmas[at]!) },
    ([parameter = 0]: number[]) =>
      (x: number) =>
        parameter * x,
    { initialValues: [-10], damping: 1e-3, maxIterations: 200, errorTolerance: 0 },
  )
  expect(Number(made[0]?.amount.text) * 1000).toBeCloseTo(fit.parameterValues[0]!, 3)
  expect(made).toHaveLength(1)
  expect(leftOver.map(({ isMuch }) => isMuch)).toEqual([false, false, false])
  // Two micrometers that differ by a tenth agree in no register.
  const apart = correctionsFor(
    [widths[0]!, { ...widths[0]!, measured: mm('50.140') }],
    document.sheet,
    solve(document).registers,
  )
  expect(apart.leftOver.map(({ isMuch }) => isMuch)).toEqual([true, true])
})

test('a feature is held against the drawing by ISO 14253-1, as surely as its gauge and its readings say', () => {
  const of = (measured: string, rest: Partial<Measured> = {}) =>
    judgeFeature({
      ...floor(measured),
      instrument: micrometer,
      tolerance: { upper: mm('0.02') },
      ...rest,
    })
  // U = 2·√(0.003² + (0.001/√12)² + 0.002²) = 0.007234: worked by hand.
  expect(of('5.010')).toMatchObject({
    ...{ deviation: 10_000, limits: { lower: -20_000, upper: 20_000 }, verdict: 'fit' },
  })
  expect(of('5.010')?.expandedMm).toBeCloseTo(0.007234, 6)
  expect(of('5.015')?.verdict).toBe('undecided')
  expect(of('4.980')?.verdict).toBe('undecided')
  expect(of('5.030')?.verdict).toBe('unfit')
  // Nine readings: a third of the scatter, and what was undecided is fit.
  const nine = of('5.0135', { more: Array.from({ length: 8 }, () => mm('5.0135')) })
  expect(nine?.expandedMm).toBeCloseTo(2 * Math.hypot(0.001, 0.0001 / Math.sqrt(12), 0.002), 9)
  expect([of('5.0135')?.verdict, nine?.verdict]).toEqual(['undecided', 'fit'])
  // One-sided zones, and inches.
  expect(of('5.020', { tolerance: { upper: mm('0.03'), lower: mm('0.01') } })?.verdict).toBe('fit')
  expect(of('5.000', { tolerance: { upper: mm('0.03'), lower: mm('0.01') } })?.verdict).toBe(
    'unfit',
  )
  expect(of('5.020', { tolerance: { upper: { text: '0.001', unit: 'in' } } })?.limits?.upper).toBe(
    25_400,
  )
  // Without a gauge, limits or a number nothing is judged.
  expect(of('5.010', { instrument: undefined })?.verdict).toBeUndefined()
  expect(of('5.010', { tolerance: undefined })?.verdict).toBeUndefined()
  expect(of('5.010', { tolerance: { upper: mm('-0.02') } })?.limits).toBeUndefined()
  expect(of('five')).toBeUndefined()
})

test('a micrometer of the shop measures parts, by what it is declared with or by what is usual for its kind', () => {
  const gauge = { kind: 'micrometer', name: 'outside 0–25', size: mm('25') } as const
  expect(measuresParts(gauge)).toBe(true)
  expect(measuresParts({ kind: 'height-setter' })).toBe(false)
  expect(measuringGauge(gauge)).toEqual({
    name: 'outside 0–25',
    repeatability: mm('0.003000'),
    uncertainty: mm('0.002000'),
  })
  expect(measuringGauge({ ...gauge, uncertainty: mm('0.0015') }).uncertainty).toEqual(mm('0.0015'))
})

test('a control that subtracts its lengths holds the correction with the other sign', () => {
  const { machine } = workedSheet()
  const control = { ...machine.control, lengthSign: 'subtracted' as const }
  const document = workedDocument({ machine: { ...machine, control } }, [tipTouch()])
  const { made, rows } = correctionsFor([floor('5.02')], document.sheet, solve(document).registers)
  expect(made[0]?.amount.text).toBe('-0.020000')
  expect(rows[0]).toEqual({ address: 'H1', before: 270_000_000, after: 269_980_000 })
  const after = { ...document, events: [corrected('H1', made[0]!.amount.text)] }
  expect(valueOf(after, 'H1')).toBe(269_980_000)
})

test('it stands until its tool is touched or measured again, or changed; each register for itself', () => {
  const touches = [tipTouch(), diameter('10')]
  const both = [corrected('H1', '0.02'), corrected('D1', '-0.04')]
  const at = (changes: Partial<SetupDocument>) => {
    const document = { ...workedDocument({ tools: [D] }, touches), events: both, ...changes }
    return [valueOf(document, 'H1'), valueOf(document, 'D1')]
  }
  expect(at({})).toEqual([-269_980_000, 9_960_000])
  // Another tool is none of its business.
  expect(at({ events: [...both, event({ kind: 'tool-changed', tool: 2 })] })).toEqual([
    -269_980_000, 9_960_000,
  ])
  expect(at({ events: [...both, event({ kind: 'tool-changed', tool: 1 })] })).toEqual([
    -270_000_000, 10_000_000,
  ])
  expect(at({ readings: [...touches, tipTouch()] })).toEqual([-270_000_000, 9_960_000])
  expect(at({ readings: [...touches, diameter('10')] })).toEqual([-269_980_000, 10_000_000])
})

test('a master of a declared length stands in no reading, and is touched again all the same', () => {
  const touch = () =>
    readingOf<'tip-on-part'>({
      of: 'tip-on-part',
      tool: 1,
      row: 'G54',
      read: mm('-200'),
      with: [],
      spindle: { holds: 1, controlSays: null },
    })
  const [first] = workedSheet().offsets
  const document = workedDocument(
    {
      school: 'master-tool',
      reference: { masterTool: 1, masterLength: mm('30.76') },
      offsets: [{ ...first!, Z: { by: 'part-top', facing: mm('0') } }],
    },
    [touch()],
  )
  const after = { ...document, events: [corrected('H1', '-0.0025')] }
  expect(valueOf(after, 'H1')).toBe(30_757_500)
  expect(valueOf({ ...after, readings: [...after.readings, touch()] }, 'H1')).toBe(30_760_000)
})

test('a register that was corrected is keyed and read back anew, and is no mismatch before that', () => {
  const document = {
    ...workedDocument({}, [tipTouch()]),
    readBacks: [
      { ...event({ kind: 'unit-changed' }), address: 'H1', moment: 'after', shown: mm('-270') },
    ],
  } as unknown as SetupDocument
  const H1 = (events: SetupDocument['events']) =>
    solve({ ...document, events }).registers.find(({ address }) => address === 'H1')
  expect(H1([])?.state).toBe('keyed')
  const after = H1([corrected('H1', '0.02')])
  expect(after).toMatchObject({ state: 'read', keyIn: { type: '-269.980', before: -270_000_000 } })
  expect(after?.readBack).toBeUndefined()
})

test('a reading half a millimetre off or more is no register’s error, and a slip of one digit names what was meant', () => {
  const far = (measured: string, more: readonly string[] = []) =>
    farMeasured({
      ...{ feature: 'outside-width', tool: 1, nominal: mm('50') },
      ...{ measured: mm(measured), more: more.map((text) => mm(text)) },
    })
  expect(far('50.499')).toBeUndefined()
  expect(far('49.500')?.deviation).toBe(-500_000)
  expect(far('45.5')).toEqual({ read: mm('45.5'), deviation: -4_500_000 })
  expect(far('5.002')?.meant).toEqual(mm('50.002'))
  expect(far('05.02')?.meant).toEqual(mm('50.02'))
  expect(far('550.02')?.meant).toEqual(mm('50.02'))
  expect(far('56.02')?.meant).toEqual(mm('50.02'))
  expect(far('50.02', ['50.03', '20.03'])).toEqual({
    ...{ read: mm('20.03'), deviation: -29_970_000, meant: mm('50.03') },
  })
})
