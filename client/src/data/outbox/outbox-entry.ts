import type { NewFact, NewGaugeCheck, ReportedProblem } from '@pine/contract'
import type { Author } from '@pine/core/journal'

interface Entered {
  /** Who entered it here; older entries of this device tell the name alone. */
  readonly by: Author | string
  readonly at: string
  /** Why the server refused it: it stays here, with the reason, until a person decides. */
  readonly refused?: ReportedProblem
}

/** A fact of a set-up that was entered here and is not yet known to be kept by the server. */
export interface SetupEntry extends Entered {
  readonly setupId: string
  readonly gaugeId?: undefined
  readonly fact: NewFact
  /** The fact is the sheet that the set-up begins with: the server does not know it before. */
  readonly begins?: boolean
  /** How many facts of the set-up this device had from the server when it was entered. */
  readonly seen?: number
  /** This browser, as the fact will carry it. */
  readonly device?: string
}

/** A check of a gauge that was entered here and is not yet known to be kept by the server. */
export interface CheckEntry extends Entered {
  readonly gaugeId: string
  readonly fact: {
    readonly id: string
    readonly kind: 'gauge-check'
    readonly body: Omit<NewGaugeCheck, 'id'>
  }
}

export type OutboxEntry = SetupEntry | CheckEntry

/** Of a set-up, and not of a gauge. */
export const isOfSetup = (entry: OutboxEntry): entry is SetupEntry => entry.gaugeId === undefined

/** What it is an entry of: one that the server fails at holds up no other's. */
export const streamOf = (entry: OutboxEntry): string =>
  isOfSetup(entry) ? entry.setupId : entry.gaugeId
