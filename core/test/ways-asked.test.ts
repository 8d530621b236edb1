import { waysAsked } from '../src/plan'
import { moduleOf, type QuantityName } from '../src/quantities'
import { type SetupSheet } from '../src/sheet'
import { gaugeServes } from '../src/touch'
import { mm, workedDocument, workedSheet } from './worked-example'

const lost = (changes: Partial<Record<'X' | 'Y' | 'Z', string>>): Partial<SetupSheet> => ({
  machine: {
    ...workedSheet().machine,
    lostMotion: Object.fromEntries(Object.entries(changes).map(([axis, text]) => [axis, mm(text)])),
  },
  gauges: [
    ...workedSheet().gauges,
    { id: 'block', kind: 'gauge-block', name: 'block', size: mm('25') },
  ],
})
const asked = (
  changes: Partial<SetupSheet>,
  quantity: QuantityName,
  own: readonly string[] = [],
  other: readonly string[] = [],
) =>
  waysAsked(workedDocument(changes), quantity, own, other).map(
    ({ end, axis, usual }) => `${end} ${axis} ${usual}`,
  )

describe('from which side a screw was met is asked', () => {
  const Z = lost({ Z: '0.012' })
  test('of a touch in Z, once: rising where something is slid under', () => {
    expect(asked(Z, { of: 'tip-on-plane', tool: 1 }, ['setter'])).toEqual(['own Z -'])
    expect(asked(Z, { of: 'tip-on-plane', tool: 1 }, ['block'])).toEqual(['own Z +'])
    expect(asked(Z, { of: 'nose-on-part', row: 'G54' }, ['paper', 'block'])).toEqual(['own Z +'])
  })
  test('of a difference, at each of its ends', () => {
    expect(asked(Z, { of: 'carried-difference', row: 'G54' }, ['block'], ['setter'])).toEqual([
      'own Z +',
      'other Z -',
    ])
    expect(asked(Z, { of: 'fixture-difference', row: 'G55', from: 'G54' })).toEqual([
      'own Z -',
      'other Z -',
    ])
  })
  test('of a place in a plane, in each axis whose screw has any', () => {
    const XY = lost({ X: '0.02', Y: '0.015' })
    expect(asked(XY, { of: 'sweep', row: 'G54' })).toEqual(['X X undefined', 'Y Y undefined'])
    expect(asked(XY, { of: 'circle-point', row: 'G54', point: 1 })).toEqual([
      'X X touch',
      'Y Y touch',
    ])
    expect(
      asked(lost({ Y: '0.015' }), { of: 'edge-point', row: 'G54', face: 'left', point: 1 }),
    ).toEqual(['Y Y touch'])
  })
  test('nowhere else: not at a face, not of a diameter, not where none is declared or it is nothing', () => {
    const all = lost({ X: '0.02', Y: '0.02', Z: '0.02' })
    expect(asked(all, { of: 'face', row: 'G54', face: 'left' })).toEqual([])
    expect(asked(all, { of: 'tool-diameter', tool: 1 })).toEqual([])
    expect(asked(lost({ Z: '0' }), { of: 'tip-on-plane', tool: 1 })).toEqual([])
    expect(asked({ ...lost({}) }, { of: 'carried-difference', row: 'G54' })).toEqual([])
  })
})

test.each([
  ['height-setter', 'tip-on-plane', 'Z', true],
  ['height-setter', 'face', 'X', false],
  ['edge-finder', 'face', 'Y', true],
  ['edge-finder', 'nose-on-part', 'Z', false],
  ['dial-indicator', 'sweep', 'X', true],
  ['dial-indicator', 'carried-difference', 'Z', true],
  ['dial-indicator', 'face', 'X', false],
  ['micrometer', 'tool-diameter', 'Z', true],
  ['micrometer', 'tip-on-plane', 'Z', false],
  ['height-setter', 'tool-diameter', 'Z', false],
  ['probe', 'sweep', 'X', false],
] as const)('a %s at a %s in %s: %s', (kind, of, axis, serves) => {
  expect(gaugeServes(kind, moduleOf({ of }).purpose, axis)).toBe(serves)
})
