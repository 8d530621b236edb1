import type { Address } from '../address/address'
import type { Measured } from '../facts/bodies/measured'
import { formatLength } from '../length/format-length'
import {
  FINEST_DECIMALS,
  toNanometres,
  type Nanometres,
  type WrittenLength,
} from '../length/length'
import type { Register } from '../registers/register'
import type { SetupSheet } from '../sheet/sheet'
import { wearChange } from './wear'

export interface Corrections {
  /** Each as it is entered: to the nanometre, as it is rounded once, with its register. */
  readonly made: readonly {
    readonly address: Address
    readonly amount: WrittenLength
    readonly because: Measured
  }[]
  /** What each register becomes by all of them; without a number where it has none yet. */
  readonly rows: readonly {
    readonly address: Address
    readonly before?: Nanometres
    readonly after?: Nanometres
  }[]
}

/**
 * What has to be keyed after parts or blocks were measured: nothing where they are as they should be, or where no register mends it.
 *
 * @param registers as they stand, with what was corrected of them before.
 */
export function correctionsFor(
  measured: readonly Measured[],
  sheet: SetupSheet,
  registers: readonly Register[],
): Corrections {
  const made = measured.flatMap((because) => {
    const found = wearChange(because, sheet)
    return found === undefined || found.change === 0 ? [] : [{ ...found, because }]
  })
  return {
    made: made.map(({ address, change, because }) => ({
      address,
      amount: { text: formatLength(change, 'mm', FINEST_DECIMALS.mm), unit: 'mm' },
      because,
    })),
    rows: [...new Set(made.map(({ address }) => address))].map((address) => {
      const by = made.reduce((sum, one) => (one.address === address ? sum + one.change : sum), 0)
      const before = registers.find((one) => one.address === address)?.keyIn?.expected
      return before === undefined
        ? { address }
        : { address, before, after: toNanometres(before + by) }
    }),
  }
}
