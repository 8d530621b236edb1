import type { Address } from '../address/address'
import { knewOf } from '../journal/entered'
import { readLength } from '../length/read-length'
import type { ReadBack } from './bodies/bodies'
import type { SetupDocument } from './document'

/** One register, keyed on two devices of which the second did not know of the first: what each saw there afterwards. */
export interface Crossing {
  readonly address: Address
  readonly first: ReadBack
  readonly second: ReadBack
}

/**
 * Registers that were keyed on two devices that had lost each other, by two people or by one: nobody can say from
 * the facts what the control holds now. It is told by what each device had seen of the stream, never by clocks. It ends
 * when somebody who has seen both looks at the control once more. Both having seen the same number there is no crossing.
 */
export function crossingsOf({
  readBacks,
}: Pick<SetupDocument, 'readBacks'>): ReadonlyMap<Address, Crossing> {
  const shown = readBacks.filter(({ moment }) => moment === 'after')
  const crossings = new Map<Address, Crossing>()
  shown.forEach((second, index) => {
    const { address } = second
    const before = crossings.get(address)
    if (before !== undefined && knewOf(second, before.second)) crossings.delete(address)
    // Back to what its device had seen, and no further: mostly that is nothing.
    for (let at = index - 1; at >= 0; at -= 1) {
      const first = shown[at]
      if (first === undefined || (second.seen ?? Infinity) > first.place) return
      if (first.address === address && !knewOf(second, first) && !isSameNumber(first, second)) {
        crossings.set(address, { address, first, second })
        return
      }
    }
  })
  return crossings
}

function isSameNumber(one: ReadBack, other: ReadBack): boolean {
  const [first, second] = [readLength(one.shown), readLength(other.shown)]
  return first.ok && second.ok && first.value.nm === second.value.nm
}
