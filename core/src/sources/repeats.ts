import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import { readLength } from '../length/read-length'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import { countedFrom, isOnCounter } from '../quantities/displayed'
import { endsOf } from '../quantities/contact-ends'
import { standingReadings } from '../freshness/standing'

/** Standing touches that were made the same way: another gauge shifts what is read. */
export function alikeRepeats(document: SetupDocument, reading: Reading): readonly Reading[] {
  return standingReadings(document, reading).filter((one) => isTouchedAlike(one, reading))
}

/** With the same between, met from the same side, read on the same number: what was read can be compared as it is. */
export const isTouchedAlike = (one: Reading, other: Reading): boolean =>
  circumstances(one) === circumstances(other)

/**
 * Of the touches of one quantity those that were read on the same number of the display as the last: a position of the machine and one of
 * a counter have no mean.
 */
export function readAlike(standing: readonly Reading[]): readonly Reading[] {
  const last = standing.at(-1)
  return standing.filter(
    (one) =>
      isOnCounter(one) === (last && isOnCounter(last)) &&
      countedFrom(one) === (last && countedFrom(last)),
  )
}

/** What those touches read, in millimetres; a number that cannot be read is left out. */
export const repeatsMm = (document: SetupDocument, reading: Reading): readonly number[] =>
  alikeRepeats(document, reading).flatMap(({ read }) => {
    const length = readLength(read)
    return length.ok ? [length.value.nm / NANOMETRES_PER.mm] : []
  })

/** How far repeats of one touch lie apart; undefined where there is only one. */
export function repeatSpread(document: SetupDocument, reading: Reading): Nanometres | undefined {
  const values = alikeRepeats(document, reading).flatMap(({ read }) => {
    const length = readLength(read)
    return length.ok ? [length.value.nm] : []
  })
  return values.length < 2 ? undefined : toNanometres(Math.max(...values) - Math.min(...values))
}

/** What makes two touches comparable: what lay at each of their ends, and the way it was met. */
function circumstances(reading: Reading): string {
  const before = known.get(reading)
  if (before !== undefined) return before
  const now = JSON.stringify([
    endsOf(reading).map(({ gauges, approach }) => [gauges, approach]),
    'approaches' in reading ? reading.approaches : undefined,
    'zeroedOn' in reading ? reading.zeroedOn : undefined,
    reading.position,
    reading.movedOver,
  ])
  known.set(reading, now)
  return now
}

/** A reading never changes, and is held against others with every key that is pressed. */
const known = new WeakMap<Reading, string>()
