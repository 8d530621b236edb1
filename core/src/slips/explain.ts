import type { Chain } from '../chain/chain'
import type { Gauge, KeyMode, MachineAxis } from '../setup/sheet'
import { GAUGE_FACTS } from '../touch/gauge-kinds'
import { formatLength, roundToDisplay } from '../length/format-length'
import { toNanometres, type LengthUnit, type Nanometres } from '../length/length'
import { readLength } from '../length/read-length'
import { chainCandidates } from './chain-candidates'
import { digitCandidates } from './digit-candidates'
import { pairCandidates } from './pair-candidates'
import { registerCandidates } from './register-candidates'

/** Simplest first: this order is the order in which causes are named. */
export const SLIP_CODES = [
  'sign-turned',
  'not-committed',
  'unit-inch-for-mm',
  'unit-mm-for-inch',
  'decimal-shifted',
  'radius-for-diameter',
  'gauge-forgotten',
  'radius-forgotten',
  'facing-forgotten',
  'drawing-forgotten',
  'counter-end-mistaken',
  'half-not-taken',
  'sum-not-halved',
  'half-keyed',
  'reading-sign-lost',
  'raw-counter',
  'gauge-doubled',
  'radius-doubled',
  'facing-doubled',
  'added-not-set',
  'set-not-added',
  'other-row',
  'constant-forgotten',
  'constant-wrong-sign',
  'lost-motion-forgotten',
  'lost-motion-wrong-sign',
  'digits-swapped',
  'gauge-wrong-sign',
  'radius-wrong-side',
  'facing-wrong-side',
  'drawing-wrong-sign',
  'raw-position',
  'digit-missing',
  'digit-doubled',
  'digit-wrong',
] as const

export type SlipCode = (typeof SLIP_CODES)[number]

/** One way in which the observed number could have come about. */
export interface Explanation {
  readonly code: SlipCode
  /** What this slip gives, before rounding. */
  readonly gives: Nanometres
  /** The gauge, the reading or the register that it is about. */
  readonly about?: string
  /** A second slip on top of the first, where no single one explains it. */
  readonly and?: { readonly code: SlipCode; readonly about?: string }
}

/** What two explanations differ by: `gauge-forgotten`, or `gauge-forgotten+sign-turned`. */
export const causeName = ({ code, and }: Pick<Explanation, 'code' | 'and'>): string =>
  and === undefined ? code : `${code}+${and.code}`

/** A number of the set-up that may have slipped in, or out. */
export interface KnownSize {
  readonly name: string
  readonly nm: Nanometres
}

/**
 * What each gauge counts along an axis, of those that serve it and whose size can be read: half of a
 * tip's diameter in X and Y, the whole of a setter in Z.
 */
export function knownSizes(
  gauges: readonly Pick<Gauge, 'kind' | 'name' | 'size' | 'wall'>[],
  axis: MachineAxis,
): readonly KnownSize[] {
  return gauges.flatMap(({ kind, name, size, wall }) => {
    const { shareInZ, shareInXY, countsInXY } = GAUGE_FACTS[kind]
    const share = axis === 'Z' ? shareInZ : shareInXY
    const written = axis !== 'Z' && countsInXY === 'wall' ? wall : size
    const read = written && readLength(written)
    return read?.ok && share ? [{ name, nm: toNanometres(share * read.value.nm) }] : []
  })
}

export interface Comparison {
  readonly expected: Nanometres
  readonly observed: Nanometres
  readonly unit: LengthUnit
  /** Decimals of the display that the observed number was read from. */
  readonly decimals: number
  /** How far a cause may miss the observed number and still explain it; a display step by default. */
  readonly within?: Nanometres
  /** What the expected number is made of: each of its terms may have been dropped, doubled or turned. */
  readonly chain?: Chain
  /** What the register held before it was keyed, and how it was keyed. */
  readonly before?: Nanometres
  readonly mode?: KeyMode
  /** Gauges of the set-up: one that cancels out of the chain can be forgotten at one of its touches. */
  readonly gauges?: readonly KnownSize[]
  /** Other registers: another row or axis may have been typed, or read. */
  readonly others?: readonly KnownSize[]
  /** A D register may hold a radius for a diameter. */
  readonly kind?: 'length' | 'work-offset' | 'diameter' | 'size'
}

/**
 * Every slip that turns what was expected into what was observed, simplest first; pairs of slips where no single one
 * does.
 *
 * It never corrects: it names what to look at. An empty list means that nothing is wrong, or that
 * no slip or pair of these kinds fits. Causes that give the very same number cannot be told apart
 * by it: see groupTies.
 */
export function explain(comparison: Comparison): readonly Explanation[] {
  const { expected, observed, unit, decimals, within = 0 } = comparison
  const shown = (nm: Nanometres) => roundToDisplay(nm, unit, decimals)
  const same = (a: Nanometres, b: Nanometres) => Math.abs(shown(a) - shown(b)) <= within
  if (same(expected, observed)) return []
  const fitting = (candidates: readonly Explanation[]) =>
    candidates.filter(({ gives }) => same(gives, observed) && !same(gives, expected))
  const fits = fitting([
    ...registerCandidates(comparison),
    ...chainCandidates(comparison),
    ...digitCandidates(formatLength(expected, unit, decimals), unit),
  ])
  if (fits.length === 0) return fitting(pairCandidates(comparison)).slice(0, MOST_PAIRS)
  return SLIP_CODES.flatMap((code) => fits.filter((fit) => fit.code === code).slice(0, 1))
}

/** Pairs explain much: more than a few of them explain nothing. */
const MOST_PAIRS = 3

/**
 * Puts causes that give exactly the same number into one group: nothing in the number can tell
 * them apart, so they are shown side by side and not guessed between.
 */
export function groupTies(
  explanations: readonly Explanation[],
): readonly (readonly Explanation[])[] {
  const groups: Explanation[][] = []
  for (const explanation of explanations) {
    const tie = groups.find(([first]) => first?.gives === explanation.gives)
    if (tie === undefined) groups.push([explanation])
    else tie.push(explanation)
  }
  return groups
}
