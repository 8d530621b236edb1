import { expectReading } from '../src/expect'
import { stepsOf } from '../src/plan'
import type { Reading } from '../src/facts'
import type { SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { describeWarning } from '../src/words'
import { event, mm, noseTouch, tipTouch, workedDocument, workedSheet } from './worked-example'

// A plate that somebody made and nobody measured: about 20 mm. The nose meets it at −300, the tip of an 80 mm tool at −220.

const [first, ...others] = workedSheet().gauges
const gauges = [{ ...first!, id: 'setter', size: mm('20'), sizeRough: true as const }, ...others]
const solved = (sheet: Partial<SetupSheet>, readings: readonly Reading[], events = []) => {
  const document = { ...workedDocument({ gauges, ...sheet }, readings), events }
  const solution = solve(document as never)
  return {
    document,
    value: solution.registers.find(({ address }) => address === 'H1')?.value,
    told: solution.warnings.filter(({ code }) => code === 'gauge-size-unknown'),
    open: stepsOf(document as never, solution, false).flatMap(({ step, done }) =>
      step.does === 'read' && !done ? [step.key] : [],
    ),
  }
}

test('beneath the nose and the tip alike it cancels: the length is a number', () => {
  const { value, told } = solved({ school: 'gauge-line' }, [noseTouch(), tipTouch()])
  expect([value, told]).toEqual([80_000_000, []])
})

test('where it does not cancel there is no number, and the touch is asked for again', () => {
  const { value, told, open } = solved({}, [tipTouch()])
  expect(value).toBeUndefined()
  expect(told).toMatchObject([{ place: 'tip-on-plane:T1', beside: first!.name }])
  expect(open).toContain('tip-on-plane:T1')
  expect(describeWarning(told[0]!, () => '')).toContain(`The ${first!.name} is not measured`)
  const bare = { ...tipTouch(), read: mm('-240.000'), with: [] } as Reading
  expect(solved({ school: 'gauge-line' }, [noseTouch(), bare]).value).toBeUndefined()
})

test('measured, it counts with what it was found to be', () => {
  const measured = event({
    kind: 'gauge-measured',
    gauge: 'setter',
    size: mm('20.014'),
    since: 'last-good',
  })
  expect(solved({}, [tipTouch()], [measured] as never).value).toBe(-240_014_000)
})

test('what should be read with it is known to about a millimetre', () => {
  const tools = [{ number: 1, name: 'drill', lengthRegister: 1, length: mm('80') }]
  const { document } = solved({ tools, school: 'gauge-line' }, [noseTouch()])
  const belief = expectReading(document as never, {
    of: 'tip-on-plane',
    tool: 1,
    with: ['setter'],
  })!
  expect(belief.mm).toBeCloseTo(-220, 3)
  expect(belief.standardMm).toBeGreaterThan(1)
  expect(belief.standardMm).toBeLessThan(2)
})
