import type { SetupFact } from '../facts/bodies/bodies'
import type { SetupDocument } from '../facts/document'
import { foldSetup } from '../facts/fold'

/** A moment of a set-up that is worth looking back to: a release, or just before something happened to it. */
export interface Moment {
  /** How many of its facts had been entered then. */
  readonly length: number
  readonly fact: Extract<SetupFact, { readonly kind: 'record' | 'event' }>
}

/** Events that change nothing a number rests on, or follow another one: before a home was found again it was lost. */
const SMALL = ['order-told', 'row-stands', 'tool-rechecked', 'home-recovered'] as const

const isSmall = (kind: string): boolean => SMALL.some((one) => one === kind)

/** The moments of a set-up, the youngest first. A release counts with itself, an event is looked at from just before it. */
export function momentsOf(facts: readonly SetupFact[]): readonly Moment[] {
  return facts
    .flatMap((fact, place): readonly Moment[] => {
      if (fact.kind === 'record') return [{ length: place + 1, fact }]
      return fact.kind === 'event' && !isSmall(fact.body.kind) ? [{ length: place, fact }] : []
    })
    .toReversed()
}

/** A set-up as it stood when so many of its facts had been entered. */
export const asOf = (id: string, facts: readonly SetupFact[], length: number): SetupDocument =>
  foldSetup({ id, facts: facts.slice(0, length) })
