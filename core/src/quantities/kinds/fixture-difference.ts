import { field, oneOf, optional, rowOfSheet } from '../../fields/shape'
import { gauges, rowField, way } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { heightOf } from '../findings'
import { CAUTIONS } from '../touch-words'

/** The relative counter between two stock tops: zeroed on one, read at the other. */
export const fixtureDifference = quantity({
  named: { row: rowField, from: field(rowOfSheet, 'the work offset that it is counted from') },
  extra: {
    zeroedOn: field(
      oneOf(['row', 'from']),
      'at which of the two stock tops the counter was zeroed; it was read at the other',
    ),
    withOnFrom: optional(gauges, 'what lay beneath at `from`; as at the row by default'),
    approachOnFrom: optional(way, 'the way Z came there; as at the row by default'),
  },
  reads: ['read'],
  axis: () => 'Z',
  readIn: 'counter',
  role: 'counter',
  equation: ({ row, from, zeroedOn }) => {
    const up = zeroedOn === 'from' ? 1 : -1
    return [term({ of: 'top', row }, up), term({ of: 'top', row: from }, -up)]
  },
  otherEnd: ({ withOnFrom, approachOnFrom }, own) => ({
    gauges: withOnFrom ?? own.with,
    approach: approachOnFrom ?? (withOnFrom === undefined ? own.approach : undefined),
    onPlane: false,
  }),
  way: 'both-ends',
  purpose: 'difference',
  usualGauges: [],
  findings: ({ row }) => heightOf(row),
  called: ({ row, from }) => `${row} from ${from}`,
  words: ({ row, from }) => ({
    title: `${row} Z · from ${from}`,
    // Which two they are stands in the title, and where the counter was zeroed is asked by their names.
    sentence: 'Zero the relative counter on one stock top, read it at the other.',
    caution: CAUTIONS.difference,
    field: 'Relative Z counter',
  }),
})
