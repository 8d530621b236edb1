import { budgetOf } from '../budget/budget'
import { hasUnknownZero, valueOf } from '../chain/chain'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import { NANOMETRES_PER, type LengthUnit } from '../length/length'
import { statesRead } from '../quantities/equation'
import { axisOfQuantity, quantityKey } from '../quantities/quantities'
import { SourceReader } from '../sources/sources'
import { Beliefs, type Belief } from './believe'
import { evidenceOf, offsetOf } from './evidence'

/** How a reading is made, before a number is read: the quantity, what lies between, how it is met. */
export type ExpectedTouch = Reading extends infer One
  ? One extends Reading
    ? Omit<One, 'id' | 'by' | 'at' | 'via' | 'place' | 'read' | 'seen'>
    : never
  : never

/**
 * What should be read, by all that is known before: the readings that still hold, what the sheet declares, a rule held to the
 * tool, and how long tools usually are. In millimetres.
 *
 * Undefined where nothing is known of one of the states that it depends on, and for readings that tell their states only
 * together with others (touches around a circle, a sweep, an edge).
 *
 * m = Σ c · E[state], u² = Σ c² · u²(state) + u²(contact).
 */
export function expectReading(document: SetupDocument, touch: ExpectedTouch): Belief | undefined {
  const sources = new SourceReader(document)
  const reading = asIfRead(touch, document)
  // What it read before is for its repeats to be held against; read in its place, it may have been wrong. What was taken over is
  // what the touch here is to find again.
  const isKept = standingReadings(document, reading).some(({ kept }) => kept !== undefined)
  const own = isKept ? undefined : quantityKey(reading)
  const beliefs = new Beliefs(
    evidenceOf(document, sources).filter(
      ({ because }) => !(because.of === 'reading' && because.quantity === own),
    ),
  )
  const zero = sources.displayZero(reading, axisOfQuantity(reading))
  if (zero === undefined) return undefined
  // The zero of a counter is one more state, until somebody read where it is.
  const states = statesRead(reading).filter(
    ({ state }) => state.of !== 'counter' || hasUnknownZero(zero),
  )
  const sum = beliefs.sum(states)
  const offset = sum && offsetOf(document, sources, reading)
  if (sum === undefined || offset === undefined) return undefined
  return {
    mm: sum.mm + (valueOf(offset) - valueOf(zero)) / NANOMETRES_PER.mm,
    standardMm: Math.hypot(sum.standardMm, budgetOf(offset).standardMm, CONTACT_MM),
    because: sum.because,
  }
}

/** A contact by hand and eye, and a display's last digit (common practice, no source). */
const CONTACT_MM = 0.02

/** The reading that would be entered now; what it reads does not matter. */
function asIfRead(touch: ExpectedTouch, { sheet, length }: SetupDocument): Reading {
  const read = { text: '0', unit: sheet.unit satisfies LengthUnit }
  const by = { name: '' }
  return { ...touch, read, id: 'to-be', by, at: '', via: 'typed', place: length } as Reading
}
