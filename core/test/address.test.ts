import {
  axisOfAddress,
  registerName,
  rowOfAddress,
  type Address,
  type OffsetRow,
} from '../src/address'
import { isOf } from '../src/address/address'
import { isOffsetRow } from '../src/address/row'
import { stepsOf } from '../src/plan'
import { solve } from '../src/solve'
import { stepName } from '../src/words'
import { frontTouch, leftTouch, workedDocument, workedSheet } from './worked-example'

test.each([
  ['H3', undefined, 'Z', 'H3'],
  ['G54.X', 'G54', 'X', 'G54 X'],
  ['G59.Z', 'G59', 'Z', 'G59 Z'],
  ['G59.1.Y', 'G59.1', 'Y', 'G59.1 Y'],
  ['G54.1 P12.Z', 'G54.1 P12', 'Z', 'G54.1 P12 Z'],
])('%s is of row %s, axis %s, and is called %s', (address, row, axis, name) => {
  expect([rowOfAddress(address), axisOfAddress(address as Address), registerName(address)]).toEqual(
    [row, axis, name],
  )
})

test('G59.1 is no axis of G59, and G54.1 P12 none of G54 or of P1', () => {
  expect(isOf('G59.1.X', 'G59')).toBe(false)
  expect(isOf('G59.1.X', 'G59.1')).toBe(true)
  expect(isOf('G54.1 P12.X', 'G54')).toBe(false)
  expect(isOf('G54.1 P12.X', 'G54.1 P1')).toBe(false)
  expect(isOf('H3', 'H3')).toBe(true)
})

test.each<[string, boolean]>([
  ['G59.3', true],
  ['G59.4', false],
  ['G54.1 P1', true],
  ['G54.1 P300', true],
  ['G54.1 P301', false],
  ['G54.1 P0', false],
  ['G54.1 P?', false],
  ['G53', false],
])('%s can be a row of a control: %s', (row, expected) => expect(isOffsetRow(row)).toBe(expected))

test.each<OffsetRow>(['G59.2', 'G54.1 P7'])(
  '%s is read, keyed and named like any other row',
  (row) => {
    const moved = [leftTouch(), frontTouch()].map((reading) => ({ ...reading, row })) as never
    const document = workedDocument({ offsets: [{ ...workedSheet().offsets[0]!, row }] }, moved)
    const solution = solve(document)
    expect(solution.registers.find(({ address }) => address === `${row}.X`)?.value).toBe(
      -347_300_000,
    )
    const names = stepsOf(document, solution, false).map(({ step }) => stepName(document, step))
    expect(names).toEqual(expect.arrayContaining([expect.stringContaining(`${row} X`)]))
  },
)
