import {
  chainOf,
  scaleChain,
  sumChains,
  valueOf,
  type Chain,
  type TermRole,
} from '../../chain/chain'
import { formatLength } from '../../length/format-length'
import { NANOMETRES_PER, toNanometres } from '../../length/length'
import { readLength } from '../../length/read-length'

/** Step of the central difference, in millimetres: far below any touch, far above rounding. */
const STEP_MM = 1e-3

export const millimetresOf = (chain: Chain): number => valueOf(chain) / NANOMETRES_PER.mm

/**
 * A number that is not linear in what it comes from, as a chain: its sources with their derivatives,
 * and one more term that makes the sum the number itself. The rest of the house need not know.
 *
 * @param model the number in millimetres, from the values of `from` in millimetres; it is smooth there.
 */
export function linearised(
  from: readonly Chain[],
  model: (values: readonly number[]) => number,
  remainder: { readonly id: string; readonly name: string; readonly role: TermRole },
): Chain {
  const values = from.map(millimetresOf)
  const moved = sumChains(
    ...from.map((chain, index) => {
      const at = (by: number) =>
        model(values.map((value, place) => (place === index ? value + by : value)))
      return scaleChain(chain, (at(STEP_MM) - at(-STEP_MM)) / (2 * STEP_MM))
    }),
  )
  const target = toNanometres(model(values) * NANOMETRES_PER.mm)
  return sumChains(moved, remainderOf(target - valueOf(moved), remainder))
}

/** What linear terms leave of a number, as a term of its own; nothing where they leave nothing. */
export function remainderOf(
  nm: number,
  { id, name, role }: { readonly id: string; readonly name: string; readonly role: TermRole },
): Chain {
  const length = readLength({ text: formatLength(toNanometres(nm), 'mm', 6), unit: 'mm' })
  if (!length.ok || length.value.nm === 0) return { terms: [] }
  return chainOf({ id, kind: 'declared', name, length: length.value }, role)
}
