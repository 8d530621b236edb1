import type { Address } from '../address/address'
import { repeatsWithin } from '../budget/repeats-within'
import { hasUnknown } from '../chain/chain'
import type { SetupDocument } from '../facts/document'
import { toNanometres, type Nanometres } from '../length/length'
import { nanometresOf } from '../length/read-length'
import { lengthAddressOf } from '../sheet/tool-rows'
import type { Solution } from '../solve/solution'

/** A tool that was measured again, against what its row holds. */
export interface Recheck {
  readonly tool: number
  readonly address: Address
  readonly holds: Nanometres
  /** What the row should hold by the touches. */
  readonly found: Nanometres
  /** How much longer the tool is than its row says; shorter, where it is less than nothing. */
  readonly longer: Nanometres
  /** What such a tool repeats within. */
  readonly limit: Nanometres
  /**
   * `holds`: within that. `all-moved`: the tools that were measured before it are off by as much, so that it is the plane, the machine's
   * zero or the reference that moved. `differs`: the tool itself.
   */
  readonly verdict: 'holds' | 'all-moved' | 'differs'
  /** The tools that are off by as much. */
  readonly like: readonly number[]
}

/**
 * What a tool's touches say of the number that its row holds.
 *
 * @param holds what the row shows, as the control shows it.
 * @returns undefined while its touches tell no length.
 */
export function recheckOf(
  document: SetupDocument,
  { registers }: Pick<Solution, 'registers'>,
  tool: number,
  holds: Nanometres,
): Recheck | undefined {
  const { sheet, events } = document
  const address = lengthAddressOf(sheet, tool)
  const register = registers.find((one) => one.address === address)
  if (address === undefined || register?.value === undefined) return undefined
  const { chain, value: found } = register
  if (chain === undefined || hasUnknown(chain)) return undefined
  const longer = longerBy(document, holds, found)
  const limit = repeatsWithin(chain)
  if (Math.abs(longer) <= limit)
    return { tool, address, holds, found, longer, limit, verdict: 'holds', like: [] }
  const like = events.flatMap((event) => {
    if (event.kind !== 'tool-rechecked' || event.tool === tool) return []
    const [held, was] = [nanometresOf(event.holds), nanometresOf(event.found)]
    if (held === undefined || was === undefined) return []
    const other = longerBy(document, held, was)
    return Math.abs(other) > limit && Math.abs(longer - other) <= limit ? [event.tool] : []
  })
  const verdict = like.length > 0 ? 'all-moved' : 'differs'
  return { tool, address, holds, found, longer, limit, verdict, like }
}

/** A control that takes lengths off keeps a longer tool as a smaller number. */
const longerBy = (
  { sheet }: Pick<SetupDocument, 'sheet'>,
  holds: number,
  found: number,
): Nanometres =>
  toNanometres((found - holds) * (sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1))

/** The tools whose recheck is done: kept or corrected since they were touched last. */
export const isRechecked = ({ readings, events }: SetupDocument, tool: number): boolean => {
  const touched = readings.findLast((reading) => 'tool' in reading && reading.tool === tool)
  return events.some(
    (event) =>
      event.kind === 'tool-rechecked' &&
      event.tool === tool &&
      event.place > (touched?.place ?? Infinity),
  )
}
