import { checkDocument, type Reading } from '../src/facts'
import { ladderOf, planViewOf } from '../src/picture'
import type { AxisPlan, SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { describeSheet } from '../src/words'
import { leftTouch, mm, readingOf, setupOf, tipTouch, workedSheet } from './worked-example'

const MIDDLE: AxisPlan = { by: 'two-faces', side: 'outside', drawing: mm('0') }
const [offset] = workedSheet().offsets
const sheet = (changes: Partial<SetupSheet> = {}): SetupSheet => {
  const { stock: _none, ...rest } = workedSheet({ offsets: [{ ...offset!, X: MIDDLE }] })
  return { ...rest, ...changes }
}
const rightTouch = () =>
  readingOf<'face'>({
    of: 'face',
    row: 'G54',
    face: 'right',
    read: mm('-302.300'),
    with: ['finder'],
  })
const document = (readings: readonly Reading[] = [], changes: Partial<SetupSheet> = {}) =>
  setupOf(sheet(changes), readings)

test('the middle of two faces whose distance nobody knows: X by hand, and no size to hold it against', () => {
  const { registers, sizes, warnings } = solve(document([leftTouch(), rightTouch()]))
  // A 10 mm finder: the faces at −412.3 + 5 and −302.3 − 5, the middle at −357.3.
  expect(registers.find(({ address }) => address === 'G54.X')?.value).toBe(-357_300_000)
  expect(sizes).toEqual([])
  expect(warnings).toEqual([])
})

test('no stock: the sheet is whole, is told so, and a part of some size is drawn', () => {
  const setup = document([tipTouch()])
  expect(checkDocument(setup)).toEqual([])
  const lines = describeSheet(setup.sheet).flatMap(({ lines: all }) => all)
  expect(lines).toContainEqual(['Stock X Y Z', 'not said'])
  expect(lines.find(([name]) => name === 'X')?.[1]).toContain('its size is not checked')
  const view = planViewOf(setup, solve(setup), setup.sheet.offsets[0]!)
  expect(view.right - view.left).toBe(100e6)
  const ladder = ladderOf(setup, solve(setup), { of: 'carried-difference', row: 'G54' })
  // It is drawn, and has no number.
  expect(ladder.rungs.find(({ key }) => key === 'part-top')).toMatchObject({
    height: 40e6,
    guessed: true,
  })
  expect(ladder.rungs.find(({ key }) => key === 'part-top')).not.toHaveProperty('label')
})

test('where jaws or an edge ask for it, the stock is asked for, each axis at its field', () => {
  const held = document([], { holding: { jaw: mm('40'), parallels: mm('20') } })
  expect(checkDocument(held).map(({ place, code }) => [place, code])).toEqual([
    ['sheet.stock.X', 'length-empty'],
    ['sheet.stock.Y', 'length-empty'],
    ['sheet.stock.Z', 'length-empty'],
  ])
  const edge = { face: 'front', tolerance: mm('0.02') } as const
  expect(checkDocument(document([], { offsets: [{ ...offset!, X: MIDDLE, edge }] })).length).toBe(3)
})
