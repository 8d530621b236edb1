import { formatLength, roundToDisplay } from '../length/format-length'
import { toNanometres, type LengthUnit, type Nanometres } from '../length/length'
import { readLength } from '../length/read-length'

/** Simplest first: this order is the order in which causes are named. */
export const SLIP_CODES = [
  'sign-turned',
  'not-committed',
  'added-not-set',
  'digits-swapped',
  'decimal-shifted',
  'unit-inch-for-mm',
  'unit-mm-for-inch',
  'radius-forgotten',
  'radius-doubled',
] as const

export type SlipCode = (typeof SLIP_CODES)[number]

/** One way in which the observed number could have come about. */
export interface Explanation {
  readonly code: SlipCode
  /** What this slip gives, before rounding. */
  readonly gives: Nanometres
}

export interface Comparison {
  readonly expected: Nanometres
  readonly observed: Nanometres
  readonly unit: LengthUnit
  /** Decimals of the display that the observed number was read from. */
  readonly decimals: number
  /** What the register held before it was keyed. */
  readonly before?: Nanometres
  /** Sum of the sensor radii in the expected number, with the sign they carry in it. */
  readonly radii?: Nanometres
  /** How far a cause may miss the observed number and still explain it; a display step by default. */
  readonly within?: Nanometres
}

/**
 * Every simple cause that turns what was expected into what was observed.
 *
 * It never corrects: it names what to look at. An empty list means that no single slip of these
 * kinds fits, or that nothing is wrong.
 */
export function explain(comparison: Comparison): readonly Explanation[] {
  const { expected, observed, unit, decimals, within = 0 } = comparison
  const rounded = (nm: Nanometres) => roundToDisplay(nm, unit, decimals)
  const same = (a: Nanometres, b: Nanometres) => Math.abs(rounded(a) - rounded(b)) <= within
  if (same(expected, observed)) return []
  const fits = candidates(comparison).filter(
    ({ gives }) => same(gives, observed) && !same(gives, expected),
  )
  return SLIP_CODES.flatMap((code) => fits.filter((fit) => fit.code === code).slice(0, 1))
}

function candidates(comparison: Comparison): readonly Explanation[] {
  const { expected, unit, decimals, before, radii } = comparison
  const gives = (code: SlipCode, value: number): Explanation => ({
    code,
    gives: toNanometres(value),
  })
  return [
    gives('sign-turned', -expected),
    ...(before === undefined
      ? []
      : [gives('not-committed', before), gives('added-not-set', before + expected)]),
    ...neighbourSwaps(formatLength(expected, unit, decimals), unit).map((value) =>
      gives('digits-swapped', value),
    ),
    ...[0.001, 0.01, 0.1, 10, 100, 1000].map((factor) =>
      gives('decimal-shifted', expected * factor),
    ),
    // The number was worked out in one unit and the control took it, digit for digit, in the other.
    gives('unit-inch-for-mm', expected / 25.4),
    gives('unit-mm-for-inch', expected * 25.4),
    ...(radii === undefined || radii === 0
      ? []
      : [gives('radius-forgotten', expected - radii), gives('radius-doubled', expected + radii)]),
  ]
}

/** Every number that arises when two neighbouring digits change places (the point stays). */
function neighbourSwaps(text: string, unit: LengthUnit): readonly number[] {
  const digitPlaces = [...text].flatMap((character, place) => (/\d/.test(character) ? [place] : []))
  return digitPlaces.slice(1).flatMap((right, index) => {
    const left = digitPlaces[index] ?? right
    const characters = [...text]
    characters[left] = text.charAt(right)
    characters[right] = text.charAt(left)
    const swapped = readLength({ text: characters.join(''), unit })
    return swapped.ok ? [swapped.value.nm] : []
  })
}
