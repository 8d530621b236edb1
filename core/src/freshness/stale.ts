import type { Chain } from '../chain/chain'
import type { SetupDocument, SetupEvent } from '../setup/document'
import { instantOf } from './instant'
import { direction, sensitivity } from './sensitivity'

/** Sums of coefficients below this are rounding: a mean of three leaves 1/3 + 1/3 + 1/3 − 1. */
const NOTHING = 1e-9
const DAY_MS = 86_400_000

/** Why a number no longer holds. */
export type StaleReason =
  | { readonly by: 'event'; readonly event: SetupEvent }
  /** One of its readings is older than the shop allows. */
  | { readonly by: 'age'; readonly days: number; readonly readAt: string }

/** The name by which an acceptance refers to a reason. */
export const nameOfReason = (reason: StaleReason): string =>
  reason.by === 'event' ? reason.event.id : 'age'

/**
 * The last event that a number no longer holds after, if there is one.
 *
 * One rule serves every event of domain.md §12: a number is stale when what was moved does not
 * cancel out of its readings from before. So a tool length taken as tip minus nose outlives a moved
 * plane and a lost home, a length that was counted from the plane itself does not, and a
 * difference that mixes readings from before and after is found.
 */
export function staleBy(chain: Chain, document: SetupDocument): SetupEvent | undefined {
  const events = standingEvents(document)
  if (events.length === 0) return undefined
  const places = new Map(document.readings.map((reading, index) => [reading.id, index] as const))
  return events.findLast((event) => {
    const moved = chain.terms.reduce((sum, { source, coefficient, role }) => {
      // Both numbers of a reading on two axes carry its id; a gauge moves with the reading it lay at.
      const index = places.get(source.id.split(':')[0] ?? source.id)
      const reading = index === undefined ? undefined : document.readings[index]
      if (reading === undefined || index === undefined || index >= event.afterReadings) return sum
      if (role === 'lost-motion') return sum
      return sum + coefficient * direction(reading) * sensitivity(reading, event, index)
    }, 0)
    return Math.abs(moved) > NOTHING
  })
}

/** A lost home that was found again by its marks is worked into the readings, and no longer makes stale. */
function standingEvents({ events = [] }: SetupDocument): readonly SetupEvent[] {
  return events.filter(
    (event, index) =>
      event.kind !== 'home-lost' ||
      !events.slice(index + 1).some(({ kind }) => kind === 'home-recovered'),
  )
}

/**
 * The oldest reading of a number, if it is older than the shop allows.
 *
 * @param now ISO 8601 time at which it is asked.
 */
export function staleByAge(
  chain: Chain,
  days: number,
  now: string,
): Extract<StaleReason, { by: 'age' }> | undefined {
  const limit = instantOf(now) - days * DAY_MS
  const oldest = chain.terms
    .flatMap(({ source }) => source.at ?? [])
    .reduce<string | undefined>(
      (first, at) => (first !== undefined && instantOf(first) <= instantOf(at) ? first : at),
      undefined,
    )
  return oldest !== undefined && instantOf(oldest) < limit
    ? { by: 'age', days, readAt: oldest }
    : undefined
}
