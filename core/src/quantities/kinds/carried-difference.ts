import { field, oneOf, optional } from '../../fields/shape'
import { gauges, rowField, way } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { heightOf } from '../findings'
import { CAUTIONS } from '../touch-words'

/** The relative counter between the setting plane and a stock top: zeroed on one, read at the other. */
export const carriedDifference = quantity({
  named: { row: rowField },
  extra: {
    zeroedOn: field(
      oneOf(['plane', 'part']),
      'where the relative counter was zeroed; it was read at the other of the two',
    ),
    withOnPlane: field(gauges, 'what lay beneath at the plane; at the part it is `with`'),
    approachOnPlane: optional(way, 'the way Z came at the plane; at the part it is `approach`'),
  },
  reads: ['read'],
  axis: () => 'Z',
  readIn: 'counter',
  role: 'counter',
  equation: ({ row, zeroedOn }) => {
    const up = zeroedOn === 'plane' ? 1 : -1
    return [term({ of: 'top', row }, up), term({ of: 'plane' }, -up)]
  },
  otherEnd: ({ withOnPlane, approachOnPlane }) => ({
    gauges: withOnPlane,
    approach: approachOnPlane,
    onPlane: true,
  }),
  way: 'both-ends',
  purpose: 'difference',
  usualGauges: [],
  findings: ({ row }) => heightOf(row),
  called: ({ row }) => `${row} from the plane`,
  words: ({ row }) => ({
    title: `${row} Z · from the plane`,
    sentence: 'Zero the relative counter on one surface, read it at the other.',
    caution: CAUTIONS.difference,
    field: 'Relative Z counter',
  }),
})
