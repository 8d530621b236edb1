import { stepsOf } from '../src/plan'
import type { Reading } from '../src/facts'
import { solve } from '../src/solve'
import { mm, noseTouch, readingOf, tipTouch, workedDocument } from './worked-example'

// The nose at −300.000 on the 50 mm setter, T1 at −220.000: it is 80 mm long. Two touches with a setter repeat within 0.014 mm (rangeLimit of 2, ASTM range table: 4.65 times 0.003).

const nose = (read: string, changes: Partial<Reading> = {}): Reading =>
  readingOf<'nose-on-plane'>({ ...noseTouch(), read: mm(read), ...changes } as never)
const tip = (read: string, changes: Partial<Reading> = {}): Reading =>
  ({ ...tipTouch(), read: mm(read), ...changes }) as Reading

const told = (...readings: readonly Reading[]) => {
  const document = workedDocument({ school: 'gauge-line' }, readings)
  const solution = solve(document)
  return {
    length: solution.registers.find(({ address }) => address === 'H1')?.value,
    apart: solution.warnings.filter(({ code }) => code === 'repeats-spread'),
    openAt: stepsOf(document, solution, false).flatMap(({ step, done }) =>
      step.does === 'read' && !done ? [step.key] : [],
    ),
  }
}

test('touches that repeat are averaged', () => {
  const { length, apart } = told(nose('-300.000'), tip('-220.000'), tip('-220.010'))
  expect([length, apart]).toEqual([79_995_000, []])
})

test('the last alone against another: neither counts, and its step is open again', () => {
  const { length, apart, openAt } = told(nose('-300.000'), tip('-220.000'), tip('-220.023'))
  expect(length).toBeUndefined()
  expect(apart).toMatchObject([{ place: 'tip-on-plane:T1', amount: 23_000 }])
  expect(openAt).toContain('tip-on-plane:T1')
})

test('touched again, those that agree with the last count, whichever they are', () => {
  const three = (last: string) =>
    told(nose('-300.000'), tip('-220.000'), tip('-220.023'), tip(last))
  expect(three('-220.002')).toMatchObject({ length: 79_999_000, apart: [] })
  expect(three('-220.021')).toMatchObject({ length: 79_978_000, apart: [] })
  expect(three('-220.021').openAt).not.toContain('tip-on-plane:T1')
  expect(three('-220.060').length).toBeUndefined()
})

test('one that somebody answers for counts alone, in place of the last', () => {
  const [first, second] = [tip('-220.000', { id: 'a' }), tip('-220.023', { id: 'b' })]
  const third = tip('-220.060', { supersedes: 'b', reason: 'touched again' })
  expect(told(nose('-300.000'), first, second, third).length).toBeUndefined()
  const said = { ...third, surprise: 'touched again, and so it is' }
  expect(told(nose('-300.000'), first, second, said)).toMatchObject({
    length: 79_940_000,
    apart: [],
  })
})

test('the base that was touched elsewhere is no repeat of itself', () => {
  const { length, openAt } = told(nose('-300.000'), nose('-312.500'), tip('-220.000'))
  expect(length).toBeUndefined()
  expect(openAt).toContain('nose-on-plane')
})

test('with another gauge between it is what they tell that is compared, and not what was read', () => {
  const bare = (read: string) => tip(read, { with: [] })
  // Nothing between: −270.000 is the same tip.
  expect(told(nose('-300.000'), tip('-220.000'), bare('-270.004'))).toMatchObject({
    length: 79_998_000,
    apart: [],
  })
  // The setter was said to be taken away, and lay there all the same.
  expect(told(nose('-300.000'), tip('-220.000'), bare('-220.000')).length).toBeUndefined()
})
