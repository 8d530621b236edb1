import type { SetupDocument } from '../src/facts'
import { isReleased } from '../src/facts'
import { stepsOf } from '../src/plan'
import { solve } from '../src/solve'
import { describeHandOver, handOverText } from '../src/words'
import { event, fact, mm, MIRA, planeReadings, setupOf, shown, workedSheet } from './worked-example'

const told = (document: SetupDocument) => {
  const solution = solve(document)
  const steps = stepsOf(document, solution, isReleased(document))
  const parts = describeHandOver(document, solution, steps)
  return {
    parts,
    of: (asks: string) => parts.find((one) => one.asks === asks)!,
    text: handOverText(document, parts),
  }
}
const nothing = setupOf(workedSheet(), [])
const read = setupOf(workedSheet(), planeReadings())

test('a set-up that was only begun says of every question that there is nothing yet', () => {
  const { parts, of } = told(nothing)
  expect(of('What runs').lines).toEqual([
    expect.stringMatching(/^Worked example: not released, 1 of \d+ steps done\.$/),
  ])
  for (const [asks, says] of [
    ['Raised for a dry run', 'Nothing is raised.'],
    ['Suspect', 'Nothing is suspect.'],
    ['Do not touch', 'Nothing hangs on what is in the machine yet.'],
    ['Notes', 'No note.'],
  ])
    expect(of(asks!)).toMatchObject({ lines: [says], isDanger: false })
  expect(parts.map(({ asks }) => asks)).toHaveLength(6)
})

test('what numbers hang on is not to be touched: plane, holders, the part, rows that stand, spared faces', () => {
  const { sheet } = read
  const [first] = sheet.offsets
  const spared = { ...sheet, offsets: [{ ...first!, spared: ['left' as const] }] }
  const stands = event({ kind: 'row-stands', address: 'G54.X', holds: mm('-1.000') })
  expect(told({ ...read, sheet: spared, events: [stands] }).of('Do not touch').lines).toEqual([
    'The setting plane (fixed jaw): every length hangs on it.',
    'In their holders: T1.',
    'The part of G54 and how it is held.',
    'Rows that somebody set before: G54 X.',
    'G54: not the left face.',
  ])
})

test('a lift, a number that no longer holds and a wrong row are told as dangers, by name', () => {
  const lift = {
    ...fact(),
    where: 'external-offset' as const,
    amount: mm('30.000'),
    moves: 'in' as const,
  }
  const wrong = { ...read, readBacks: [shown('H1', '270.000')], lifts: [lift] }
  const { of, text } = told(wrong)
  expect(of('Raised for a dry run')).toEqual({
    asks: 'Raised for a dry run',
    isDanger: true,
    lines: [
      'LIFT ACTIVE: 30.000 mm in the external offset Z, by Mira Toller. Take it out before a part is cut.',
    ],
  })
  expect(of('Suspect')).toMatchObject({ isDanger: true })
  expect(of('Suspect').lines).toContain(
    'H1: the control does not show what it should; it is off by 540.000 mm.',
  )
  expect(text).toContain('Raised for a dry run:\n- LIFT ACTIVE: 30.000 mm')
  const moved = told({ ...read, events: [event({ kind: 'tool-changed', tool: 1 })] })
  expect(moved.of('Suspect').lines).toContain(
    'H1 is no longer valid: T1 was broken, replaced or re-gripped.',
  )
})

test('a number that somebody took responsibility for stays suspect, with the name and the reason', () => {
  const changed = event({ kind: 'tool-changed', tool: 1 })
  const accepts = {
    ...fact(),
    address: 'H1' as const,
    reason: 'same insert, turned',
    accepts: changed.id,
  }
  const { lines } = told({ ...read, events: [changed], acceptances: [accepts] }).of('Suspect')
  expect(lines).toContain(
    'H1: T1 was broken, replaced or re-gripped. Accepted by Mira Toller: same insert, turned',
  )
})

test('open steps are listed up to eight, the rest counted; a note stands with who left it', () => {
  const note = { ...fact(), text: 'the second vise is dirty' }
  const { of } = told({ ...nothing, notes: [note] })
  expect(of('Notes').lines).toEqual([`${MIRA.name}: the second vise is dirty`])
  const { lines } = of('Still open')
  expect(lines).toHaveLength(9)
  expect(lines.at(-1)).toMatch(/^and \d+ more$/)
})
