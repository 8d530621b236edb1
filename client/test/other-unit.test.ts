import { newCheck, watchDraft } from '@/areas/gauges/checks-view'
import { gaugeDraft } from '@/areas/shop/gauge-draft'
import { machineDraft, machineOf, newMachine } from '@/areas/shop/machine/machine-draft'
import { toolDraft } from '@/areas/tools/tool-draft'

// A form has one unit for all its lengths: what was declared in another one is shown converted, and never as it was written.

const mm = (text: string) => ({ text, unit: 'mm' as const })
const inch = (text: string) => ({ text, unit: 'in' as const })

test('a gauge whose wall or uncertainty was declared in inches', () => {
  const plate = { id: 'p', kind: 'plate', name: 'plate', size: mm('12.7') } as const
  expect(gaugeDraft({ ...plate, wall: inch('0.2'), uncertainty: inch('0.0001') })).toMatchObject({
    size: '12.7',
    unit: 'mm',
    wall: '5.08',
    uncertainty: '0.00254',
  })
})

test('what a gauge may be off, and the master that it was held against last', () => {
  expect(watchDraft({ limit: inch('0.0005') }, 'mm').limit).toBe('0.0127')
  const gauge = { id: 'g', kind: 'height-setter', name: 'setter', size: inch('2.0000') } as const
  const check = { id: 'c', at: '2026-01-05T09:00:00.000Z', by: 'Mira', against: 'block' }
  const history = {
    gauge: { id: 'g', gauge },
    checks: [{ ...check, read: inch('2.0001'), master: mm('50.8') }],
  }
  expect(newCheck(history).master).toBe('2')
  expect(newCheck({ ...history, checks: [] }).master).toBe('2.0000')
})

test('a machine with a travel, a dial and a screw in the other unit', () => {
  const made = machineOf({
    ...newMachine,
    name: 'Mill',
    workOffsetKey: 'set',
    lengthKey: 'set',
    reads: 'machine',
  })
  if (!('made' in made)) throw new Error('a machine with a name is declared')
  const draft = machineDraft({
    ...made.made,
    travels: { X: { min: mm('-508'), max: inch('10') } },
    lostMotion: { Z: inch('0.0002') },
    dialTurn: { X: mm('2.54') },
  })
  expect(draft).toMatchObject({
    unit: 'mm',
    turn: '2.54',
    travels: { X: ['-508', '254'] },
    lostMotion: { Z: '0.00508' },
  })
})

test('a tool with a stick-out in millimetres and a diameter in inches', () => {
  const tool = { name: 'mill', stickOut: mm('38.1'), properties: { DC: inch('0.5'), NOF: 4 } }
  expect(toolDraft(tool)).toMatchObject({ unit: 'in', stickOut: '1.5', DC: '0.5', NOF: '4' })
})
