import { checkSheet, type SetupSheet } from '../src/sheet'
import { mm, workedSheet } from './worked-example'

// Every number that a sheet can declare, and what it may be. A sign that is let through here crashes a machine later.

type Kind = 'any' | 'not-negative' | 'positive'
type Numbers = readonly (readonly [
  place: string,
  kind: Kind,
  sheet: (text: string) => SetupSheet,
])[]

const base = workedSheet()
const [setter, finder] = base.gauges
const [tool] = base.tools
const [offset] = base.offsets
if (!setter || !finder || !tool || !offset) throw new Error('the worked sheet has them')

const machine = (changes: object) => workedSheet({ machine: { ...base.machine, ...changes } })
const axes = (axis: string, text: string) => ({
  X: mm('1'),
  Y: mm('1'),
  Z: mm('1'),
  [axis]: mm(text),
})
const gauge = (changes: object) => workedSheet({ gauges: [{ ...setter, ...changes }, finder] })
const withTool = (changes: object) => workedSheet({ tools: [{ ...tool, ...changes }] })
const withOffset = (changes: object) => workedSheet({ offsets: [{ ...offset, ...changes }] })
const reference = (changes: object) => workedSheet({ reference: { masterTool: 1, ...changes } })
const holding = (changes: object) =>
  workedSheet({ holding: { jaw: mm('50'), parallels: mm('38'), ...changes } })
const quill = (changes: object) =>
  withOffset({ Z: { ...offset.Z, quill: { measured: mm('1'), running: mm('1'), ...changes } } })
const bolted = { X: mm('1'), Y: mm('1'), top: mm('-300'), from: mm('-20'), margin: mm('5') }
const twoFaces = {
  by: 'two-faces',
  side: 'outside',
  size: mm('120'),
  tolerance: mm('0.1'),
  drawing: mm('0'),
}
const circle = {
  by: 'circle',
  side: 'inside',
  diameter: mm('30'),
  tolerance: mm('0.1'),
  drawing: mm('0'),
}

const NUMBERS: Numbers = [
  ...(['X', 'Y', 'Z'] as const).flatMap((axis): Numbers => [
    [
      `machine.lostMotion.${axis}`,
      'not-negative',
      (text) => machine({ lostMotion: axes(axis, text) }),
    ],
    [
      `machine.externalOffset.${axis}`,
      'any',
      (text) => machine({ externalOffset: axes(axis, text) }),
    ],
    [`machine.dialTurn.${axis}`, 'positive', (text) => machine({ dialTurn: axes(axis, text) })],
    [
      `machine.travels.${axis}.min`,
      'any',
      (text) => machine({ travels: { [axis]: { min: mm(text), max: mm('500') } } }),
    ],
    [
      `machine.travels.${axis}.max`,
      'any',
      (text) => machine({ travels: { [axis]: { min: mm('-500'), max: mm(text) } } }),
    ],
    [
      `stock.${axis}`,
      'positive',
      (text) => workedSheet({ stock: { ...base.stock!, [axis]: mm(text) } }),
    ],
  ]),
  ['holding.jaw', 'positive', (text) => holding({ jaw: mm(text) })],
  ['holding.parallels', 'not-negative', (text) => holding({ parallels: mm(text) })],
  ['holding.sideCut', 'positive', (text) => holding({ sideCut: mm(text) })],
  ['reference.constant', 'any', (text) => reference({ constant: mm(text) })],
  ['reference.masterLength', 'any', (text) => reference({ masterLength: mm(text) })],
  [
    'reference.constantUncertainty',
    'not-negative',
    (text) => reference({ constantUncertainty: mm(text) }),
  ],
  [
    'reference.masterLengthUncertainty',
    'not-negative',
    (text) => reference({ masterLengthUncertainty: mm(text) }),
  ],
  ['needs.depth', 'positive', (text) => workedSheet({ needs: { depth: mm(text) } })],
  ['needs.position', 'positive', (text) => workedSheet({ needs: { position: mm(text) } })],
  ['gauges.0.size', 'positive', (text) => gauge({ size: mm(text) })],
  ['gauges.0.wall', 'positive', (text) => gauge({ wall: mm(text) })],
  ['gauges.0.repeatability', 'not-negative', (text) => gauge({ repeatability: mm(text) })],
  ['gauges.0.uncertainty', 'not-negative', (text) => gauge({ uncertainty: mm(text) })],
  ['gauges.0.foot', 'any', (text) => gauge({ foot: mm(text) })],
  ['gauges.0.footUncertainty', 'not-negative', (text) => gauge({ footUncertainty: mm(text) })],
  ['tools.0.lastLength', 'positive', (text) => withTool({ lastLength: mm(text) })],
  ['tools.0.length', 'positive', (text) => withTool({ length: mm(text) })],
  [
    'tools.0.lengthUncertainty',
    'not-negative',
    (text) => withTool({ lengthUncertainty: mm(text) }),
  ],
  ['tools.0.diameter', 'positive', (text) => withTool({ diameter: mm(text) })],
  ['tools.0.programDiameter', 'positive', (text) => withTool({ programDiameter: mm(text) })],
  ['offsets.0.X.drawing', 'any', (text) => withOffset({ X: { ...offset.X, drawing: mm(text) } })],
  ['offsets.0.Y.drawing', 'any', (text) => withOffset({ Y: { ...offset.Y, drawing: mm(text) } })],
  ['offsets.0.X.drawing', 'any', (text) => withOffset({ X: { ...twoFaces, drawing: mm(text) } })],
  ['offsets.0.X.size', 'positive', (text) => withOffset({ X: { ...twoFaces, size: mm(text) } })],
  [
    'offsets.0.X.tolerance',
    'not-negative',
    (text) => withOffset({ X: { ...twoFaces, tolerance: mm(text) } }),
  ],
  [
    'offsets.0.X.drawing',
    'any',
    (text) => withOffset({ X: { ...circle, drawing: mm(text) }, Y: circle }),
  ],
  [
    'offsets.0.X.diameter',
    'positive',
    (text) => withOffset({ X: { ...circle, diameter: mm(text) }, Y: circle }),
  ],
  [
    'offsets.0.Y.tolerance',
    'not-negative',
    (text) => withOffset({ X: circle, Y: { ...circle, tolerance: mm(text) } }),
  ],
  [
    'offsets.0.Z.facing',
    'not-negative',
    (text) => withOffset({ Z: { ...offset.Z, facing: mm(text) } }),
  ],
  [
    'offsets.0.edge.tolerance',
    'not-negative',
    (text) => withOffset({ edge: { tolerance: mm(text) } }),
  ],
  ['machine.toolChange.X', 'any', (text) => machine({ toolChange: { X: mm(text) } })],
  ['machine.fixedSetter.Y', 'any', (text) => machine({ fixedSetter: { ...bolted, Y: mm(text) } })],
  [
    'machine.fixedSetter.top',
    'any',
    (text) => machine({ fixedSetter: { ...bolted, top: mm(text) } }),
  ],
  [
    'machine.fixedSetter.margin',
    'not-negative',
    (text) => machine({ fixedSetter: { ...bolted, margin: mm(text) } }),
  ],
  ['machine.quill.travel', 'positive', (text) => machine({ quill: { travel: mm(text) } })],
  [
    'machine.quill.uncertainty',
    'not-negative',
    (text) => machine({ quill: { travel: mm('100'), uncertainty: mm(text) } }),
  ],
  [
    'gauges.0.styli.0.length',
    'positive',
    (text) => gauge({ styli: [{ name: '30 mm', length: mm(text) }] }),
  ],
  ['offsets.0.Z.quill.measured', 'not-negative', (text) => quill({ measured: mm(text) })],
  ['offsets.0.Z.quill.running', 'not-negative', (text) => quill({ running: mm(text) })],
  ['offsets.0.Z.quill.uncertainty', 'not-negative', (text) => quill({ uncertainty: mm(text) })],
]

const codesAt = (place: string, sheet: SetupSheet) =>
  checkSheet(sheet)
    .filter((problem) => problem.place === `sheet.${place}`)
    .map(({ code }) => code)

describe.each(NUMBERS)('%s (%s)', (place, kind, sheet) => {
  test('takes what it may be, and refuses the rest at its place', () => {
    expect(codesAt(place, sheet('1.5'))).toEqual([])
    expect(codesAt(place, sheet('0'))).toEqual(kind === 'positive' ? ['length-zero'] : [])
    expect(codesAt(place, sheet('-1.5'))).toEqual(kind === 'any' ? [] : ['length-negative'])
    expect(codesAt(place, sheet('one'))).toEqual(['length-not-a-number'])
  })
})

test('what need not be there is not asked for', () => {
  expect(checkSheet(base)).toEqual([])
  const bare = workedSheet({ machine: { ...base.machine, travels: {}, lostMotion: {} } })
  expect(checkSheet(bare)).toEqual([])
})

test('a master tool has to be one of the sheet’s, in the school that has one', () => {
  const sheet = (masterTool: number) =>
    workedSheet({ school: 'master-tool', reference: { masterTool } })
  expect(codesAt('reference.masterTool', sheet(1))).toEqual([])
  expect(codesAt('reference.masterTool', sheet(9))).toEqual(['reference-unknown'])
  expect(codesAt('reference.masterTool', workedSheet({ school: 'master-tool' }))).toEqual([
    'reference-unknown',
  ])
  expect(codesAt('reference.masterTool', workedSheet({ reference: { masterTool: 9 } }))).toEqual([])
})
