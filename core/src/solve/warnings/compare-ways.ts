import { budgetOf } from '../../budget/budget'
import {
  EMPTY_CHAIN,
  hasUnknown,
  scaleChain,
  subtractChains,
  sumOfKnown,
  valueOf,
  type Chain,
} from '../../chain/chain'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { readingOf, readingsById } from '../../facts/readings-by-id'
import { countingTouches } from '../../sources/counting-touches'
import { staleBy } from '../../freshness/stale'
import { NANOMETRES_PER, toNanometres } from '../../length/length'
import { directionOf, statesRead } from '../../quantities/equation'
import { quantityKey } from '../../quantities/quantities'
import type { State } from '../../quantities/state'
import type { Warning } from '../../registers/warning'
import { explain, knownSizes } from '../../slips/explain'
import { heightFrom } from '../../sources/plane/height-from'
import type { SourceReader } from '../../sources/sources'
import { meanOfKnown } from '../z/mean-of-known'
import type { Heights } from '../solution'

/** Two ways that differ by more than three standard deviations are no chance: once in 370 (normal distribution). */
const LIMIT_IN_EXPANDED = 1.5

/**
 * Stock tops that a second way tells otherwise than the one that the sheet chose. Nothing is blended: the number stays what a
 * person did, and a difference that neither way's uncertainty explains is told at the one that was read last.
 */
export function disagreeingWays(
  document: SetupDocument,
  sources: SourceReader,
  heights: Heights,
): readonly Warning[] {
  const mean = (reading: Reading) =>
    meanOfKnown(
      countingTouches(document, sources, reading).counting.map((one) =>
        heightFrom(document, sources, one),
      ),
    )
  return [...firstOfEach(document.readings).values()].flatMap((reading): readonly Warning[] => {
    const known = sumOfKnown(knownTerms(reading, heights))
    const knownMean = known && mean(reading)
    const apart = knownMean && subtractChains(knownMean, known)
    // The way itself leaves nothing; across something that moved, there is nothing to compare.
    if (apart === undefined || isNoDifference(apart, document)) return []
    const limit = beyondChance(apart)
    if (limit === undefined) return []
    const { last, other, sign } = lastRead(document, apart)
    const lastMean = last && mean(last)
    if (last === undefined || other === undefined || lastMean === undefined) return []
    const amount = toNanometres(sign * valueOf(apart))
    return [
      {
        code: 'ways-differ',
        place: quantityKey(last),
        beside: quantityKey(other),
        amount,
        limit,
        causes: slipsOf(document, lastMean, amount, limit),
      },
    ]
  })
}

/** Tools of known length that were touched as well, and measure otherwise than the sheet knows them. */
export function disagreeingLengths(
  document: SetupDocument,
  sources: SourceReader,
  { noseOnPlane, tipOnPlane }: Heights,
): readonly Warning[] {
  return document.sheet.tools.flatMap(({ number }): readonly Warning[] => {
    const known = sources.knownLength(number)
    const tip = tipOnPlane[number]
    const touched = tip && noseOnPlane && subtractChains(tip, noseOnPlane)
    if (touched === undefined || known === undefined) return []
    const apart = subtractChains(touched, known)
    // The tool that finds the plane by its known length leaves nothing.
    if (isNoDifference(apart, document)) return []
    const limit = beyondChance(apart)
    if (limit === undefined) return []
    const amount = toNanometres(valueOf(apart))
    return [
      {
        code: 'known-length-differs',
        place: quantityKey({ of: 'tip-on-plane', tool: number }),
        amount,
        limit,
        causes: slipsOf(document, touched, amount, limit),
      },
    ]
  })
}

/** Two ways that are one, that something moved between, or that are counted from different zeros. */
const isNoDifference = (apart: Chain, document: SetupDocument): boolean =>
  apart.terms.length === 0 || hasUnknown(apart) || staleBy(apart, document) !== undefined

/** How far chance may bring a difference, where it lies further apart than that; undefined where it does not. */
function beyondChance(apart: Chain): ReturnType<typeof toNanometres> | undefined {
  const limit = toNanometres(LIMIT_IN_EXPANDED * budgetOf(apart).expandedMm * NANOMETRES_PER.mm)
  return Math.abs(valueOf(apart)) > limit ? limit : undefined
}

/** The first reading of every quantity that tells a stock top: what there may be several ways to. */
function firstOfEach(readings: readonly Reading[]): ReadonlyMap<string, Reading> {
  const first = new Map<string, Reading>()
  for (const reading of readings.filter(tellsTop)) {
    const key = quantityKey(reading)
    if (!first.has(key)) first.set(key, reading)
  }
  return first
}

const tellsTop = (reading: Reading): boolean =>
  statesRead(reading).some(({ state }) => state.of === 'top')

/** The sum of a reading's unknowns by the heights that are known: the plane, tips on it, stock tops above it. */
function knownTerms(reading: Reading, heights: Heights): readonly (Chain | undefined)[] {
  const direction = directionOf(reading)
  const terms = statesRead(reading)
  // A tip on the plane and a stock top are known beside the plane: how often that itself is left over.
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

/** Of the readings that tell a top in a difference: the last, the one before it, and the sign with which the last is in it. */
function lastRead(document: SetupDocument, { terms }: Chain) {
  const byId = readingsById(document.readings)
  const [last, ...before] = terms
    .flatMap(({ source, coefficient }) => {
      const reading = readingOf(byId, source)
      return reading !== undefined && tellsTop(reading) ? [{ reading, coefficient }] : []
    })
    .sort((one, two) => two.reading.place - one.reading.place)
  const key = last && quantityKey(last.reading)
  return {
    last: last?.reading,
    other: before.find(({ reading }) => quantityKey(reading) !== key)?.reading,
    sign: last !== undefined && last.coefficient * directionOf(last.reading) < 0 ? -1 : 1,
  }
}

/** What turns the height that the others tell into the one that was told last. */
const slipsOf = (
  { sheet: { unit, machine, gauges } }: SetupDocument,
  knownMean: Chain,
  amount: number,
  within: NonNullable<Warning['limit']>,
) =>
  explain({
    expected: toNanometres(valueOf(knownMean) - amount),
    observed: valueOf(knownMean),
    unit,
    decimals: machine.control.decimals[unit],
    within,
    chain: knownMean,
    kind: 'size',
    gauges: knownSizes(gauges, 'Z'),
  })
