import { habitsOf } from '../src/running'
import { mm, workedSheet } from './worked-example'

test('another job on a machine begins with what the last one used, and with nothing of its part', () => {
  const last = workedSheet({
    school: 'gauge-line',
    keying: 'as-known',
    reference: { constant: mm('100'), masterTool: 3, masterLength: mm('80'), planeRow: 'G59' },
    holding: { jaw: mm('50'), parallels: mm('25'), sideCut: mm('12') },
  })
  const [setter] = last.gauges
  const measured = { ...setter!, size: mm('50.004') }
  expect(habitsOf(last, { gauges: [measured] })).toEqual({
    unit: 'mm',
    school: 'gauge-line',
    plane: 'fixed jaw',
    // As they are today; one that the shop does not list stays as it was.
    gauges: [measured, ...last.gauges.slice(1)],
    reference: { constant: mm('100'), planeRow: 'G59' },
    holding: { jaw: mm('50'), parallels: mm('25') },
    keying: 'as-known',
  })
  const listed = { ...setter!, id: 'of the shop' }
  const called = habitsOf(last, { gauges: [{ ...listed, kind: 'gauge-block' }, listed] })
  expect(called.gauges[0]).toEqual(listed)
  expect(habitsOf(workedSheet(), { gauges: [] })).toEqual({
    unit: 'mm',
    school: 'setting-plane',
    plane: 'fixed jaw',
    gauges: workedSheet().gauges,
  })
})
