import { subtractChains, valueOf } from '../../chain/chain'
import { repeatsWithin } from '../../budget/repeats-within'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { wasRightThen } from '../../facts/replaced'
import { orderOf } from '../../freshness/order'
import { sensitivity } from '../../freshness/sensitivity'
import { statesRead } from '../../quantities/equation'
import { quantityKey } from '../../quantities/quantities'
import { heightThen } from './height-then'
import type { SourceReader } from '../sources'

/**
 * The family of a reading on the setting plane: readings of one family were made while the plane lay in one place.
 * Undefined where that cannot be said of it.
 */
export type PlaneFamilies = (reading: Reading) => string | undefined

// Asked for every reading on the plane, on every key that is typed: worked out once for each reader of a document.
const workedOut = new WeakMap<SourceReader, PlaneFamilies>()

/**
 * Sorts the readings on the setting plane into families.
 *
 * Each move of the plane that was said begins a generation. Within one, what was read here and what was reused from
 * earlier set-ups are families of their own, until a tool that was touched in two of them agrees: that ties them. Where
 * two touches of one tool in a generation disagree, something moved that nobody said: then no reading of the generation
 * belongs to a family, because nobody knows which of them were made before it.
 */
export function planeFamilies(document: SetupDocument, sources: SourceReader): PlaneFamilies {
  const known = workedOut.get(sources)
  if (known !== undefined) return known
  const families = sortOut(document, sources)
  workedOut.set(sources, families)
  return families
}

function sortOut(document: SetupDocument, sources: SourceReader): PlaneFamilies {
  const { readings, events } = document
  const moves = events.filter(({ kind }) => kind === 'plane-moved')
  if (moves.length === 0) return (reading) => (isOnPlane(reading) ? '0' : undefined)

  const generationOf = (reading: Reading): number | undefined => {
    const orders = moves.map((move) => orderOf(reading, move, events))
    return orders.includes('unknown')
      ? undefined
      : orders.filter((order) => order === 'after').length
  }
  const byGeneration = new Map<number, Reading[]>()
  const replacedBecause = new Map(
    readings.flatMap(({ supersedes, reason }) =>
      supersedes === undefined ? [] : [[supersedes, reason] as const],
    ),
  )
  for (const reading of readings) {
    const generation = isOnPlane(reading) ? generationOf(reading) : undefined
    const isSlip = replacedBecause.has(reading.id) && !wasRightThen(replacedBecause.get(reading.id))
    if (generation === undefined || isSlip) continue
    byGeneration.set(generation, [...(byGeneration.get(generation) ?? []), reading])
  }
  const families = new Map<string, string>()
  for (const [generation, alike] of byGeneration) {
    const ties = tiesAmong(alike, document, sources)
    if (ties === undefined) continue
    const rootOf = unite(ties)
    for (const reading of alike)
      families.set(reading.id, `${generation} ${rootOf(originOf(reading))}`)
  }
  return ({ id }) => families.get(id)
}

const isOnPlane = (reading: Reading): boolean =>
  statesRead(reading).some(({ state }) => state.of === 'plane')

/** Read here, or in which generation of the plane of earlier set-ups; where that is not told, in which set-up. */
const originOf = ({ kept }: Reading): string => kept?.generation ?? kept?.setup ?? 'here'

/** Origins that a tool ties because it was touched in both and agrees; undefined where two touches of one disagree. */
function tiesAmong(
  readings: readonly Reading[],
  { events }: Pick<SetupDocument, 'events'>,
  sources: SourceReader,
): readonly (readonly [string, string])[] | undefined {
  const ties: (readonly [string, string])[] = []
  for (const [first, second] of pairsAlike(readings)) {
    // What was changed between them, and said so, explains why they differ.
    const isRenewed = events.some(
      (event) =>
        event.kind !== 'plane-moved' &&
        sensitivity(first, event) !== 0 &&
        orderOf(first, event, events) !== orderOf(second, event, events),
    )
    if (isRenewed) continue
    const [one, other] = [heightThen(sources, first), heightThen(sources, second)]
    if (one === undefined || other === undefined) continue
    const apart = subtractChains(one, other)
    if (Math.abs(valueOf(apart)) > repeatsWithin(apart)) return undefined
    ties.push([originOf(first), originOf(second)])
  }
  return ties
}

/** Every two readings of one quantity. */
function pairsAlike(readings: readonly Reading[]): readonly (readonly [Reading, Reading])[] {
  const byKey = new Map<string, Reading[]>()
  for (const reading of readings) {
    const alike = byKey.get(quantityKey(reading))
    if (alike === undefined) byKey.set(quantityKey(reading), [reading])
    else alike.push(reading)
  }
  return [...byKey.values()].flatMap((alike) =>
    alike.flatMap((first, index) =>
      alike.slice(index + 1).map((second) => [first, second] as const),
    ),
  )
}

/** The one that stands for all that are tied together. */
function unite(ties: readonly (readonly [string, string])[]): (origin: string) => string {
  const to = new Map<string, string>()
  const rootOf = (origin: string): string => {
    const next = to.get(origin)
    return next === undefined ? origin : rootOf(next)
  }
  for (const [one, other] of ties) {
    const [root, otherRoot] = [rootOf(one), rootOf(other)]
    if (root !== otherRoot) to.set(root, otherRoot)
  }
  return rootOf
}
