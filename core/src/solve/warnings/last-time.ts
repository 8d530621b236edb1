import { hasUnknown, subtractChains, valueOf } from '../../chain/chain'
import { toNanometres, type Nanometres } from '../../length/length'
import { readLength } from '../../length/read-length'
import { explain, knownSizes } from '../../slips/explain'
import type { Explanation } from '../../slips/slip'
import type { Address } from '../../address/address'
import type { SetupDocument } from '../../facts/document'
import { registerOfTool } from '../../sheet/tool-rows'
import { repeatsWithin } from '../../budget/repeats-within'
import type { Heights } from '../solution'

/** A tool whose length is not what it was last time. */
export interface LengthChange {
  readonly tool: number
  /** The register that tells of it. */
  readonly address: Address
  /** Today less last time. */
  readonly change: Nanometres
  readonly limit: Nanometres
  readonly causes: readonly Explanation[]
}

/**
 * Tools whose length differs from last time by more than a tool repeats that stayed in its holder.
 *
 * Where the bare nose was touched, the length itself is compared. Where it was not, only differences
 * of lengths are known: they are held against the median change of all, so that one tool that
 * changed stands out from the others; that takes three tools with a last time.
 */
export function changedLengths(
  document: SetupDocument,
  { noseOnPlane, tipOnPlane }: Heights,
): readonly LengthChange[] {
  const { unit, machine, tools } = document.sheet
  const measured = tools.flatMap((tool) => {
    const tip = tipOnPlane[tool.number]
    const last = tool.lastLength && readLength(tool.lastLength, { sign: 'positive' })
    if (tip === undefined || !last?.ok || tool.length !== undefined) return []
    const chain = noseOnPlane ? subtractChains(tip, noseOnPlane) : tip
    // On a counter that was zeroed elsewhere than the nose's, it is no length.
    if (hasUnknown(chain)) return []
    return [{ tool, chain, last: last.value.nm, change: valueOf(chain) - last.value.nm }]
  })
  const common = noseOnPlane ? 0 : median(measured.map(({ change }) => change))
  if (common === undefined) return []
  return measured.flatMap(({ tool, chain, last, change }): readonly LengthChange[] => {
    const off = toNanometres(change - common)
    const limit = repeatsWithin(chain)
    const address = registerOfTool(document.sheet, tool.number)
    if (Math.abs(off) <= limit || address === undefined) return []
    const causes = explain({
      expected: toNanometres(last + common),
      observed: valueOf(chain),
      unit,
      decimals: machine.control.decimals[unit],
      within: limit,
      chain,
      kind: 'size',
      gauges: knownSizes(document.sheet.gauges, 'Z'),
    })
    return [{ tool: tool.number, address, change: off, limit, causes }]
  })
}

/** With fewer than three, nothing tells which one changed. */
function median(values: readonly number[]): number | undefined {
  if (values.length < 3) return undefined
  const sorted = [...values].sort((a, b) => a - b)
  const upper = sorted[Math.floor(sorted.length / 2)]
  const lower = sorted[Math.floor((sorted.length - 1) / 2)]
  return lower === undefined || upper === undefined ? undefined : (lower + upper) / 2
}
