import type { Chain, Source } from '../chain/chain'
import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import { studentT } from './student-t'

/** Coverage of an expanded uncertainty (JCGM 100, 6.3.3: about 95 %). */
export const COVERAGE = 0.95
/** From here on the usual factor 2 serves (JCGM 100, 6.3.3). */
const LARGE_FREEDOM = 50

export interface BudgetLine {
  readonly source: Source
  readonly coefficient: number
  /** Standard uncertainty of the source, in millimetres. */
  readonly sourceMm: number
  /** |coefficient| × that: what it brings to the number. */
  readonly contributionMm: number
}

/** How sure a number is, by JCGM 100 (GUM). */
export interface Budget {
  /** The largest contribution first. */
  readonly lines: readonly BudgetLine[]
  /** Combined standard uncertainty u_c, in millimetres. */
  readonly standardMm: number
  /** ν_eff by Welch–Satterthwaite; Infinity where every source is taken as known. */
  readonly degreesOfFreedom: number
  /** Expanded uncertainty U = k · u_c for 95 %, in millimetres. */
  readonly expandedMm: number
  readonly coverageFactor: number
}

/**
 * The budget of a chain: contributions combined by root sum of squares. A source that cancelled out
 * of the chain brings nothing, because it has no term in it.
 */
export function budgetOf(chain: Chain): Budget {
  const lines = chain.terms
    .flatMap(({ source, coefficient }): BudgetLine[] =>
      source.uncertainty === undefined
        ? []
        : [
            {
              source,
              coefficient,
              sourceMm: source.uncertainty.mm,
              contributionMm: Math.abs(coefficient) * source.uncertainty.mm,
            },
          ],
    )
    .sort((a, b) => b.contributionMm - a.contributionMm)
  const parts = lines.map(({ contributionMm, source }) => ({
    standard: contributionMm,
    degreesOfFreedom: source.uncertainty?.degreesOfFreedom ?? Infinity,
  }))
  return { lines, ...combine(parts) }
}

/** U of a chain as a length, to be written beside its value. */
export const expandedUncertainty = (chain: Chain): Nanometres =>
  toNanometres(budgetOf(chain).expandedMm * NANOMETRES_PER.mm)

/** A contribution to a combined uncertainty, in any one unit. */
export interface Contribution {
  readonly standard: number
  readonly degreesOfFreedom: number
}

/**
 * Root sum of squares with effective degrees of freedom (JCGM 100, G.4.1) and the expanded value.
 *
 * @example 0.25, 0.57 and 0.82 % with 9, 4 and 14 degrees of freedom give 1.03 %, ν 19, k 2.09.
 */
export function combine(parts: readonly Contribution[]): Omit<Budget, 'lines'> {
  const standard = Math.hypot(...parts.map((part) => part.standard))
  const denominator = parts.reduce(
    (sum, part) => sum + part.standard ** 4 / part.degreesOfFreedom,
    0,
  )
  const degreesOfFreedom = denominator === 0 ? Infinity : standard ** 4 / denominator
  // Between the whole numbers of the table of t it is interpolated (JCGM 100, G.4.1, note 1).
  const coverageFactor =
    degreesOfFreedom >= LARGE_FREEDOM ? 2 : studentT(COVERAGE, Math.max(1, degreesOfFreedom))
  return {
    standardMm: standard,
    degreesOfFreedom,
    coverageFactor,
    expandedMm: coverageFactor * standard,
  }
}
