import { addressIn, Counters, press, Rows, type ControlMade, type Standing } from '../src/control'
import { mm } from './bench-mill'

const made: ControlMade = {
  unit: 'mm',
  decimals: 3,
  lengthSign: 1,
  diameterAs: 'diameter',
  keepsLengths: true,
  tools: 20,
}

/** At machine Z −200, H1 = −300 and the external offset 2 in force. */
function atTheControl(lengthSign: 1 | -1 = 1) {
  const rows = new Rows({ ...made, lengthSign })
  rows.write('EXT.Z', mm(2))
  rows.write('H1', mm(-300))
  rows.write('G54.Z', mm(7))
  const counters = new Counters()
  counters.setTo('Z', mm(-150))
  const standing: Standing = {
    axis: 'Z',
    machine: mm(-200),
    counters,
    active: { row: 'G54', lengthRow: 'H1', shift: 0 },
  }
  return { rows, standing }
}

test.each([
  ['set', 10, 10],
  ['add', 10, 17],
  ['copy', 10, -190],
  ['copy-counter', 10, -40],
  // −200 = 2 + row − 300 + 10.
  ['position', 10, 88],
] as const)('%s with 10 typed leaves %s in the row', (key, typed, left) => {
  const { rows, standing } = atTheControl()
  press(rows, 'G54.Z', { key, typed: mm(typed) }, standing)
  expect(rows.read('G54.Z')).toBe(mm(left))
})

test('a control that subtracts lengths works the row out with the other sign', () => {
  const { rows, standing } = atTheControl(-1)
  press(rows, 'G54.Z', { key: 'position', typed: mm(10) }, standing)
  expect(rows.read('G54.Z')).toBe(mm(-200 - 2 - 300 - 10))
})

test('numbers are kept to the step of the display, and every row holds one', () => {
  const rows = new Rows({ ...made, unit: 'in', decimals: 4 })
  expect([rows.step, rows.read('H9')]).toEqual([2540, 0])
  rows.write('H1', 25_400_000 / 3)
  expect(rows.read('H1')).toBe(Math.round(25_400_000 / 3 / 2540) * 2540)
  rows.write('H2', -1)
  expect(Object.is(rows.read('H2'), 0)).toBe(true)
})

test('rows are those that the control has', () => {
  expect(['H1', 'D20', 'G54.X', 'EXT.Z'].map((row) => addressIn(made, row))).toEqual([
    ...['H1', 'D20', 'G54.X', 'EXT.Z'],
  ])
  for (const row of ['H0', 'H21', 'G53.X', 'G54.A', 'G54', 'EXT', '', 'H1.5'])
    expect(addressIn(made, row)).toBeUndefined()
  // A D row is there all the same.
  const without = { ...made, keepsLengths: false }
  expect([addressIn(without, 'H1'), addressIn(without, 'D1')]).toEqual([undefined, 'D1'])
  expect(addressIn(made, 'G59.1.X')).toBe('G59.1.X')
})
