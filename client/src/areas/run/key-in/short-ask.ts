import type { Address } from '@pine/core/address'
import type { ShortReadBack } from '@pine/core/facts'
import { addressesOf } from '@pine/core/proof'
import type { LoadedSetup } from '@/data/setup/standing'
import {
  lastDigitsToType,
  leastReadBack,
  partedDigits,
  type KeyInLine,
  type Sign,
} from '@pine/core/keyin'
import { formatLength, type WrittenLength } from '@pine/core/length'
import { typographic } from '@pine/core/words'

/** What a control should show, to be compared by eye and by its sign and last digits. */
export interface ShortAsk {
  readonly way: ShortReadBack
  readonly expected: WrittenLength
  /** As a person reads it. */
  readonly text: string
  /** Pressed first; zero has none. */
  readonly sign: Sign | undefined
  /** What stands before the last digits, without the sign. */
  readonly first: string
  /** How many last digits are typed. */
  readonly lastDigits: number
}

interface AskOptions {
  /** Whether a number was keyed into it before: it shows one that looks right. */
  readonly wasKeyed: boolean
  /** Whether a proof of this very number follows. */
  readonly isProvenLater: boolean
  /** What the other rows are made to hold: one of them could be shown in its place. */
  readonly others: readonly KeyInLine[]
  /** Of the control, in the unit of the lines. */
  readonly decimals: number
}

/** How little of what a line makes of its row may be typed. */
export function shortAsk(line: KeyInLine, options: AskOptions): ShortAsk {
  const { address, after, unit, before } = line
  const { wasKeyed, isProvenLater, others, decimals } = options
  // What the row held is shown where the new number was not stored.
  const held = before === undefined ? [] : [formatLength(before, unit, decimals)]
  const inItsPlace = [...held, ...others.map((one) => one.after)]
  const lastDigits = lastDigitsToType(after, inItsPlace, isProvenLater)
  const { sign, first } = partedDigits(after, lastDigits)
  return {
    way: leastReadBack(address, { wasKeyed }),
    expected: { text: after, unit },
    text: `${typographic(after)} ${unit}`,
    sign,
    first,
    lastDigits,
  }
}

/** What else stands in the control beside a row, and whether its number is proven. */
export function amongOthers(
  { document, solution, steps }: LoadedSetup,
  address: Address,
): Omit<AskOptions, 'wasKeyed'> {
  return {
    isProvenLater: steps.some(
      ({ step }) => step.does === 'prove' && addressesOf(document, step).includes(address),
    ),
    others: solution.registers.flatMap((one) =>
      one.address === address || one.keyIn === undefined ? [] : [one.keyIn],
    ),
    decimals: solution.decimals,
  }
}
