import { rowsStandFacts, rowsThatMayStand } from '../../src/areas/run/frame/banners/rows-stand-view'
import { after, example, mm, registerAt } from './set-ups'

const blank = example('whole-run', 1)

test('rows that nobody touched here are offered; what was typed is entered and looked at in one', () => {
  const names = rowsThatMayStand(blank).map(({ name }) => name)
  expect(names).toEqual(expect.arrayContaining(['H1', 'G54 X', 'G54 Y', 'G54 Z']))
  const { facts, problems } = rowsStandFacts(blank, {
    texts: { 'G54.X': '-347.300', 'G54.Y': ' ' },
    whose: ' Jory ',
  })
  expect(problems).toEqual({})
  expect(facts.map(({ kind }) => kind)).toEqual(['event', 'read-back'])
  // The zero that it stands for goes with it: on a sheet with another one it stands no more.
  expect(facts[0]?.body).toMatchObject({ drawing: mm('-60.000') })
  const stood = after(blank, ...facts)
  expect(registerAt(stood, 'G54.X')).toMatchObject({ state: 'keyed', value: -347_300_000 })
  expect(rowsThatMayStand(stood).map(({ name }) => name)).not.toContain('G54 X')
})

test('what cannot be read is told at its row, and nothing is entered for it', () => {
  const { facts, problems } = rowsStandFacts(blank, { texts: { H1: '2,7,0' }, whose: '' })
  expect(facts).toEqual([])
  expect(Object.keys(problems)).toEqual(['H1'])
})
