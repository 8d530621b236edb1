import { budgetOf } from '../budget/budget'
import { rangeLimit } from '../budget/range'
import { repeatabilityMm, resolutionMm } from '../budget/source-uncertainty'
import { subtractChains, valueOf } from '../chain/chain'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import { NANOMETRES_PER, toNanometres, type Nanometres, type WrittenLength } from '../length/length'
import { nanometresOf, readLength } from '../length/read-length'
import { endsOf } from '../quantities/contact-ends'
import { axisOfQuantity, type QuantityName } from '../quantities/quantities'
import { axisOfFace } from '../touch/touch'
import { heightFrom } from './plane/height-from'
import { isTouchedAlike, readAlike } from './repeats'
import type { SourceReader } from './sources'
import { stateSum } from './state-sum'

/** Two touches of one thing that are no repeats of each other: how far they lie apart, and how far repeats may. */
interface Disagreement {
  readonly amount: Nanometres
  readonly limit: Nanometres
}

/** The touches of a quantity that its number is the mean of, and what keeps it from one. */
interface CountingTouches {
  readonly counting: readonly Reading[]
  readonly apart?: Disagreement
}

/**
 * Touches that lie further apart than they repeat are never averaged. Where the last was made once more and found again, those that
 * agree with it count and what was read before does not; where it stands alone against another, none counts, until somebody touches
 * again or says that this one does.
 */
export function countingTouches(
  document: SetupDocument,
  sources: SourceReader,
  quantity: QuantityName,
): CountingTouches {
  const standing = readAlike(standingReadings(document, quantity))
  const newest = standing.at(-1)
  if (newest === undefined || standing.length === 1) return { counting: standing }
  const pairs = standing.flatMap((one, index) =>
    standing.slice(index + 1).map((other) => [one, other] as const),
  )
  const among = (n: number) => (one: Reading, other: Reading) =>
    tooFar(document, sources, one, other, n)
  if (pairs.every(([one, other]) => among(standing.length)(one, other) === undefined))
    return { counting: standing }
  const like = standing.filter((one) => one === newest || among(2)(one, newest) === undefined)
  if (like.length > 1 || countsByDecision(newest)) return { counting: like }
  const apart = standing
    .flatMap((one) => (one === newest ? [] : (among(2)(one, newest) ?? [])))
    .toSorted((one, other) => other.amount - one.amount)[0]
  return { counting: [], ...(apart && { apart }) }
}

/** Somebody put it in the place of another, and answers for it although it is not what was to be expected. */
const countsByDecision = ({ supersedes, surprise }: Reading): boolean =>
  supersedes !== undefined && surprise !== undefined

/** Two further apart than three standard deviations of their difference are no chance: once in 370 (normal distribution). */
const LIMIT_IN_EXPANDED = 1.5

/**
 * Made the same way two touches are compared as they were read; with another gauge between, as what they tell. Met from the other side,
 * backlash lies between them, and how much of it nobody may know.
 *
 * @param n how many touches they are of: the range of n grows with n.
 */
function tooFar(
  document: SetupDocument,
  sources: SourceReader,
  one: Reading,
  other: Reading,
  n: number,
): Disagreement | undefined {
  if (isTouchedAlike(one, other)) {
    const [read, again] = [repeated(one), repeated(other)].map((number) => nanometresOf(number))
    if (read === undefined || again === undefined) return undefined
    return beyond(again - read, repeatLimit(document, [one, other], n))
  }
  if (waysOf(one) !== waysOf(other)) return undefined
  const [first, again] = [one, other].map((reading) =>
    // A counter that was zeroed at the other end shows the same height turned.
    axisOfQuantity(reading) === 'Z'
      ? heightFrom(document, sources, reading)
      : stateSum(document, sources, reading),
  )
  if (first === undefined || again === undefined) return undefined
  const difference = subtractChains(again, first)
  const limit = LIMIT_IN_EXPANDED * budgetOf(difference).expandedMm * NANOMETRES_PER.mm
  return beyond(valueOf(difference), Math.max(limit, repeatLimit(document, [one, other], n)))
}

/**
 * The number that a second touch of the same is to find again: of a place on a face the one across it, for it may have been met a
 * little further along; around a circle none, where the others tell it.
 */
function repeated(reading: Reading): WrittenLength | undefined {
  if (reading.of === 'circle-point' || reading.of === 'sweep') return undefined
  const isAlongX = reading.of === 'edge-point' && axisOfFace(reading.face) === 'Y'
  return isAlongX ? reading.readY : reading.read
}

const beyond = (amount: number, limit: number): Disagreement | undefined =>
  Math.abs(amount) > limit
    ? { amount: toNanometres(Math.abs(amount)), limit: toNanometres(limit) }
    : undefined

const waysOf = (reading: Reading): string =>
  JSON.stringify(endsOf(reading).map(({ approach }) => approach))

/** How far n repeats may lie apart, in nanometres; a difference on the counter has two contacts. */
function repeatLimit(
  { sheet: { unit, machine, gauges } }: SetupDocument,
  touches: readonly Reading[],
  n: number,
): number {
  const display = { unit, decimals: machine.control.decimals[unit] }
  const standard = touches.map((touch) => {
    const contacts = endsOf(touch).map(({ gauges: ids }) =>
      repeatabilityMm(gauges.filter(({ id }) => ids.includes(id))),
    )
    const read = readLength(touch.read)
    return Math.hypot(...contacts, read.ok ? resolutionMm(read.value, display) : 0)
  })
  return Math.round(rangeLimit(n) * Math.max(...standard) * NANOMETRES_PER.mm)
}
