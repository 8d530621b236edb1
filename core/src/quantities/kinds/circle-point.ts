import { approachesField, pointField, readYField, rowField } from '../fields'
import { quantity } from '../quantity-module'
import { term } from '../state'
import { centreOf } from '../findings'
import { SENSORS } from '../usual-gauges'

/**
 * A touch around a bore or a boss, read on both axes: `read` is machine X of the spindle axis. The sensor's radius shifts
 * every point outwards alike; what the touches lean on is the middle.
 */
export const circlePoint = quantity({
  named: { row: rowField, point: pointField },
  extra: { readY: readYField, approaches: approachesField },
  reads: ['read', 'readY'],
  axis: () => 'X',
  readIn: 'machine',
  role: 'axis-at-contact',
  equation: ({ row }) => [term({ of: 'centre', row })],
  way: 'touch-in-plane',
  purpose: 'touch',
  usualGauges: SENSORS,
  findings: ({ row }) => [centreOf(row)],
  called: ({ row, point }) => `${row} touch ${point} around it`,
  words: ({ row, point }, { gauge, finderCaution }) => ({
    title: `${row} · touch ${point} around`,
    sentence: `Touch ${point} around the circle${gauge === '' ? ', far from the others' : ` with the ${gauge}`}.`,
    caution: finderCaution,
    field: 'Machine X and Y at contact',
  }),
})
