import { habitsOf } from '../src/running'
import { type EventBody } from '../src/facts/document'
import { solve } from '../src/solve'
import { event, mm, noseTouch, tipTouch, workedDocument } from './worked-example'

type Changes = Parameters<typeof workedDocument>[0]
const habits = (
  changes: Changes,
  gauges: Parameters<typeof habitsOf>[2]['gauges'] = [],
  happened: readonly EventBody[] = [],
  readings: Parameters<typeof workedDocument>[1] = [],
) => {
  const document = { ...workedDocument(changes, readings), events: happened.map(event) }
  return habitsOf(document, solve(document), { gauges })
}

test('another job on a machine begins with what the last one used, and with nothing of its part', () => {
  const changes: Changes = {
    school: 'gauge-line',
    keying: 'as-known',
    reference: { constant: mm('100'), masterTool: 3, masterLength: mm('80'), planeRow: 'G59' },
    holding: { jaw: mm('50'), parallels: mm('25'), sideCut: mm('12'), plane: 'jaws' },
  }
  const last = workedDocument(changes, []).sheet
  const [setter] = last.gauges
  const measured = { ...setter!, size: mm('50.004') }
  expect(habits(changes, [measured])).toEqual({
    unit: 'mm',
    school: 'gauge-line',
    plane: 'fixed jaw',
    // As they are today; one that the shop does not list stays as it was.
    gauges: [measured, ...last.gauges.slice(1)],
    reference: { constant: mm('100'), planeRow: 'G59' },
    holding: { jaw: mm('50'), parallels: mm('25'), plane: 'jaws' },
    keying: 'as-known',
  })
  const listed = { ...setter!, id: 'of the shop' }
  const called = habits(changes, [{ ...listed, kind: 'gauge-block' }, listed])
  expect(called.gauges[0]).toEqual(listed)
  expect(habits({})).toEqual({
    unit: 'mm',
    school: 'setting-plane',
    plane: 'fixed jaw',
    gauges: last.gauges,
  })
})

test('where the plane stood, unless it or home was moved since', () => {
  const touched = [noseTouch(), tipTouch()]
  // The nose at −300 on a setter of 50.
  expect(habits({}, [], [], touched).stood).toEqual({ plane: mm('-350.000') })
  for (const kind of ['plane-moved', 'home-lost'] as const)
    expect(habits({}, [], [{ kind }], touched).stood).toBeUndefined()
})
