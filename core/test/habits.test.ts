import { expectReading } from '../src/expect'
import { habitsOf } from '../src/running'
import { type EventBody } from '../src/facts/bodies/event'
import { solve } from '../src/solve'
import {
  event,
  frontTouch,
  leftTouch,
  mm,
  noseTouch,
  tipTouch,
  workedDocument,
} from './worked-example'

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
  // The shop calls it otherwise now: it is the same gauge by its id, whatever else has its old name.
  const renamed = { ...setter!, name: 'the tall setter' }
  const namesake = { ...setter!, id: 'another', size: mm('75.000') }
  expect(habits(changes, [namesake, renamed]).gauges[0]).toEqual(renamed)
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

describe('the fixed jaw and the stop, by the faces that lay against them', () => {
  const held = {
    jaw: mm('50'),
    parallels: mm('25'),
    against: { jaw: 'back', stop: 'left' },
  } as const
  const touched = [leftTouch(), frontTouch()]

  test('another job is told where they stood; a face that lay free is the part’s alone', () => {
    // The left face at −412.3 with a tip of 5: −407.3. Front was touched, and lay free.
    expect(habits({ holding: held }, [], [], touched).stood).toEqual({
      faces: [{ row: 'G54', face: 'left', at: mm('-407.300'), against: 'stop' }],
    })
    expect(
      habits({ holding: { ...held, against: { jaw: 'front' } } }, [], [], touched).stood,
    ).toEqual({
      faces: [{ row: 'G54', face: 'front', at: mm('-250.000'), against: 'jaw' }],
    })
    expect(habits({}, [], [], touched).stood).toBeUndefined()
    expect(habits({ holding: held }, [], [{ kind: 'home-lost' }], touched).stood).toBeUndefined()
  })

  test('the next face there is expected as surely as the machine keeps it, and only there', () => {
    const stood = {
      faces: [{ row: 'G54', face: 'left', at: mm('-407.300'), against: 'stop' }],
    } as const
    const expected = (holding: NonNullable<Changes>['holding']) =>
      expectReading(workedDocument({ stood, ...(holding && { holding }) }, []), {
        of: 'face',
        row: 'G54',
        face: 'left',
        with: ['finder'],
      })
    expect(expected(held)?.mm).toBeCloseTo(-412.3, 9)
    expect(expected(held)?.standardMm).toBeLessThan(0.1)
    // Held otherwise this time: where the stop stood tells nothing of a free face.
    expect(expected({ ...held, against: { jaw: 'left' } })).toBeUndefined()
    expect(expected(undefined)).toBeUndefined()
  })
})
