import { rowField } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { heightOf } from '../findings'
import { CAUTIONS } from '../touch-words'

/** The bare nose on a part's stock top: machine Z where it touches. */
export const noseOnPart = quantity({
  named: { row: rowField },
  extra: {},
  reads: ['read'],
  axis: () => 'Z',
  readIn: 'machine',
  role: 'nose-at-contact',
  equation: ({ row }) => [term({ of: 'top', row })],
  way: 'in-z',
  purpose: 'touch',
  usualGauges: ['paper', 'shim', 'card', 'gauge-block', 'pin'],
  findings: ({ row }) => heightOf(row),
  called: ({ row }) => `${row} top by the nose`,
  words: ({ row }, { gauge }) => ({
    title: `${row} Z · nose on the top`,
    sentence: `Bring the bare nose down onto the stock top${gauge === '' ? '' : `, ${gauge} between`}.`,
    caution: CAUTIONS.nose,
    field: 'Machine Z at contact',
  }),
})
