import { adviceForRegister } from '../src/registers/register-advice'
import type { Register } from '../src/registers'
import { solve } from '../src/solve'
import type { SetupSheet } from '../src/sheet'
import { leftTouch, mm, readingOf, setupOf, tipTouch, workedSheet } from './worked-example'

// What makes a length sure enough: by the gauge that its touch was made with, against what the job needs.

const advised = (
  sheet: Partial<SetupSheet>,
  touch = tipTouch(),
  changes: Partial<Register> = {},
) => {
  const document = setupOf(workedSheet(sheet), [touch])
  const register = solve(document).registers.find(({ address }) => address === 'H1')!
  return adviceForRegister(document, { ...register, ...changes })
}
const byPaper = (read = '-269.910') =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool: 1, read: mm(read), with: ['paper'] })
const bare = () =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool: 1, read: mm('-270.000'), with: [] })
const needs = (depth: string) => ({ needs: { depth: mm(depth) } })

test('nothing is advised where nothing is needed, or it is sure enough', () => {
  expect(advised({})).toBeUndefined()
  expect(advised(needs('0.05'))).toBeUndefined()
  expect(advised(needs('0.2'), byPaper())).toBeUndefined()
})

test('nothing is advised of a number that there is none of, or that no need judges', () => {
  const touch = byPaper()
  expect(advised(needs('0.05'), touch)?.do).toBe('change-gauge')
  expect(advised(needs('0.05'), touch, { budget: undefined as never })).toBeUndefined()
  expect(advised(needs('0.05'), touch, { fitness: undefined as never })).toBeUndefined()
  expect(advised(needs('0.05'), touch, { fitness: 'fit' })).toBeUndefined()
  expect(advised(needs('five'), touch, { fitness: 'unfit' })).toBeUndefined()
  expect(advised({}, touch, { fitness: 'unfit' })).toBeUndefined()
})

test('a better gauge than the one that lay there, by how far it is from enough', () => {
  // A quarter of the need is aimed for. Paper comes to ± 0.026 mm, of which 0.010 is its own size; a bare tip to ± 0.040.
  const [touch, plain] = [byPaper(), bare()]
  const told = (depth: string, of: ReturnType<typeof byPaper>) => advised(needs(depth), of)
  expect(told('0.06', touch)).toEqual({ do: 'change-gauge', sourceId: touch.id, to: 'shim' })
  expect(told('0.05', touch)).toMatchObject({ to: 'height-setter' })
  expect(told('0.05', plain)).toEqual({ do: 'change-gauge', sourceId: plain.id, to: 'shim' })
  expect(told('0.03', plain)).toMatchObject({ to: 'height-setter' })
})

test('a touch that few repeats better is repeated', () => {
  const touch = byPaper()
  expect(advised(needs('0.09'), touch)).toEqual({ do: 'repeat', sourceId: touch.id, times: 2 })
})

test('what stands in the spindle is bettered by what stands in the spindle, and not by a shim', () => {
  const wobbler = { id: 'wob', kind: 'wobbler', name: 'wobbler', size: mm('10') } as const
  const touch = { ...leftTouch(), with: ['wob'] }
  const sheet = workedSheet({
    gauges: [...workedSheet().gauges, wobbler],
    needs: { position: mm('0.044') },
  })
  // Another reading stands before it, with another gauge: the advice is about the touch that it names.
  const document = setupOf(sheet, [tipTouch(), touch])
  const register = solve(document).registers.find(({ address }) => address === 'G54.X')!
  expect(adviceForRegister(document, register)).toEqual({
    ...{ do: 'change-gauge', sourceId: touch.id, to: 'edge-finder' },
  })
})
