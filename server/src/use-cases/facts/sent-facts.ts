import { isDeepStrictEqual } from 'node:util'
import type { NewFact } from '@pine/contract'
import type { SetupFact } from '@pine/core/facts'
import type { Problem } from '@pine/core/problem'

/** What a device says beside a fact. */
export interface FactMetadata {
  /** How many facts of the set-up it has; where it is not said, the answer begins with the fact itself. */
  readonly known?: number | undefined
  /** How many facts of it the device had when it was entered: of what came later, whoever entered it knew nothing. */
  readonly seen?: number | undefined
  /** Id of the browser that it was entered in. */
  readonly device?: string | undefined
  /** Id of the person who entered it. */
  readonly by?: string | undefined
  /** When it was entered by the device's clock, ISO 8601. */
  readonly at?: string | undefined
  /** What that clock showed when it was sent: how long it waited is the difference, however wrong the clock is. */
  readonly sent?: string | undefined
}

/** A device may have waited for weeks; one whose clock is ahead, or wrong by more than that, is not believed. */
const LONGEST_AWAY_MS = 60 * 86_400_000
const AHEAD_MS = 60_000

/**
 * When a fact was entered, by the clock of this server: the devices of a shop do not show the same time, and what happened to a
 * machine is compared with what was touched by another device.
 */
export function momentOf({ at, sent }: Pick<FactMetadata, 'at' | 'sent'>, now: Date): Date {
  if (at === undefined) return now
  const moment = Date.parse(at) + (sent === undefined ? 0 : now.getTime() - Date.parse(sent))
  const ago = now.getTime() - moment
  return ago > LONGEST_AWAY_MS || ago < -AHEAD_MS ? now : new Date(moment)
}

/** A problem of a new fact at its place in what was sent, and not in the stream that it would be the last of. */
export const asSent = (
  problem: Problem,
  { kind }: Pick<NewFact, 'kind'>,
  place: number,
): Problem => {
  if (kind === 'sheet') return { ...problem, place: problem.place.replace(/^sheet/, 'body') }
  const own = `facts.${place}.`
  return problem.place.startsWith(own)
    ? { ...problem, place: problem.place.slice(own.length) }
    : problem
}

/** Whether two bodies say the same: what was sent and what was kept, which may be without what was undefined. */
export const isSame = (one: unknown, other: unknown): boolean =>
  isDeepStrictEqual(JSON.parse(JSON.stringify(one)), JSON.parse(JSON.stringify(other)))

/** Whether a fact that stands is the one that was sent; of a record the server makes the body. */
export const isSameFact = (one: SetupFact, sent: NewFact): boolean =>
  one.kind === sent.kind && (sent.kind === 'record' || isSame(one.body, sent.body))
