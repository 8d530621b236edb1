import {
  field,
  gaugeOfSheet,
  length,
  listOf,
  oneOf,
  optional,
  recordOf,
  rowOfSheet,
  toolOfSheet,
  wholeNumber,
} from '../fields/shape'
import { FACES, WAYS } from '../touch/touch'

// Fields that several kinds of readings have.

export const toolField = field(toolOfSheet, 'which tool')
export const rowField = field(rowOfSheet, 'of which work offset')
export const faceField = field(oneOf(FACES), 'which side of the part')
/** Which touch of several, from 1. */
export const pointField = field(wholeNumber(1, 99), 'which touch of several, from 1')
export const readYField = field(length, 'its machine Y')

/** Gauge ids: what lies at a touch. */
export const gauges = listOf(gaugeOfSheet, { most: 10 })
export const way = oneOf(WAYS)
export const approachesField = optional(
  recordOf({ X: optional(way, 'of X'), Y: optional(way, 'of Y') }),
  'which way each axis moved last, where it was not the usual way: outwards in a bore, inwards round a boss. A swept dial has no usual way: left out, the backlash goes into the uncertainty',
)

/** A dial at four quarters. */
export const dialField = field(
  recordOf({
    left: field(length, 'at the left'),
    right: field(length, 'at the right'),
    front: field(length, 'at the front'),
    back: field(length, 'at the back'),
  }),
  'the dial at four quarters; it counts up when its plunger is pushed in',
)

/** The numbers that one reading is made of, in the order in which they are read. */
export const FIELD_KEYS = ['read', 'readY', 'right', 'back', 'left', 'front'] as const

export type FieldKey = (typeof FIELD_KEYS)[number]
