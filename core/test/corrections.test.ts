import { correctionsFor } from '../src/wear'
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
  // An outside width 0.04 too large: 0.04 less of D. A floor 0.02 too deep, and 0.005 more: H grows by both.
  const document = workedDocument({ tools: [D] }, [tipTouch(), diameter('10')])
  const width: Measured = { ...floor('50.04'), feature: 'outside-width', nominal: mm('50') }
  const { registers } = solve(document)
  const { made, rows } = correctionsFor(
    [width, floor('5.02'), floor('5.005'), floor('5')],
    document.sheet,
    registers,
  )
  expect(made.map(({ address, amount }) => [address, amount.text])).toEqual([
    ['D1', '-0.040000'],
    ['H1', '0.020000'],
    ['H1', '0.005000'],
  ])
  expect(rows).toEqual([
    { address: 'D1', before: 10_000_000, after: 9_960_000 },
    { address: 'H1', before: -270_000_000, after: -269_975_000 },
  ])
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
