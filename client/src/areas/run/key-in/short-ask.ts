import type { ShortReadBack } from '@pine/core/facts'
import { leastReadBack, partedDigits, type KeyInLine, type Sign } from '@pine/core/keyin'
import type { WrittenLength } from '@pine/core/length'
import { typographic } from '@pine/core/words'

/** What a control should show, to be compared by eye and by its sign and last digits. */
export interface ShortAsk {
  readonly way: ShortReadBack
  readonly expected: WrittenLength
  /** As a person reads it. */
  readonly says: string
  /** Pressed first; zero has none. */
  readonly sign: Sign | undefined
  /** What stands before the last digits, without the sign. */
  readonly first: string
}

/** How little of what a line makes of its row may be typed. */
export function shortAsk({ address, after, unit }: KeyInLine, wasKeyed: boolean): ShortAsk {
  const { sign, first } = partedDigits(after)
  return {
    way: leastReadBack(address, { wasKeyed }),
    expected: { text: after, unit },
    says: `${typographic(after)} ${unit}`,
    sign,
    first,
  }
}
