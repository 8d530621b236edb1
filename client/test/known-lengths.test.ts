import type { Pockets } from '@pine/contract'
import type { Gauge } from '@pine/core/sheet'
import {
  counted,
  countsWith,
  knownLengths,
  stylusOf,
  stylusOptions,
  touchedAfterAll,
} from '@/areas/new-setup/tools/known-lengths'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const measured = {
  ...{ length: mm('101.248'), uncertainty: mm('0.0121'), machine: 'A', machineName: 'Mill A' },
  from: { name: 'Ring', at: '2026-03-03T08:00:00Z', plane: 'Block ' },
} as const
const there = (changes: object): Pockets[number] => ({
  ...{ id: 'one', pocket: 3, tool: { name: 'mill' } },
  ...changes,
})
const kinds = (entry: Pockets[number], plane = 'table') =>
  knownLengths(entry, { plane }).map(({ by, holds }) => `${by}${holds ? '' : ', to expect'}`)

test('a length is offered as another set-up measured it, unless its touches themselves can be taken over', () => {
  const here = there({ carried: { ...measured, because: 'same-machine' } })
  expect(kinds(here, 'block')).toEqual([])
  expect(kinds(here, 'table')).toEqual(['measured'])
  expect(kinds(there({ carried: { ...measured, because: 'face' } }), 'block')).toEqual(['measured'])
  expect(kinds(there({}))).toEqual([])
  const bench = { tool: { name: 'mill', properties: { LF: mm('101.2') }, holder: { name: 'h' } } }
  expect(kinds(there({ ...bench, carried: { ...measured, because: 'face' } }))).toEqual([
    'measured',
    'bench, to expect',
  ])
})

test('counted with it a tool has its length and how sure it is, and neither when it is touched after all', () => {
  const tool = { number: 3, name: 'mill', lengthRegister: 3, lengthUncertainty: mm('0.5') }
  const [known] = knownLengths(there({ carried: { ...measured, because: 'face' } }), {
    plane: 'table',
  })
  const so = counted(tool, known!)
  expect(so).toEqual({ ...tool, length: mm('101.248'), lengthUncertainty: mm('0.0121') })
  expect([countsWith(known!, so), countsWith(known!, tool)]).toEqual([true, false])
  expect(touchedAfterAll(so)).toEqual({ number: 3, name: 'mill', lengthRegister: 3 })
  // From the bench nothing says how sure it is: what was said of another length is not said of this one.
  expect(counted(tool, { ...known!, uncertainty: undefined })).not.toHaveProperty(
    'lengthUncertainty',
  )
})

test('a sensor is as long as the stylus that is in makes it', () => {
  const sensor: Gauge = {
    ...({ id: 'sensor', kind: 'dial-sensor', name: '3D sensor' } as const),
    size: mm('160'),
    styli: [
      { name: '30 mm', length: mm('160.000') },
      { name: '50 mm', length: mm('180.500') },
    ],
  }
  const pin: Gauge = { id: 'pin', kind: 'pin', name: 'pin', size: mm('6') }
  expect(stylusOptions([pin, sensor]).map(({ label }) => label)).toEqual([
    '3D sensor, 30 mm: 160.000 mm',
    '3D sensor, 50 mm: 180.500 mm',
  ])
  const tool = { number: 9, name: '3D sensor', lengthRegister: 9 }
  const [, long] = stylusOptions([pin, sensor])
  expect(stylusOf(tool, [sensor])).toBeUndefined()
  expect(stylusOf(counted(tool, long!.stylus), [pin, sensor])).toBe('sensor 50 mm')
})
