import type { Address } from '../address/address'
import type { Measured } from '../facts/bodies/measured'
import { formatLength } from '../length/format-length'
import {
  FINEST_DECIMALS,
  NANOMETRES_PER,
  toNanometres,
  type Nanometres,
  type WrittenLength,
} from '../length/length'
import type { Register } from '../registers/register'
import type { SetupSheet } from '../sheet/sheet'
import { expandedMeasuredMm } from './judge-feature'
import { wearChange, type WearChange } from './wear'

/** What one register is put right by. */
export interface Correction {
  readonly address: Address
  /** To the nanometre, as it is rounded once. */
  readonly amount: WrittenLength
  /** What was measured of the features that it cuts: the first, and the others. */
  readonly because: Measured
  readonly also?: readonly Measured[]
}

/** A feature that shares its register with others: what is left of it once the register is put right. */
export interface LeftOver {
  readonly measured: Measured
  /** What this feature alone would ask for, less what the register gets. */
  readonly left: Nanometres
  /** More than its own U: the features do not agree, and no single number of the register mends both. */
  readonly isMuch: boolean
}

export interface Corrections {
  /** One for each register that has to change. */
  readonly made: readonly Correction[]
  /** What each register becomes; without a number where it has none yet. */
  readonly rows: readonly {
    readonly address: Address
    readonly before?: Nanometres
    readonly after?: Nanometres
  }[]
  /** Of registers that cut several features. */
  readonly leftOver: readonly LeftOver[]
}

interface Asked extends WearChange {
  readonly measured: Measured
}

/**
 * What has to be keyed after parts or blocks were measured: nothing where they are as they should be, or where no register mends it.
 * Where one register cuts several features, its correction fits all of them by least squares, each weighted by how surely it was
 * measured (equally, where that is not known of one of them): the ones that are as they should be count as well.
 *
 * @param registers as they stand, with what was corrected of them before.
 */
export function correctionsFor(
  measured: readonly Measured[],
  sheet: SetupSheet,
  registers: readonly Register[],
): Corrections {
  const asked = measured.flatMap((one): readonly Asked[] => {
    const found = wearChange(one, sheet)
    return found === undefined ? [] : [{ ...found, measured: one }]
  })
  const fitted = [...new Set(asked.map(({ address }) => address))].map((address) => {
    const own = asked.filter((one) => one.address === address)
    return { address, own, change: leastSquares(own) }
  })
  const changed = fitted.filter(({ change }) => change !== 0)
  return {
    made: changed.flatMap(({ address, own: [first, ...others], change }) =>
      first === undefined
        ? []
        : [
            {
              address,
              amount: { text: formatLength(change, 'mm', FINEST_DECIMALS.mm), unit: 'mm' as const },
              because: first.measured,
              ...(others.length > 0 && { also: others.map((one) => one.measured) }),
            },
          ],
    ),
    rows: changed.map(({ address, change }) => {
      const before = registers.find((one) => one.address === address)?.keyIn?.expected
      return before === undefined
        ? { address }
        : { address, before, after: toNanometres(before + change) }
    }),
    leftOver: fitted.flatMap(({ own, change }) =>
      own.length < 2 ? [] : own.map((one) => leftOverOf(one, change)),
    ),
  }
}

/**
 * The one change that fits several best: the mean of what each asks for, weighted by 1/u² (weighted least squares, NIST/SEMATECH e-Handbook
 * 4.1.4.3, from memory: for one unknown the normal equations are this mean).
 */
function leastSquares(asked: readonly Asked[]): Nanometres {
  const sure = asked.map(expandedOfChange)
  const isKnown = sure.every((expanded) => expanded !== undefined && expanded > 0)
  const weights = sure.map((expanded) => (isKnown ? (expanded ?? 1) ** -2 : 1))
  const whole = weights.reduce((sum, weight) => sum + weight, 0)
  const sum = asked.reduce((total, { change }, index) => total + change * (weights[index] ?? 0), 0)
  return toNanometres(Math.round(sum / whole))
}

/** U of what a feature asks of its register, millimetres. */
function expandedOfChange({ measured, share }: Asked): number | undefined {
  const expanded = expandedMeasuredMm(measured)
  return expanded === undefined ? undefined : share * expanded
}

function leftOverOf(one: Asked, change: Nanometres): LeftOver {
  const left = toNanometres(one.change - change)
  const expanded = expandedOfChange(one)
  const isMuch = expanded !== undefined && Math.abs(left) / NANOMETRES_PER.mm > expanded
  return { measured: one.measured, left, isMuch }
}
