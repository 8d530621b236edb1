import { formatLength } from '../length/format-length'
import { NANOMETRES_PER, toNanometres, type LengthUnit, type Nanometres } from '../length/length'
import { readLength, type ReadLength } from '../length/read-length'
import { DIGIT_SLIPS, undoneDigits } from '../slips/digit-candidates'
import type { KnownSize, SlipCode } from '../slips/slip'
import type { Belief } from './believe'

/** A reading that is not what was expected. */
export interface Surprise {
  readonly expected: Belief
  /** Which of the two numbers of a place it is about. */
  readonly number?: 'read' | 'readY'
  /** The slip that it most likely is, with the number that is meant then; absent where no usual slip fits. */
  readonly slip?: { readonly code: SlipCode; readonly meant: Nanometres; readonly about?: string }
}

/**
 * How often each slip is made, of all readings: about one in a hundred all together (value from memory: docs/domain.md, “Expecting a reading”).
 * A class is shared out evenly among the numbers that it may have been.
 */
const ODDS = {
  'reading-sign-lost': 0.003,
  'digits-swapped': 0.002,
  'digit-wrong': 0.002,
  'digit-missing': 0.001,
  'digit-doubled': 0.001,
  'decimal-shifted': 0.0005,
  'unit-mm-for-inch': 0.0002,
  'unit-inch-for-mm': 0.0002,
  'gauge-forgotten': 0.001,
  'gauge-doubled': 0.0005,
  // Less often than it is taken off by hand as well: paper is all but nothing, and either explains it then.
  'gauge-exchanged': 0.0004,
  'work-position': 0.001,
  'other-face-misread': 0.002,
} as const satisfies Partial<Record<SlipCode, number>>

type SlipOfReading = keyof typeof ODDS

/** Further from what was expected than this many standard deviations, no slip needs to be found to ask for another look. */
const FAR = 4
/** A slip explains what it brings within this many of them. */
const NEAR = 3
/** A slip is named when it is so many times as likely as the reading itself. */
const LIKELIER = 3

/** How a number was typed, and what may have lain between. */
export interface Typing {
  readonly unit: LengthUnit
  readonly decimals: number
  /** What was said to lie between, as it counts: who took it off by hand as well took it off twice. */
  readonly declared: readonly KnownSize[]
  /** What else there is: it may have lain there unsaid. */
  readonly others: readonly KnownSize[]
  /** How much less than the machine position each work position shows that may have been read for it. */
  readonly works?: readonly KnownSize[]
  /** By how much this reading would have been expected elsewhere, had the face before been misread in a usual way. */
  readonly before?: readonly KnownSize[]
}

interface Meant {
  readonly code: SlipOfReading
  readonly nm: number
  readonly about?: string
}

/**
 * Whether a reading is a surprise, and which slip explains it: each usual slip is undone, and the one with the highest
 * posterior is held against the reading as it is. It never corrects.
 *
 * @param typed the number as it was typed; of another unit than the set-up's where its text says so.
 */
export function surpriseAt(
  expected: Belief,
  typed: ReadLength,
  typing: Typing,
): Surprise | undefined {
  const own = logLikelihood(expected, typed.nm)
  const candidates = meantBy(typed, typing)
  const inClass = new Map<SlipOfReading, number>()
  for (const { code } of candidates) inClass.set(code, (inClass.get(code) ?? 0) + 1)
  const weighed = candidates.map((meant) => ({
    meant,
    log:
      Math.log(ODDS[meant.code] / (inClass.get(meant.code) ?? 1)) +
      logLikelihood(expected, meant.nm),
  }))
  const best = weighed
    .filter(({ meant }) => Math.abs(deviations(expected, meant.nm)) <= NEAR)
    .toSorted((a, b) => b.log - a.log)[0]
  if (best !== undefined && best.log > own + Math.log(LIKELIER)) {
    const { code, nm, about } = best.meant
    return {
      expected,
      slip: { code, meant: toNanometres(nm), ...(about !== undefined && { about }) },
    }
  }
  return isFar(expected, typed.nm) ? { expected } : undefined
}

const deviations = ({ mm, standardMm }: Belief, nm: number): number =>
  (nm / NANOMETRES_PER.mm - mm) / standardMm

const isFar = (expected: Belief, nm: number): boolean => Math.abs(deviations(expected, nm)) > FAR

/** Of a normal distribution, without what is the same for all. */
const logLikelihood = (expected: Belief, nm: number): number => -(deviations(expected, nm) ** 2) / 2

/** The numbers that may have been meant, by the slip that made this one of them. */
function meantBy(
  { nm, unit }: ReadLength,
  { unit: own, decimals, declared, others, works = [], before = [] }: Typing,
): readonly Meant[] {
  const text = formatLength(nm, unit, unit === own ? decimals : decimals + 1)
  const undone = undoneDigits(text)
  return [
    { code: 'reading-sign-lost', nm: -nm },
    { code: 'unit-mm-for-inch', nm: nm / 25.4 },
    { code: 'unit-inch-for-mm', nm: nm * 25.4 },
    ...[0.001, 0.01, 0.1, 10, 100, 1000].map((factor): Meant => ({
      code: 'decimal-shifted',
      nm: nm * factor,
    })),
    ...others.map(({ name, nm: size }): Meant => ({
      code: 'gauge-forgotten',
      nm: nm - size,
      about: name,
    })),
    ...declared.map(({ name, nm: size }): Meant => ({
      code: 'gauge-doubled',
      nm: nm + size,
      about: name,
    })),
    ...declared.flatMap(({ nm: size }) =>
      others.map((other): Meant => ({
        code: 'gauge-exchanged',
        nm: nm - other.nm + size,
        about: other.name,
      })),
    ),
    ...works.map(({ name, nm: less }): Meant => ({
      code: 'work-position',
      nm: nm + less,
      about: name,
    })),
    ...before.map(({ name, nm: off }): Meant => ({
      code: 'other-face-misread',
      nm: nm + off,
      about: name,
    })),
    ...DIGIT_SLIPS.flatMap((code) =>
      [...new Set(undone[code])].flatMap((meant): readonly Meant[] => {
        const read = readLength({ text: meant, unit })
        return read.ok ? [{ code, nm: read.value.nm }] : []
      }),
    ),
  ]
}
