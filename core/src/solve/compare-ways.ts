import { budgetOf } from '../budget/budget'
import {
  EMPTY_CHAIN,
  scaleChain,
  subtractChains,
  sumChains,
  sumOfKnown,
  valueOf,
  type Chain,
} from '../chain/chain'
import type { Reading, SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import { staleBy } from '../freshness/stale'
import { NANOMETRES_PER, toNanometres } from '../length/length'
import { directionOf } from '../quantities/equation'
import { moduleOf, quantityKey } from '../quantities/quantities'
import type { State } from '../quantities/state'
import type { Warning } from '../registers/warning'
import { planeShift } from '../sources/plane-shift'
import { planeUnderTouch } from '../sources/plane-under-touch'
import type { SourceReader } from '../sources/sources'
import { meanOfKnown } from './mean-of-known'
import { upwardDifference } from './part-tops'
import type { Heights } from './solution'

/** Two ways that differ by more than three standard deviations are no chance: once in 370 (normal distribution). */
const LIMIT_IN_EXPANDED = 1.5

/**
 * Heights that a second way tells otherwise than the one that the sheet chose. Nothing is blended: the number stays what a
 * person did, and a difference that neither way's uncertainty explains is told.
 */
export function waysApart(
  document: SetupDocument,
  sources: SourceReader,
  heights: Heights,
): readonly Warning[] {
  return [...firstOfEach(document.readings)].flatMap(([place, reading]): readonly Warning[] => {
    const known = sumOfKnown(knownTerms(reading, heights))
    if (known === undefined) return []
    const told = meanOfKnown(
      standingReadings(document, reading).map((one) => heightTold(document, sources, one)),
    )
    const apart = told && subtractChains(told, known)
    // The way itself leaves nothing; across something that moved, there is nothing to compare.
    if (apart === undefined || apart.terms.length === 0 || staleBy(apart, document)) return []
    const amount = valueOf(apart)
    const limit = toNanometres(LIMIT_IN_EXPANDED * budgetOf(apart).expandedMm * NANOMETRES_PER.mm)
    return Math.abs(amount) > limit ? [{ code: 'ways-differ', place, amount, limit }] : []
  })
}

/** The first reading of every quantity that tells a height. */
function firstOfEach(readings: readonly Reading[]): ReadonlyMap<string, Reading> {
  const first = new Map<string, Reading>()
  for (const reading of readings) {
    if (!tellsHeight(reading)) continue
    const key = quantityKey(reading)
    if (!first.has(key)) first.set(key, reading)
  }
  return first
}

/** A raw top is what there may be several ways to; the plane and a tip on it are what was touched there. */
const tellsHeight = (reading: Reading): boolean =>
  moduleOf(reading)
    .equation(reading)
    .some(({ state }) => state.of === 'top')

/** The sum of the unknowns that a reading was made for, upwards. */
function heightTold(
  document: SetupDocument,
  sources: SourceReader,
  reading: Reading,
): Chain | undefined {
  const { role, readIn } = moduleOf(reading)
  if (readIn === 'counter') return upwardDifference(document, sources, reading)
  if (role !== 'nose-at-contact' && role !== 'tip-at-contact') return undefined
  const touched = planeUnderTouch(sources, reading, role)
  const shift =
    moduleOf(reading).onPlane === true ? planeShift(document, sources, reading) : EMPTY_CHAIN
  return touched && shift && sumChains(touched, shift)
}

/** The same sum by the heights that are known: the plane, tips on it, and raw tops above it. */
function knownTerms(reading: Reading, heights: Heights): readonly (Chain | undefined)[] {
  const direction = directionOf(reading)
  const terms = moduleOf(reading).equation(reading)
  // A tip on the plane and a raw top are known beside the plane: how often that itself is left over.
  const planes = terms.reduce(
    (sum, { state, coefficient }) => sum + coefficient * planesIn(state),
    0,
  )
  return [
    ...terms.map(({ state, coefficient }) => {
      const chain = heightOf(state, heights)
      return chain && scaleChain(chain, direction * coefficient)
    }),
    planes === 0
      ? EMPTY_CHAIN
      : heights.noseOnPlane && scaleChain(heights.noseOnPlane, direction * planes),
  ]
}

/** length = tip on the plane − plane; top = top above the plane + plane. */
const planesIn = (state: State): number =>
  state.of === 'length' ? -1 : state.of === 'top' || state.of === 'plane' ? 1 : 0

function heightOf(state: State, { tipOnPlane, partTop }: Heights): Chain | undefined {
  if (state.of === 'length') return tipOnPlane[state.tool]
  return state.of === 'top' ? partTop[state.row] : EMPTY_CHAIN
}
