import { toNanometres, type Nanometres } from '../length/length'
import type { ReadLength } from '../length/read-length'

/** What a source is: it decides how it is shown, how sure it is and how it goes stale. */
export type SourceKind = 'reading' | 'gauge' | 'drawing' | 'declared'

/** One number that came from outside: somebody read it, marked it, drew it or declared it. */
export interface Source {
  /** Unique in the set-up; two terms with the same id are the same number and may cancel. */
  readonly id: string
  readonly kind: SourceKind
  /** What the person calls it: `height setter`, `T4 on the plane`. */
  readonly name: string
  readonly length: ReadLength
  /** How sure the number is; absent for what is declared or drawn, which is taken as it is. */
  readonly uncertainty?: SourceUncertainty
  /** Id of the reading that it was read in; a reading on two axes has several numbers. */
  readonly reading?: string
  /** The tool whose length it is, where that is declared and not read. */
  readonly lengthOf?: number
  /** It is not known: only a chain in which it cancels is a number. */
  readonly isUnknown?: true
  readonly by?: string
  /** ISO 8601 time, as recorded with the fact. */
  readonly at?: string
}

/** Standard uncertainty of a source. */
export interface SourceUncertainty {
  /** One standard deviation, in millimetres. */
  readonly mm: number
  /** Infinity where it is taken as known. */
  readonly degreesOfFreedom: number
}

/** Why a source stands in a chain; the words are in words/term-words.ts. */
export type TermRole =
  | 'tip-at-contact'
  | 'nose-at-contact'
  | 'axis-at-contact'
  | 'counter'
  | 'gauge-beneath'
  | 'sensor-radius'
  | 'facing'
  | 'drawing-coordinate'
  | 'lost-motion'
  | 'known-length'
  | 'school-constant'
  | 'external-offset'
  | 'quill'
  | 'diameter'
  | 'dial'
  | 'circle-remainder'
  | 'corner-remainder'
  | 'home-shift'
  | 'correction'
  | 'counter-zero'
  | 'row-stands'
  | 'active-row'
  | 'active-length'

export interface Term {
  readonly source: Source
  /** ±1 and ±½ are exact; a mean of n repeats carries 1/n. */
  readonly coefficient: number
  readonly role: TermRole
}

/**
 * A number as a linear combination of its sources. Value, trace, drawing, uncertainty, slips and
 * freshness are all read off this one shape.
 */
export interface Chain {
  readonly terms: readonly Term[]
}

export const EMPTY_CHAIN: Chain = { terms: [] }

/** A chain of one term. */
export function chainOf(source: Source, role: TermRole, coefficient = 1): Chain {
  return { terms: [{ source, role, coefficient }] }
}

/** The sum of chains. Terms of one source are put together, and vanish where they cancel. */
export function sumChains(...chains: readonly Chain[]): Chain {
  const merged = new Map<string, Term>()
  for (const { terms } of chains)
    for (const term of terms) {
      const before = merged.get(term.source.id)
      merged.set(
        term.source.id,
        before === undefined
          ? term
          : { ...before, coefficient: before.coefficient + term.coefficient },
      )
    }
  return { terms: [...merged.values()].filter((term) => term.coefficient !== 0) }
}

export function scaleChain(chain: Chain, factor: number): Chain {
  return {
    terms: chain.terms.map((term) => ({ ...term, coefficient: term.coefficient * factor })),
  }
}

/** minuend − subtrahend. */
export function subtractChains(minuend: Chain, subtrahend: Chain): Chain {
  return sumChains(minuend, scaleChain(subtrahend, -1))
}

/** The mean of repeated values of the same quantity; `chains` holds at least one. */
export function meanOfChains(chains: readonly Chain[]): Chain {
  if (chains.length === 0) throw new RangeError('meanOfChains needs at least one chain, got none')
  return scaleChain(sumChains(...chains), 1 / chains.length)
}

/**
 * The value of a chain, rounded once to the nanometre (an odd half rounds away from zero, so a
 * centre or a radius may be off by half a nanometre).
 */
export function valueOf(chain: Chain): Nanometres {
  return toNanometres(
    chain.terms.reduce((sum, term) => sum + term.coefficient * term.source.length.nm, 0),
  )
}

/** Whether something in it is not known: it is no number then, though what it is counted from may cancel in a difference. */
export const hasUnknown = ({ terms }: Chain): boolean =>
  terms.some(({ source }) => source.isUnknown === true)

/** Whether a zero in it is not known; the size of a gauge that nobody measured is known to about a millimetre. */
export const hasUnknownZero = ({ terms }: Chain): boolean =>
  terms.some(({ source }) => source.isUnknown === true && source.kind !== 'gauge')

/** The sum, where every part of it is known. */
export function sumOfKnown(chains: readonly (Chain | undefined)[]): Chain | undefined {
  const known = chains.filter((chain) => chain !== undefined)
  return known.length < chains.length ? undefined : sumChains(...known)
}
