import { checkView, cutViews, homeAxesView } from '@/areas/run/ready/check-view'
import { runView } from '@/areas/run/frame/run-view'
import { after, BEN, example } from './set-ups'

// docs/examples/tool-by-tool.json: a control without length registers, told where it stands; T1 has cut, T2 is touched.
const plate = example('tool-by-tool')
const beforeTheCut = example('tool-by-tool', 5)

test('the head says with which tool one is, and how far', () => {
  expect(runView(plate, 'cut:T1').place).toBe('With T1 · 5 of 5')
  expect(runView(plate, 'tip-on-part:G54:T2').place).toBe('With T2 · 1 of 4')
  expect(runView(plate, 'key-in:G54.X').place).toBe('X and Y · 3 of 5')
})

test('Z with the next tool is not keyed while the one before has still to cut', () => {
  const read = { kind: 'reading', body: plate.document.readings.at(-1)! } as never
  const early = after(beforeTheCut, read)
  expect(runView(early, 'key-in:G54.Z.T2').waitsFor?.step.key).toBe('prove:G54:T1')
  const cut = after(early, { kind: 'check-off', body: { of: 'cut', tool: 1 } })
  expect(runView(cut, 'key-in:G54.Z.T2').waitsFor).toBeUndefined()
})

test('a cut is said of its tool, once', () => {
  const view = checkView(beforeTheCut, 'cut', BEN, 1)
  expect(view.facts).toEqual([{ kind: 'check-off', body: { of: 'cut', tool: 1 } }])
  expect(view.text).toBe('T1 has cut')
  expect(checkView(plate, 'cut', BEN, 1)).toMatchObject({ facts: [], text: 'Next' })
  expect(checkView(plate, 'cut', BEN, 2).facts).toHaveLength(1)
  expect(cutViews(plate, 1)).toEqual([])
})

test('home, axis by axis: what is said now is entered, and what was said before is not said again', () => {
  const onlyNew = homeAxesView(plate, ['Z'])
  expect(onlyNew).toMatchObject({
    text: 'Z is home',
    facts: [{ kind: 'check-off', body: { of: 'home', axes: ['Z'] } }],
  })
  const withZ = after(plate, ...onlyNew.facts)
  expect(homeAxesView(withZ, []).axes).toEqual([
    { axis: 'X', isHome: false },
    { axis: 'Y', isHome: false },
    { axis: 'Z', isHome: true },
  ])
  expect(homeAxesView(withZ, [])).toMatchObject({ text: 'Next', facts: [] })
  expect(homeAxesView(withZ, ['Z', 'X', 'Y'])).toMatchObject({
    text: 'X, Y are home',
    facts: [{ body: { axes: ['X', 'Y'] } }],
  })
})
