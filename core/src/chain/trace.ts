import { toNanometres, type LengthUnit, type Nanometres } from '../length/length'
import type { Chain, SourceKind, TermRole } from './chain'

/** One line of "how this number came". */
export interface TraceLine {
  readonly sourceId: string
  readonly role: TermRole
  readonly kind: SourceKind
  readonly name: string
  readonly coefficient: number
  /** As typed, in the unit it was typed in. */
  readonly text: string
  readonly unit: LengthUnit
  /** What this line adds to the number, in nanometres. */
  readonly contribution: Nanometres
  readonly by?: string
  readonly at?: string
}

/** The terms of a chain in the order in which they entered it; the contributions sum to its value. */
export function traceOf(chain: Chain): readonly TraceLine[] {
  return chain.terms.map(({ source, role, coefficient }) => ({
    sourceId: source.id,
    role,
    kind: source.kind,
    name: source.name,
    coefficient,
    text: source.length.text,
    unit: source.length.unit,
    contribution: toNanometres(coefficient * source.length.nm),
    ...(source.by === undefined ? {} : { by: source.by }),
    ...(source.at === undefined ? {} : { at: source.at }),
  }))
}
