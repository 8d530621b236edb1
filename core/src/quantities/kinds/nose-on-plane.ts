import {} from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { CAUTIONS } from '../touch-words'
import { SETTERS } from '../usual-gauges'

/** The bare nose on the setting plane: machine Z where it touches. */
export const noseOnPlane = quantity({
  named: {},
  extra: {},
  reads: ['read'],
  axis: () => 'Z',
  readIn: 'machine',
  role: 'nose-at-contact',
  equation: () => [term({ of: 'plane' })],
  onPlane: true,
  way: 'in-z',
  purpose: 'touch',
  usualGauges: SETTERS,
  findings: () => [{ of: 'plane' }],
  called: () => 'the bare nose on the plane',
  words: (_, { gauge, plane }) => ({
    title: 'Bare nose on the plane',
    sentence: `Bring the bare nose down onto the ${gauge === '' ? plane : gauge}.`,
    caution: CAUTIONS.nose,
    field: 'Machine Z at contact',
  }),
})
