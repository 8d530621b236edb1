import type { SetupDocument } from '../../facts/document'
import type { Register } from '../../registers/register'
import { axisOfAddress } from '../../address/address'
import { roundToDisplay } from '../../length/format-length'
import type { Nanometres } from '../../length/length'
import { explain, knownSizes } from '../../slips/explain'
import type { KnownSize } from '../../slips/slip'

/** Names the slips behind read-backs that differ: any other register's value may have slipped in. */
export function explainReadBacks(
  document: SetupDocument,
  registers: readonly Register[],
): readonly Register[] {
  const { unit, machine, gauges } = document.sheet
  const decimals = machine.control.decimals[unit]
  const shown = (nm: Nanometres) => roundToDisplay(nm, unit, decimals)
  // Only a register that shows the very same can have slipped in: among a thousand, few do.
  const byShown = new Map<number, KnownSize[]>()
  for (const { address, value } of registers)
    if (value !== undefined) {
      const same = byShown.get(shown(value))
      if (same === undefined) byShown.set(shown(value), [{ name: address, nm: value }])
      else same.push({ name: address, nm: value })
    }
  return registers.map((register) => {
    const { readBack, keyIn, chain, kind, address } = register
    if (readBack === undefined || readBack.equal || keyIn === undefined || chain === undefined)
      return register
    const others = (byShown.get(shown(readBack.shown)) ?? []).filter(({ name }) => name !== address)
    const causes = explain({
      expected: keyIn.expected,
      observed: readBack.shown,
      unit,
      decimals,
      chain,
      kind,
      // As it was keyed: what is to be keyed now may be another way.
      mode: document.keyIns.findLast((one) => one.address === address)?.mode ?? keyIn.mode,
      gauges: knownSizes(gauges, axisOfAddress(address)),
      others,
      before: readBack.before,
    })
    return { ...register, readBack: { ...readBack, causes } }
  })
}
